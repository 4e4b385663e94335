"""Move a run on: holds, ways, questions, rounds, and the end.

Each function takes the state and a list of footprints to extend, and returns the state after. A
question leads to a hold, a hold to a way, and a way to a question, a round or the end.
"""

from collections.abc import Iterator, Sequence
from dataclasses import replace
from functools import partial

from dicetrail.core.answers import LETTERS
from dicetrail.core.document import (
    ENGLISH,
    Cue,
    Draw,
    DrawOrder,
    Kind,
    Occasion,
    Phrase,
    Refill,
    Reveal,
    Round,
    Shows,
    To,
    Way,
    as_written,
    counted,
)
from dicetrail.core.draw import BY_CHANCE, Deal
from dicetrail.core.play.footprints import (
    NO_PICTURES,
    Answered,
    Change,
    Footprint,
    Footprints,
    LazyFootprint,
    Pictures,
    Result,
    Stop,
    What,
    told,
)
from dicetrail.core.play.outcomes import (
    cue_of_ending,
    cued,
    leader_of,
    quiet,
    run_asked,
    run_happening,
    run_rules,
    streak_cued,
)
from dicetrail.core.play.presenting import PresentedQuestion
from dicetrail.core.play.program import (
    Program,
    asked_in_round,
    deal_of,
    length_of_round,
    next_question,
    presented_question,
    with_rows_leaving,
)
from dicetrail.core.play.state import Clocks, Phase, State
from dicetrail.core.rules import (
    Asks,
    Due,
    Ends,
    Enters,
    Event,
    Happening,
    Outcome,
    RoundEnds,
    Step,
    Where,
    after_round,
    before_asking,
    due_end,
    ending_titled,
    onward,
    round_titled,
    time_ends,
)

MAX_LEAD_MS = 5000
"""Countdowns wait at most this long for the sound of a question to begin."""


def settled_question(
    program: Program,
    state: State,
    presented: PresentedQuestion,
    outcome: Happening,
    footprints: Footprints,
    ending: int | None = None,
) -> State:
    """Apply an outcome of the question in play.

    `ending` has come at once already, by the letter that made the outcome.
    """
    result, first = Result(outcome.verdict), len(footprints)
    state = state._replace(result=result)
    state, settled = run_happening(program, state, presented, outcome, footprints)
    ending = settled.ending if ending is None else ending
    way = settled.way
    if ending is not None:
        state, way = at_once(program, state, ending)
    reveal = presented.round.after.reveal
    if reveal is Reveal.ALWAYS or (reveal is Reveal.LAST_TRY and way is not None):
        state = state._replace(is_revealed=True)
    is_done = way is not None and way.to is not To.AGAIN
    state = with_rows_leaving(presented, state, is_done)
    if is_done:
        footprints[first] = partial(_tell_answered, footprints[first], state, presented, result)
    state = cued(program, state, outcome.occasion, footprints)
    if outcome.event is Event.RIGHT:
        state = streak_cued(program, state, footprints)
    return hold(program, state, presented, way, footprints)


def _tell_answered(
    change: Footprint | LazyFootprint, state: State, presented: PresentedQuestion, result: Result
) -> Iterator[Footprint]:
    """Tell what the rules changed at the last answer to a question, with that question."""
    for footprint in told([change]):
        yield replace(footprint, answered=_answered(state, presented, result))


def _answered(state: State, presented: PresentedQuestion, result: Result) -> Answered:
    """The question in play, now that it is done with."""
    question, given = presented.question, state.given
    places: tuple[int, ...] = ()
    if given is not None and not isinstance(given, str):
        picked = (given,) if isinstance(given, int) else given
        places = tuple(place for place in picked if 1 <= place <= len(presented.choices))
        given = presented.chosen(places)
    is_told = presented.round.after.reveal is not Reveal.NEVER
    return Answered(
        state.turn,
        presented.round.title,
        question.prompt,
        given or "".join(state.tried),
        result.value,
        presented.answer if is_told else "",
        question.details.note if is_told else "",
        _pictures(presented, places, is_told),
    )


def _pictures(presented: PresentedQuestion, places: Sequence[int], is_told: bool) -> Pictures:
    """The pictures of the question in play, those picked, and the right ones if they are told."""
    details = presented.question.details
    if details.shows is not Shows.PICTURE:
        return Pictures(presented.pack, details.picture) if details.picture else NO_PICTURES
    return Pictures(
        presented.pack,
        details.picture,
        tuple(presented.choices[place - 1] for place in places),
        tuple(presented.choices[place - 1] for place in presented.right) if is_told else (),
    )


def at_once(program: Program, state: State, ending: int) -> tuple[State, Way]:
    """The way to an ending that has come at once, and whom it is about."""
    if state.due is None:
        state = state._replace(due=Due(ending, state.turn))
    return state, Way(To.ENDING, program.game.endings[ending].title)


def hold(
    program: Program,
    state: State,
    presented: PresentedQuestion,
    way: Way | None,
    footprints: Footprints,
) -> State:
    """Hold the run as cues and round say, and then go the way; None goes back to the question."""
    now = {heard.cue for heard in state.heard if heard.at == state.at}
    cues = [cue for cue in program.game.cues if cue.name in now] if now else ()
    hold = hold_for(presented.round, cues, way)
    if way is None and hold == 0:
        return state
    state = state._replace(phase=Phase.HOLDING, hold=hold, way=way)
    if hold == 0:
        return after_hold(program, state, footprints)
    footprints.append(partial(_tell_hold, state, presented, hold))
    return state


def _tell_hold(state: State, presented: PresentedQuestion, hold: int | None) -> Iterator[Footprint]:
    shown = (
        f"the right answer, {presented.answer_in_english}, is shown"
        if state.is_revealed
        else "the feedback is shown"
    )
    until = "until the player goes on" if hold is None else f"for {hold} ms"
    yield Footprint(state.at, Stop.CUE, What.HELD, f"{shown} {until}; the clocks wait")


def hold_for(round_: Round, cues: Sequence[Cue], way: Way | None) -> int | None:
    """The milliseconds that cues and round hold the run for; None until the player goes on."""
    if not cues:
        return 0 if way is None else round_.after.hold_ms
    if any(cue.until_continue for cue in cues):
        return None
    longest = max((cue.hold_ms for cue in cues if cue.hold_ms is not None), default=None)
    if longest is not None:
        return longest
    return 0 if way is None else round_.after.hold_ms


def after_hold(program: Program, state: State, footprints: Footprints) -> State:
    if state.way is None:
        return state._replace(phase=Phase.ASKING, hold=None)
    return _go(program, quiet(state), state.way, footprints)


def _go(program: Program, state: State, way: Way, footprints: Footprints) -> State:
    """Go on from a question that is done with."""
    if way.to is To.AGAIN:
        footprints.append(
            Footprint(state.at, Stop.MOVE_ON, What.MOVED, "the same question is asked again")
        )
    return _follow(program, state, onward(program.game, where_of(state), way), footprints)


def where_of(state: State) -> Where:
    """What the course of a run hangs on."""
    return Where(
        len(state.players),
        state.round,
        state.position,
        state.turn,
        state.skipped,
        state.visits,
        state.out,
        state.due,
    )


def _follow(program: Program, state: State, step: Step, footprints: Footprints) -> State:
    """Go where the course leads."""
    where = step.where
    state = state._replace(
        turn=where.turn,
        position=where.position,
        skipped=where.skipped,
        phase=Phase.ASKING,
        hold=None,
        way=None,
    )
    match step:
        case Asks():
            return _ask(program, state, step.is_again, footprints)
        case RoundEnds():
            return _round_over(program, state, step.asked, step.to, footprints)
        case Enters():
            return enter_round(program, state, where.round, None, footprints)
        case Ends():
            return game_over(program, state, step.ending, footprints, step.about)
    why = "the player chooses the next round"
    footprints.append(Footprint(state.at, Stop.OPEN, What.HELD, why))
    return state._replace(phase=Phase.OPENING)


def enter_round(
    program: Program, state: State, number: int, wanted: int | None, footprints: Footprints
) -> State:
    round_ = program.game.rounds[number]
    state = state._replace(
        round=number,
        wanted=wanted,
        position=0,
        passed_over=(),
        skipped=0,
        clocks=state.clocks._replace(round=in_ms(round_.seconds)),
    )
    dealt = deal_of(program, state)
    pool = counted(len(dealt.pool), "question")
    length = "as many as there is time for" if dealt.length is None else str(dealt.length)
    how = _ORDER_WORDS[round_.draw.order].format(dice=state.dice)
    footprints.append(
        Footprint(
            state.at,
            Stop.DRAW,
            What.DRAWN,
            f"{length} of {pool} drawn, {how}, {_how_often(round_.draw, dealt)}",
        )
    )
    return _ask(program, state, False, footprints)


def _how_often(draw: Draw, dealt: Deal) -> str:
    """Whether a question can come twice in a round."""
    if draw.refill is Refill.EACH_TIME and draw.order in BY_CHANCE:
        return "each put back at once"
    if dealt.length is not None and dealt.length <= len(dealt.pool):
        return "none twice"
    return "the pool is filled again"


_ORDER_WORDS = {
    DrawOrder.WRITTEN: "in the order written",
    DrawOrder.SHUFFLED: "shuffled by dice {dice}",
    DrawOrder.EASY_FIRST: "drawn by dice {dice}, easy ones first",
    DrawOrder.WEIGHTED: "drawn by dice {dice}, levels by their weights",
}


def _ask(program: Program, state: State, is_again: bool, footprints: Footprints) -> State:
    """Put the question at the state's position, or go on elsewhere if there is none."""
    length, clocks, where = length_of_round(program, state), state.clocks, where_of(state)
    if not is_again and (length is None or where.slot < length):
        found = next_question(program, state)
        if found is None:
            length = where.slot
        else:
            state = found
    time_over = _time_over(clocks)
    instead = before_asking(program.game, where, length, is_again, time_over)
    if instead is not None:
        if where.all_out:
            why = "nobody is left to play"
            footprints.append(Footprint(state.at, Stop.MOVE_ON, What.MOVED, why))
        elif time_over is not None:
            footprints.append(_time_told(state, time_over))
        return _follow(program, state, instead, footprints)
    presented = presented_question(program, state)
    state = state._replace(
        phase=Phase.ASKING,
        tries_used=0,
        tried=(),
        is_hinted=False,
        given=None,
        result=None,
        is_revealed=False,
        used=0,
        lead=MAX_LEAD_MS
        if presented.round.ask.waits_for_sound and presented.question.details.sound
        else 0,
        presented_count=state.presented_count + 1,
        clocks=Clocks(in_ms(presented.seconds), clocks.round, clocks.game),
    )
    footprints.append(partial(_tell_question, state, presented, is_again, length))
    state, settled = run_asked(program, state, presented, is_again, footprints)
    if settled.ending is not None:
        state, way = at_once(program, state, settled.ending)
        return _go(program, state, way, footprints)
    return cued(program, state, Occasion.SHOWN, footprints)


def _tell_question(
    state: State, presented: PresentedQuestion, is_again: bool, length: int | None
) -> Iterator[Footprint]:
    question, number = presented.question, state.position + 1
    if not is_again:
        of = "" if length is None else f" of {length}"
        if state.position:
            why = f"on to question {number}{of}"
            yield Footprint(state.at, Stop.MOVE_ON, What.MOVED, why)
        why = f"question {number}{of} is number {presented.dealt.sourced.number + 1} of its source"
        change = Change("question", number - 1 or None, number)
        yield Footprint(state.at, Stop.DRAW, What.DRAWN, why, (change,))
    if presented.choices:
        how = f"with {len(presented.choices)} choices, A to {LETTERS[len(presented.choices) - 1]}"
    elif question.kind is Kind.LETTERS:
        how = f"with {counted(len(presented.letters), 'letter')} to find"
    else:
        how = "to be answered by typing"
    clock = "" if presented.seconds is None else f", {counted(presented.seconds, 'second')}"
    why = f"“{question.prompt}” {how}{clock}"
    yield Footprint(state.at, Stop.ASK, What.ASKED, why)


def time_is_up(program: Program, state: State, footprints: Footprints) -> State:
    """The end of the round's time or the game's, in the course of a question."""
    which = _time_over(state.clocks) or "round"
    footprints.append(_time_told(state, which))
    return _follow(
        program, state, time_ends(where_of(state), which, state.position + 1), footprints
    )


def finished(program: Program, state: State) -> tuple[State, Footprints] | None:
    """The end of a run that its player wants to end, as if the game's time were up.

    None where the run ends by itself, by a clock or by its last question, and where no ending
    fits yet.
    """
    has_clock = state.clocks.round is not None or state.clocks.game is not None
    if has_clock or state.due is not None or length_of_round(program, state) is not None:
        return None
    why = f"{state.players[state.turn]} ends the run here"
    footprints: Footprints = [Footprint(state.at, Stop.MOVE_ON, What.MOVED, why)]
    step = time_ends(where_of(state), "game", state.position + 1)
    over = _follow(program, state, step, footprints)
    return None if over.ending is None else (over, footprints)


def _time_over(clocks: Clocks) -> str | None:
    """The countdown that has ended, the game's before the round's."""
    if clocks.game is not None and clocks.game <= 0:
        return "game"
    return "round" if clocks.round is not None and clocks.round <= 0 else None


def _time_told(state: State, which: str) -> Footprint:
    return Footprint(state.at, Stop.MOVE_ON, What.MOVED, f"the {which}'s time is up")


def _round_over(
    program: Program, state: State, asked_so_far: int, to: int | None, footprints: Footprints
) -> State:
    """End the round, run its rules for every player, and go on."""
    if state.due is not None:
        return _follow(program, state, due_end(program.game, where_of(state)), footprints)
    turn = state.turn
    why = "no question is left" if to is None else "the round is left"
    footprints.append(Footprint(state.at, Stop.MOVE_ON, What.MOVED, why))
    for player in range(len(state.players)):
        state, settled = run_rules(
            program, state._replace(turn=player), Event.ROUND_OVER, footprints
        )
        if settled.ending is not None:
            return game_over(program, state, settled.ending, footprints, player)
        if settled.way is not None and settled.way.to is To.ENDING:
            number = ending_titled(program.game, settled.way.name)
            return game_over(program, state, number, footprints, player)
        if settled.way is not None:
            to = round_titled(program.game, settled.way)
    state = cued(program, state._replace(turn=turn), Occasion.ROUND_OVER, footprints)
    visits = state.visits
    gone = {*state.gone, *asked_in_round(program, state, asked_so_far)}
    state = state._replace(
        visits=(*visits[: state.round], visits[state.round] + 1, *visits[state.round + 1 :]),
        gone=tuple(sorted(gone)) if len(gone) > len(state.gone) else state.gone,
        brought=(),
        wanted=None,
        result=None,
        given=None,
        clocks=state.clocks._replace(question=None, round=None),
    )
    return _follow(program, state, after_round(program.game, where_of(state), to), footprints)


def game_over(
    program: Program,
    state: State,
    ending: int | None,
    footprints: Footprints,
    about: int | None = None,
) -> State:
    """End the run with an ending, about one of the players; or with the first that fits the
    player with the best score, else with the one that came at once."""
    for turn in range(len(state.players)):
        state, _ = run_rules(program, state._replace(turn=turn), Event.GAME_OVER, footprints)
    rules = program.rules
    scores = [rules.score(tally) for tally in state.tallies]
    leader = leader_of(program, state)
    due = state.due
    state = state._replace(
        phase=Phase.ENDED,
        turn=leader if about is None else about,
        hold=None,
        way=None,
        due=None,
        clocks=state.clocks._replace(question=None, round=None),
    )
    if state.gave_up:
        return _given_up(program, state, footprints)
    if ending is None:
        outcome = Outcome(Event.GAME_OVER, state.round, player_number=leader + 1)
        leaders = scores.count(scores[leader])
        ending = rules.last_ending(state.tallies[leader], outcome, leaders, len(scores))
        if ending is None and due is not None:
            ending = due.ending
            state = state._replace(turn=due.player)
    score = rules.score(state.tally)
    if ending is None:
        why = f"no ending fits a score of {as_written(score)}"
        footprints.append(Footprint(state.at, Stop.END, What.ENDED, why))
        return state
    title = program.game.endings[ending].title
    whose = f" for {state.players[state.turn]}" if len(state.players) > 1 else ""
    why = f"with {counted(score, 'point')} the ending{whose} is “{title}”"
    change = Change("ending", None, title)
    footprints.append(Footprint(state.at, Stop.END, What.ENDED, why, (change,)))
    return cue_of_ending(program, state._replace(ending=ending), ending, footprints)


def _given_up(program: Program, state: State, footprints: Footprints) -> State:
    """The end of a run that a player gave up: an ending of its own, and never the best."""
    why = f"{state.players[state.turn]} gave up"
    change = Change("ending", None, ENGLISH.say(Phrase.GIVEN_UP))
    footprints.append(Footprint(state.at, Stop.END, What.ENDED, why, (change,)))
    return cued(program, state, Occasion.ENDING, footprints)


def ended_as(program: Program, state: State) -> str | None:
    """What the end of a run is called; None while it goes on, or if no ending fits."""
    if state.gave_up:
        return program.translator.say(Phrase.GIVEN_UP)
    return None if state.ending is None else program.game.endings[state.ending].title


def in_ms(seconds: int | None) -> int | None:
    return None if seconds is None else seconds * 1000
