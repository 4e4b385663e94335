"""A game made ready to run, and what can be asked of it at any point of a run."""

from collections.abc import Sequence
from dataclasses import dataclass, field, replace

from dicetrail.core.checking import (
    LETTERS,
    Checked,
    Given,
    Verdict,
    check_choice,
    check_number,
    check_typed,
    read,
)
from dicetrail.core.deals import Deal, Dealt, Played, choices_shown, deal
from dicetrail.core.document import Draw, DrawOrder, Game, Kind, Question, Round, Shows
from dicetrail.core.letters import bare, clusters, is_guessed
from dicetrail.core.problems import GameProblems, Severity
from dicetrail.core.run import Phase, State
from dicetrail.core.settle import Rules, rules_of
from dicetrail.core.sources import Packs, Sourced, fixed_pool
from dicetrail.core.survey import survey

_MOST_DEALS = 256


@dataclass(frozen=True, eq=False)
class Program:
    """A game made ready to run, with its questions at hand. Made by `build` alone."""

    game: Game
    rules: Rules
    pools: tuple[tuple[Sourced, ...], ...]
    """The questions of each round that are the same in every run."""
    _deals: dict[object, Deal] = field(default_factory=dict, repr=False)

    def deal(
        self, dice: int, played: tuple[Played, ...], round_: int, wanted: int | None, players: int
    ) -> Deal:
        """The questions a round of a run brings."""
        key = (dice, played, round_, wanted, players)
        found = self._deals.get(key)
        if found is None:
            found = deal(
                self.game.rounds[round_],
                round_,
                dice,
                self.pools[round_],
                sum(1 for before in played if before.round == round_),
                wanted,
                players,
                self._gone(dice, played, round_, players),
            )
            if len(self._deals) >= _MOST_DEALS:
                self._deals.clear()  # a memo of what is played now, not a store
            self._deals[key] = found
        return found

    def _gone(
        self, dice: int, played: tuple[Played, ...], round_: int, players: int
    ) -> frozenset[tuple[str, int]]:
        """Source and number of the pack questions asked in earlier rounds of a run."""
        packs = set(self.game.rounds[round_].packs)
        gone: set[tuple[str, int]] = set()
        for place, before in enumerate(played):
            if packs.isdisjoint(self.game.rounds[before.round].packs):
                continue
            dealt = self.deal(dice, played[:place], before.round, before.wanted, players)
            for position in range(before.asked):
                source = dealt.at(position).sourced
                gone.add((source.source, source.number))
        return frozenset(gone)


def build(game: Game, packs: Packs) -> Program:
    """A program that can be run. Raises GameProblems, listing all, if there is any fault."""
    problems = survey(game, packs)
    if any(problem.severity is Severity.FAULT for problem in problems):
        raise GameProblems(problems)
    return made_ready(game, packs)


def made_ready(game: Game, packs: Packs) -> Program:
    """The program of a game that is known to have no faults."""
    return Program(game, rules_of(game), tuple(fixed_pool(round_, packs) for round_ in game.rounds))


def spot(program: Program, dice: int, round_: int = 0, position: int = 0) -> State:
    """A state in which the question at a position of a round waits, with nothing before it."""
    return State(
        dice, ("Player",), 0, (program.rules.first,), Phase.ASKING, round=round_, position=position
    )


def sample_verdicts(program: Program, number: int) -> tuple[Verdict | None, ...]:
    """What the samples kept with a round give now; None where their question is gone."""
    round_ = program.game.rounds[number]
    places = {sourced.question.prompt: at for at, sourced in enumerate(program.pools[number])}
    found: list[Verdict | None] = []
    for sample in round_.check.samples:
        at = places.get(sample.prompt)
        if at is None:
            found.append(None)
            continue
        whole = Round("", draw=Draw(None, DrawOrder.WRITTEN), check=round_.check)
        trial = Program(
            replace(program.game, rounds=(whole,)), program.rules, (program.pools[number],)
        )
        found.append(check(trial, spot(trial, 0, 0, at), sample.answer).verdict)
    return tuple(found)


def round_of(program: Program, state: State) -> Round:
    """The round in play."""
    return program.game.rounds[state.round]


def deal_of(program: Program, state: State) -> Deal:
    """The questions of the round in play."""
    return program.deal(state.dice, state.played, state.round, state.wanted, len(state.players))


def length_of_round(program: Program, state: State) -> int | None:
    """How many questions the round in play asks; None if they never run out."""
    return deal_of(program, state).length


def asked(program: Program, state: State) -> Dealt:
    """The question in play, and where it is from."""
    deal = deal_of(program, state)
    for brought in state.brought:
        if brought.position == state.position and brought.visit == len(state.played):
            return Dealt(deal.pool[brought.place], 0)
    return deal.at(state.position)


def question_of(program: Program, state: State) -> Question:
    """The question in play."""
    return asked(program, state).sourced.question


def choices_of(program: Program, state: State) -> tuple[tuple[str, ...], tuple[int, ...]]:
    """The choices of the question in play, as shown, and the right ones' places, from 1."""
    dealt = asked(program, state)
    memo = deal_of(program, state).shown
    key = (state.position, dealt.sourced.source, dealt.sourced.number)
    found = memo.get(key)
    if found is None:
        round_ = round_of(program, state)
        found = choices_shown(round_, state.round, state.dice, state.position, dealt)
        memo[key] = found
    return found


def seconds_for(round_: Round, question: Question) -> int | None:
    """The time for a question; None if it has no clock."""
    own = question.details.seconds
    return round_.ask.seconds if own is None else own


def tries_for(round_: Round, question: Question) -> int | None:
    """The answers, or missed letters, allowed to a question; None without limit."""
    return round_.ask.misses if question.kind is Kind.LETTERS else round_.ask.tries


def right_answer(program: Program, state: State) -> str:
    """The right answer to the question in play, with its letter: ``B, “Carrot”``."""
    question = question_of(program, state)
    choices, right = choices_of(program, state)
    if not right:
        return f"“{question.answer}”"
    return " or ".join(as_chosen(question, place, choices) for place in right)


def as_chosen(question: Question, place: int, choices: Sequence[str]) -> str:
    """The choice at a place in words; of pictures and sounds the letter alone."""
    letter = LETTERS[place - 1]
    if question.details.shows is not Shows.TEXT:
        return letter
    return f"{letter}, “{choices[place - 1]}”"


def check(program: Program, state: State, given: Given) -> Checked:
    """The verdict on an answer to the question in play."""
    question, rules = question_of(program, state), round_of(program, state).check
    match question.kind:
        case Kind.TYPED:
            return check_typed(given, question.right, rules)
        case Kind.NUMBER:
            return check_number(given, question.right[0], question.details.tolerance)
        case Kind.LETTERS:
            return _check_word(str(given), question.right[0])
    choices, right = choices_of(program, state)
    if question.details.shows is not Shows.TEXT:
        choices = tuple(LETTERS[: len(choices)])  # what a picture's file is called tells nothing
    return check_choice(given, choices, right, rules)


def _check_word(given: str, word: str) -> Checked:
    """The verdict on a whole word: its letters and digits count, and nothing else."""
    typed = read(given)
    if not _sounds(typed):
        return Checked(Verdict.UNREADABLE, "no word was typed")
    if _sounds(typed) == _sounds(word):
        return Checked(Verdict.RIGHT, f"“{typed}” is the right answer", matched=word)
    return Checked(Verdict.WRONG, f"“{typed}” is not the right answer")


def _sounds(text: str) -> Sequence[str]:
    return [bare(sign) for sign in clusters(text) if is_guessed(sign)]
