"""The values that names of the whole program can have in one game."""

import ast
from collections.abc import Collection, Iterable, Iterator
from math import inf

from dicetrail.core import To
from dicetrail.core.document import Best, Way
from dicetrail.core.draw import name_of
from dicetrail.core.rules import Event, Outcome
from dicetrail.takeaway.written import whole_program
from dicetrail.takeaway.written.game_parts import QUESTION_USUAL, Fields, GameParts
from dicetrail.takeaway.written.names import CUED
from dicetrail.takeaway.written.settings import NO_LIMIT, WAYS
from dicetrail.takeaway.written.specialising import Values

_ACTIONS = {"again": To.AGAIN, "skip": To.QUESTION, "go": To.ROUND, "finish": To.ENDING}
"""Where script actions lead."""
_PLACES = ("SAME", "QUESTION", "AGAIN", "NEXT_ROUND", "ROUND", "ENDING", "TIME_UP")
_QUESTION_EVENTS = ("asked", "hinted", "started", "round_over", "game_over")


def known_of(it: GameParts) -> dict[str, Values]:
    """The values that expressions of the whole program can have, by their addresses."""
    known = {f"round_.{name}": _each(it.settings, name) for name in it.settings[0]}
    known |= {f"question.{name}": _asked(it, name) for name in QUESTION_USUAL}
    known |= _of_sums(it)
    single = {
        "TITLE": it.game.title,
        "ASKS_NAMES": it.game.opening.asks_names,
        "MAX_PLAYERS": it.game.opening.most_players,
        "GAME_SECONDS": it.game.seconds or 0,
        "LOWEST_WINS": it.game.best is Best.LOWEST,
        "HINTS": has_hints(it),
        "OPENS": bool(it.game.opening.words.strip()),
        "LEAVES": has_field(it, "rows"),
        "COMES_AGAIN": _revisits(it),
        "SHARES": _revisits(it) or _is_shared(it),
        "PARTS": "partly" in it.script.functions and has_parts(it),
        "AND_LETTER": it.letter_and,
        "ENDS_AT_ONCE": bool(it.rules.at_once_in_question),
        "MAY_OUTGROW": _may_outgrow(it),
        "ALWAYS_ENDS": any(always_ends(it, ending.counts) for ending in it.game.endings),
        "HEARD": frozenset(_heard(it)),
        "CUED": frozenset(_cued(it)),
        "len(ROUNDS)": len(it.game.rounds),
    }
    single |= {name: getattr(whole_program, name) for name in _PLACES}
    known |= {name: frozenset([value]) for name, value in single.items()}
    return known | _of_course(it)


def has_parts(it: GameParts) -> bool:
    """Whether an answer can be partly right."""
    kinds = _asked(it, "kind")
    counted = {
        "parts": {"several", "places", "match", "gaps", "judged"},
        "order_parts": {"order"},
        "estimate_parts": {"estimate"},
    }
    return any(
        one[name] != "never" and bool(kinds & those)
        for one in it.settings
        for name, those in counted.items()
    )


def _each(settings: list[dict[str, object]], name: str) -> Values:
    return frozenset(
        tuple(v) if isinstance(v, list) else v for v in (one[name] for one in settings)
    )


def has_field(it: GameParts, name: str) -> bool:
    """Whether a question has a field that is not as usual."""
    return any(name in fields for fields in it.all_fields())


def _asked(it: GameParts, name: str) -> Values:
    """The values of a field in all questions. It has one value only if that is the usual one."""
    every: list[Fields] = [*it.all_fields()]
    if name == "kind":
        made = {"choice" if "choices" in sums else "number" for sums in it.sums}
        return frozenset(made | {str(fields.get(name, "choice")) for fields in every})
    if name == "wrong":
        every += [{name: "some"} if "choices" in sums else {} for sums in it.sums]
    elif it.sums:
        every.append({})
    usual, values = QUESTION_USUAL[name], set[object]()
    for fields in every:
        values |= {_SOME, _OTHER} if name in fields else {usual}
    return frozenset(values)


def _each_has(several: Iterable[bool]) -> Values:
    """The values of a field that some have: none of them is the only one but nothing."""
    return frozenset(value for has in several for value in ((_SOME, _OTHER) if has else ((),)))


_SOME, _OTHER = "some", "other"
"""Two values that are there, so that none of them is the only one."""


def _of_sums(it: GameParts) -> dict[str, Values]:
    usual = whole_program.PlainSums._field_defaults
    known: dict[str, Values] = {
        f"sums.{name}": frozenset(sums.get(name, usual.get(name)) for sums in it.sums)
        for name in ("character", "cap", "negative", "choices")
    }
    has_bottoms = {"bottoms" in sums for sums in it.sums}
    known["sums.bottoms"] = frozenset([(0,)] if True not in has_bottoms else [(0,), (1,)])
    known["bottom"] = frozenset(
        n for has in has_bottoms or {False} for n in ((1, 2) if has else (0,))
    )
    if len(known["sums.choices"]) == 1 and known["sums.choices"] != {0}:
        known["sums.choices"] |= {-1}
    return known


def _of_course(it: GameParts) -> dict[str, Values]:
    """Verdicts, events, and where the game can go."""
    kinds = _asked(it, "kind")
    has_letters, is_clocked = (
        "letters" in kinds,
        has_field(it, "seconds") or any(one["seconds"] for one in it.settings),
    )
    verdicts, events = {"right", "wrong"}, {"right", "wrong", *_heard(it)}
    if any(one["typos"] for one in it.settings) and _reads_texts(it, kinds):
        verdicts.add("close")
    if has_parts(it):
        verdicts.add("partly")
    if is_clocked:
        verdicts.add("late")
        events.add("timeout")
    if any(one["passing"] for one in it.settings):
        verdicts.add("passed")
        events.add("passed")
    if has_letters:
        verdicts |= {"hit", "miss", "tried"}
        events |= {"letter_hit", "letter_miss"}
    goes = {WAYS[way.to] for way in _moves(it)} | {WAYS[to] for to in _acted(it)}
    if it.rules.at_once_in_question:
        goes.add(WAYS[To.ENDING])
    tries = {one["misses" if has_letters else "tries"] for one in it.settings}
    has_tries = has_letters or any(one["tries"] != 1 for one in it.settings)
    if has_tries:
        goes.add("same question")
    has_long_clock = bool(it.game.seconds) or any(one["clock"] for one in it.settings)
    known: dict[str, Values] = {
        "verdict": frozenset(verdicts | {"unreadable"}),
        "heard": frozenset(["letter_hit", "letter_miss"] if has_letters else []),
        "event": frozenset(events),
        "planned.to": frozenset(goes),
        "decided.to": frozenset(goes),
        "way.to": frozenset(goes | {"next round"}),
        "found.to": frozenset(goes | ({"time is up"} if has_long_clock else set())),
        "whole": frozenset([_SOME, _OTHER]),
        "round_.sources": _each_has(any(it.sources_of(n)) for n in range(len(it.settings))),
        "round_.sums": _each_has(bool(round_.sums) for round_ in it.game.rounds),
    }
    if NO_LIMIT not in {*tries, *(one["tries"] for one in it.settings)}:
        known["tries"] = frozenset({-1, *tries})
    if any(one["refills"] for one in it.settings) or has_field(it, "rows"):
        del known["whole"]
    if "judged" not in kinds:
        known["is_open"] = frozenset([True])
    if not has_letters:
        known["by_letter.to"] = frozenset(["same question"])
    if not has_tries:
        known["player.tries_left"] = frozenset([0])
    if "reveal" not in it.script.script_actions:
        known["player.is_told"] = frozenset([False])
    if not any(one["refills"] for one in it.settings):
        known["drawn.times_before"] = frozenset([0])
    if not any(one["clock"] for one in it.settings):
        known["run.round_left"] = frozenset([inf])
    if not it.game.seconds:
        known["run.game_left"] = frozenset([inf])
    return known


def _reads_texts(it: GameParts, kinds: Values) -> bool:
    """Whether texts are compared."""
    picks = bool(kinds & _PICKED)
    return bool(kinds & {"typed", "gaps"}) or (picks and any(one["by_text"] for one in it.settings))


_PICKED = {"choice", "truth", "several", "order", "match", "place", "places", "judged"}


def _moves(it: GameParts) -> list[Way]:
    """Every way that rounds go by themselves."""
    return [way for round_ in it.game.rounds for way in round_.moves.each.values()]


def _acted(it: GameParts) -> set[To]:
    """Where script actions can lead."""
    return {_ACTIONS[name] for name in it.script.script_actions if name in _ACTIONS}


def _revisits(it: GameParts) -> bool:
    """Whether a round can be played again."""
    return To.ROUND in {*_acted(it), *(way.to for way in _moves(it))}


def has_hints(it: GameParts) -> bool:
    """Whether a hint can be asked for."""
    return any(one["hints"] for one in it.settings) and has_field(it, "hint")


def _heard(it: GameParts) -> Iterator[str]:
    """The events besides outcomes that rules or endings answer to."""
    for event in _QUESTION_EVENTS:
        if event in it.script.functions and (event != "hinted" or has_hints(it)):
            yield event
    if "partly" in it.script.functions and has_parts(it):
        yield "partly"
    if it.rules.at_once_in_question and "asked_count" in it.rules.reads:
        yield "asked"
    if _has_come(it):
        yield "started"


def _cued(it: GameParts) -> Iterator[str]:
    """The occasions that cues answer to, by the names of `CUED`."""
    for name, occasions in CUED.items():
        if it.cues_on(*occasions) and (name != "life" or "lives" in it.script.counters):
            yield name


def _is_shared(it: GameParts) -> bool:
    """Whether rounds share a pack."""
    packs = [
        part.source
        for number, pool in enumerate(it.program.pools)
        for part in pool.parts
        if name_of(part.source, number) == part.source
    ]
    return len(set(packs)) < len(packs)


def _may_outgrow(it: GameParts) -> bool:
    """Whether a counter could pass a thousand million: unless rules only add small numbers."""
    parts = [part for function in it.script.functions.values() for part in ast.walk(function)]
    numbers = [
        *(part.value for part in parts if isinstance(part, ast.Constant)),
        *(question.details.worth or 0 for question in it.questions),
        *it.script.counters.values(),
    ]
    is_small = all(abs(number) <= _SMALL for number in numbers if isinstance(number, int))
    return not is_small or not all(_adds(part, it.script.counters) for part in parts)


_SMALL = 1000


def _adds(part: ast.AST, counters: Collection[str]) -> bool:
    """Whether a part of a rule lets counters grow by no more than what is added."""
    match part:
        case ast.BinOp(left=left, op=ast.Mult(), right=right):
            return isinstance(left, ast.Constant) or isinstance(right, ast.Constant)
        case ast.AugAssign(op=operator, value=value):
            is_sum = isinstance(operator, ast.Add | ast.Sub | ast.FloorDiv | ast.Mod)
            named = {inner.id for inner in ast.walk(value) if isinstance(inner, ast.Name)}
            return is_sum and not named & {*counters}
        case ast.Assign(value=value):
            return not any(isinstance(inner, ast.BinOp) for inner in ast.walk(value))
    return True


def _has_come(it: GameParts) -> bool:
    """Whether an ending comes at once as the game begins."""
    first, come = it.rules.first, it.rules.effects[Event.STARTED].at_once
    if come is None:
        return False
    return come(first.counters, first[1:], Outcome(Event.STARTED), 1, 1) is not None


def always_ends(it: GameParts, counts: str) -> bool:
    """Whether some ending surely fits, as far as the bounds of one counter tell."""
    endings = [it.game.endings[number] for number in it.rules.final]
    return _covers(
        [
            (
                -inf if ending.at_least is None else ending.at_least,
                inf if ending.at_most is None else ending.at_most,
            )
            for ending in endings
            if not ending.when.strip()
            and (ending.counts == counts or ending.at_least is ending.at_most is None)
        ]
    )


def _covers(spans: list[tuple[float, float]]) -> bool:
    """Whether every whole number lies in one of some spans."""
    upto = -inf
    for least, most in sorted(spans):
        if least > upto + 1:
            return False
        upto = max(upto, most)
    return upto == inf
