"""How a run goes on: holds, ways, questions, rounds, and the end.

Each function takes the state and a list of footprints to add to, and gives the state after.
A question leads to a hold, a hold to a way, a way to a question, a round or the end.
"""

from collections.abc import Sequence
from dataclasses import replace

from dicetrail.core.checking import LETTERS
from dicetrail.core.deals import Played
from dicetrail.core.document import (
    DrawOrder,
    Kind,
    Occasion,
    Reveal,
    RoundOrder,
    To,
    Way,
)
from dicetrail.core.events import Prints, cue_of_ending, cued, quiet, run_rules, streak_cued
from dicetrail.core.footprints import Answered, Change, Footprint, Stop, What
from dicetrail.core.letters import letters_of
from dicetrail.core.program import (
    Program,
    as_chosen,
    asked,
    choices_of,
    deal_of,
    length_of_round,
    question_of,
    right_answer,
    round_of,
    seconds_for,
)
from dicetrail.core.run import (
    Clocks,
    Phase,
    Result,
    State,
)
from dicetrail.core.script import Event
from dicetrail.core.settle import Outcome, last_ending
from dicetrail.core.words import counted


def settled_question(program: Program, state: State, event: Event, prints: Prints) -> State:
    """What an outcome of the question, its result in the state, leads to."""
    result, first = state.result, len(prints)
    assert result is not None
    state, settled = run_rules(program, state, event, prints, result.value)
    way = settled.way if settled.ending is None else way_to_ending(program, settled.ending)
    reveal = round_of(program, state).after.reveal
    if reveal is Reveal.ALWAYS or (reveal is Reveal.LAST_TRY and way is not None):
        state = state._replace(is_revealed=True)
    if way is not None:
        prints[first] = replace(prints[first], answered=_answered(program, state, result))
    state = cued(program, state, _OCCASIONS[result], prints)
    state = streak_cued(program, state, prints) if event is Event.RIGHT else state
    return hold(program, state, way, prints)


def _answered(program: Program, state: State, result: Result) -> Answered:
    """The question in play, now that it is done with."""
    question, given = question_of(program, state), state.given
    if isinstance(given, int):
        choices, _ = choices_of(program, state)
        given = as_chosen(question, given, choices) if 1 <= given <= len(choices) else str(given)
    told = round_of(program, state).after.reveal is not Reveal.NEVER
    return Answered(
        state.turn,
        program.game.rounds[state.round].title,
        question.prompt,
        given or "".join(state.tried),
        result.value,
        right_answer(program, state) if told else "",
        question.details.note if told else "",
    )


_OCCASIONS = {
    Result.RIGHT: Occasion.RIGHT,
    Result.CLOSE: Occasion.CLOSE,
    Result.WRONG: Occasion.WRONG,
    Result.LATE: Occasion.LATE,
    Result.PASSED: Occasion.PASSED,
}


def way_to_ending(program: Program, number: int) -> Way:
    return Way(To.ENDING, program.game.endings[number].title)


def hold(program: Program, state: State, way: Way | None, prints: Prints) -> State:
    """Hold the run as cues and round say, and then go the way; None goes back to the question."""
    now = {heard.cue for heard in state.heard if heard.at == state.at}
    cues = [cue for cue in program.game.cues if cue.name in now]
    waits = any(cue.until_continue for cue in cues)
    hold = max((cue.hold_ms for cue in cues if cue.hold_ms is not None), default=None)
    if waits:
        hold = None
    elif hold is None:
        hold = 0 if way is None else round_of(program, state).after.hold_ms
    if way is None and not waits and not hold:
        return state
    state = state._replace(phase=Phase.HOLDING, hold=hold, way=way)
    if hold == 0:
        return after_hold(program, state, prints)
    shown = (
        f"the right answer, {right_answer(program, state)}, is shown"
        if state.is_revealed
        else "the feedback is shown"
    )
    until = "until the player goes on" if hold is None else f"for {hold} ms"
    prints.append(Footprint(state.at, Stop.CUE, What.HELD, f"{shown} {until}; the clocks wait"))
    return state


def after_hold(program: Program, state: State, prints: Prints) -> State:
    way = state.way
    state = state._replace(phase=Phase.ASKING, hold=None, way=None)
    return state if way is None else _go(program, quiet(state), way, prints)


def _go(program: Program, state: State, way: Way, prints: Prints) -> State:
    """Go on from a question that is done with."""
    if way.to is To.AGAIN:
        prints.append(
            Footprint(state.at, Stop.MOVE_ON, What.MOVED, "the same question is asked again")
        )
        return _ask(program, state, True, prints)
    done = state.position + 1
    turn = (state.turn + 1) % len(state.players)
    if way.to is To.QUESTION:
        return _ask(program, state._replace(turn=turn, position=done), False, prints)
    state = state._replace(turn=turn)
    match way.to:
        case To.NEXT_ROUND:
            return round_over(program, state, done, None, prints)
        case To.ROUND:
            number = _titled([round_.title for round_ in program.game.rounds], way.name)
            return round_over(program, state, done, number, prints)
    number = _titled([ending.title for ending in program.game.endings], way.name)
    return game_over(program, state, number, prints)


def _titled(titles: Sequence[str], name: str) -> int | None:
    return titles.index(name) if name in titles else None


def enter_round(
    program: Program, state: State, number: int, wanted: int | None, prints: Prints
) -> State:
    round_ = program.game.rounds[number]
    state = state._replace(
        round=number,
        wanted=wanted,
        position=0,
        clocks=state.clocks._replace(round=in_ms(round_.seconds)),
    )
    dealt = deal_of(program, state)
    pool = counted(len(dealt.pool), "question")
    length = "as many as there is time for" if dealt.length is None else str(dealt.length)
    how = _ORDER_WORDS[round_.draw.order].format(dice=state.dice)
    twice = (
        "none twice"
        if dealt.length is not None and dealt.length <= len(dealt.pool)
        else ("the pool is filled again")
    )
    prints.append(
        Footprint(state.at, Stop.DRAW, What.DRAWN, f"{length} of {pool} drawn, {how}, {twice}")
    )
    return _ask(program, state, False, prints)


_ORDER_WORDS = {
    DrawOrder.WRITTEN: "in the order written",
    DrawOrder.SHUFFLED: "shuffled by dice {dice}",
    DrawOrder.EASY_FIRST: "drawn by dice {dice}, easy ones first",
    DrawOrder.WEIGHTED: "drawn by dice {dice}, levels by their weights",
}


def _ask(program: Program, state: State, is_again: bool, prints: Prints) -> State:
    """Put the question at the state's position, or end the round if there is none."""
    length = length_of_round(program, state)
    done = state.position + is_again
    clocks = state.clocks
    if any(left is not None and left <= 0 for left in (clocks.round, clocks.game)):
        return time_is_up(program, state, done, prints)
    if length is not None and state.position >= length:
        return round_over(program, state, done, None, prints)
    seconds = seconds_for(round_of(program, state), question_of(program, state))
    state = state._replace(
        phase=Phase.ASKING,
        tries_used=0,
        tried=(),
        is_hinted=False,
        given=None,
        result=None,
        is_revealed=False,
        used=0,
        clocks=Clocks(in_ms(seconds), clocks.round, clocks.game),
    )
    _tell_question(program, state, is_again, length, seconds, prints)
    state, settled = run_rules(program, state, Event.ASKED, prints)
    if settled.ending is not None:
        return game_over(program, state, settled.ending, prints)
    return cued(program, state, Occasion.SHOWN, prints)


def _tell_question(
    program: Program,
    state: State,
    is_again: bool,
    length: int | None,
    seconds: int | None,
    prints: Prints,
) -> None:
    source = asked(program, state).sourced
    number = state.position + 1
    if not is_again:
        if state.position:
            of = "" if length is None else f" of {length}"
            why = f"on to question {number}{of}"
            prints.append(Footprint(state.at, Stop.MOVE_ON, What.MOVED, why))
        of = "" if length is None else f" of {length}"
        why = f"question {number}{of} is number {source.number + 1} of its source"
        change = Change("question", number - 1 or None, number)
        prints.append(Footprint(state.at, Stop.DRAW, What.DRAWN, why, (change,)))
    count = len(source.question.choices)
    if count:
        how = f"with {count} choices, A to {LETTERS[count - 1]}"
    elif source.question.kind is Kind.LETTERS:
        how = f"with {counted(len(letters_of(source.question.right[0])), 'letter')} to find"
    else:
        how = "to be answered by typing"
    clock = "" if seconds is None else f", {counted(seconds, 'second')}"
    why = f"“{source.question.prompt}” {how}{clock}"
    prints.append(Footprint(state.at, Stop.ASK, What.ASKED, why))


def time_is_up(program: Program, state: State, asked_so_far: int, prints: Prints) -> State:
    """The end of the round's time or the game's, whatever question is in play."""
    which = "game" if state.clocks.game is not None and state.clocks.game <= 0 else "round"
    why = f"the {which}'s time is up"
    prints.append(Footprint(state.at, Stop.MOVE_ON, What.MOVED, why))
    if which == "game":
        return game_over(program, state, None, prints)
    return round_over(program, state, asked_so_far, None, prints)


def round_over(
    program: Program, state: State, asked_so_far: int, to: int | None, prints: Prints
) -> State:
    """End the round, run its rules for every player, and go on."""
    turn = state.turn
    why = "no question is left" if to is None else "the round is left"
    prints.append(Footprint(state.at, Stop.MOVE_ON, What.MOVED, why))
    for player in range(len(state.players)):
        state, settled = run_rules(program, state._replace(turn=player), Event.ROUND_OVER, prints)
        if settled.ending is not None:
            return game_over(program, state, settled.ending, prints)
        if settled.way is not None and settled.way.to is To.ENDING:
            titles = [ending.title for ending in program.game.endings]
            return game_over(program, state, _titled(titles, settled.way.name), prints)
        if settled.way is not None:
            to = _titled([round_.title for round_ in program.game.rounds], settled.way.name)
    state = cued(program, state._replace(turn=turn), Occasion.ROUND_OVER, prints)
    over = Played(state.round, state.wanted, asked_so_far)
    state = state._replace(
        played=(*state.played, over),
        position=0,
        wanted=None,
        result=None,
        given=None,
        clocks=state.clocks._replace(question=None, round=None),
    )
    if to is not None:
        return enter_round(program, state, to, None, prints)
    return _next_round(program, state, prints)


def _next_round(program: Program, state: State, prints: Prints) -> State:
    order, count = program.game.opening.rounds, len(program.game.rounds)
    if order is RoundOrder.IN_ORDER and state.round + 1 < count:
        return enter_round(program, state, state.round + 1, None, prints)
    if order is RoundOrder.CHOOSE_EACH and len({over.round for over in state.played}) < count:
        why = "the player chooses the next round"
        prints.append(Footprint(state.at, Stop.OPEN, What.HELD, why))
        return state._replace(phase=Phase.OPENING, turn=0)
    return game_over(program, state, None, prints)


def game_over(program: Program, state: State, ending: int | None, prints: Prints) -> State:
    """End the run with an ending, or with the first that fits."""
    for turn in range(len(state.players)):
        state, _ = run_rules(program, state._replace(turn=turn), Event.GAME_OVER, prints)
    rules = program.rules
    scores = [rules.score(tally) for tally in state.tallies]
    leader, leaders = scores.index(max(scores)), scores.count(max(scores))
    state = state._replace(
        phase=Phase.ENDED,
        turn=leader,
        hold=None,
        way=None,
        clocks=state.clocks._replace(question=None, round=None),
    )
    if ending is None:
        outcome = Outcome(Event.GAME_OVER, state.round, player_number=leader + 1)
        ending = last_ending(rules, state.tally, outcome, leaders, len(scores))
    if ending is None:
        why = f"no ending fits a score of {max(scores)}"
        prints.append(Footprint(state.at, Stop.END, What.ENDED, why))
        return state
    title = program.game.endings[ending].title
    why = f"with {counted(max(scores), 'point')} the ending is “{title}”"
    change = Change("ending", None, title)
    prints.append(Footprint(state.at, Stop.END, What.ENDED, why, (change,)))
    return cue_of_ending(program, state._replace(ending=ending), ending, prints)


def in_ms(seconds: int | None) -> int | None:
    return None if seconds is None else seconds * 1000
