"""The trail strip: the nine stops of a round, each with a one-line summary.

Also what a bench shows of its stop, worked out from the game as it now stands: which
questions these dice bring, where the right answers fall, which scores each ending covers.
"""

import math
from collections.abc import Iterator, Mapping
from dataclasses import dataclass, replace
from types import MappingProxyType

from dicetrail.core.answers import LETTERS
from dicetrail.core.document import (
    MAX_POINTS,
    NEXT,
    After,
    Ask,
    Check,
    Draw,
    DrawOrder,
    Ending,
    FieldLabel,
    Game,
    Moves,
    Number,
    Opening,
    Order,
    Problem,
    Refill,
    Reveal,
    Round,
    RoundOrder,
    Severity,
    To,
    counted,
    notes_of,
)
from dicetrail.core.draw import (
    Censuses,
    Facets,
    Packs,
    censuses_of,
    facets,
    pool_size,
)
from dicetrail.core.play import (
    Program,
    State,
    Stop,
    as_asked,
    asking_at,
    length_of_round,
    made_ready,
    presented_question,
    sample_verdicts,
)
from dicetrail.core.rules import HANDLERS, Event, Outcome, Rules, ScriptFaults, parse
from dicetrail.core.survey import (
    AT_ONCE,
    Effort,
    PackReport,
    Reach,
    examine,
    reports_on,
    scores_reached,
    within_bounds,
)

MAX_DRAWN = 200
"""At most this many questions of a draw are shown."""

ROLLS = 1_000
"""The number of rolls used to count the places of right answers."""


@dataclass(frozen=True, slots=True)
class StopSummary:
    """A stop of the strip and what it does in this game, in a few words."""

    stop: Stop
    words: str


@dataclass(frozen=True, slots=True)
class ScoreSpan:
    """Neighbouring final scores, lowest and highest, that lead to one ending (or to none)."""

    lowest: Number
    highest: Number
    ending: int | None
    others: tuple[int, ...] = ()
    """Later endings whose bounds hold these scores too, and which therefore do not come."""


@dataclass(frozen=True, slots=True)
class RightPlaces:
    """How often the right answer stands at A, B, C, … over some rolls of the dice."""

    rolls: int
    times: tuple[int, ...]


@dataclass(frozen=True, slots=True)
class DrawnQuestion:
    """A question as these dice bring it: its number in the run and its choices in order."""

    number: int
    pack: str
    source_number: int
    """Its number in its pack or other source, from 0."""
    prompt: str
    choices: tuple[str, ...]
    right_letters: str
    """The letters of the right choices; empty for a question answered by typing."""
    answer: str


@dataclass(frozen=True, slots=True)
class DicePreview:
    """What dice bring to a round."""

    length: int | None
    """How many questions it asks; None if they never run out."""
    questions: tuple[DrawnQuestion, ...]
    """The first of them."""


@dataclass(frozen=True, slots=True)
class ScriptWay:
    """Where a line of the rule script can take a run: to a round or an ending, by its title."""

    line: int
    to: To
    name: str


@dataclass(frozen=True, slots=True)
class Examined:
    """What the workbench shows of a game without playing it."""

    problems: tuple[Problem, ...]
    stops: tuple[tuple[StopSummary, ...], ...]
    """For each round, the stops of its trail."""
    score_spans: tuple[ScoreSpan, ...]
    spans_are_whole: bool
    """Whether the spans hold every score a run can end with; else they show the bounds."""
    other_spans: tuple[ScoreSpan, ...]
    """For each ending that also comes with scores whose span tells of another, as when the lives
    are gone: from the lowest of these scores to the highest."""
    pools: tuple[int, ...]
    """How many questions each round's pool holds."""
    facets: tuple[Facets, ...]
    """For each round, what its questions can be chosen by."""
    script_ways: tuple[ScriptWay, ...] = ()
    """The ways the rule script can take a run, besides those of the rounds."""
    is_begun: bool = True
    """Whether there is anything to ask, or a source of it; if not, that comes first."""
    is_settled: bool = True
    """Whether every way to end was followed, or a fault kept the search from beginning."""


def look_over(
    game: Game,
    packs: Packs,
    reports: Mapping[str, PackReport] = MappingProxyType({}),
    effort: Effort = AT_ONCE,
) -> Examined:
    """Everything the workbench shows of a game before it is played.

    `reports` are those on packs that are at hand; the others are made.
    """
    reports = reports_on(game, packs, reports)
    problems, rules, reached = examine(game, packs, reports, effort)
    game = within_bounds(game)
    censuses = censuses_of(game, packs, {name: known.census for name, known in reports.items()})
    problems += tuple(_changed_samples(game, packs, problems))
    is_whole = reached is not None and reached.is_whole
    return Examined(
        problems,
        tuple(_summaries(game, packs, censuses, number) for number in range(len(game.rounds))),
        score_spans(game, rules, reached),
        is_whole,
        tuple(_other_spans(rules, reached)),
        tuple(pool_size(round_, censuses) for round_ in game.rounds),
        tuple(facets(round_, censuses) for round_ in game.rounds),
        () if rules is None else tuple(_script_ways(rules)),
        any(_is_begun(round_, packs) for round_ in game.rounds),
        reached is None or is_whole,
    )


def _is_begun(round_: Round, packs: Packs) -> bool:
    """Whether a round has a source of questions: a pack counts once something is in it."""
    if round_.patterns or round_.lists or round_.sums:
        return True
    there = [packs.get(name) for name in round_.packs]
    return any(pack is None or pack.questions or pack.facts is not None for pack in there)


def _script_ways(rules: Rules) -> Iterator[ScriptWay]:
    """Every round and ending a rule script names to go to."""
    for said in rules.script.said:
        if said.script_action in _NAMED_WAYS:
            yield ScriptWay(said.line, _NAMED_WAYS[said.script_action], said.text)


_NAMED_WAYS = {"go": To.ROUND, "finish": To.ENDING}


def _changed_samples(game: Game, packs: Packs, problems: tuple[Problem, ...]) -> Iterator[Problem]:
    """Samples whose verdict is another than when they were kept."""
    if not any(round_.check.samples for round_ in game.rounds):
        return
    if any(problem.severity is Severity.FAULT for problem in problems):
        return
    program = made_ready(game, packs)
    for number, round_ in enumerate(game.rounds):
        verdicts = sample_verdicts(program, number)
        for place, (sample, now) in enumerate(zip(round_.check.samples, verdicts, strict=True)):
            if now is not None and now != sample.verdict:
                yield Problem(
                    f"rounds[{number}].check.samples[{place}]",
                    f"the sample “{sample.answer}” was {sample.verdict} and is {now} now",
                    "change the check back, or keep the sample again if that is meant",
                    Severity.WARNING,
                )


def _summaries(
    game: Game, packs: Packs, censuses: Censuses, number: int
) -> tuple[StopSummary, ...]:
    """The stops of a round's trail, in order, each with its summary."""
    round_ = game.rounds[number]
    return (
        StopSummary(Stop.LOAD, _load(round_, packs)),
        StopSummary(Stop.OPEN, _open(game.opening)),
        StopSummary(Stop.DRAW, _draw(round_.draw, pool_size(round_, censuses))),
        StopSummary(Stop.ASK, _ask(round_.ask, round_.seconds)),
        StopSummary(Stop.CHECK, _check(round_.check)),
        StopSummary(Stop.SCORE, _score(game.script)),
        StopSummary(Stop.CUE, _cue(game, round_.after)),
        StopSummary(Stop.MOVE_ON, _move_on(round_)),
        StopSummary(Stop.END, counted(len(game.endings), "ending")),
    )


def score_spans(game: Game, rules: Rules | None, reached: Reach | None) -> tuple[ScoreSpan, ...]:
    """Which ending final scores lead to, as spans from the lowest score up.

    Where every way to end is known, of every score that is one; else of the scores around
    the endings' bounds.
    """
    if rules is None or not game.endings:
        return ()
    if reached is not None and reached.is_whole:
        ends = [
            (score, _told_of(rules, score, endings))
            for score, endings in scores_reached(rules, reached).items()
        ]
    else:
        ends = [(score, _ending_at(rules, score)) for score in _around_bounds(game)]
        if _ends_at_once_alone(game):
            ends = [(score, ending) for score, ending in ends if ending is not None]
    spans: list[ScoreSpan] = []
    for score, ending in ends:
        others = _overlapping(game, score, ending)
        if spans and (spans[-1].ending, spans[-1].others) == (ending, others):
            spans[-1] = ScoreSpan(spans[-1].lowest, score, ending, others)
        else:
            spans.append(ScoreSpan(score, score, ending, others))
    return tuple(spans)


def _other_spans(rules: Rules | None, reached: Reach | None) -> Iterator[ScoreSpan]:
    """The endings that also come with scores whose span tells of another."""
    if rules is None or reached is None or not reached.is_whole:
        return
    found: dict[int, list[Number]] = {}
    for score, endings in scores_reached(rules, reached).items():
        told = _told_of(rules, score, endings)
        for ending in (one for one in endings if one is not None and one != told):
            found.setdefault(ending, []).append(score)
    for ending, scores in sorted(found.items()):
        yield ScoreSpan(scores[0], scores[-1], ending)


def _overlapping(game: Game, score: Number, chosen: int | None) -> tuple[int, ...]:
    """Endings after the chosen one whose bounds include the score too, except its fall-back.

    “At least 15” after “at least 30” takes what is left, which is how endings are commonly
    written (common practice, no source); two that share only a part of their scores are
    probably a slip.
    """
    if chosen is None or game.endings[chosen].when.strip():
        return ()
    first = _bounds(game.endings[chosen])
    return tuple(
        number
        for number, ending in enumerate(game.endings)
        if number > chosen
        and ending.counts == game.endings[chosen].counts == "score"
        and _bounds(ending)[0] <= score <= _bounds(ending)[1]
        and not _falls_back(_bounds(ending), first)
    )


def _bounds(ending: Ending) -> tuple[int, int]:
    least = -MAX_POINTS if ending.at_least is None else ending.at_least
    return least, MAX_POINTS if ending.at_most is None else ending.at_most


def _falls_back(later: tuple[int, int], first: tuple[int, int]) -> bool:
    """Whether bounds are open to a side and hold all that others do."""
    is_open = later[0] == -MAX_POINTS or later[1] == MAX_POINTS
    return is_open and later[0] <= first[0] and first[1] <= later[1]


def _around_bounds(game: Game) -> list[int]:
    """The scores at the endings' bounds and beside them, but none beyond one that comes at once."""
    found = {0}
    for ending in game.endings:
        if ending.counts != "score":
            continue
        for bound, beyond in ((ending.at_least, 1), (ending.at_most, -1)):
            if bound is not None:
                found |= {bound - beyond, bound}
                found |= set() if ending.at_once else {bound + beyond}
    return sorted(found)


def _ends_at_once_alone(game: Game) -> bool:
    """Whether no run is over but by an ending that comes at once."""
    return game.seconds is None and all(
        round_.draw.count is None
        and round_.draw.refill is not Refill.NEVER
        and round_.seconds is None
        for round_ in game.rounds
    )


def _told_of(rules: Rules, score: Number, endings: set[int | None]) -> int | None:
    """Which of the endings that a score can lead to is told of it: the one its bounds lead to
    before one that comes by another counter, as when the lives are gone."""
    bounded = _ending_at(rules, score)
    if bounded in endings:
        return bounded
    return min(endings, key=lambda n: math.inf if n is None else n)


def _ending_at(rules: Rules, score: Number) -> int | None:
    counters = list(rules.first.counters)
    counters[rules.names.index("score")] = score
    tally = rules.first._replace(counters=tuple(counters))
    return rules.last_ending(tally, Outcome(Event.GAME_OVER))


def draw_list(program: Program, dice: int, round_: int = 0) -> DicePreview:
    """The questions of a round as these dice bring them, for the maker's eyes."""
    program = replace(program, recall={})
    state = asking_at(program, dice, round_)
    length = length_of_round(program, state)
    asked = as_asked(program, state, MAX_DRAWN)
    return DicePreview(length, tuple(_drawn(program, here) for here in asked))


def drawn(program: Program, dice: int, round_: int, position: int) -> DrawnQuestion:
    """The question at a position of a round, from 0, as these dice bring it."""
    return _drawn(program, asking_at(program, dice, round_, position))


def _drawn(program: Program, state: State) -> DrawnQuestion:
    presented = presented_question(program, state)
    sourced = presented.dealt.sourced
    return DrawnQuestion(
        state.round.position + 1,
        sourced.source,
        sourced.number,
        sourced.question.prompt,
        presented.choices,
        "".join(LETTERS[place - 1] for place in presented.right),
        sourced.question.answer,
    )


def right_places(program: Program, round_: int, dice: int, rolls: int = ROLLS) -> RightPlaces:
    """Where the right answer stands over many rolls of the dice from one on.

    The first question of each roll counts.
    """
    program = replace(program, recall=None)  # nothing here is asked for twice
    times = [0] * len(LETTERS)
    for roll in range(rolls):
        right = presented_question(program, asking_at(program, dice + roll, round_)).right
        for place in right[:1]:
            times[place - 1] += 1
    return RightPlaces(rolls, tuple(times))


def _load(round_: Round, packs: Packs) -> str:
    used = [packs[name] for name in round_.packs if name in packs]
    parts = []
    if used:
        questions = sum(len(pack.questions) for pack in used)
        parts.append(f"{counted(questions, 'question')}, {counted(len(used), 'pack')}")
    if round_.patterns:
        parts.append(counted(len(round_.patterns), "pattern"))
    if round_.lists:
        parts.append(counted(sum(len(lists.lists) for lists in round_.lists), "list"))
    if round_.sums:
        parts.append("sums")
    return ", ".join(parts) or "no questions yet"


def _open(opening: Opening) -> str:
    parts = [] if opening.most_players == 1 else [f"1 to {opening.most_players} players"]
    if opening.asks_names:
        parts.append("asks names")
    if opening.rounds is not RoundOrder.IN_ORDER:
        parts.append("menu of rounds")
    return ", ".join(parts) or ("opening words" if opening.words.strip() else "begins at once")


def _draw(draw: Draw, pool: int) -> str:
    each = pool if draw.count is None else draw.count
    if draw.refill is Refill.NEVER:
        each = max(0, min(each, pool))
    elif draw.count is None:
        return f"no end, {_ORDERS[draw.order]}"
    many = f"up to {each}" if draw.player_chooses else f"{each} drawn"
    return f"{many}, {_ORDERS[draw.order]}"


_ORDERS = {
    DrawOrder.SHUFFLED: "shuffled",
    DrawOrder.WRITTEN: "as written",
    DrawOrder.EASY_FIRST: "easy first",
    DrawOrder.WEIGHTED: "by level",
}


def _ask(ask: Ask, round_seconds: int | None) -> str:
    parts = []
    if ask.seconds is not None:
        parts.append(f"{ask.seconds} s")
    if round_seconds is not None:
        parts.append(f"round {round_seconds} s")
    if ask.tries != 1:
        parts.append("until right" if ask.tries is None else f"{ask.tries} tries")
    if not parts:
        parts.append(
            "choices as written" if ask.choice_order is Order.WRITTEN else "choices shuffled"
        )
    return ", ".join(parts)


def _check(check: Check) -> str:
    if check.typos:
        return f"{counted(check.typos, 'typo')} allowed"
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


def _score(text: str) -> str:
    try:
        script = parse(text)
    except ScriptFaults as faults:
        return counted(len(faults.faults), "fault")
    counters = ", ".join(f"{name} {first}" for name, first in script.counters.items())
    handlers = [name for name in script.functions if name in HANDLERS]
    return f"{counters}; {counted(len(handlers), 'rule')}"


def _cue(game: Game, after: After) -> str:
    hold = "until Go on" if after.hold_ms is None else f"{after.hold_ms / 1000:g} s"
    cues = f"{counted(len(game.cues), 'cue')}, " if game.cues else ""
    told = {
        Reveal.NEVER: "answer kept",
        Reveal.LAST_TRY: "answer told",
        Reveal.ALWAYS: "answer told",
    }
    return f"{cues}{told[after.reveal]}, {hold}"


def _move_on(round_: Round) -> str:
    told = notes_of(Moves, FieldLabel)
    named = [
        f"{told[after].short or after} {_WAYS[way.to].format(name=way.name)}"
        for after, way in round_.moves.each.items()
        if way != NEXT
    ]
    return ", ".join(named) or "to the next question"


_WAYS = {
    To.QUESTION: "next question",
    To.AGAIN: "asks again",
    To.NEXT_ROUND: "next round",
    To.ROUND: "to “{name}”",
    To.ENDING: "ends",
}

__all__ = [
    "DrawnQuestion",
    "Examined",
    "ScoreSpan",
    "ScriptWay",
    "StopSummary",
    "draw_list",
    "look_over",
    "right_places",
    "score_spans",
]
