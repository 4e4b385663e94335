"""The settings of each round, under their names in a plain program."""

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
from dicetrail.takeaway.written import whole_program
from dicetrail.takeaway.written.literals import Written, quoted

NO_LIMIT = 999
"""How many tries stand for any number of them, as the rule script has it."""

ORDERS = {
    DrawOrder.SHUFFLED: "shuffled",
    DrawOrder.WRITTEN: "written",
    DrawOrder.EASY_FIRST: "easy first",
}
WAYS = {
    To.QUESTION: whole_program.QUESTION,
    To.AGAIN: whole_program.AGAIN,
    To.NEXT_ROUND: whole_program.NEXT_ROUND,
    To.ROUND: whole_program.ROUND,
    To.ENDING: whole_program.ENDING,
}
REVEALS = {Reveal.LAST_TRY: "last try", Reveal.ALWAYS: "always", Reveal.NEVER: "never"}


def settings_of(program: Program) -> list[dict[str, object]]:
    """Every setting of every round."""
    return [_of(round_) for round_ in program.game.rounds]


def _of(round_: Round) -> dict[str, object]:
    draw, ask, moves = round_.draw, round_.ask, round_.moves
    refills = draw.refill is not Refill.NEVER
    return {
        "topics": list(draw.topics),
        "levels": list(draw.levels),
        "asks": draw.count or 0,
        "endless": refills and draw.count is None,
        "order": ORDERS.get(draw.order, ""),
        "refills": refills,
        "shuffles": ask.choice_order is Order.SHUFFLED,
        "shown": ask.shown or 0,
        "spreads": ask.spread and ask.choice_order is Order.SHUFFLED,
        "tries": ask.tries or NO_LIMIT,
        "misses": ask.misses,
        "seconds": ask.seconds or 0,
        "clock": round_.seconds or 0,
        "hints": ask.hints,
        "passing": ask.passing,
        **checks_of(round_.check),
        "parts": round_.check.partly.value,
        "order_parts": round_.check.order_share.value,
        "estimate_parts": round_.check.estimate_share.value,
        "estimate_reach": round_.check.estimate_reach,
        "right_from": round_.check.right_from,
        "reveals": REVEALS[round_.after.reveal],
        "after_right": _way(moves.right),
        "after_partly": _way(moves.partly),
        "after_wrong": _way(moves.wrong),
        "after_timeout": _way(moves.timeout),
        "after_passed": _way(moves.passed),
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


def _way(way: Way) -> Written:
    return Written(f"Way({', '.join(filter(None, (way.to.name, way.name and quoted(way.name))))})")
