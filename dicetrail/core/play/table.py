"""The table: everything that the player sees at one point of a run.

It is computed from the program and the state alone. While a question is open, nothing here depends
on which choice is right. After that it holds the verdict, and the right answer if the round tells
it.
"""

from collections.abc import Collection, Mapping
from dataclasses import dataclass, replace
from itertools import count
from typing import Literal

from dicetrail.core.answers import LETTERS, Cell, FilledGap, Scale, laid_out
from dicetrail.core.document import (
    ARRANGED,
    Badge,
    Details,
    Effect,
    Kind,
    Number,
    Occasion,
    Outline,
    Phrase,
    Question,
    Reveal,
    RoundOrder,
    Shows,
    around_gaps,
    as_written,
)
from dicetrail.core.play.filling import badge_name, filled
from dicetrail.core.play.flow import may_finish
from dicetrail.core.play.footprints import Answered, Pictures, Result
from dicetrail.core.play.outcomes import cues_on
from dicetrail.core.play.presenting import PresentedQuestion
from dicetrail.core.play.program import (
    Program,
    length_of_round,
    may_be_fewer,
    most_questions,
    presented_question,
)
from dicetrail.core.play.state import Phase, RoundInPlay, State
from dicetrail.core.rules import still_allowed, tally_percent

Media = Mapping[str, Mapping[str, str]]
"""Where pictures and sounds are found: by pack, then by the name its questions give them."""

NO_MEDIA: Media = {}

ClockOf = Literal["question", "round", "game"]
"""What a countdown belongs to."""


@dataclass(frozen=True, slots=True)
class OfferedChoice:
    """One choice as it is offered: a text, or where its picture or sound is found."""

    letter: str
    place: int
    text: str
    picture: str
    sound: str


@dataclass(frozen=True, slots=True)
class QuestionShown:
    """The question in play. `number` counts from 1."""

    number: int
    in_run: int
    """Which question put in this run it is, from 1: what an answer says it is meant for."""
    kind: Kind
    prompt: str
    choices: tuple[OfferedChoice, ...]
    words: tuple[tuple[Cell, ...], ...]
    """A word or phrase to find, word by word; empty for other kinds."""
    tried: tuple[str, ...]
    """The letters tried."""
    tries_left: int | None
    """Answers, or letters missed, still allowed; None without a limit."""
    hint: str
    """The hint, once it was asked for."""
    may_hint: bool
    may_pass: bool
    wants_all: bool
    """Whether every right choice is wanted, picked together. An order or a match is neither."""
    can_be_partly: bool
    """Whether an answer to it can be right in part."""
    picture: str
    """Where its picture is found; empty if it has none. Never its name, which may tell."""
    sound: str
    items: tuple[str, ...]
    """What is given a match; empty for other kinds."""
    repeats: bool
    """Whether a choice can be the match of several items."""
    scale: "ScaleShown | None"
    """The scale of an estimate; None for other kinds."""
    answer: str
    """The answer to judge one's own by, once its player has looked at it; else empty."""
    gaps: "GapsShown | None"
    """The gaps of a text; None for other kinds."""


@dataclass(frozen=True, slots=True)
class GapsShown:
    """A text with gaps, each of which is typed or picked from words."""

    around: tuple[str, ...]
    """The text before, between and after its gaps: one part more than there are gaps."""
    words: tuple[tuple[str, ...], ...]
    """The words to pick from for each gap; none for one that is typed."""


@dataclass(frozen=True, slots=True)
class ScaleShown:
    """The numbers that can be given: the first, and then by steps as many as there are points.

    The first number and the step are whole numbers of the last decimal: 5 with 1 decimal is 0.5.
    """

    first: int
    step: int
    points: int
    decimals: int
    unit: str
    least: str
    """The first number, as it is written."""
    most: str
    """The last number."""


@dataclass(frozen=True, slots=True)
class PointTold:
    """A point of the picture, in tenths of a percent from its left and its top."""

    across: int
    down: int


@dataclass(frozen=True, slots=True)
class AreaTold:
    """An area of the picture."""

    name: str
    outline: Outline
    numbers: tuple[int, ...]
    """Its left, top, right and bottom, or its corners, in tenths of a percent."""
    is_right: bool


@dataclass(frozen=True, slots=True)
class GapTold:
    """What was given for a gap."""

    given: str
    """The word picked, or what was typed; empty for nothing."""
    right: str
    """What fits; empty while it is not told."""
    is_right: bool | None
    """Whether what was given fits; None while it is not told."""


@dataclass(frozen=True, slots=True)
class Feedback:
    """What came of the last answer. While the question stands, nothing tells what is right."""

    result: Result
    is_good: bool
    """Whether the answer was taken as right, or the letter stands; true or false is told even
    where the right answer never is."""
    why: str
    given_places: tuple[int, ...]
    right_places: tuple[int, ...]
    answer: str
    """The right answer in words; empty while it is not told."""
    note: str
    says: str
    """The question's own words for what came of it."""
    is_own: bool = False
    """Whether the maker's words stand in place of what the page says of the answer."""
    share: int = 0
    """How much of a partly right answer is right, in percent; else 0."""
    given_at: float | None = None
    """Where an estimate lies on its scale, from 0 to 1; None for other answers."""
    right_at: float | None = None
    """Where the right number lies; None while it is not told."""
    gaps: tuple[GapTold, ...] = ()
    """What was given for each gap of a text."""
    points: tuple[PointTold, ...] = ()
    """The points given of a picture."""
    areas: tuple[AreaTold, ...] = ()
    """The areas of the picture that are right, and those that were given; none while the right ones
    are not told."""


@dataclass(frozen=True, slots=True)
class EndingShown:
    """The ending a run came to."""

    title: str
    verdict: str
    badge: Badge
    badge_name: str
    """What the badge is called, in the game's language; empty without one."""
    player: str
    """Whom it is about."""
    picture: str = ""
    """The digest of the picture shown with it."""


@dataclass(frozen=True, slots=True)
class ClockShown:
    """A countdown: how much is left of it, and of how much, in milliseconds."""

    of: ClockOf
    left: int
    allowed: int


@dataclass(frozen=True, slots=True)
class CounterShown:
    """A counter of the rules and its value."""

    name: str
    value: Number
    label: str
    """What it is called, in the game's words."""
    is_hidden: bool = False
    """Whether it is kept from players."""


@dataclass(frozen=True, slots=True)
class PlayerShown:
    """A player, their counters, whether it is their turn, and whether they are out."""

    name: str
    counters: tuple[CounterShown, ...]
    has_turn: bool
    is_out: bool


@dataclass(frozen=True, slots=True)
class RoundOffered:
    """A round of the menu; `most_questions` is None unless the player says how many, each."""

    number: int
    title: str
    is_played: bool
    most_questions: int | None
    questions: int | None


@dataclass(frozen=True, slots=True)
class CueShown:
    """A cue that is played, and when: in milliseconds since the run began."""

    name: str
    at: int
    sound: str
    """The name of its sound; empty for none."""
    effect: Effect


@dataclass(frozen=True, slots=True)
class Tick:
    """What is heard and seen in each of the last seconds of a countdown."""

    last_seconds: int
    cue: CueShown


@dataclass(frozen=True, slots=True)
class Narration:
    """What is to be read out: by a file of the maker's, or by a voice without one."""

    text: str
    """The words that a voice reads; empty if no voice is wanted."""
    recorded: str
    """Where the recorded file of a question is found; empty if it has none."""
    sound: str
    """The name of the sound that reads out the opening; empty without one."""


@dataclass(frozen=True, slots=True)
class Table:
    """Everything a screen needs to show a run to its player."""

    phase: Phase
    title: str
    opening: str
    """The opening words."""
    round: str
    """The title of the round in play; empty in a game of one round."""
    menu: tuple[RoundOffered, ...]
    """The rounds to begin; one where there is no choice; empty once the run has begun."""
    length: int | None
    """How many questions the round asks; None if they never run out."""
    may_be_fewer: bool
    """Whether there can be fewer than that, for rows of facts that were used leave the run."""
    score: Number
    right_count: int
    asked_count: int
    """Questions done with; of these the percentage is told."""
    percent: int
    """Right questions among those done with, in percent, rounded half up; 0 before the first."""
    players: tuple[PlayerShown, ...]
    clocks: tuple[ClockShown, ...]
    clocks_run: bool
    """Whether the countdowns are running now."""
    lead: int
    """Milliseconds they still wait, at most, for the question's sound to begin; 0 if they do
    not."""
    hold: int | None
    """Milliseconds left of a timed hold; None if the player may go on."""
    may_finish: bool
    """Whether the player can end the run here and come to an ending, for it never ends itself."""
    typing: bool
    """Whether an answer may be typed as well as picked."""
    told: tuple[str, ...]
    """What cues and rules say now."""
    cues: tuple[CueShown, ...]
    """What was played since the player last did something."""
    ticks: tuple[Tick, ...]
    narration: Narration | None
    question: QuestionShown | None
    feedback: Feedback | None
    ending: EndingShown | None


def seen_again(answered: Answered, media: Media) -> Answered:
    """A question that is done with, its pictures by where they are found."""
    pictures = answered.pictures
    found = media.get(pictures.pack, {})
    return replace(
        answered,
        pictures=Pictures(
            "",
            found.get(pictures.question, ""),
            tuple(found.get(name, "") for name in pictures.given),
            tuple(found.get(name, "") for name in pictures.right),
        ),
    )


def table(program: Program, state: State, media: Media = NO_MEDIA) -> Table:
    """The table of a run at a state. `media` tells where pictures and sounds are found."""
    tally, game, rules = state.tally, program.game, program.rules
    presented = (
        presented_question(program, state) if state.phase in (Phase.ASKING, Phase.HOLDING) else None
    )
    return Table(
        phase=state.phase,
        title=game.title,
        opening=filled(program, state._replace(turn=0), game.opening.words),
        round=game.rounds[state.round.number].title if len(game.rounds) > 1 else "",
        menu=_menu(program, state) if state.phase is Phase.OPENING else (),
        length=length_of_round(program, state),
        may_be_fewer=may_be_fewer(program, state),
        score=as_written(rules.score(tally)),
        right_count=tally.right_count,
        asked_count=tally.done_count,
        percent=tally_percent(tally),
        players=_players(program, state),
        clocks=_clocks(program, state, presented),
        clocks_run=state.phase is Phase.ASKING and not state.question.lead_ms,
        lead=state.question.lead_ms if state.phase is Phase.ASKING else 0,
        hold=state.hold_ms,
        may_finish=presented is not None and may_finish(program, state),
        typing=presented is not None and _may_type(presented),
        told=state.told if state.has_begun else _greeting(program, state),
        cues=_cues(program, state),
        ticks=tuple(
            Tick(cue.last_seconds, CueShown(cue.name, 0, cue.sound, cue.effect))
            for cue in game.cues
            if Occasion.TICK in cue.on and state.phase is Phase.ASKING
        ),
        narration=_narration(program, state, presented, media),
        question=None if presented is None else _question(presented, state, media),
        feedback=None if presented is None else _feedback(program, state, presented),
        ending=_ending(program, state),
    )


def _greeting(program: Program, state: State) -> tuple[str, ...]:
    """What cues of the opening say, before the run has begun."""
    said = [cue.words for cue in cues_on(program.game, Occasion.OPENING) if cue.words]
    return tuple(filled(program, state._replace(turn=0), words) for words in said)


def _cues(program: Program, state: State) -> tuple[CueShown, ...]:
    cues = {cue.name: cue for cue in program.game.cues}
    return tuple(
        CueShown(heard.cue, heard.at, cues[heard.cue].sound, cues[heard.cue].effect)
        for heard in state.heard
    )


def _narration(
    program: Program, state: State, presented: PresentedQuestion | None, media: Media
) -> Narration | None:
    """What is read out now: the opening words, or the question with its choices."""
    opening, recorded, sound = program.game.opening, "", ""
    if state.phase is Phase.OPENING and not state.has_begun:
        words = filled(program, state._replace(turn=0), opening.words)
        text = f"{program.game.title}. {words}" if opening.reads_aloud else ""
        sound = opening.narration
    elif state.phase is Phase.ASKING and presented is not None:
        recorded = media.get(presented.pack, {}).get(presented.question.details.narration, "")
        text = _read_out(presented) if presented.round.ask.reads_aloud else ""
    else:
        return None
    return Narration(text, recorded, sound) if text or recorded or sound else None


def _read_out(presented: PresentedQuestion) -> str:
    """A question as it is read out; of pictures and sounds there is nothing to read."""
    items = [f"{number}: {item}." for number, (item, _) in enumerate(presented.question.pairs, 1)]
    if presented.question.details.shows is not Shows.TEXT:
        return " ".join((presented.question.prompt, *items))
    if presented.question.gaps:
        return _gaps_read_out(presented)
    if (scale := presented.scale) is not None:
        ends = presented.chosen((1,)), presented.chosen((scale.points,))
        said = presented.words.say(Phrase.ESTIMATE_FROM, least=ends[0], most=ends[1])
        return f"{presented.question.prompt} {said}"
    lettered = [f"{LETTERS[place]}: {choice}." for place, choice in enumerate(presented.shown)]
    return " ".join((presented.question.prompt, *items, *lettered))


def _gaps_read_out(presented: PresentedQuestion) -> str:
    """A text with its gaps by their numbers, and the words there are for them."""
    words, around = presented.words, around_gaps(presented.question.prompt)
    numbered = [words.say(Phrase.GAP_READ, number=at) for at in range(1, len(around))]
    text = "".join(f"{part}{name}" for part, name in zip(around, (*numbered, ""), strict=True))
    offered = [
        f"{words.say(Phrase.GAP_READ, number=at)}: {', '.join(offer)}."
        for at, offer in enumerate(presented.offered, 1)
        if offer
    ]
    return " ".join((text, *offered))


def _menu(program: Program, state: State) -> tuple[RoundOffered, ...]:
    game = program.game
    first_only = game.opening.rounds is RoundOrder.IN_ORDER
    offered = []
    for number, round_ in enumerate(game.rounds[:1] if first_only else game.rounds):
        there = state._replace(round=RoundInPlay(number))
        most = most_questions(program, there) if round_.draw.player_chooses else None
        length = length_of_round(program, there)
        if most is not None and length is not None:
            length = min(most, length // len(state.players) or length)
        is_played = state.history.visits[number] > 0
        offered.append(RoundOffered(number, round_.title, is_played, most, length))
    return tuple(offered)


def _players(program: Program, state: State) -> tuple[PlayerShown, ...]:
    names = program.rules.names
    faces = {face.name: face for face in program.game.counters}
    labels = [
        (faces[name].label if name in faces else "") or program.translator.counter(name)
        for name in names
    ]
    hidden = [name in faces and faces[name].hidden for name in names]
    return tuple(
        PlayerShown(
            name,
            tuple(map(CounterShown, names, map(as_written, tally.counters), labels, hidden)),
            turn == state.turn,
            turn in state.out,
        )
        for turn, (name, tally) in enumerate(zip(state.players, state.tallies, strict=True))
    )


def _clocks(
    program: Program, state: State, presented: PresentedQuestion | None
) -> tuple[ClockShown, ...]:
    clocks, game = state.clocks, program.game
    question = None if presented is None else presented.seconds
    found: tuple[tuple[ClockOf, int | None, int | None], ...] = (
        ("question", clocks.question, question),
        ("round", clocks.round, game.rounds[state.round.number].seconds),
        ("game", clocks.game, game.seconds),
    )
    return tuple(
        ClockShown(of, max(0, left), max(left, 1000 * (allowed or 0)))
        for of, left, allowed in found
        if left is not None
    )


def _may_type(presented: PresentedQuestion) -> bool:
    """Always where there is nothing to pick, else where the round wants it and its rules allow."""
    rules = presented.round.check
    if not presented.choices:
        return True
    if not presented.round.ask.typing:
        return False
    by_text = rules.by_text and presented.question.details.shows is Shows.TEXT
    return rules.by_letter or rules.by_place or by_text


def _question(presented: PresentedQuestion, state: State, media: Media) -> QuestionShown:
    question, found = presented.question, media.get(presented.pack, {})
    details, terms = question.details, presented.terms
    allowed = terms.allowed
    return QuestionShown(
        number=state.round.position + 1,
        in_run=state.history.presented_count,
        kind=question.kind,
        prompt=question.prompt,
        choices=tuple(
            _choice(question, place, choice, found)
            for place, choice in enumerate(presented.shown, 1)
        ),
        words=(
            laid_out(question.right[0], state.question.tried, state.question.is_revealed)
            if question.kind is Kind.LETTERS
            else ()
        ),
        tried=state.question.tried,
        tries_left=None if allowed is None else still_allowed(allowed, state.question.tries_used),
        hint=details.hint if state.question.is_hinted else "",
        may_hint=terms.has_hint and not state.question.is_hinted,
        may_pass=terms.can_pass,
        wants_all=question.wants_all and question.kind not in ARRANGED,
        can_be_partly=bool(terms.shares),
        picture=found.get(details.picture, ""),
        sound=found.get(details.sound, ""),
        items=tuple(item for item, _ in question.pairs),
        repeats=presented.traits.matched.repeats,
        scale=None if presented.scale is None else _scale(presented.scale, details),
        answer=presented.answer_to_judge if state.question.is_shown else "",
        gaps=GapsShown(around_gaps(question.prompt), presented.offered) if question.gaps else None,
    )


def _scale(scale: Scale, details: Details) -> ScaleShown:
    """A scale in whole numbers, the smallest that it can be told in."""
    numbers = (scale.least, scale.step)
    decimals = next(n for n in count() if all((one * 10**n).denominator == 1 for one in numbers))
    first, step = (int(one * 10**decimals) for one in numbers)
    written = (details.unit, details.least, details.most)
    return ScaleShown(first, step, scale.points, decimals, *written)


def _choice(question: Question, place: int, choice: str, found: Mapping[str, str]) -> OfferedChoice:
    letter, shows = LETTERS[place - 1], question.details.shows
    return OfferedChoice(
        letter,
        place,
        choice if shows is Shows.TEXT else "",
        found.get(choice, "") if shows is Shows.PICTURE else "",
        found.get(choice, "") if shows is Shows.SOUND else "",
    )


def _feedback(program: Program, state: State, presented: PresentedQuestion) -> Feedback | None:
    if state.question.result is None:
        return None
    why, places, share = _why(program, state, presented)
    is_good, note = state.question.result in _GOOD, presented.question.details.note
    says = _own_words(presented, state.question.result, places)
    is_own = _says_it_alone(program, state, presented, says)
    if not state.question.is_revealed:
        if state.phase is Phase.ASKING or presented.round.after.reveal is Reveal.NEVER:
            note = ""
        right: tuple[int, ...] = ()
        answer = ""
    else:
        right, answer = presented.right, presented.answer
    if presented.question.kind is Kind.JUDGED:
        right = ()  # none of what players say of themselves is the right answer
    return Feedback(
        state.question.result,
        is_good,
        why,
        places,
        right,
        answer,
        note,
        says,
        is_own,
        share,
        *_on_scale(state, presented),
        _gaps_told(state, presented),
        *_places_told(state, presented, places),
    )


def _places_told(
    state: State, presented: PresentedQuestion, places: Collection[int]
) -> tuple[tuple[PointTold, ...], tuple[AreaTold, ...]]:
    """The points given of a picture, and its areas as far as they are told."""
    points = tuple(PointTold(*point) for point in presented.points(state.question.given))
    if not state.question.is_revealed:
        return points, ()
    told = tuple(
        AreaTold(*area, place in presented.right)
        for place, area in enumerate(presented.areas, 1)
        if place in presented.right or place in places
    )
    return points, told


def _gaps_told(state: State, presented: PresentedQuestion) -> tuple[GapTold, ...]:
    """What was given for each gap of a text, and what fits if the answer is told."""
    gaps, given = presented.question.gaps, state.question.given
    if not gaps:
        return ()
    filled = () if given is None else presented.check(given).gaps
    filled = filled or tuple(FilledGap("", False) for _ in gaps)
    is_told = state.question.is_revealed
    return tuple(
        GapTold(one.given, gap.accepted[0] if is_told else "", one.is_right if is_told else None)
        for gap, one in zip(gaps, filled, strict=True)
    )


def _on_scale(state: State, presented: PresentedQuestion) -> tuple[float | None, float | None]:
    """Where an estimate and the right number lie on the scale, from 0 to 1."""
    scale, given = presented.scale, state.question.given
    if scale is None:
        return None, None
    last = scale.points - 1
    place = None if given is None else presented.check(given).point
    right = presented.traits.estimated.right
    is_told = state.question.is_revealed
    return None if place is None else place / last, float(right / last) if is_told else None


def _says_it_alone(program: Program, state: State, presented: PresentedQuestion, says: str) -> bool:
    """Whether words of the question, or of a cue that is heard, stand in place of the page's."""
    if says and presented.round.after.own_words_alone:
        return True
    heard = {one.cue for one in state.heard}
    return any(cue.words_alone and cue.words and cue.name in heard for cue in program.game.cues)


_GOOD = (Result.RIGHT, Result.CLOSE, Result.HIT)


def _own_words(presented: PresentedQuestion, result: Result, places: tuple[int, ...]) -> str:
    """What a question itself says to the answer it was given."""
    if result in (Result.RIGHT, Result.CLOSE):
        return presented.question.details.when_right
    if result is not Result.WRONG:
        return ""
    if len(places) != 1:
        return presented.question.details.when_wrong
    return presented.question.reply_to(presented.choices[places[0] - 1])


def _why(
    program: Program, state: State, presented: PresentedQuestion
) -> tuple[str, tuple[int, ...], int]:
    """The reason of what became of the question, the places of the choices picked, and the share
    of a partly right answer."""
    question = state.question
    if question.given is not None and question.result not in (Result.LATE, Result.PASSED):
        checked = presented.check(question.given)
        return program.translator.of(checked.said), checked.places, checked.share
    phrase = _WITHOUT_ANSWER.get(question.result or Result.WRONG)
    letter = question.tried[-1] if question.tried else ""
    return ("" if phrase is None else program.translator.say(phrase, letter=letter)), (), 0


_WITHOUT_ANSWER = {
    Result.HIT: Phrase.LETTER_STANDS,
    Result.MISS: Phrase.LETTER_NOT,
    Result.RIGHT: Phrase.ALL_FOUND,
    Result.WRONG: Phrase.LETTER_NOT,
    Result.LATE: Phrase.TIME_OVER,
    Result.PASSED: Phrase.PASSED_WHY,
}


def _ending(program: Program, state: State) -> EndingShown | None:
    if state.phase is not Phase.ENDED:
        return None
    who = state.players[state.turn]
    if state.ending is None:
        phrase = Phrase.GIVEN_UP if state.gave_up else Phrase.THE_END
        return EndingShown(program.translator.say(phrase), "", Badge.NONE, "", who)
    ending = program.game.endings[state.ending]
    verdict = filled(program, state, ending.verdict)
    badge = badge_name(program, state)
    return EndingShown(ending.title, verdict, ending.badge, badge, who, ending.picture)
