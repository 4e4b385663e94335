"""Move a run on: holds, ways, questions, rounds, and the end.

Each function takes the state, tells its footprints as it goes (see `Telling`) and returns the
state after. A question leads to a hold, a hold to a way, and a way to a question, a round or the
end.
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
    LazyFootprint,
    Pictures,
    Result,
    Stop,
    Telling,
    What,
    collected,
    told,
)
from dicetrail.core.play.outcomes import (
    cue_of_ending,
    cued,
    leader_of,
    quiet,
    revealed,
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
from dicetrail.core.play.state import (
    ASKING,
    OPENING,
    AtEnd,
    Clocks,
    InHold,
    QuestionInPlay,
    RoundInPlay,
    State,
)
from dicetrail.core.rules import (
    Asks,
    Due,
    Ends,
    Enters,
    Event,
    Happening,
    Outcome,
    RoundEnds,
    Settled,
    Step,
    Where,
    after_letter,
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
    letter: Settled | None = None,
    share: int = 0,
) -> Telling[State]:
    """Apply an outcome of the question in play. `letter` is the result of the last letter of a
    word, which made the outcome; `share` is that of a partly right answer, in percent."""
    streak, result = state.tally.streak, Result(outcome.verdict)
    if state.question.result is not result:
        state = state._replace(question=state.question._replace(result=result))
    work = run_happening(program, state, presented, outcome, share)
    (state, settled), (scored, *others) = collected(work)
    settled = settled if letter is None else after_letter(letter, settled)
    way = settled.way
    if settled.ending is not None:
        state, way = at_once(program, state, settled.ending)
    reveal = presented.round.after.reveal
    if reveal is Reveal.ALWAYS or (reveal is Reveal.LAST_TRY and way is not None):
        state = revealed(state)
    is_done = way is not None and way.to is not To.AGAIN
    state = with_rows_leaving(presented, state, is_done)
    telling = partial(_tell_answered, scored, state, presented, result, share)
    yield telling if is_done else scored
    yield from others
    state = yield from cued(program, state, outcome.occasion)
    if settled.tally.streak > streak:
        state = yield from streak_cued(program, state)
    return (yield from hold(program, state, presented, way))


def _tell_answered(
    change: Footprint | LazyFootprint,
    state: State,
    presented: PresentedQuestion,
    result: Result,
    share: int,
) -> Iterator[Footprint]:
    """Tell what the rules changed at the last answer to a question, with that question."""
    for footprint in told([change]):
        yield replace(footprint, answered=_answered(state, presented, result, share))


def _answered(state: State, presented: PresentedQuestion, result: Result, share: int) -> Answered:
    """The question in play, now that it is done with."""
    question, given = presented.question, state.question.given
    places: tuple[int, ...] = ()
    if given is not None and not isinstance(given, str):
        picked = (given,) if isinstance(given, int) else given
        scale = presented.scale
        most = len(presented.choices) if scale is None else scale.points
        if presented.areas:
            picked = presented.check(given).places
        places = tuple(place for place in picked if 1 <= place <= most)
        given = presented.chosen(places)
    elif given is not None and question.gaps:
        given = ", ".join(filter(None, given.splitlines()))
    is_told = presented.round.after.reveal is not Reveal.NEVER
    return Answered(
        state.turn,
        presented.round.title,
        question.prompt,
        given or "".join(state.question.tried),
        result.value,
        presented.answer if is_told else "",
        question.details.note if is_told else "",
        _pictures(presented, places, is_told),
        share,
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
    program: Program, state: State, presented: PresentedQuestion, way: Way | None
) -> Telling[State]:
    """Hold the run as cues and round say, and then go the way; None goes back to the question."""
    now = {heard.cue for heard in state.heard if heard.at == state.at}
    cues = [cue for cue in program.game.cues if cue.name in now] if now else ()
    hold = hold_for(presented.round, cues, way)
    if way is None and hold == 0:
        return state
    if hold == 0:
        return (yield from after_hold(program, state, way))
    state = state._replace(stands=InHold(hold, way))
    yield partial(_tell_hold, state, presented, hold)
    return state


def _tell_hold(state: State, presented: PresentedQuestion, hold: int | None) -> Iterator[Footprint]:
    shown = (
        f"the right answer, {presented.answer_in_english}, is shown"
        if state.question.is_revealed
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


def after_hold(program: Program, state: State, way: Way | None) -> Telling[State]:
    """Go the way that a hold leads to; None is back to the question."""
    if way is None:
        return state._replace(stands=ASKING)
    return (yield from _go(program, quiet(state), way))


def _go(program: Program, state: State, way: Way) -> Telling[State]:
    """Go on from a question that is done with."""
    if way.to is To.AGAIN:
        why = "the same question is asked again"
        yield Footprint(state.at, Stop.MOVE_ON, What.MOVED, why)
    return (yield from _follow(program, state, onward(program.game, where_of(state), way)))


def where_of(state: State) -> Where:
    """What the course of a run hangs on."""
    return Where(
        len(state.players),
        state.round.number,
        state.round.position,
        state.turn,
        state.round.skipped,
        state.history.visits,
        state.out,
        state.due,
    )


def _follow(program: Program, state: State, step: Step) -> Telling[State]:
    """Go where the course leads."""
    where = step.where
    round_ = state.round._replace(position=where.position, skipped=where.skipped)
    state = state._replace(turn=where.turn, round=round_, stands=ASKING)
    match step:
        case Asks():
            return (yield from _ask(program, state, step.is_again))
        case RoundEnds():
            return (yield from _round_over(program, state, step.asked, step.to))
        case Enters():
            return (yield from enter_round(program, state, where.round, None))
        case Ends():
            return (yield from game_over(program, state, step.ending, step.about))
    yield Footprint(state.at, Stop.OPEN, What.HELD, "the player chooses the next round")
    return state._replace(stands=OPENING)


def enter_round(program: Program, state: State, number: int, wanted: int | None) -> Telling[State]:
    """Begin a round, with as many questions as the player wanted, and ask its first one."""
    round_ = program.game.rounds[number]
    state = state._replace(
        round=RoundInPlay(number, wanted=wanted, brought=state.round.brought),
        clocks=state.clocks._replace(round=in_ms(round_.seconds)),
    )
    dealt = deal_of(program, state)
    pool = counted(len(dealt.pool), "question")
    length = "as many as there is time for" if dealt.length is None else str(dealt.length)
    how = _ORDER_WORDS[round_.draw.order].format(dice=state.setup.dice)
    why = f"{length} of {pool} drawn, {how}, {_how_often(round_.draw, dealt)}"
    yield Footprint(state.at, Stop.DRAW, What.DRAWN, why)
    return (yield from _ask(program, state, is_again=False))


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


def _ask(program: Program, state: State, is_again: bool) -> Telling[State]:
    """Ask the question at the state's position. If there is none, go on with the next step."""
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
            yield Footprint(state.at, Stop.MOVE_ON, What.MOVED, why)
        elif time_over is not None:
            yield _time_told(state, time_over)
        return (yield from _follow(program, state, instead))
    presented, history = presented_question(program, state), state.history
    waits = presented.round.ask.waits_for_sound and presented.question.details.sound
    state = state._replace(
        stands=ASKING,
        question=QuestionInPlay(lead_ms=MAX_LEAD_MS if waits else 0),
        history=history._replace(presented_count=history.presented_count + 1),
        clocks=Clocks(in_ms(presented.seconds), clocks.round, clocks.game),
    )
    yield partial(_tell_question, state, presented, is_again, length)
    state, settled = yield from run_asked(program, state, presented, is_again)
    if settled.ending is not None:
        state, way = at_once(program, state, settled.ending)
        return (yield from _go(program, state, way))
    return (yield from cued(program, state, Occasion.SHOWN))


def _tell_question(
    state: State, presented: PresentedQuestion, is_again: bool, length: int | None
) -> Iterator[Footprint]:
    question, number = presented.question, state.round.position + 1
    if not is_again:
        of = "" if length is None else f" of {length}"
        if state.round.position:
            why = f"on to question {number}{of}"
            yield Footprint(state.at, Stop.MOVE_ON, What.MOVED, why)
        why = f"question {number}{of} is number {presented.dealt.sourced.number + 1} of its source"
        change = Change("question", number - 1 or None, number)
        yield Footprint(state.at, Stop.DRAW, What.DRAWN, why, (change,))
    if presented.choices:
        how = f"with {len(presented.choices)} choices, A to {LETTERS[len(presented.choices) - 1]}"
        how += _TO_DO.get(question.kind, "").format(count=len(question.right))
    elif question.gaps:
        how = f"with {counted(len(question.gaps), 'gap')} to fill"
    elif question.kind is Kind.LETTERS:
        how = f"with {counted(len(presented.letters), 'letter')} to find"
    else:
        how = "to be answered by typing"
    clock = "" if presented.seconds is None else f", {counted(presented.seconds, 'second')}"
    why = f"“{question.prompt}” {how}{clock}"
    yield Footprint(state.at, Stop.ASK, What.ASKED, why)


_TO_DO = {Kind.ORDER: ", to put in order", Kind.MATCH: ", to match with {count} items"}


def time_is_up(program: Program, state: State) -> Telling[State]:
    """The end of the round's time or the game's, in the course of a question."""
    which = _time_over(state.clocks) or "round"
    yield _time_told(state, which)
    step = time_ends(where_of(state), which, state.round.position + 1)
    return (yield from _follow(program, state, step))


def finished(program: Program, state: State) -> Telling[State | None]:
    """The end of a run that its player wants to end, as if the game's time were up.

    None where the run ends by itself, by a clock or by its last question, and where no ending
    fits yet.
    """
    has_clock = state.clocks.round is not None or state.clocks.game is not None
    if has_clock or state.due is not None or length_of_round(program, state) is not None:
        return None
    why = f"{state.players[state.turn]} ends the run here"
    yield Footprint(state.at, Stop.MOVE_ON, What.MOVED, why)
    step = time_ends(where_of(state), "game", state.round.position + 1)
    over = yield from _follow(program, state, step)
    return None if over.ending is None else over


def may_finish(program: Program, state: State) -> bool:
    """Whether the player can end the run now."""
    over, _ = collected(finished(program, state))
    return over is not None


def _time_over(clocks: Clocks) -> str | None:
    """The countdown that has ended, the game's before the round's."""
    if clocks.game is not None and clocks.game <= 0:
        return "game"
    return "round" if clocks.round is not None and clocks.round <= 0 else None


def _time_told(state: State, which: str) -> Footprint:
    return Footprint(state.at, Stop.MOVE_ON, What.MOVED, f"the {which}'s time is up")


def _round_over(
    program: Program, state: State, asked_so_far: int, to: int | None
) -> Telling[State]:
    """End the round, run its rules for every player, and go on."""
    if state.due is not None:
        return (yield from _follow(program, state, due_end(program.game, where_of(state))))
    turn = state.turn
    why = "no question is left" if to is None else "the round is left"
    yield Footprint(state.at, Stop.MOVE_ON, What.MOVED, why)
    for player in range(len(state.players)):
        state = state._replace(turn=player)
        state, settled = yield from run_rules(program, state, Event.ROUND_OVER)
        if settled.ending is not None:
            return (yield from game_over(program, state, settled.ending, player))
        if settled.way is not None and settled.way.to is To.ENDING:
            number = ending_titled(program.game, settled.way.name)
            return (yield from game_over(program, state, number, player))
        if settled.way is not None:
            to = round_titled(program.game, settled.way)
    state = yield from cued(program, state._replace(turn=turn), Occasion.ROUND_OVER)
    history, number = state.history, state.round.number
    visits = list(history.visits)
    visits[number] += 1
    gone = {*history.gone, *asked_in_round(program, state, asked_so_far)}
    is_more = len(gone) > len(history.gone)
    state = state._replace(
        history=history._replace(
            visits=tuple(visits), gone=tuple(sorted(gone)) if is_more else history.gone
        ),
        round=state.round._replace(brought=(), wanted=None),
        question=state.question._replace(given=None, result=None),
        clocks=state.clocks._replace(question=None, round=None),
    )
    return (yield from _follow(program, state, after_round(program.game, where_of(state), to)))


def game_over(
    program: Program,
    state: State,
    ending: int | None,
    about: int | None = None,
    gave_up: bool = False,
) -> Telling[State]:
    """End the run with an ending, about one of the players; or with the first that fits the
    player with the best score, else with the one that came at once."""
    for turn in range(len(state.players)):
        state, _ = yield from run_rules(program, state._replace(turn=turn), Event.GAME_OVER)
    rules = program.rules
    scores = [rules.score(tally) for tally in state.tallies]
    leader = leader_of(program, state)
    due = state.due
    state = state._replace(
        stands=AtEnd(gave_up=gave_up),
        turn=leader if about is None else about,
        due=None,
        clocks=state.clocks._replace(question=None, round=None),
    )
    if gave_up:
        return (yield from _given_up(program, state))
    if ending is None:
        outcome = Outcome(Event.GAME_OVER, state.round.number, player_number=leader + 1)
        leaders = scores.count(scores[leader])
        ending = rules.last_ending(state.tallies[leader], outcome, leaders, len(scores))
        if ending is None and due is not None:
            ending = due.ending
            state = state._replace(turn=due.player)
    score = rules.score(state.tally)
    if ending is None:
        why = f"no ending fits a score of {as_written(score)}"
        yield Footprint(state.at, Stop.END, What.ENDED, why)
        return state
    title = program.game.endings[ending].title
    whose = f" for {state.players[state.turn]}" if len(state.players) > 1 else ""
    why = f"with {counted(score, 'point')} the ending{whose} is “{title}”"
    yield Footprint(state.at, Stop.END, What.ENDED, why, (Change("ending", None, title),))
    return (yield from cue_of_ending(program, state._replace(stands=AtEnd(ending)), ending))


def _given_up(program: Program, state: State) -> Telling[State]:
    """The end of a run that a player gave up: an ending of its own, and never the best."""
    why = f"{state.players[state.turn]} gave up"
    change = Change("ending", None, ENGLISH.say(Phrase.GIVEN_UP))
    yield Footprint(state.at, Stop.END, What.ENDED, why, (change,))
    return (yield from cued(program, state, Occasion.ENDING))


def ended_as(program: Program, state: State) -> str | None:
    """What the end of a run is called; None while it goes on, or if no ending fits."""
    if state.gave_up:
        return program.translator.say(Phrase.GIVEN_UP)
    return None if state.ending is None else program.game.endings[state.ending].title


def in_ms(seconds: int | None) -> int | None:
    return None if seconds is None else seconds * 1000
