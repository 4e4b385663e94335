"""Generate the TypeScript constants of the pages: new parts, fields and values of the document."""

import json
from collections.abc import Iterator, Mapping
from typing import Any

from pydantic import TypeAdapter

from dicetrail.core import Game, Question
from dicetrail.core.document import (
    DETAILS,
    Detail,
    FieldTold,
    Form,
    Language,
    Phrase,
    Value,
    fields_within,
    values_within,
)
from dicetrail.core.foresight import SCOUTS, Scout, Seen
from dicetrail.core.play import ONLY_AT_END, PLACES, phrases_in
from dicetrail.core.rules import COUNTED, FACTS
from dicetrail.core.workbench import CUE_SHEETS, NEW_PARTS, READY_LOOKS, CueSheet, ReadyLook
from dicetrail.files import Plan


def written_parts() -> str:
    """The file the pages take them from."""
    return "\n\n".join(_sections())


def _sections() -> Iterator[str]:
    values = {
        kind.__name__: kind
        for part in (Game, Question, Plan, Scout)
        for kind in values_within(part)
        if kind is not Phrase
    }
    values[Seen.__name__] = Seen
    names = ", ".join(sorted({*NEW_PARTS, *values, "Dress", "Scout"}))
    yield (
        "// Made from the core by `make api`; not to be changed by hand.\n"
        f'import type {{ {names} }} from "./schema";'
    )
    yield "/** What a maker adds begins as one of these. */"
    for name, part in NEW_PARTS.items():
        written = TypeAdapter(type(part)).dump_python(part, mode="json")
        yield f"export const NEW_{name.upper()}: {name} = {_json(written)};"
    yield (
        "/** A field: what it is called, what it does or counts in, what it means left empty, its\n"
        " * name where there is little room, and the least and the most of a number. */\n"
        "export type Field = { label: string; hint: string; empty: string; short: string; "
        "within: [number, number] | null };"
    )
    told = {
        prefix + field.where: _field(field)
        for prefix, part in (("", Game), ("", Question), ("scout.", Scout))
        for field in fields_within(part)
    }
    yield (
        "/** The fields of a game, question or scout, by where they stand. */\n"
        "export const FIELDS: Record<string, Field> = "
        f"{_lines(told)};"
    )
    sheets = TypeAdapter(tuple[CueSheet, ...]).dump_python(CUE_SHEETS, mode="json")
    yield (
        "/** The ready sheets of cues. */\n"
        "export const CUE_SHEETS: { name: string; words: string; cues: Cue[] }[] = "
        f"{_json(sheets)};"
    )
    looks = TypeAdapter(tuple[ReadyLook, ...]).dump_python(READY_LOOKS, mode="json")
    yield (
        "/** The ready looks. */\n"
        "export const READY_LOOKS: { name: string; words: string; look: Look }[] = "
        f"{_json(looks)};"
    )
    places = {**PLACES, **{name: FACTS[name] for name in COUNTED}}
    yield (
        "/** What words can have filled in besides counters, each with what it is. */\n"
        f"export const PLACES: Record<string, string> = {_json(places)};"
    )
    yield (
        "/** Those that mean something only once a run has ended. */\n"
        f"export const ONLY_AT_END: string[] = {_json(sorted(ONLY_AT_END))};"
    )
    scouts = TypeAdapter(tuple[Scout, ...]).dump_python(SCOUTS, mode="json")
    yield f"/** The ready scouts. */\nexport const SCOUTS: Scout[] = {_json(scouts)};"
    yield (
        "/** One value of a few, and the words for it. */\n"
        "export type Value<T> = { value: T; label: string; hint: string };"
    )
    english = TypeAdapter(dict[Phrase, dict[Form, str]]).dump_python(
        phrases_in(Language.ENGLISH), mode="json"
    )
    yield (
        "/** What is said where there is no game that could say it in its own words. */\n"
        f'export const IN_ENGLISH: Dress["phrases"] = {_lines(english)};'
    )
    types = "\n".join(f"  {name}: Value<{name}>[];" for name in values)
    words = {name: [_value(value) for value in kind] for name, kind in values.items()}
    yield f"export const VALUES: {{\n{types}\n}} = {_lines(words)};"
    yield "/** The details that are texts, and those that are numbers, in order. */"
    for name, chosen in (
        ("TEXT_DETAILS", [detail for detail in DETAILS if detail.is_text]),
        ("NUMBER_DETAILS", [detail for detail in DETAILS if detail.is_number]),
    ):
        yield (f"export const {name}: {_details_type(chosen)}[] = {json.dumps(_details(chosen))};")


def _json(value: Any) -> str:
    return json.dumps(value, indent=2, ensure_ascii=False)


def _lines(table: Mapping[str, Any]) -> str:
    """A table with a line for each of its entries."""
    lines = (
        f"  {json.dumps(name)}: {json.dumps(value, ensure_ascii=False)},\n"
        for name, value in table.items()
    )
    return f"{{\n{''.join(lines)}}}"


def _field(field: FieldTold) -> Mapping[str, Any]:
    told, within = field.told, field.within
    return {
        "label": told.label if told else "",
        "hint": told.hint if told else "",
        "empty": told.empty if told else "",
        "short": told.short if told else "",
        "within": [within.least, within.most] if within else None,
    }


def _value(value: Value) -> Mapping[str, str]:
    return {"value": value.value, "label": value.label, "hint": value.hint}


def _details_type(details: list[Detail]) -> str:
    names = " | ".join(f'"{detail.field}"' for detail in details)
    return f"{{ name: {names}; label: string }}"


def _details(details: list[Detail]) -> list[Mapping[str, str]]:
    return [{"name": detail.field, "label": detail.told.label} for detail in details]
