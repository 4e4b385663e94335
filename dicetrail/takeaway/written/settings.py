"""The settings of each round, under their names in a plain program."""

from collections.abc import Mapping, Sequence

from dicetrail.core import Program
from dicetrail.core.document import (
    Check,
    DecimalMark,
    DrawOrder,
    Order,
    Refill,
    Reveal,
    Round,
    To,
    Way,
)
from dicetrail.takeaway.written.cutting import WrittenValue, quoted

NO_LIMIT = 999
"""How many tries stand for any number of them, as the rule script has it."""

ORDERS = {
    DrawOrder.SHUFFLED: "shuffled",
    DrawOrder.WRITTEN: "written",
    DrawOrder.EASY_FIRST: "easy first",
}
WAYS = {
    To.QUESTION: "question",
    To.AGAIN: "again",
    To.NEXT_ROUND: "next round",
    To.ROUND: "round",
    To.ENDING: "ending",
}
REVEALS = {Reveal.LAST_TRY: "last try", Reveal.ALWAYS: "always", Reveal.NEVER: "never"}


def settings_of(program: Program) -> list[dict[str, object]]:
    """Every setting of every round."""
    return [_of(round_) for round_ in program.game.rounds]


def _of(round_: Round) -> dict[str, object]:
    draw, ask, moves = round_.draw, round_.ask, round_.moves
    refills = draw.refill is not Refill.NEVER
    return {
        "asks": draw.count or 0,
        "endless": refills and draw.count is None,
        "order": ORDERS.get(draw.order, ""),
        "refills": refills,
        "shuffles": ask.choice_order is Order.SHUFFLED,
        "shown": ask.shown,
        "spreads": ask.spread and ask.choice_order is Order.SHUFFLED,
        "tries": ask.tries or NO_LIMIT,
        "misses": ask.misses,
        "seconds": ask.seconds or 0,
        "clock": round_.seconds or 0,
        "hints": ask.hints,
        "passing": ask.passing,
        "reveals": REVEALS[round_.after.reveal],
        "after_right": _way(moves.right),
        "after_wrong": _way(moves.wrong),
        "after_timeout": _way(moves.timeout),
        "after_passed": _way(moves.passed),
        "topics": list(draw.topics),
        "levels": list(draw.levels),
        **checks_of(round_.check),
    }


def checks_of(check: Check) -> dict[str, object]:
    """How answers are read."""
    articles = sorted(check.articles.casefold().split(), key=len, reverse=True)
    return {
        "by_letter": check.by_letter,
        "by_place": check.by_place,
        "by_text": check.by_text,
        "ignores_case": check.ignore_case,
        "ignores_accents": check.ignore_accents,
        "ignores_points": check.ignore_punctuation,
        "articles": articles,
        "typos": check.typos,
        "comma": check.decimal_mark is DecimalMark.COMMA,
    }


def _way(way: Way) -> WrittenValue:
    words = (quoted(word) for word in (WAYS[way.to], way.name) if word)
    return WrittenValue(f"Way({', '.join(words)})")


def same_in_all(settings: Sequence[Mapping[str, object]]) -> dict[str, object]:
    """The settings that are the same in every round."""
    first = settings[0]
    return {
        name: first[name] for name in first if all(one[name] == first[name] for one in settings)
    }
