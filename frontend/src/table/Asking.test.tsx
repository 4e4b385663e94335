// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from "@testing-library/react";
import { afterEach, expect, test, vi } from "vitest";
import type { Action } from "../api/runs";
import type { Look, QuestionShown, Table } from "../api/schema";
import { Asking } from "./Asking";

afterEach(cleanup);
// The first key wakes the sound, which a simulated document has not.
vi.stubGlobal("AudioContext", class { readonly state = "running"; });

const LOOK = { choices: "rows", picture_at: "above" } as unknown as Look;
const CHOICES = ["Carrot", "Pea", "Plum"].map((text, at) => ({ place: at + 1, letter: "ABC"[at], text, picture: "", sound: "" }));
const QUESTION = {
  kind: "choice", number: 1, in_run: 1, prompt: "Which is a root?", choices: CHOICES, words: [], tried: [], tries_left: 1,
  hint: "", may_hint: false, may_pass: false, wants_all: false, picture: "", sound: "",
} as unknown as QuestionShown;
const TABLE = {
  phase: "asking", players: [], clocks: [], clocks_run: false, lead: 0, typing: false, may_finish: false, told: [], feedback: null,
} as unknown as Table;

/** What is sent while a question lies on the table, and what was picked. */
function shown(question: Partial<QuestionShown>, table: Partial<Table> = {}, picked: number[] = []) {
  const sent: Action[] = [];
  const onPick = vi.fn();
  const onOrder = vi.fn();
  const whole = { ...QUESTION, ...question };
  render(
    <Asking table={{ ...TABLE, ...table, question: whole }} look={LOOK} question={whole} elapsed={0} picked={picked} onPick={onPick} onOrder={onOrder} onAction={(action) => sent.push(action)} />,
  );
  return { sent, onPick, onOrder };
}
const press = (name: RegExp) => fireEvent.click(screen.getByRole("button", { name }));

test("a choice is picked while the question is open, and once it is closed by nobody", () => {
  const { onPick } = shown({});
  press(/Pea/);
  expect(onPick.mock.calls).toEqual([[2]]);
  cleanup();
  const feedback = { result: "wrong", is_good: false, right_places: [1], given_places: [2], why: "", answer: "Carrot", note: "", says: "" };
  const closed = shown({}, { phase: "holding", feedback } as unknown as Table);
  for (const name of [/Carrot/, /Pea/, /Plum/]) press(name);
  expect(closed.onPick).not.toHaveBeenCalled();
  // Told in words, never by colour alone.
  expect(screen.getByRole("button", { name: /Carrot/ }).textContent).toMatch(/right answer/i);
  expect(screen.getByRole("button", { name: /Pea/ }).textContent).toMatch(/your answer/i);
});

test("where all right ones are wanted, they are sent together, and nothing before one is picked", () => {
  shown({ wants_all: true });
  expect(screen.getByRole<HTMLButtonElement>("button", { name: /Answer with/ }).disabled).toBe(true);
  cleanup();
  const { sent } = shown({ wants_all: true }, {}, [1, 3]);
  expect(screen.getByRole("button", { name: /Plum/ }).getAttribute("aria-pressed")).toBe("true");
  press(/Answer with/);
  expect(sent).toEqual([{ action: "answer", value: [1, 3] }]);
});

test("what is typed is sent as it is, and the field is empty and ready again", () => {
  const { sent } = shown({ kind: "typed", choices: [] }, { typing: true });
  const field = screen.getByRole<HTMLInputElement>("textbox");
  fireEvent.change(field, { target: { value: " runner bean " } });
  fireEvent.submit(field);
  expect(sent).toEqual([{ action: "answer", value: " runner bean " }]);
  expect([field.value, document.activeElement]).toEqual(["", field]);
});

test("hint, pass and stop are offered where they do something, and nowhere else", () => {
  shown({});
  expect(screen.getAllByRole("button").map((button) => button.textContent)).toEqual(["ACarrot", "BPea", "CPlum"]);
  cleanup();
  const { sent } = shown({ may_hint: true, may_pass: true }, { may_finish: true });
  press(/Hint/);
  press(/Pass/);
  press(/Stop here/);
  expect(sent.map(({ action }) => action)).toEqual(["hint", "pass", "finish"]);
});

test("choices to put in order are moved by buttons and by arrow keys, and sent as they lie", () => {
  const { sent, onOrder } = shown({ kind: "order" });
  press(/Move A down/);
  fireEvent.keyDown(screen.getByRole("button", { name: /Move C down/ }), { key: "ArrowUp" });
  press(/Move A up/); // it is the first already
  fireEvent.keyDown(screen.getByRole("button", { name: /Move C up/ }), { key: "ArrowDown" });
  expect(onOrder.mock.calls).toEqual([[[2, 1, 3]], [[1, 3, 2]]]);
  cleanup();
  const put = shown({ kind: "order" }, {}, [3, 1, 2]);
  expect(screen.getAllByRole("listitem").map((row) => row.textContent)).toEqual(["CPlum", "ACarrot", "BPea"]);
  press(/This is the order/);
  expect([sent, put.sent]).toEqual([[], [{ action: "answer", value: [3, 1, 2] }]]);
});

test("what came of an order is told place by place, in words too, and only once it may be", () => {
  const feedback = { result: "partly", is_good: false, right_places: [3, 1, 2], given_places: [3, 2, 1], why: "", answer: "", note: "", says: "", share: 33 };
  shown({ kind: "order" }, { phase: "holding", feedback } as unknown as Table);
  expect(screen.getAllByRole("listitem").map((row) => row.textContent)).toEqual(["CPlumright", "BPea→ 3B is number 3 of 3", "ACarrot→ 2A is number 2 of 3"]);
  expect(screen.queryByRole("button", { name: /Move|order/ })).toBeNull();
  expect(screen.getByRole("status").textContent).toMatch(/33 % right/);
  cleanup();
  shown({ kind: "order" }, { phase: "holding", feedback: { ...feedback, right_places: [] } } as unknown as Table);
  expect(screen.getAllByRole("listitem").map((row) => row.textContent)).toEqual(["CPlum", "BPea", "ACarrot"]);
});

test("a partly right answer says so, and which choices it was", () => {
  const feedback = { result: "partly", is_good: false, right_places: [1, 2], given_places: [1], why: "", answer: "Carrot", note: "", says: "", share: 50 };
  shown({ wants_all: true }, { phase: "holding", feedback } as unknown as Table);
  const carrot = screen.getByRole("button", { name: /Carrot/ }).textContent;
  expect(carrot).toMatch(/right answer/i);
  expect(carrot).toMatch(/your answer/i);
  expect(screen.getByRole("status").textContent).toMatch(/Partly right\. 50 % right/);
});
