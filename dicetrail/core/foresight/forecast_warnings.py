"""Warnings that a forecast gives about a game, each with its numbers and a mend.

Only exact forecasts and forecasts on a grid give warnings; sampled ones give none.
"""

from collections.abc import Iterator
from dataclasses import replace

from dicetrail.core.document import (
    FieldLabel,
    Moves,
    Number,
    Problem,
    Reveal,
    To,
    as_written,
    notes_of,
    warning,
)
from dicetrail.core.foresight.forecast import Forecast, How, ValueShare, forecast
from dicetrail.core.foresight.scouts import SCOUTS, Scout
from dicetrail.core.play import (
    Begin,
    Continue,
    Phase,
    Program,
    Wait,
    length_of_round,
    start,
    step,
)
from dicetrail.core.rules import ScriptFaults, rules_of

HARDLY_EVER = 1e-6
"""An ending that a smaller share reaches counts as reached by nobody."""

MAX_GUESSED = 0.2
"""A pass mark that a larger share of guessers reaches tests nothing."""

MAX_LEFT = 0.01


def forecast_warnings(program: Program) -> tuple[Problem, ...]:
    """All warnings from the results of the ready scouts, in the order of the trail."""
    told = {scout.name: forecast(program, scout, runs=0, is_quick=True) for scout in SCOUTS}
    known = {name: one for name, one in told.items() if one.how is not How.SAMPLED}
    found = [*_told_and_asked_again(program), *_never_left(program)]
    if len(known) == len(told):
        found += _unreached(program, known)
        found += _not_needed(program, known)
    guessed = known.get("guessing")
    if guessed is not None:
        found += _guessed(program, guessed)
    return tuple(found)


def _unreached(program: Program, known: dict[str, Forecast]) -> Iterator[Problem]:
    """Endings that nobody reaches."""
    first = program.rules.score(program.rules.first)
    lowest = min(one.counters[0].values[0].value for one in known.values())
    for number, ending in enumerate(program.game.endings):
        most = max(one.endings[number].share.share for one in known.values())
        if most >= HARDLY_EVER:
            continue
        where = f"endings[{number}]"
        is_low = ending.counts == "score" and ending.at_most is not None
        if is_low and lowest >= first and ending.at_most is not None and ending.at_most < lowest:
            what = (
                f"points can only rise from {as_written(first)}, and nobody ends with fewer than "
                f"{as_written(lowest)}, so “{ending.title}” is never come to"
            )
            mend = f"take points for what is wrong, or let it go up to {as_written(lowest)} or more"
        else:
            what = (
                f"of a million players of any ready kind fewer than one comes to “{ending.title}”"
            )
            mend = "make it easier to come to, or take it out"
        yield warning(where, what, mend)


def _guessed(program: Program, told: Forecast) -> Iterator[Problem]:
    """Warnings about what guessing achieves."""
    if told.unended > MAX_LEFT:
        what = f"{told.unended:.0%} of those who guess never come to an end"
        yield warning("endings", what, "let lives, a clock or a number of questions end it")
    first, (score, *_) = program.rules.score(program.rules.first), told.counters
    for number, ending in enumerate(program.game.endings):
        least = ending.at_least
        if ending.counts != "score" or least is None or least <= first:
            continue  # what one begins with is no mark
        share = sum(one.share for one in score.values if one.value >= least)
        if share > MAX_GUESSED:
            yield warning(
                f"endings[{number}].at_least",
                f"guessing alone is enough for “{ending.title}” in {share:.0%} of runs",
                f"ask for {_mark_for(score.values)} points or more, which one guesser in five at "
                "most reaches",
            )


def _mark_for(score: tuple[ValueShare, ...]) -> Number:
    """The least score that at most one guesser in five reaches."""
    above, mark = 0.0, score[-1].value + 1
    for one in reversed(score):
        above += one.share
        if above > MAX_GUESSED:
            break
        mark = one.value
    return as_written(mark)


def _told_and_asked_again(program: Program) -> Iterator[Problem]:
    """Right answers that are told before the same question is asked again."""
    for number, round_ in enumerate(program.game.rounds):
        if round_.after.reveal is Reveal.NEVER:
            continue
        if round_.after.reveal is Reveal.ALWAYS and round_.ask.tries != 1:
            yield warning(
                f"rounds[{number}].after.reveal",
                f"“{round_.title}” tells the right answer while tries are left",
                "tell it once the question is done with",
            )
        for after, way in round_.moves.each.items():
            if way.to is To.AGAIN and after != "right":
                label = notes_of(Moves, FieldLabel)[after].label
                yield warning(
                    f"rounds[{number}].after.reveal",
                    f"{label[0].lower()}{label[1:]}, “{round_.title}” tells the right answer and "
                    "then asks the same question again",
                    "never tell it there, or go on to another question",
                )


def _never_left(program: Program) -> Iterator[Problem]:
    """A run that goes on although nobody acts and its clocks run out."""
    state = step(program, start(program, 1).state, Begin(0), 0).state
    while state.history.presented_count < LEFT_ALONE and state.phase is not Phase.ENDED:
        soonest = state.clocks.soonest
        if state.phase is Phase.HOLDING:
            action = Continue() if state.hold_ms is None else Wait()
            state = step(program, state, action, state.at + (state.hold_ms or 0)).state
        elif state.phase is Phase.ASKING and soonest is not None:
            at = state.at + state.question.lead_ms + max(1, soonest)
            state = step(program, state, Wait(), at).state
        else:
            return
    is_endless = length_of_round(program, state) is None
    if state.phase is Phase.ENDED or not (is_endless or state.round.position < LEFT_ALONE // 2):
        return
    title = program.game.rounds[state.round.number].title
    yield warning(
        f"rounds[{state.round.number}].moves.timeout",
        f"a player who does nothing never leaves “{title}”: its clock ran out "
        f"{state.history.presented_count - 1} times, and the run went on",
        "take a life in timeout, go on to the next question, or give the round a clock",
    )


LEFT_ALONE = 60
"""The number of questions that may time out in this check."""


def _not_needed(program: Program, known: dict[str, Forecast]) -> Iterator[Problem]:
    """Rounds of a menu that change no result."""
    game = program.game
    if not game.has_menu:
        return
    for number, round_ in enumerate(game.rounds):
        rounds = game.rounds[:number] + game.rounds[number + 1 :]
        try:
            rules = rules_of(replace(game, rounds=rounds))
        except ScriptFaults:
            continue
        without = replace(
            program,
            game=replace(game, rounds=rounds),
            rules=rules,
            pools=program.pools[:number] + program.pools[number + 1 :],
            recall=None,
        )
        if all(_is_alike(known[scout.name], without, scout) for scout in SCOUTS):
            yield warning(
                f"rounds[{number}]",
                f"nobody needs “{round_.title}”: without it every ending comes as often",
                "give it points of its own, or take it out of the menu",
            )


def _is_alike(told: Forecast, without: Program, scout: Scout) -> bool:
    other = forecast(without, scout, runs=0, is_quick=True)
    return other.how is not How.SAMPLED and all(
        abs(one.share.share - more.share.share) < HARDLY_EVER
        for one, more in zip(told.endings, other.endings, strict=True)
    )
