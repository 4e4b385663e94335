"""The trail strip: the stops a maker can program, each with a one-line summary.

Also where the right answers fall and which scores each ending covers: what a bench shows
of its stop, worked out from the game as it now stands.
"""

from collections.abc import Iterator
from dataclasses import dataclass

from dicetrail.core.checking import LETTERS
from dicetrail.core.document import Check, Game, Order, Round, Score
from dicetrail.core.engine import Program, asked, choices_shown
from dicetrail.core.footprints import Stop
from dicetrail.core.settle import first_fitting
from dicetrail.core.survey import Packs, questions_drawn, reachable_scores
from dicetrail.core.words import counted


@dataclass(frozen=True, slots=True)
class StopSummary:
    """A stop of the strip and what it does in this game, in a few words."""

    stop: Stop
    words: str


@dataclass(frozen=True, slots=True)
class ScoreSpan:
    """Neighbouring final scores, lowest and highest, that lead to one ending (or to none)."""

    lowest: int
    highest: int
    ending: int | None


@dataclass(frozen=True, slots=True)
class DrawnQuestion:
    """A question as these dice bring it: its number in the run and its choices in order."""

    number: int
    pack: str
    prompt: str
    choices: tuple[str, ...]
    right_letters: str
    """The letters of the right choices; empty for a question answered by typing."""
    answer: str


def summaries(game: Game, packs: Packs) -> tuple[StopSummary, ...]:
    """The stops of a game's trail, in order, each with its summary."""
    if not game.rounds:
        return ()
    round_ = game.rounds[0]
    return (
        StopSummary(Stop.LOAD, _load(round_, packs)),
        StopSummary(Stop.DRAW, _draw(round_, packs)),
        StopSummary(Stop.ASK, _ask(round_)),
        StopSummary(Stop.CHECK, _check(round_.check)),
        StopSummary(Stop.SCORE, _score(round_.score)),
        StopSummary(Stop.END, _end(game)),
    )


def score_spans(game: Game, packs: Packs) -> tuple[ScoreSpan, ...]:
    """Which ending every reachable score leads to, as spans from the lowest score up."""
    if not game.rounds:
        return ()
    spans: list[ScoreSpan] = []
    for score in reachable_scores(game, packs):
        ending = first_fitting(game.endings, score)
        if spans and spans[-1].ending == ending:
            spans[-1] = ScoreSpan(spans[-1].lowest, score, ending)
        else:
            spans.append(ScoreSpan(score, score, ending))
    return tuple(spans)


def draw_list(program: Program, dice: int) -> Iterator[DrawnQuestion]:
    """Every question of the run these dice bring, for the maker's eyes."""
    for position in range(program.length):
        source = asked(program, dice, position)
        choices, right = choices_shown(program, dice, position)
        yield DrawnQuestion(
            position + 1,
            source.pack,
            source.question.prompt,
            choices,
            "".join(LETTERS[place - 1] for place in right),
            source.question.answer,
        )


def _load(round_: Round, packs: Packs) -> str:
    used = [packs[name] for name in round_.packs if name in packs]
    if not used:
        return "no questions yet"
    questions = sum(len(pack.questions) for pack in used)
    return f"{counted(questions, 'question')}, {counted(len(used), 'pack')}"


def _draw(round_: Round, packs: Packs) -> str:
    order = "as written" if round_.draw.order is Order.WRITTEN else "shuffled"
    return f"{questions_drawn(round_, packs)} drawn, {order}"


def _ask(round_: Round) -> str:
    return "choices as written" if round_.ask.choice_order is Order.WRITTEN else "choices shuffled"


def _check(check: Check) -> str:
    ways = [
        word
        for word, allowed in (
            ("letter", check.by_letter),
            ("place", check.by_place),
            ("text", check.by_text),
        )
        if allowed
    ]
    return "pick, " + ", ".join(ways) if ways else "pick only"


def _score(score: Score) -> str:
    return (
        f"right {score.right:+d}, wrong {score.wrong:+d}"
        if score.wrong
        else (f"{counted(score.right, 'point')} each")
    )


def _end(game: Game) -> str:
    return counted(len(game.endings), "ending")
