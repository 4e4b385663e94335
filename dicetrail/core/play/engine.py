"""The whole run: start it, step it, replay it.

Theory of operation. A run is in one of four phases. It opens; `Begin` starts a round and asks its
first question. The rules settle each outcome of a question (an answer, the end of its clock, a
pass). If no tries are left, the run holds and shows the feedback, for a time or until `Continue`.
Then it goes where the rules decided: to the next question, the same one, another round, or an
ending. When the questions or the time of a round run out, the next round begins, the menu opens
again, or the game is over and its endings are tried.

    OPENING --Begin--> ASKING --outcome--> HOLDING --its time, or Continue--> ASKING ...
       ^                  `--unreadable, or tries left--> ASKING             |
       `-------------------------- menu of rounds --------------------------+--> ENDED

Countdowns run in ASKING alone, and where a round says so only once the sound of a question has
begun (`Listen`). Before an action is taken, every countdown that ended by then is processed, in
order, so an answer at the deadline finds the question closed. An action that is not allowed now
changes nothing and leaves a footprint that says so.

Nothing here reads a clock or draws its own chance: `at` and `dice` are given. Everything that
follows from the program and the dice is computed on demand and never stored in the state.
"""

from collections.abc import Callable, Iterable, Iterator, Sequence
from functools import partial
from typing import Any

from dicetrail.core.answers import Checked, Given, Verdict, as_letters
from dicetrail.core.document import (
    ARRANGED,
    ENGLISH,
    MAX_PLAYERS,
    Filling,
    Game,
    Kind,
    Number,
    Occasion,
    Phrase,
    RoundOrder,
    counted,
    message,
)
from dicetrail.core.play.flow import (
    after_hold,
    at_once,
    enter_round,
    finished,
    game_over,
    hold,
    in_ms,
    settled_question,
    time_is_up,
)
from dicetrail.core.play.footprints import (
    Answered,
    Footprint,
    Result,
    Stop,
    Telling,
    What,
    collected,
)
from dicetrail.core.play.outcomes import cued, progress_of, quiet, run_happening, run_rules
from dicetrail.core.play.presenting import PresentedQuestion
from dicetrail.core.play.program import (
    Program,
    deal_of,
    most_questions,
    presented_question,
)
from dicetrail.core.play.state import (
    Action,
    Answer,
    AtQuestion,
    Begin,
    Bring,
    BroughtQuestion,
    Clocks,
    Continue,
    Finish,
    Hint,
    History,
    InHold,
    Input,
    Letter,
    Listen,
    Moment,
    Pass,
    Phase,
    Quit,
    RoundInPlay,
    Setup,
    Show,
    State,
    TimeRanBackwards,
    Wait,
)
from dicetrail.core.rules import Event, Happening, Settled, after

MAX_UNATTENDED = 100
"""After this many countdowns in a row without an action of a player, the clocks wait."""


def start(
    program: Program,
    dice: int,
    players: Sequence[str] = ("Player",),
    at: int = 0,
    best: Number | None = None,
) -> Moment:
    """The opening of a run; `best` is the score to beat.

    Raises ValueError unless the game takes that many players.
    """
    refused = players_refused(program.game, len(players))
    if refused is not None:
        raise ValueError(refused)
    questions = counted(program.question_count, "question")
    packs = len(program.game.packs_used)
    why = f"{questions} from {counted(packs, 'pack')}" if packs else f"{questions}, made here"
    loaded = Footprint(at, Stop.LOAD, What.LOADED, why)
    tallies = (program.rules.first,) * len(players)
    clocks = Clocks(game=in_ms(program.game.seconds))
    history = History((0,) * len(program.game.rounds))
    setup = Setup(dice, tuple(players), best)
    return Moment(State(setup, at, tallies, history=history, clocks=clocks), (loaded,))


def players_refused(game: Game, players: int) -> str | None:
    """Why a game does not take this number of players; None if it does."""
    most = max(1, min(MAX_PLAYERS, game.opening.most_players))
    if 1 <= players <= most:
        return None
    return f"this game takes {'1 player' if most == 1 else f'1 to {most} players'}, not {players}"


def step(program: Program, state: State, action: Action, at: int) -> Moment:
    """The run after one action, and what happened up to it.

    Raises TimeRanBackwards if `at` is less than the state's.
    """
    if at < state.at:
        raise TimeRanBackwards(f"an action at {at} ms cannot follow one at {state.at} ms")
    heard = state.heard
    state, footprints = collected(_let_time_pass(program, state, at))
    if isinstance(action, Wait):
        return Moment(state, footprints)
    if isinstance(action, Listen):
        state, others = collected(_listen(state, action))
        return Moment(state, footprints + others)
    try:
        take = _TAKEN.get((type(action), state.phase))
        if take is None:
            raise _ActionRefused(_WHEN[state.phase])
        _meant_for_this(state, action)
        since = state
        if heard or state.unattended:
            # What was heard before is over, but not what time has brought just now.
            since = state._replace(heard=state.heard[len(heard) :], unattended=0)
        state, others = collected(take(program, since, action))
    except _ActionRefused as refusal:
        footprints.append(_refusal(state, action, refusal.why))
        return Moment(state, footprints, refusal.said)
    return Moment(state, footprints + others)


def _meant_for_this(state: State, action: Action) -> None:
    """Refuse an action that was meant for another question than the one in play."""
    wanted = getattr(action, "question", None)
    if wanted is not None and wanted != state.history.presented_count:
        raise _ActionRefused(Phrase.OTHER_QUESTION, number=wanted)


def replay(
    program: Program,
    dice: int,
    players: Sequence[str],
    inputs: Iterable[Input],
    at: int = 0,
    best: Number | None = None,
) -> tuple[Moment, ...]:
    """Every moment of a run, worked out from its inputs: the opening first."""
    opening = start(program, dice, players, at, best)
    return (opening, *go_on(program, opening, inputs))


def go_on(program: Program, moment: Moment, inputs: Iterable[Input]) -> Iterator[Moment]:
    """The moments after one of a run, worked out from the inputs that follow it."""
    for given in inputs:
        moment = step(program, moment.state, given.action, given.at)
        yield moment


def answered(moments: Iterable[Moment]) -> tuple[Answered, ...]:
    """Every question that was done with in some moments of a run, in order."""
    footprints = (footprint for moment in moments for footprint in moment.footprints)
    return tuple(footprint.answered for footprint in footprints if footprint.answered is not None)


def _let_time_pass(program: Program, state: State, at: int) -> Telling[State]:
    """The state at a later time, every countdown that ended by then worked out."""
    while True:
        stands, question = state.stands, state.question
        if isinstance(stands, InHold) and stands.ms is not None:
            due = state.at + stands.ms
            if due > at:
                return state._replace(at=at, stands=InHold(due - at, stands.way))
            state = yield from after_hold(program, state._replace(at=due), stands.way)
        elif isinstance(stands, AtQuestion) and question.lead_ms:
            due = state.at + question.lead_ms
            if due > at:
                return state._replace(at=at, question=question._replace(lead_ms=due - at))
            state = state._replace(at=due, question=question._replace(lead_ms=0))
        elif isinstance(stands, AtQuestion) and state.unattended < MAX_UNATTENDED:
            soonest = state.clocks.soonest
            if soonest is None or state.at + max(0, soonest) > at:
                return _tick(state, at)
            state = _tick(state, state.at + max(0, soonest))
            state = state._replace(unattended=state.unattended + 1)
            if state.unattended == MAX_UNATTENDED:
                why = "nobody has done anything for a long time; the clocks wait for the player"
                yield Footprint(state.at, Stop.ASK, What.HELD, why)
            else:
                state = yield from _countdown_ended(program, state)
        else:
            return state if at == state.at else state._replace(at=at)


def _tick(state: State, at: int) -> State:
    """The state later in the same question."""
    passed = at - state.at
    if not passed:
        return state
    return state._replace(at=at, clocks=state.clocks.after(passed))


def _countdown_ended(program: Program, state: State) -> Telling[State]:
    """What follows from the end of a countdown: the question's before the round's, and that
    before the game's."""
    if state.clocks.question is not None and state.clocks.question <= 0:
        presented = presented_question(program, state)
        why = f"{counted(presented.seconds or 0, 'second')} are over; an answer is too late now"
        yield Footprint(state.at, Stop.ASK, What.LATE, why, result=Result.LATE)
        return (yield from settled_question(program, quiet(state), presented, Happening.LATE))
    return (yield from time_is_up(program, state))


def _begin(program: Program, state: State, action: Begin) -> Telling[State]:
    """Start the run, or a round chosen from the menu."""
    game = program.game
    number = (action.round or 0) if game.has_menu or not action.round else -1
    if not 0 <= number < len(game.rounds):
        raise _ActionRefused(Phrase.NO_ROUND)
    if game.has_menu and state.history.visits[number]:
        raise _ActionRefused(Phrase.ROUND_PLAYED)
    wanted = action.questions
    if wanted is not None:
        most = most_questions(program, state._replace(round=RoundInPlay(number)))
        if not game.rounds[number].draw.player_chooses:
            raise _ActionRefused(Phrase.NUMBER_SET)
        if not 1 <= wanted <= most:
            raise _ActionRefused(Phrase.UNLESS_SO_MANY, most=most)
    state = quiet(state)
    if not state.has_begun:
        names = " and ".join(state.players)
        verb = "begins" if len(state.players) == 1 else "begin"
        yield Footprint(state.at, Stop.OPEN, What.BEGUN, f"{names} {verb}")
        for turn in range(len(state.players)):
            state, settled = yield from run_rules(program, state._replace(turn=turn), Event.STARTED)
            if settled.ending is not None:
                return (yield from game_over(program, state, settled.ending, turn))
        # What it says was seen before; it is not told again beside the first question.
        told = state.told
        state = yield from cued(program, state, Occasion.OPENING)
        state = state._replace(turn=0, told=told)
    return (yield from enter_round(program, state, number, wanted))


def _answer(program: Program, state: State, action: Answer) -> Telling[State]:
    given, presented = action.value, presented_question(program, state)
    checked = presented.check(given)
    yield partial(_tell_answer, state.at, state.players[state.turn], presented, given, checked)
    if checked.verdict is Verdict.UNREADABLE:
        question = state.question._replace(given=given, result=Result.UNREADABLE)
        state = quiet(state)._replace(question=question)
        return (yield from cued(program, state, Occasion.PRESS))
    outcome = _OUTCOMES[checked.verdict]
    progress, _ = after(presented.terms, progress_of(presented, state), outcome)
    question = state.question._replace(
        given=given, tries_used=progress.used, result=_CAME_OF[checked.verdict]
    )
    state = quiet(state)._replace(question=question)
    state = yield from cued(program, state, Occasion.PRESS)
    return (yield from settled_question(program, state, presented, outcome, share=checked.share))


_OUTCOMES = {
    Verdict.RIGHT: Happening.RIGHT,
    Verdict.CLOSE: Happening.CLOSE,
    Verdict.PARTLY: Happening.PARTLY,
    Verdict.WRONG: Happening.WRONG,
}


def _tell_answer(
    at: int, who: str, presented: PresentedQuestion, given: Given, checked: Checked
) -> Iterator[Footprint]:
    yield Footprint(at, Stop.ASK, What.ANSWERED, f"{who} {_given_told(presented, given)}")
    why = f"{checked.verdict}: {checked.why}"
    yield Footprint(at, Stop.CHECK, What.CHECKED, why, result=_CAME_OF[checked.verdict])


def _given_told(presented: PresentedQuestion, given: Given) -> str:
    """What was done to answer: typed, picked, put in order or matched."""
    if isinstance(given, str) and presented.question.gaps:
        return f"filled the gaps with “{', '.join(given.splitlines())}”"
    if isinstance(given, str):
        return f"typed “{given}”"
    if isinstance(given, int) and presented.scale is not None:
        return f"estimated {presented.chosen((given,))}"
    if isinstance(given, tuple) and presented.question.kind in ARRANGED:
        places = ", ".join(map(str, given))
        if presented.question.kind is Kind.ORDER:
            return f"put the choices in the order {places}"
        return f"matched the items with the choices {places}"
    if points := presented.points(given):
        told = ", ".join(f"{across / 10:g} % and {down / 10:g} %" for across, down in points)
        return f"pointed at {told} of the picture"
    return f"picked {_choices_said(given)}"


_CAME_OF = {verdict: Result(verdict.value) for verdict in Verdict}


def _choices_said(given: int | tuple[int, ...]) -> str:
    """Choices picked, by their places: ``choice 2``, ``choices 1 and 3``."""
    if isinstance(given, int):
        return f"choice {given}"
    return f"choices {' and '.join(map(str, given))}" if given else "no choice"


def _letter(program: Program, state: State, action: Letter) -> Telling[State]:
    presented = presented_question(program, state)
    if presented.question.kind is not Kind.LETTERS:
        raise _ActionRefused(Phrase.NO_LETTERS)
    letters = as_letters(action.char[:8])
    if not letters:
        raise _ActionRefused(Phrase.ONE_LETTER)
    question = state.question
    if set(letters) <= set(question.tried):
        raise _ActionRefused(Phrase.LETTER_TRIED, letter="".join(letters))
    new = set(letters).difference(question.tried)
    happening = Happening.HIT if presented.letters.issuperset(letters) else Happening.MISS
    progress, closing = after(
        presented.terms, progress_of(presented, state), happening, found=len(new)
    )
    letter, stands = "".join(letters), happening is Happening.HIT
    who = state.players[state.turn]
    yield Footprint(state.at, Stop.ASK, What.ANSWERED, f"{who} tried “{letter}”")
    result = Result.HIT if stands else Result.MISS
    why = f"{result}: “{letter}” {'stands' if stands else 'does not stand'} in the word"
    yield Footprint(state.at, Stop.CHECK, What.CHECKED, why, result=result)
    # A character of several letters misses by those that do not stand: the others can be found yet.
    new_letters = [one for one in letters if stands or one not in presented.letters]
    tried = tuple(dict.fromkeys((*question.tried, *new_letters)))
    question = question._replace(tried=tried, tries_used=progress.used, given=None, result=result)
    state = quiet(state)._replace(question=question)
    state = yield from cued(program, state, Occasion.PRESS)
    state, settled = yield from run_happening(program, state, presented, happening)
    state = yield from cued(program, state, happening.occasion)
    if closing is not None:
        return (yield from settled_question(program, state, presented, closing, settled))
    return (yield from _at_once(program, state, presented, settled))


def _hint(program: Program, state: State, _action: Hint) -> Telling[State]:
    presented = presented_question(program, state)
    if not presented.round.ask.hints:
        raise _ActionRefused(Phrase.NO_HINTS)
    if not presented.question.details.hint:
        raise _ActionRefused(Phrase.HAS_NO_HINT)
    if state.question.is_hinted:
        raise _ActionRefused(Phrase.HINT_SHOWN)
    yield Footprint(state.at, Stop.ASK, What.HINTED, f"{state.players[state.turn]} took the hint")
    state = quiet(state)._replace(question=state.question._replace(is_hinted=True))
    state, settled = yield from run_happening(program, state, presented, Happening.HINT)
    state = yield from cued(program, state, Occasion.HINT)
    return (yield from _at_once(program, state, presented, settled))


def _show(program: Program, state: State, _action: Show) -> Telling[State]:
    if (
        presented_question(program, state).question.kind is not Kind.JUDGED
        or state.question.is_shown
    ):
        raise _ActionRefused(Phrase.NOTHING_TO_SHOW)
    who = state.players[state.turn]
    yield Footprint(state.at, Stop.ASK, What.SHOWN, f"{who} looked at the answer")
    return quiet(state)._replace(question=state.question._replace(is_shown=True))


def _at_once(
    program: Program, state: State, presented: PresentedQuestion, settled: Settled
) -> Telling[State]:
    """The ending that a letter or a hint brought at once; else the question stands."""
    if settled.ending is None:
        return state
    state, way = at_once(program, state, settled.ending)
    return (yield from hold(program, state, presented, way))


def _pass(program: Program, state: State, _action: Pass) -> Telling[State]:
    presented = presented_question(program, state)
    if not presented.round.ask.passing:
        raise _ActionRefused(Phrase.NO_PASSING)
    why = f"{state.players[state.turn]} passed"
    yield Footprint(state.at, Stop.ASK, What.PASSED, why, result=Result.PASSED)
    state = quiet(state)._replace(question=state.question._replace(given=None))
    return (yield from settled_question(program, state, presented, Happening.PASSED))


def _continue(program: Program, state: State, _action: Continue) -> Telling[State]:
    if not isinstance(state.stands, InHold) or state.stands.ms is not None:
        raise _ActionRefused(Phrase.NOT_YET, count=state.hold_ms or 0)
    return (yield from after_hold(program, state, state.stands.way))


def _listen(state: State, action: Listen) -> Telling[State]:
    """Let the countdowns run that waited for the sound of this question; else nothing."""
    is_meant = action.question in (None, state.history.presented_count)
    if not state.question.lead_ms or not is_meant:
        return state
    yield Footprint(state.at, Stop.ASK, What.HEARD, "the sound has begun; the clocks run")
    return state._replace(question=state.question._replace(lead_ms=0))


def _quit(program: Program, state: State, _action: Quit) -> Telling[State]:
    return (yield from game_over(program, quiet(state), None, state.turn, gave_up=True))


def _finish(program: Program, state: State, _action: Finish) -> Telling[State]:
    over = yield from finished(program, quiet(state))
    if over is None:
        raise _ActionRefused(Phrase.NO_END_HERE)
    return over


def _bring(program: Program, state: State, action: Bring) -> Telling[State]:
    """Put a question in place of the one that would come next."""
    at_menu = state.phase is Phase.OPENING
    if at_menu and program.game.opening.rounds is not RoundOrder.IN_ORDER:
        raise _ActionRefused("before a round is chosen")
    pool = deal_of(program, state).pool
    place = next(pool.places_of(action.source, action.number), None)
    if place is None:
        raise _ActionRefused("because this round has no such question")
    position = 0 if at_menu else state.round.position + 1
    why = f"“{pool[place].question.prompt}” is asked next, as the maker wants"
    yield Footprint(state.at, Stop.DRAW, What.DRAWN, why)
    kept = tuple(brought for brought in state.round.brought if brought.position != position)
    brought = (*kept, BroughtQuestion(position, place))
    return state._replace(round=state.round._replace(brought=brought))


_TAKEN: dict[tuple[type, Phase], Callable[[Program, State, Any], Telling[State]]] = {
    (Begin, Phase.OPENING): _begin,
    (Bring, Phase.OPENING): _bring,
    (Bring, Phase.ASKING): _bring,
    (Bring, Phase.HOLDING): _bring,
    (Answer, Phase.ASKING): _answer,
    (Letter, Phase.ASKING): _letter,
    (Hint, Phase.ASKING): _hint,
    (Show, Phase.ASKING): _show,
    (Pass, Phase.ASKING): _pass,
    (Continue, Phase.HOLDING): _continue,
    (Quit, Phase.OPENING): _quit,
    (Quit, Phase.ASKING): _quit,
    (Quit, Phase.HOLDING): _quit,
    (Finish, Phase.ASKING): _finish,
    (Finish, Phase.HOLDING): _finish,
}


_STANDS_AT = {
    Phase.OPENING: Stop.OPEN,
    Phase.ASKING: Stop.ASK,
    Phase.HOLDING: Stop.CUE,
    Phase.ENDED: Stop.END,
}


_WHEN = {
    Phase.OPENING: Phrase.BEFORE_BEGUN,
    Phase.ASKING: Phrase.WAITS,
    Phase.HOLDING: Phrase.FEEDBACK_SHOWN,
    Phase.ENDED: Phrase.AFTER_END,
}


class _ActionRefused(Exception):
    """An action that is not allowed now, and why: in plain words where only makers can do it."""

    def __init__(self, why: Phrase | str, **values: Filling) -> None:
        self.said = message(why, **values) if isinstance(why, Phrase) else None
        self.why = ENGLISH.of(self.said) if self.said else why
        super().__init__(self.why)


def _refusal(state: State, action: Action, why: str) -> Footprint:
    words = f"“{action.action}” is not taken {why}; nothing changed"
    return Footprint(state.at, _STANDS_AT[state.phase], What.REFUSED, words)
