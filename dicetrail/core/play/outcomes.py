"""Apply an event: run the rules and do their actions.

Nothing here moves the run on; `flow` does. The functions tell their footprints as they go: see
`Telling`.
"""

from collections.abc import Iterable, Iterator, Sequence
from functools import partial
from typing import Any

from dicetrail.core.document import (
    Best,
    Cue,
    Game,
    Number,
    Occasion,
    as_written,
)
from dicetrail.core.draw import stream
from dicetrail.core.play.filling import filled
from dicetrail.core.play.footprints import Change, Fact, Footprint, Stop, Telling, What
from dicetrail.core.play.presenting import PresentedQuestion
from dicetrail.core.play.program import Program
from dicetrail.core.play.state import Heard, Phase, State
from dicetrail.core.rules import (
    COUNTED,
    Branch,
    ClockReading,
    Event,
    Happening,
    Outcome,
    Progress,
    Roll,
    Rules,
    ScriptAction,
    Settled,
    Tally,
    best_score,
    counts_of,
    outcome_of,
    settle,
    share_left,
)


def run_rules(program: Program, state: State, event: Event) -> Telling[tuple[State, Settled]]:
    """Run the rules for an event without a question, of the player whose turn it is, and do what
    they say."""
    outcome = Outcome(event, state.round.number, tries_used=0, player_number=state.turn + 1)
    return _run(program, state, outcome)


def run_asked(
    program: Program, state: State, presented: PresentedQuestion, is_again: bool
) -> Telling[tuple[State, Settled]]:
    """Run the rules for a question that is asked."""
    return _run(program, state, _asked(presented, state, is_again))


def run_happening(
    program: Program,
    state: State,
    presented: PresentedQuestion,
    happening: Happening,
    share: int = 0,
) -> Telling[tuple[State, Settled]]:
    """Run the rules for something that happened to the question in play, which the state shows
    as it is after it. `share` is that of a partly right answer, in percent."""
    left, used = max(0, state.clocks.question or 0), state.clocks.used
    allowed_ms = presented.asked.seconds * 1000
    reading = ClockReading(left // 1000, used // 1000, share_left(left, allowed_ms))
    asked, progress = _asked(presented, state, False), progress_of(presented, state)
    outcome = outcome_of(asked, presented.terms, progress, happening, reading, share)
    return _run(program, state, outcome)


def _asked(presented: PresentedQuestion, state: State, is_again: bool) -> Outcome:
    """What rules read when the question in play was asked."""
    round_ = state.round
    return presented.asked.when_asked(round_.number, round_.position, state.turn, is_again)


def progress_of(presented: PresentedQuestion, state: State) -> Progress:
    """How far the question in play has come."""
    question = state.question
    found = len(presented.letters.intersection(question.tried))
    return Progress(question.tries_used, found, question.is_hinted)


def _run(program: Program, state: State, outcome: Outcome) -> Telling[tuple[State, Settled]]:
    before, outcome = state.tally, program.rules.counted(outcome)
    settled = settle(program.rules, before, outcome, _dice_for(program, state, outcome), True)
    tallies = list(state.tallies)
    tallies[state.turn] = settled.tally
    if settled.lines or outcome.event in _SCORED:
        yield partial(_tell_change, program.rules, state.at, outcome, before, settled)
    state = state._replace(tallies=tuple(tallies))
    for done in settled.script_actions:
        state = yield from _do(program, state, done)
    occasion = _lives_changed(program, before, settled.tally)
    if occasion is not None:
        state = yield from cued(program, state, occasion)
    return state, settled


def _dice_for(program: Program, state: State, outcome: Outcome) -> Roll | None:
    """The dice for the rolls of one event: a stream of its own, named by what happened before."""
    if not program.rules.script.rolls:
        return None
    question, history = state.question, state.history
    purpose = f"roll {outcome.event} {state.turn} {question.tries_used} {len(question.tried)}"
    chances = stream(state.setup.dice, purpose, sum(history.visits), history.presented_count)
    return lambda sides: chances.below(sides) + 1


_SCORED = (Event.RIGHT, Event.PARTLY, Event.WRONG, Event.TIMEOUT, Event.PASSED)
"""These events leave a footprint even if no rule ran, because they change the counts of right and
wrong."""


def _tell_change(
    rules: Rules, at: int, outcome: Outcome, before: Tally, settled: Settled
) -> Iterator[Footprint]:
    """Tell what the rules changed."""
    after = settled.tally
    changes = _changes(rules.names, before.counters, after.counters)
    told = ", ".join([f"{change.name} {change.before} → {change.after}" for change in changes])
    changes += _changes(COUNTED, counts_of(before), counts_of(after))
    why = f"{_EVENT_WORDS[outcome.event]}: {told or 'no counter changes'}"
    facts = [
        Fact(name, as_written(_fact(rules, name, before, after, outcome)))
        for name in rules.handlers.reads.get(outcome.event, ())
    ]
    yield Footprint(at, Stop.SCORE, What.CHANGED, why, tuple(changes), settled.lines, tuple(facts))


def _changes(names: Sequence[str], old: Sequence[Number], new: Sequence[Number]) -> list[Change]:
    return [
        Change(name, as_written(was), as_written(now))
        for name, was, now in zip(names, old, new, strict=True)
        if was != now
    ]


def _fact(rules: Rules, name: str, before: Tally, after: Tally, outcome: Outcome) -> Any:
    """The value that a rule read: counters before the event, counts after it."""
    if name in rules.names:
        return before.counters[rules.names.index(name)]
    if name in COUNTED:
        return counts_of(after)[COUNTED.index(name)]
    return outcome.round + 1 if name == "round_number" else getattr(outcome, name)


_EVENT_WORDS = {
    Event.STARTED: "the run begins",
    Event.ASKED: "a question is asked",
    Event.RIGHT: "a right answer",
    Event.PARTLY: "a partly right answer",
    Event.WRONG: "a wrong answer",
    Event.TIMEOUT: "no answer in time",
    Event.HINTED: "a hint",
    Event.PASSED: "a pass",
    Event.LETTER_HIT: "a letter that stands in the word",
    Event.LETTER_MISS: "a letter that does not",
    Event.ROUND_OVER: "the round is over",
    Event.GAME_OVER: "the game is over",
}


def _do(program: Program, state: State, done: ScriptAction) -> Telling[State]:
    """Do one action of the script."""
    match done.what:
        case "fault":
            why = f"line {done.line}: {done.value}; nothing changed there"
            yield Footprint(state.at, Stop.SCORE, What.FAILED, why, lines=(done.line,))
        case "cue":
            found = [cue for cue in program.game.cues if cue.name == done.value]
            return (yield from _play(program, state, found))
        case "tell":
            words = filled(program, state, str(done.value))
            yield Footprint(state.at, Stop.CUE, What.CUED, f"“{words}” is said")
            return state._replace(told=(*state.told, words))
        case "reveal":
            return revealed(state)
        case "out":
            return (yield from _take_out(state))
        case "add_time" if not isinstance(done.value, str):
            return (yield from _add_time(state, round((done.value or 0) * 1000)))
    return state


def _take_out(state: State) -> Telling[State]:
    if state.turn in state.out:
        return state
    why = f"{state.players[state.turn]} is out"
    change = Change("players out", len(state.out), len(state.out) + 1)
    yield Footprint(state.at, Stop.MOVE_ON, What.MOVED, why, (change,))
    return state._replace(out=tuple(sorted((*state.out, state.turn))))


def _add_time(state: State, added: int) -> Telling[State]:
    clocks = state.clocks
    name = next((name for name in _CLOCKS if getattr(clocks, name) is not None), None)
    if name is None:
        return state
    before = getattr(clocks, name)
    after = max(0, before + added)
    change = Change(f"{name} clock, ms", before, after)
    why = f"the {name}'s clock goes {'on' if added >= 0 else 'back'} by {abs(added)} ms"
    yield Footprint(state.at, Stop.ASK, What.CHANGED, why, (change,))
    return state._replace(clocks=clocks._replace(**{name: after}))


_CLOCKS = ("round", "game", "question")


def revealed(state: State) -> State:
    """The state with the right answer shown."""
    return state._replace(question=state.question._replace(is_revealed=True))


def quiet(state: State) -> State:
    """The state without the words of earlier events."""
    return state._replace(told=()) if state.told else state


def cued(program: Program, state: State, occasion: Occasion) -> Telling[State]:
    """Play every cue that answers to an occasion."""
    return _play(program, state, cues_on(program.game, occasion))


def cues_on(game: Game, occasion: Occasion) -> list[Cue]:
    """The cues that answer to an occasion."""
    return [cue for cue in game.cues if occasion in cue.on]


def streak_cued(program: Program, state: State) -> Telling[State]:
    """Play the cues of a streak as long as the one the player now has, or a part of it."""
    return _play(program, state, cues_of_streak(program.game, state.tally.streak))


def cues_of_streak(game: Game, streak: int) -> list[Cue]:
    """The cues of a streak so long, or of a part of it."""
    on_streaks = cues_on(game, Occasion.STREAK)
    return [cue for cue in on_streaks if streak and streak % cue.streak == 0]


def cues_heard(program: Program, before: Tally, happening: Happening, branch: Branch) -> list[Cue]:
    """Every cue that something that happens to a question plays: those of its occasions and those
    of the rules that run. `before` is the tally it finds."""
    game = program.game
    found = cues_on(game, Occasion.PRESS) if happening.is_press else []
    if branch.letter is not None:
        found += _cues_of_rules(program, before, branch.letter)
        before = branch.letter.tally
    found += [*_cues_of_rules(program, before, branch.settled), *cues_on(game, happening.occasion)]
    outcome = branch.closing or happening
    if outcome is not happening:
        found += cues_on(game, outcome.occasion)
    if branch.settled.tally.streak > before.streak:
        found += cues_of_streak(game, branch.settled.tally.streak)
    return found


def _cues_of_rules(program: Program, before: Tally, settled: Settled) -> list[Cue]:
    """The cues that rules play by what they say and by the lives they change."""
    said = {done.value for done in settled.script_actions if done.what == "cue"}
    found = [cue for cue in program.game.cues if cue.name in said]
    occasion = _lives_changed(program, before, settled.tally)
    return found if occasion is None else [*found, *cues_on(program.game, occasion)]


def cue_of_ending(program: Program, state: State, ending: int) -> Telling[State]:
    """Play the cues of an ending: those of every ending, its own, and those of a best score."""
    state = yield from cued(program, state, Occasion.ENDING)
    own = program.game.endings[ending].cue
    found = [cue for cue in program.game.cues if own and cue.name == own]
    state = yield from _play(program, state, found)
    if is_best(program, state):
        state = yield from cued(program, state, Occasion.BEST)
    return state


def is_best(program: Program, state: State) -> bool:
    """Whether a run that has ended beats the best before it.

    Without a best before it, every run beats it; for the highest score, every run with points does.
    A run that was given up never does. A run whose ending does not count never does.
    """
    if not counts_as_best(program, state):
        return False
    before = state.setup.best
    score = program.rules.score(state.tallies[leader_of(program, state)])
    match program.game.best:
        case Best.LOWEST:
            return before is None or score < before
        case Best.FASTEST:
            return before is None or state.at < before
    return score > (0 if before is None else before)


def counts_as_best(program: Program, state: State) -> bool:
    """Whether a run that has ended can be among the best."""
    if state.phase is not Phase.ENDED or state.gave_up:
        return False
    return state.ending is None or program.game.endings[state.ending].counts_as_best


def leader_of(program: Program, state: State) -> int:
    """The player, from 0, with the best score; the first of those who share it."""
    scores = [program.rules.score(tally) for tally in state.tallies]
    return scores.index(best_score(program.game, scores))


def _lives_changed(program: Program, before: Tally, after: Tally) -> Occasion | None:
    """Whether a life was won or lost, where any cue could say so."""
    if not program.game.cues or "lives" not in program.rules.names:
        return None
    place = program.rules.names.index("lives")
    change = after.counters[place] - before.counters[place]
    if not change:
        return None
    return Occasion.LIFE_WON if change > 0 else Occasion.LIFE_LOST


def _play(program: Program, state: State, cues: Iterable[Cue]) -> Telling[State]:
    for cue in cues:
        words = filled(program, state, cue.words)
        why = f"the cue “{cue.name}” is played" + (f": “{words}”" if words else "")
        yield Footprint(state.at, Stop.CUE, What.CUED, why)
        state = state._replace(
            heard=(*state.heard, Heard(cue.name, state.at)),
            told=(*state.told, words) if words else state.told,
        )
    return state
