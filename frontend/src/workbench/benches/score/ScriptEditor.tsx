import { autocompletion, closeBrackets, type CompletionContext } from "@codemirror/autocomplete";
import { defaultKeymap, history, historyKeymap } from "@codemirror/commands";
import { python } from "@codemirror/lang-python";
import { HighlightStyle, indentUnit, syntaxHighlighting } from "@codemirror/language";
import { setDiagnostics } from "@codemirror/lint";
import { Compartment, EditorState, type Text } from "@codemirror/state";
import { EditorView, gutter, GutterMarker, hoverTooltip, keymap, lineNumbers } from "@codemirror/view";
import { tags } from "@lezer/highlight";
import { useEffect, useRef } from "react";
import { PLACES } from "../../../api/parts";
import type { ScriptName, Severity } from "../../../api/schema";
import { placesFor } from "../parts/places";

/** The words of `tell`, up to where more is typed. */
const WORDS_SAID = /tell\(\s*(?:"[^"\n]*|'[^'\n]*)/;

export type ScriptFault = { line: number; column: number; what: string; mend: string; severity: Severity };

type ScriptEditorProps = {
  script: string;
  faults: ScriptFault[];
  /** How often each line ran, by its number from 1. */
  runs: Map<number, number>;
  /** The lines that ran last. */
  lit: number[];
  names: ScriptName[];
  onChange: (script: string) => void;
};

const LOOK = EditorView.theme({
  "&": { fontSize: "0.9375rem", backgroundColor: "var(--color-card)", height: "100%" },
  "&.cm-focused": { outline: "3px solid var(--color-sky)", outlineOffset: "1px" },
  ".cm-content": { fontFamily: "var(--font-mono)", caretColor: "var(--color-clay)" },
  ".cm-gutters": {
    backgroundColor: "var(--color-paper)",
    color: "var(--color-soft)",
    borderRight: "1px solid var(--color-line)",
    fontFamily: "var(--font-mono)",
  },
  ".cm-runs": { minWidth: "3.5rem", textAlign: "right", color: "var(--color-sky)", paddingRight: "0.5rem" },
  ".cm-tooltip": { backgroundColor: "var(--color-card)", border: "1px solid var(--color-edge)" },
  ".cm-tooltip.cm-tooltip-autocomplete > ul > li[aria-selected]": {
    backgroundColor: "var(--color-sun-pale)",
    color: "var(--color-ink)",
  },
  ".cm-words": { padding: "0.25rem 0.6rem", maxWidth: "22rem", fontFamily: "var(--font-sans)" },
});

const COLOURS = HighlightStyle.define([
  { tag: [tags.keyword, tags.definitionKeyword, tags.controlKeyword], color: "var(--color-clay-dark)", fontWeight: "600" },
  { tag: [tags.number, tags.bool], color: "var(--color-sky)" },
  { tag: tags.string, color: "var(--color-moss)" },
  { tag: tags.comment, color: "var(--color-soft)", fontStyle: "italic" },
  { tag: tags.function(tags.variableName), fontWeight: "600" },
]);

class RunCount extends GutterMarker {
  constructor(
    readonly times: number,
    readonly isLit: boolean,
  ) {
    super();
  }
  override eq(other: RunCount) {
    return other.times === this.times && other.isLit === this.isLit;
  }
  override toDOM() {
    const mark = document.createElement("span");
    mark.textContent = `${this.isLit ? "▸ " : ""}${this.times} ×`;
    mark.title = `This line ran ${this.times} times in this run`;
    return mark;
  }
}

/** The rule script, to be edited: completed, explained, and marked with how often each line ran. */
export function ScriptEditor({ script, faults, runs, lit, names, onChange }: ScriptEditorProps) {
  const host = useRef<HTMLDivElement>(null);
  const view = useRef<EditorView>(undefined);
  const counts = useRef(new Compartment());
  const help = useRef(new Compartment());
  const changed = useRef(onChange);
  useEffect(() => {
    changed.current = onChange;
  });
  const first = useRef(script);

  useEffect(() => {
    if (!host.current) return;
    const editor = new EditorView({
      parent: host.current,
      state: EditorState.create({
        doc: first.current,
        extensions: [
          lineNumbers(),
          counts.current.of([]),
          help.current.of([]),
          history(),
          closeBrackets(),
          keymap.of([...defaultKeymap, ...historyKeymap]),
          python(),
          indentUnit.of("    "),
          syntaxHighlighting(COLOURS),
          EditorView.contentAttributes.of({ "aria-label": "Rule script", tabindex: "0" }),
          EditorView.updateListener.of((update) => {
            if (update.docChanged) changed.current(update.state.doc.toString());
          }),
          LOOK,
          EditorView.cspNonce.of(styleNonce()),
        ],
      }),
    });
    view.current = editor;
    return () => {
      first.current = editor.state.doc.toString();
      editor.destroy();
    };
  }, []);

  useEffect(() => {
    const editor = view.current;
    if (!editor || editor.state.doc.toString() === script) return;
    editor.dispatch({ changes: { from: 0, to: editor.state.doc.length, insert: script } });
  }, [script]);

  useEffect(() => {
    const editor = view.current;
    if (!editor) return;
    editor.dispatch(setDiagnostics(editor.state, faults.map((fault) => diagnosticOf(editor.state.doc, fault))));
  }, [faults]);

  const litKey = lit.join(" ");
  const runsKey = [...runs].join(" ");
  useEffect(() => {
    const litNow = new Set(litKey.split(" ").map(Number));
    const timesNow = new Map(
      runsKey.split(" ").map((pair) => pair.split(",").map(Number) as [number, number]),
    );
    const column = gutter({
      class: "cm-runs",
      lineMarker: (editor, block) => {
        const line = editor.state.doc.lineAt(block.from).number;
        const times = timesNow.get(line);
        return times ? new RunCount(times, litNow.has(line)) : null;
      },
      initialSpacer: () => new RunCount(100, false),
    });
    view.current?.dispatch({ effects: counts.current.reconfigure(column) });
  }, [litKey, runsKey]);

  useEffect(() => {
    view.current?.dispatch({
      effects: help.current.reconfigure([
        autocompletion({ override: [(context) => complete(context, names)] }),
        hoverTooltip((editor, at) => {
          const word = editor.state.wordAt(at);
          const found = word && names.find(({ name }) => name === editor.state.sliceDoc(word.from, word.to));
          if (!word || !found) return null;
          return { pos: word.from, end: word.to, create: () => ({ dom: inWords(found) }) };
        }),
      ]),
    });
  }, [names]);

  return <div ref={host} className="min-h-60 flex-1 overflow-auto rounded-lg border border-edge" />;
}

/** What the server lets styles made by a script be known by. */
function styleNonce(): string {
  return document.querySelector<HTMLMetaElement>("meta[name=style-nonce]")?.content ?? "";
}

function complete(context: CompletionContext, names: ScriptName[]) {
  const own = [...context.state.doc.toString().matchAll(/^(\w+) *=/gm)].map((found) => found[1] ?? "");
  if (context.matchBefore(WORDS_SAID)) return completePlace(context, own);
  const word = context.matchBefore(/\w+/);
  if (!word && !context.explicit) return null;
  const counters = own.map((name) => ({ label: name, type: "variable", detail: "counter" }));
  const known = names.map(({ name, kind, words, insert }) => ({
    label: name,
    type: kind === "fact" ? "constant" : "function",
    detail: kind,
    info: words,
    apply: insert,
  }));
  return { from: word?.from ?? context.pos, options: [...counters, ...known] };
}

/** Completes what the words of `tell` can have filled in. */
function completePlace(context: CompletionContext, counters: string[]) {
  const open = context.matchBefore(/\{\w*/);
  if (!open) return null;
  const isClosed = context.state.sliceDoc(context.pos, context.pos + 1) === "}";
  const options = placesFor(["score", ...counters]).map((name) => ({
    label: name,
    type: "constant",
    detail: PLACES[name] ?? "",
    apply: isClosed ? name : `${name}}`,
  }));
  return { from: open.from + 1, options };
}

function inWords({ name, kind, words }: ScriptName): HTMLElement {
  const dom = document.createElement("div");
  dom.className = "cm-words";
  const strong = document.createElement("b");
  strong.textContent = name;
  dom.append(strong, ` (${kind}): ${words}`);
  return dom;
}

function diagnosticOf(doc: Text, fault: ScriptFault) {
  const line = doc.line(Math.min(Math.max(fault.line, 1), doc.lines));
  const from = Math.min(line.from + fault.column - 1, line.to);
  const word = /^\w+/.exec(doc.sliceString(from, line.to))?.[0].length ?? 1;
  return {
    from,
    to: Math.min(from + word, line.to),
    severity: fault.severity === "fault" ? ("error" as const) : ("warning" as const),
    message: `${fault.what}. To mend it, ${fault.mend}.`,
  };
}
