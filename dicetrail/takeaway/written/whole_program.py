"""A program that plays every kind of game in a terminal, as a learner would write it.

The program of one game is made from this module: `specialising` removes what the game never uses.
The constants below, the rules, the cues and the endings are those of an empty game and are replaced
by the game's own. `say` returns a phrase; a program has the text in the game's language instead.
A class name that the core uses too has the prefix Plain here, and no prefix in a program.
"""

import hashlib
import operator
import random
import re
import sys
import time
import unicodedata
from collections import Counter
from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass, field
from fractions import Fraction
from itertools import combinations, count, islice, pairwise
from typing import NamedTuple, TypeVar

# What is known of a game before it is played.
TITLE = ""
ASKS_NAMES = False
MAX_PLAYERS = 1
GAME_SECONDS = 0
LOWEST_WINS = False
HINTS = False
LEAVES = False
COMES_AGAIN = False
SHARES = False
PARTS = False
OPENS = False
AND_LETTER = ""
ENDS_AT_ONCE = False
MAY_OUTGROW = False
ALWAYS_ENDS = True
HEARD: frozenset[str] = frozenset()
CUED: frozenset[str] = frozenset()


def say(name: str, **values: object) -> str:
    """A phrase by its name; the values go to its places."""
    return f"{name} {values}"


T = TypeVar("T")


# ---- Load: the questions ----
class PlainQuestion(NamedTuple):
    """A question, what is right, and what is wrong."""

    prompt: str
    right: Sequence[str]
    wrong: Sequence[str] = ()
    kind: str = "choice"
    topic: str = ""
    level: int = 1
    worth: int = 1
    seconds: int = 0
    hint: str = ""
    note: str = ""
    tolerance: str = ""
    misses: int = 0
    pinned: str = ""
    unseen: bool = False
    when_right: str = ""
    when_wrong: str = ""
    replies: Sequence[str] = ()
    others: Sequence[tuple[str, Sequence[int]]] = ()
    offered: int = 0
    alike: Sequence[str] = ()
    rows: Sequence[int] = ()
    items: Sequence[str] = ()
    bank: Sequence[str] = ()
    scale: Sequence[str] = ()
    unit: str = ""


class PlainSums(NamedTuple):
    """Sums for the dice to make: a character, and which numbers stand on its left and right."""

    character: str
    left: range
    right: range
    made: int
    cap: int | None = None
    negative: bool = False
    bottoms: Sequence[int] = (0,)
    choices: int = 0


class PlainWay(NamedTuple):
    """Where the game goes on: to a question, a round, or the ending of that name."""

    to: str
    name: str = ""


SAME, QUESTION, AGAIN = "same question", "question", "again"
NEXT_ROUND, ROUND, ENDING, TIME_UP = "next round", "round", "ending", "time is up"
STAYS = PlainWay(SAME)


class PlainRound(NamedTuple):
    """A stretch of the game: where its questions come from, and what holds in it."""

    title: str
    sources: Sequence[tuple[str, Sequence[PlainQuestion]]] = ()
    sums: Sequence[PlainSums] = ()
    topics: Sequence[str] = ()
    levels: Sequence[int] = ()
    asks: int = 0
    endless: bool = False
    order: str = "shuffled"
    refills: bool = False
    shuffles: bool = True
    shown: int = 0
    spreads: bool = False
    tries: int = 1
    misses: int = 3
    seconds: int = 0
    clock: int = 0
    hints: bool = True
    passing: bool = False
    by_letter: bool = True
    by_place: bool = True
    by_text: bool = True
    ignores_case: bool = True
    ignores_accents: bool = False
    ignores_points: bool = False
    articles: Sequence[str] = ()
    typos: int = 0
    comma: bool = False
    parts: str = "never"
    order_parts: str = "never"
    estimate_parts: str = "never"
    estimate_reach: int = 25
    right_from: int = 100
    reveals: str = "last try"
    after_right: PlainWay = PlainWay(QUESTION)
    after_partly: PlainWay = PlainWay(QUESTION)
    after_wrong: PlainWay = PlainWay(QUESTION)
    after_timeout: PlainWay = PlainWay(QUESTION)
    after_passed: PlainWay = PlainWay(QUESTION)


ROUNDS: list[PlainRound] = []


# ---- Open: who plays ----
@dataclass
class Player:
    """What is counted for a player, and what is known of the question in play."""

    name: str
    score: int = 0
    lives: int = 3
    asked_count: int = 0
    right_count: int = 0
    wrong_count: int = 0
    streak: int = 0
    best_streak: int = 0
    mistakes: int = 0
    right_worth: int = 0
    done_worth: int = 0
    partly_count: int = 0
    partly_share: int = 0
    partly_worth: int = 0
    number: int = 1
    worth: int = 1
    level: int = 1
    seconds_left: int = 0
    seconds_used: int = 0
    seconds_allowed: int = 0
    percent_left: int = 0
    tries_used: int = 0
    tries_left: int = 0
    round_number: int = 1
    player_number: int = 1
    verdict: str = ""
    share: int = 0
    goes: PlainWay = STAYS
    is_told: bool = False

    if MAY_OUTGROW:

        def __setattr__(self, name: str, value: object) -> None:
            """A counter that would go beyond a thousand million stays as it was."""
            if not isinstance(value, int) or abs(value) <= 10**9:
                super().__setattr__(name, value)

    @property
    def percent(self) -> int:
        """Right questions among those done with, halves rounded up."""
        if PARTS:
            done = self.right_count + self.partly_count + self.wrong_count
            part = 100 * self.right_count + self.partly_share
            return (2 * part + done) // (2 * done) if done else 0
        done = self.right_count + self.wrong_count
        return (200 * self.right_count + done) // (2 * done) if done else 0

    @property
    def worth_percent(self) -> int:
        """What was had of the worth of the questions done with, in percent."""
        if PARTS:
            part, whole = 100 * self.right_worth + self.partly_worth, self.done_worth
            return (2 * part + whole) // (2 * whole) if whole else 0
        part, whole = self.right_worth, self.done_worth
        return (200 * part + whole) // (2 * whole) if whole else 0


@dataclass
class Run:
    """One play of the game. All its chance comes from one number, the dice."""

    dice: int
    player: Player
    players: Sequence[Player] = ()
    turn: int = 0
    visits: Counter[int] = field(default_factory=Counter)
    asked: set[tuple[str, int]] = field(default_factory=set)
    rows_gone: set[int] = field(default_factory=set)
    round_left: int = 0
    game_left: int = 0


def welcome() -> list[Player]:
    """Ask who plays; Enter alone is nobody more."""
    players: list[Player] = []
    while len(players) < MAX_PLAYERS:
        name = input(f"{say('NAME_OF_PLAYER', number=len(players) + 1)}: ").strip()
        if not name and players:
            break
        players.append(Player(name or say("PLAYER_NUMBERED", number=len(players) + 1)))
        players[-1].player_number = len(players)
    return players


# ---- Draw: which questions come, and in which order ----
class Drawn(NamedTuple):
    """A question as it comes, by its list and its number there."""

    source: str
    number: int
    question: PlainQuestion
    times_before: int = 0


def stream(run: Run, purpose: str, round_number: int = 0, position: int = 0) -> random.Random:
    """The chances for one decision. Each has its own, so that no decision moves another."""
    name = f"{run.dice}\0{purpose}\0{round_number}\0{position}"
    return random.Random(int.from_bytes(hashlib.sha256(name.encode()).digest(), "big"))


def pick(chances: random.Random, items: Sequence[T], wanted: int) -> list[T]:
    """So many of the items in an order by chance, each order as likely (Fisher and Yates)."""
    left = list(items)
    for place in range(min(wanted, len(left))):
        bound = other = len(left) - place
        # What does not fit is rolled again, so that none is favoured.
        while other >= bound:
            other = chances.getrandbits(32) >> (32 - (bound - 1).bit_length())
        left[place], left[place + other] = left[place + other], left[place]
    return left[:wanted]


RESULTS = {"+": operator.add, "−": operator.sub, "×": operator.mul, "÷": operator.floordiv}


def all_sums(sums: PlainSums) -> list[tuple[int, int, int]]:
    """Every sum of a kind: its left number, its right one, and what both are over, or 0."""
    found = [
        (left, right, bottom)
        for bottom in sums.bottoms
        for left in sums.left
        for right in sums.right
        if sums.character != "÷" or (0 < right <= left and left % right == 0)
        if sums.character != "−" or sums.negative or right <= left
        if sums.cap is None or RESULTS[sums.character](left, right) <= sums.cap * (bottom or 1)
    ]
    if sums.character == "÷":
        # Divisor by divisor.
        found.sort(key=lambda numbers: numbers[1])
    return found


def sum_question(
    sums: PlainSums, left: int, right: int, bottom: int, chances: random.Random
) -> PlainQuestion:
    """A sum as a question."""
    value = RESULTS[sums.character](left, right)
    over = f"/{bottom}" if bottom else ""
    prompt = f"{left}{over} {sums.character} {right}{over} = ?"
    answer = str(Fraction(value, bottom)) if bottom else str(value)
    if not sums.choices:
        return PlainQuestion(prompt, [answer], kind="number")
    near = list(dict.fromkeys(mistakes(sums, left, right, value)))
    slips = pick(chances, near, sums.choices - 1)
    wrong = [str(Fraction(slip, bottom)) if bottom else str(slip) for slip in slips]
    return PlainQuestion(prompt, [answer], wrong=wrong)


def mistakes(sums: PlainSums, left: int, right: int, value: int) -> list[int]:
    """What everyday slips come to, so that wrong choices look right; then what is near."""
    slips = [value - 1, value + 1]
    if sums.character == "×":
        slips = [left * (right + 1), left * (right - 1), (left + 1) * right, (left - 1) * right]
    if sums.character in ("+", "−"):
        slips += [value - 10, value + 10, left - right if sums.character == "+" else left + right]
    if sums.character == "÷":
        slips += [value + 2, value - 2]
    if len(str(abs(value))) == 2:
        # The digits exchanged.
        slips.append(int(str(abs(value))[::-1]))
    wanted = max(8, sums.choices)
    likely = [slip for slip in slips if slip != value and (slip >= 0 or sums.negative)]
    likely = [slip for slip in likely if sums.cap is None or slip <= sums.cap]
    near = [value + way * apart for apart in range(1, 3 * wanted) for way in (1, -1)]
    near = [number for number in near if number >= 0 or sums.negative]
    near = [number for number in near if sums.cap is None or number <= sums.cap]
    return [*likely, *near] if len(set(likely)) < wanted else likely


def made_sums(run: Run, round_number: int) -> Iterator[Drawn]:
    """The sums that the dice make for a round."""
    for place, sums in enumerate(ROUNDS[round_number].sums):
        chances = stream(run, f"sums {place}", round_number)
        for number, (left, right, bottom) in enumerate(pick(chances, all_sums(sums), sums.made)):
            wrong = stream(run, f"wrong choices of sums {place}", round_number, number)
            question = sum_question(sums, left, right, bottom, wrong)
            yield Drawn(f"sums[{place}]", number, question)


def draw(run: Run, round_number: int) -> Iterator[Drawn]:
    """The questions of a round, one after the other, as the dice bring them."""
    round_ = ROUNDS[round_number]
    pool: list[Drawn] = [
        Drawn(source, number, question)
        for source, questions in round_.sources
        for number, question in enumerate(questions)
        if not round_.topics or question.topic in round_.topics
        if not round_.levels or question.level in round_.levels
    ]
    if round_.sums:
        pool += made_sums(run, round_number)
    length = length_of(run, round_, len(pool))
    order = order_of(run, round_number, "draw", pool, length)
    if LEAVES and all(has_left(run, drawn) for drawn in pool):
        # They all come again.
        run.rows_gone.clear()
    dealt: Iterator[Drawn] = (pool[place] for place in order if not has_left(run, pool[place]))
    if round_.refills:
        dealt = fills(run, round_number, pool, order)
    yield from islice(dealt, length)


def length_of(run: Run, round_: PlainRound, most: int) -> int | None:
    """How many questions a round asks of so many; None where it has no end."""
    if round_.endless:
        return None
    if MAX_PLAYERS == 1:
        asked = round_.asks or most
        return asked if round_.refills else min(asked, most)
    players = len(run.players)
    asked = (round_.asks or most) * players
    return asked if round_.refills else min(asked, most // players * players or most)


def fills(
    run: Run, round_number: int, pool: Sequence[Drawn], order: Sequence[int]
) -> Iterator[Drawn]:
    """The questions in their order, and once they have all been asked, shuffled anew."""
    yield from (pool[place] for place in order)
    for again in count(1):
        last = order[-1]
        order = order_of(run, round_number, f"draw again {again}", pool, None)
        order = not_after(pool, last, order)
        yield from (pool[place]._replace(times_before=again) for place in order)


def order_of(
    run: Run, round_number: int, purpose: str, pool: Sequence[Drawn], length: int | None
) -> list[int]:
    """The places of the pool in the order they are drawn in."""
    round_, places = ROUNDS[round_number], list(range(len(pool)))
    visit = run.visits[round_number] if COMES_AGAIN else 0
    chances = stream(run, purpose, round_number, visit)
    # Where the whole pool is asked, each level has its own dice.
    is_part = not round_.refills and length is not None and length < len(pool)
    if round_.order == "shuffled" or (round_.order == "easy first" and is_part):
        places = pick(chances, places, len(places))
    elif round_.order == "easy first":
        places = []
        for level in sorted({drawn.question.level for drawn in pool}):
            there = [at for at, drawn in enumerate(pool) if drawn.question.level == level]
            chances = stream(run, f"{purpose}, level {level}", round_number, visit)
            places += pick(chances, there, len(there))
    if SHARES and purpose == "draw":
        # What was asked in an earlier round comes last.
        places.sort(key=lambda place: name_of(pool[place], round_number) in run.asked)
    if round_.order == "easy first" and is_part:
        places[:length] = sorted(places[:length], key=lambda place: pool[place].question.level)
    return places


def not_after(pool: Sequence[Drawn], last: int, order: list[int]) -> list[int]:
    """The order without the question just asked at its start, nor one of the same answer."""
    minds_answers = len({tuple(drawn.question.right) for drawn in pool}) > 2
    for at, place in enumerate(order):
        same = pool[place].question.right == pool[last].question.right
        if place != last and not (minds_answers and same):
            return [place, *order[:at], *order[at + 1 :]]
    return [*(place for place in order if place != last), last]


def name_of(drawn: Drawn, round_number: int) -> tuple[str, int]:
    """A question by a name for all rounds: lists are shared, what is made is each round's own."""
    is_made = drawn.source.endswith("]")
    return f"{round_number} {drawn.source}" if is_made else drawn.source, drawn.number


def has_left(run: Run, drawn: Drawn) -> bool:
    """Whether every row of facts that a question is made from has left the game."""
    return bool(drawn.question.rows) and run.rows_gone.issuperset(drawn.question.rows)


def wrong_choices(run: Run, drawn: Drawn) -> list[str]:
    """Wrong choices by chance, from the answers of other rows."""
    question = drawn.question
    right = {*question.right, *question.alike}
    others = [(answer, rows) for answer, rows in question.others if answer not in right]
    answers = [answer for answer, _ in others]
    if LEAVES:
        here = [answer for answer, rows in others if not run.rows_gone.issuperset(rows)]
        answers = here or answers
    chances = stream(run, f"wrong choices of {drawn.source}", drawn.times_before, drawn.number)
    return pick(chances, answers, question.offered - 1)


# ---- Ask: the question, its choices, its clock ----
LETTERS = "ABCDEFGHIJKL"


def choices_of(run: Run, round_number: int, drawn: Drawn, position: int) -> list[str]:
    """The choices of a question in the order shown; none where it is answered by typing."""
    round_, question = ROUNDS[round_number], drawn.question
    if question.kind == "truth":
        return [say("TRUE"), say("FALSE")]
    if question.kind == "judged":
        part = [say("HAD_PART")] if round_.parts != "never" else []
        return [say("HAD_IT"), *part, say("HAD_NOT")]
    if question.kind == "order":
        return out_of_order(run, drawn)
    if question.kind in ("typed", "number", "letters", "gaps", "estimate"):
        return []
    choices = [*question.right, *question.wrong]
    if question.items:
        # Several items can have one partner.
        choices = [*dict.fromkeys(question.right), *question.wrong]
    if question.others:
        choices += wrong_choices(run, drawn)
    if round_.shuffles or question.kind in ("match", "place", "places"):
        chances = stream(run, f"choices of {drawn.source}", drawn.times_before, drawn.number)
        choices = pick(chances, choices, len(choices))
    if round_.shown and question.kind not in ("place", "places"):
        choices = fewer(question, choices, round_.shown)
    if round_.spreads and question.kind not in ("match", "place", "places"):
        choices = spread(run, round_number, question, choices, position)
    if question.pinned and question.pinned in choices:
        choices.remove(question.pinned)
        choices.append(question.pinned)
    return choices


def out_of_order(run: Run, drawn: Drawn) -> list[str]:
    """What is to be put in order, in an order by chance that is not the right one."""
    right = [*drawn.question.right]
    chances = stream(run, f"order of {drawn.source}", drawn.times_before, drawn.number)
    found = right
    while found == right:
        found = pick(chances, right, len(right))
    return found


def words_of(run: Run, drawn: Drawn) -> list[list[str]]:
    """The words to pick from for each gap of a text; none for a gap that is typed."""
    question = drawn.question
    if question.kind != "gaps":
        return []
    bank = words_by_chance(run, drawn, question.bank, "all gaps")
    found = []
    for number, (fits, others) in enumerate(map(gap_in, question.right), 1):
        own = words_by_chance(run, drawn, [*fits, *others], f"gap {number}") if others else bank
        found.append(own)
    return found


def words_by_chance(run: Run, drawn: Drawn, words: Sequence[str], of: str) -> list[str]:
    """Words in an order by chance."""
    chances = stream(run, f"words of {of} of {drawn.source}", drawn.times_before, drawn.number)
    return pick(chances, words, len(words))


def gap_in(text: str) -> tuple[list[str], list[str]]:
    """What fits a gap, and words of its own that do not: egg | an egg // milk."""
    fits, _, others = text.partition(" // ")
    return fits.split(" | "), others.split(" | ") if others else []


def numbered(text: str) -> str:
    """A text with the number of each of its gaps."""
    first, *parts = re.split("_{3,}", text)
    return first + "".join(
        f"[{say('GAP_READ', number=number)}]{part}" for number, part in enumerate(parts, 1)
    )


def tell_how(question: PlainQuestion, choices: list[str], words: list[list[str]]) -> None:
    """Say how an answer is typed that has several parts."""
    if question.kind in ("several", "places"):
        print(say("SUCH_AS"))
    if question.kind == "order":
        print(say("ORDER_SUCH_AS", letters=LETTERS[: len(choices)]))
    if question.kind == "match":
        print(say("MATCH_SUCH_AS", letters=LETTERS[: len(choices)][::-1]))
        if len(set(question.right)) < len(question.right):
            print(say("MATCH_REPEATS"))
    if question.kind == "gaps":
        for number, offered in enumerate(words, 1):
            if offered:
                print(f"  {say('GAP_READ', number=number)}  {', '.join(offered)}")
        print(say("TYPE_GAPS"))
    if question.kind == "estimate":
        least, most = (with_unit(question, end) for end in question.scale[:2])
        print(say("ESTIMATE_FROM", least=least, most=most))


def with_unit(question: PlainQuestion, number: str) -> str:
    """A number with the unit of its question."""
    return f"{number} {question.unit}".strip()


def fewer(question: PlainQuestion, choices: list[str], wanted: int) -> list[str]:
    """So many of the choices, in the order they have: what is right, and then some others."""
    if question.kind in ("several", "match"):
        # All that is right is wanted.
        wanted = max(wanted, 1 + sum(choice in question.right for choice in choices))
    right = [choice for choice in choices if choice in question.right][: wanted - 1]
    wrong = [choice for choice in choices if choice not in question.right]
    if question.pinned:
        wrong.sort(key=lambda choice: choice != question.pinned)
    kept = [*right, *wrong[: wanted - len(right)]]
    return [choice for choice in choices if choice in kept]


def spread(
    run: Run, round_number: int, question: PlainQuestion, choices: list[str], position: int
) -> list[str]:
    """The choices with the right one where its turn is, so that it stands everywhere as often."""
    free = [choice for choice in choices if choice != question.pinned]
    right = next((choice for choice in free if choice in question.right), None)
    if right is None:
        return choices
    block, turn = divmod(position, len(free))
    chances = stream(run, f"places of {len(free)}", round_number, block)
    free.remove(right)
    free.insert(pick(chances, range(len(free) + 1), len(free) + 1)[turn], right)
    return [*free, *(choice for choice in choices if choice == question.pinned)]


def laid_out(word: str, tried: set[str]) -> str:
    """A word with a line for each letter that is still to be found."""
    return "   ".join(
        " ".join("_" if set(spelled(character)) - tried else character for character in part)
        for part in word.split()
    )


def ask(
    run: Run, round_number: int, drawn: Drawn, number: int, heading: str, is_again: bool
) -> PlainWay:
    """Ask a question until it is done with, and tell where the game goes on."""
    round_, question, player = ROUNDS[round_number], drawn.question, run.player
    choices = choices_of(run, round_number, drawn, number - 1)
    words = words_of(run, drawn)
    player.is_told = False
    if not is_again:
        player.asked_count += 1
    player.number = number
    player.worth = question.worth
    player.level = question.level
    player.round_number = round_number + 1
    tries = (question.misses or round_.misses) if question.kind == "letters" else round_.tries
    player.tries_used = 0
    player.tries_left = tries
    seconds = question.seconds or round_.seconds
    player.seconds_allowed = seconds
    used = 0
    player.seconds_left = seconds
    player.seconds_used = 0
    player.percent_left = 100 if seconds else 0
    is_hinted = False
    is_open = question.kind != "judged"
    tried: set[str] = set()
    player.share = 0
    if "asked" in HEARD:
        at_first = score(player, "asked", STAYS)
        if at_first.to != SAME:
            return at_first
    prompt = numbered(question.prompt) if question.kind == "gaps" else question.prompt
    print(f"\n{heading}\n{prompt}")
    if question.items:
        for place, item in enumerate(question.items, 1):
            print(f"  {place}  {item}")
    if is_open:
        offer(question, choices)
    else:
        print(say("ENTER_SHOWS"))
    tell_how(question, choices, words)
    if "shown" in CUED:
        cue("question shown", player)
    while True:
        if question.kind == "letters":
            print(laid_out(question.right[0], tried))
        began = time.monotonic_ns()
        typed = input("> ")
        # input() waits for Enter, so time that ran out meanwhile is noticed only now.
        spent = (time.monotonic_ns() - began) // 10**6
        is_late = seconds > 0 and 1000 * seconds <= used + spent
        if is_late:
            spent = 1000 * seconds - used
        used += spent
        if GAME_SECONDS or round_.clock:
            left = time_left(run)
            run.round_left -= min(spent, left)
            run.game_left -= min(spent, left)
            if left < spent or (left == spent and not is_late):
                print(say("LATE"))
                return PlainWay(TIME_UP)
        if seconds:
            player.seconds_left = max(0, 1000 * seconds - used) // 1000
            player.percent_left = share_left(1000 * seconds - used, 1000 * seconds)
        player.seconds_used = used // 1000
        if HINTS and typed.strip() == say("KEY_HINT") and not is_late:
            if question.hint and round_.hints and not is_hinted:
                is_hinted = True
                print(say("HINT_IS", hint=question.hint))
                if "hinted" in HEARD:
                    score(player, "hinted", STAYS)
                if "hint" in CUED:
                    cue("hint", player)
                if "hinted" in HEARD and player.goes.to != SAME:
                    return player.goes
            continue
        is_pass = round_.passing and typed.strip() == say("KEY_PASS")
        if not is_open and not is_late and not is_pass:
            is_open = True
            print(say("OR").join(question.right))
            print(say("DID_YOU_HAVE_IT"))
            offer(question, choices)
            continue
        verdict = check(round_, question, choices, words, typed)
        if is_pass:
            verdict = "passed"
        if is_late:
            verdict = "late"
        is_alone = question.kind == "letters" and len(typed.strip()) == 1
        is_letter = is_alone and verdict not in ("late", "passed")
        if is_letter:
            verdict = try_letter(player, question.right[0], typed, tried)
        if verdict == "tried":
            continue
        if verdict == "unreadable":
            print(say("UNREADABLE", why=typed))
            continue
        print(HEADINGS[verdict])
        by_letter = STAYS
        if is_letter:
            is_hit = set(spelled(typed)) <= set(spelled(question.right[0]))
            heard = "letter_hit" if is_hit else "letter_miss"
            by_letter = score(player, heard, STAYS)
            if "letter" in CUED:
                cue(heard, player)
        if verdict in ("hit", "miss"):
            print(told(player))
            if by_letter.to != SAME:
                return by_letter
            continue
        # A whole word that is right is no miss.
        is_try = verdict in ("wrong", "partly") or (
            question.kind != "letters" and verdict in ("right", "close")
        )
        if is_try and not is_letter:
            player.tries_used += 1
        player.tries_left = max(0, tries - player.tries_used)
        if verdict in ("late", "passed"):
            player.tries_left = 0
        if verdict == "passed":
            player.seconds_left = 0
            player.percent_left = 0
        player.verdict = verdict
        event = "right" if verdict == "close" else "timeout" if verdict == "late" else verdict
        player.share = 100 if event == "right" else 0
        if verdict == "partly":
            player.share = share_of_answer(round_, question, choices, words, typed)
            if "partly" not in HEARD:
                event = "right" if player.share >= round_.right_from else "wrong"
        planned = {
            "right": round_.after_right,
            "partly": round_.after_partly,
            "wrong": round_.after_wrong,
            "timeout": round_.after_timeout,
            "passed": round_.after_passed,
        }[event]
        if event in ("wrong", "partly") and player.tries_left > 0:
            planned = STAYS
        way = score(player, event, planned)
        if by_letter.to != SAME:
            way = by_letter
        player.verdict = ""
        player.share = 0
        if "verdict" in CUED:
            cue(verdict, player)
        if event == "right" and "streak" in CUED:
            cue("streak", player)
        if verdict in ("right", "close") and question.when_right:
            print(question.when_right)
        if verdict == "wrong":
            reply = reply_to(round_, question, choices, typed)
            if reply:
                print(reply)
        is_told = round_.reveals == "last try" and way.to != SAME
        if is_told or round_.reveals == "always" or player.is_told:
            tell_answer(question, choices)
        print(told(player))
        if way.to != SAME:
            return way
        if tries != 999:
            print(say("TRIES_LEFT", count=player.tries_left))


def offer(question: PlainQuestion, choices: list[str]) -> None:
    """Show the choices with their letters."""
    for letter, choice in zip(LETTERS, choices, strict=False):
        print(f"  {letter}" if question.unseen else f"  {letter}  {choice}")


def time_left(run: Run) -> int:
    """What is left of the clock that runs out first, in milliseconds."""
    return min(run.round_left, run.game_left)


def share_left(left: int, allowed: int) -> int:
    """What is left of a clock in percent, halves rounded up."""
    return (200 * max(0, left) + allowed) // (2 * allowed)


# ---- Check: is it right? ----
SIGNS = str.maketrans({"‘": "'", "’": "'", "“": '"', "”": '"', "–": "-", "−": "-"})
HEADINGS = {
    "right": say("RIGHT"),
    "close": say("CLOSE"),
    "partly": say("PARTLY"),
    "wrong": say("WRONG"),
    "late": say("LATE"),
    "passed": say("WAS_PASSED"),
    "hit": say("HIT"),
    "miss": say("MISS"),
}


def check(
    round_: PlainRound,
    question: PlainQuestion,
    choices: list[str],
    words: list[list[str]],
    typed: str,
) -> str:
    """What a typed answer is: right, close, wrong, or unreadable, which costs nothing."""
    if question.kind in ("several", "places", "order", "match", "gaps", "estimate", "judged"):
        graded = grade(round_, question, choices, words, typed)
        if graded is None:
            return "unreadable"
        if graded.share == 100:
            return "close" if graded.has_typos else "right"
        return "partly" if graded.share else "wrong"
    if question.kind == "number":
        return check_number(round_, question, typed)
    if question.kind == "letters":
        return check_word(question, typed)
    if question.kind == "typed":
        return check_text(round_, question, typed)
    names = list(LETTERS[: len(choices)]) if question.unseen else choices
    place = place_named(round_, names, typed)
    if place is None and round_.typos and round_.by_text:
        place = place_meant(round_, names, typed)
        if place is not None and choices[place] in question.right:
            return "close"
    if place is None:
        return "unreadable"
    return "right" if choices[place] in question.right else "wrong"


class Graded(NamedTuple):
    """How much of an answer is right, in percent, and whether typos are forgiven in it."""

    share: int
    has_typos: bool = False


def share_of_answer(
    round_: PlainRound,
    question: PlainQuestion,
    choices: list[str],
    words: list[list[str]],
    typed: str,
) -> int:
    """How much of an answer is right that is partly right, in percent."""
    graded = grade(round_, question, choices, words, typed)
    return graded.share if graded else 0


def grade(
    round_: PlainRound,
    question: PlainQuestion,
    choices: list[str],
    words: list[list[str]],
    typed: str,
) -> Graded | None:
    """How much of an answer of several parts is right; None if it cannot be read."""
    if question.kind == "gaps":
        return grade_gaps(round_, question, words, typed)
    if question.kind == "estimate":
        return grade_estimate(round_, question, typed)
    names = list(LETTERS[: len(choices)]) if question.unseen else choices
    if question.kind == "judged":
        said, _ = place_in(round_, names, typed)
        if said is None or not 0 <= said < len(names):
            return None
        return Graded(100 if said == 0 else 0 if said == len(names) - 1 else 50)
    if question.kind == "match":
        places, has_typos = letters_by_number(round_, len(question.right), typed), False
        if not places:
            places, has_typos = several_in(round_, names, typed, len(LETTERS))
        return grade_match(round_, question, choices, places, has_typos)
    single, has_typos = place_in(round_, names, typed)
    places = [] if single is None else [single]
    if not places:
        places, has_typos = several_in(round_, names, typed, len(names))
    if not places or any(not 0 <= place < len(names) for place in places):
        return None
    if question.kind == "order":
        if sorted(places) != list(range(len(choices))):
            return None
        ranks = [question.right.index(choices[place]) for place in places]
        return Graded(share_of_order(round_, ranks), has_typos)
    named = {choices[place] for place in places}
    right = {choice for choice in choices if choice in question.right}
    found = len(named & right)
    return Graded(share_of_picks(round_, len(right), found, len(named) - found), has_typos)


def share_of(part: int | Fraction, whole: int | Fraction) -> int:
    """The share of an answer that is not wholly right, in percent, halves rounded up."""
    return min(99, max(1, int((200 * part + whole) // (2 * whole)))) if part > 0 else 0


def share_of_picks(round_: PlainRound, count_right: int, found: int, others: int) -> int:
    """The share of an answer that has so many of the right ones, and so many others."""
    if found == count_right and not others:
        return 100
    if round_.parts == "never":
        return 0
    if round_.parts == "less wrong picks":
        found -= others
    return share_of(found, count_right)


def share_of_order(round_: PlainRound, ranks: list[int]) -> int:
    """The share of an order; the ranks of the right one go up from 0."""
    length = len(ranks)
    if ranks == list(range(length)):
        return 100
    if round_.order_parts == "places":
        return share_of(sum(at == rank for at, rank in enumerate(ranks)), length)
    if round_.order_parts == "neighbours":
        together = sum(after == before + 1 for before, after in pairwise(ranks))
        return share_of(together, length - 1)
    if round_.order_parts == "pairs":
        in_order = sum(before < after for before, after in combinations(ranks, 2))
        return share_of(in_order, length * (length - 1) // 2)
    if round_.order_parts == "steps":
        away = sum(abs(at - rank) for at, rank in enumerate(ranks)) // 2
        return share_of(length * length // 4 - away, length * length // 4)
    return 0


def grade_match(
    round_: PlainRound,
    question: PlainQuestion,
    choices: list[str],
    places: list[int],
    has_typos: bool,
) -> Graded | None:
    """How much of a match is right, of the place of a choice for each item."""
    is_there = all(0 <= place < len(choices) for place in places)
    if len(places) != len(question.right) or not is_there:
        return None
    has_own = len(set(question.right)) == len(question.right)
    if has_own and len(set(places)) < len(places):
        return None
    hits = sum(choices[place] == right for place, right in zip(places, question.right, strict=True))
    missed = len(places) - hits
    return Graded(share_of_picks(round_, len(places), hits, missed), has_typos)


def letters_by_number(round_: PlainRound, count_items: int, typed: str) -> list[int]:
    """The places in an answer such as 2A 1B, by the numbers of the items."""
    pair = r"(\d{1,2})\s*[.:)=-]?\s*([A-La-l])"
    plain = read(typed)
    if not round_.by_letter or not re.fullmatch(rf"(?:{pair}[\s,;]*){{2,}}", plain):
        return []
    pairs = [(int(number), letter.upper()) for number, letter in re.findall(pair, plain)]
    if sorted(number for number, _ in pairs) != list(range(1, count_items + 1)):
        return []
    return [LETTERS.index(letter) for _, letter in sorted(pairs)]


def grade_gaps(
    round_: PlainRound, question: PlainQuestion, words: list[list[str]], typed: str
) -> Graded | None:
    """How many gaps of a text are filled right."""
    parts = parts_for(len(question.right), typed)
    if not any(parts):
        return None
    hits, misses, has_typos = 0, 0, False
    for part, offered, (fits, _) in zip(parts, words, map(gap_in, question.right), strict=True):
        if not part:
            continue
        found = nearest(round_, offered or fits, part)
        if len(found) != 1 and offered:
            return None
        if found and found[0] in fits:
            hits += 1
        else:
            misses += 1
        read_as = [folded(round_, word) for word in found]
        has_typos = has_typos or folded(round_, part) not in read_as
    return Graded(share_of_picks(round_, len(parts), hits, misses), has_typos)


def parts_for(count_gaps: int, typed: str) -> list[str]:
    """What is typed for each gap; nothing if it is for another number of gaps."""
    if count_gaps == 1:
        return [read(typed)]
    for split in (r"\s*[;؛；]\s*", r"\s*[,،，、]\s*", LISTED, r"\s+"):
        parts = re.split(split, typed.strip())
        if len(parts) == count_gaps:
            return [read(part) for part in parts]
    return []


def nearest(round_: PlainRound, words: Sequence[str], typed: str) -> list[str]:
    """The word that an answer is; else those it is nearest to within the typos allowed."""
    given = folded(round_, typed)
    for word in words:
        if folded(round_, word) == given:
            return [word]
    if round_.typos:
        slips = [slips_to(round_, given, folded(round_, word)) for word in words]
        fewest = min((found for found in slips if found is not None), default=None)
        if fewest is not None:
            return [word for word, found in zip(words, slips, strict=True) if found == fewest]
    return []


def grade_estimate(round_: PlainRound, question: PlainQuestion, typed: str) -> Graded | None:
    """How much of an estimate is right, by its distance."""
    plain = " ".join(typed.split())
    unit = question.unit.casefold()
    if unit and plain.casefold().endswith(unit):
        plain = plain[: -len(unit)].strip()
    given, right = read_number(round_, plain), read_number(round_, question.right[0])
    least, most, step = (read_number(round_, end) or Fraction(0) for end in question.scale)
    if given is None or right is None or not least <= given <= most:
        return None
    if (given - least) % step:
        return None
    beyond = abs(given - right)
    if question.tolerance:
        beyond -= tolerance(question, right)
    if beyond <= 0:
        return Graded(100)
    reach = (most - least) * round_.estimate_reach / 100
    if round_.estimate_parts == "straight":
        return Graded(share_of(reach - beyond, reach))
    if round_.estimate_parts == "halves":
        return Graded(min(99, int(100 * 0.5 ** float(beyond / reach) + 0.5)))
    return Graded(0)


LISTED = r"\s*[,;&+]\s*(?:and\s+)?|\s+and\s+"


def several_in(
    round_: PlainRound, names: list[str], typed: str, most: int
) -> tuple[list[int], bool]:
    """The places, from 0, of several choices that an answer names, and whether with typos."""
    plain = read(typed)
    splits = [LISTED, r"\s+"]
    if AND_LETTER and AND_LETTER in LETTERS[: len(names)] and plain.islower():
        splits.reverse()
    for split in splits:
        parts = [part for part in re.split(split, plain) if part]
        if split == r"\s+" and len(parts) == 1:
            # Letters in one: AC.
            parts = list(parts[0])
        if 1 < len(parts) <= most:
            found = [place_in(round_, names, part) for part in parts]
            places = [place for place, _ in found if place is not None]
            if len(places) == len(parts):
                return places, any(has for _, has in found)
    return [], False


def place_in(round_: PlainRound, names: list[str], typed: str) -> tuple[int | None, bool]:
    """The place, from 0, of the choice that an answer names, and whether with typos. A number
    can name a place that is not there."""
    place = place_named(round_, names, typed)
    if place is not None:
        return place, False
    plain = read(typed)
    if round_.by_place and plain.isdecimal() and len(plain) < 4:
        return int(plain) - 1, False
    if round_.typos and round_.by_text:
        return place_meant(round_, names, typed), True
    return None, False


def read(text: str) -> str:
    """A text as it is compared: one kind of quote and dash, single spaces, nothing unseen."""
    plain = unicodedata.normalize("NFKC", text.translate(SIGNS))
    return " ".join("".join(s for s in plain if s.isprintable() or s.isspace()).split())


def folded(round_: PlainRound, text: str) -> str:
    """A text without what does not matter in an answer."""
    text = read(text)
    if round_.ignores_case:
        text = text.casefold()
    if round_.ignores_accents:
        # Accents are characters of their own here.
        apart = unicodedata.normalize("NFD", text)
        text = "".join(character for character in apart if not unicodedata.combining(character))
    if round_.articles:
        text = without_article(round_, text)
    if round_.ignores_points:
        text = without_points(text) or text
    return text


def without_article(round_: PlainRound, text: str) -> str:
    """A text without the article it may begin with."""
    body = re.sub(r"^[^\w\s]*\s*", "", text) if round_.ignores_points else text
    for article in round_.articles:
        first, _, rest = body.partition(" ")
        if article.endswith("'") and body.casefold().startswith(article):
            first, rest = article, body[len(article) :].strip()
        if rest and first.casefold() == article:
            return rest
    return text


def without_points(text: str) -> str:
    """A text without punctuation, but for the characters that belong to a number."""

    def plain(found: re.Match[str]) -> str:
        character, before, after = found[0], text[: found.start()][-1:], text[found.end() :][:1]
        follows, starts = before.isdigit(), character in "-+.," and not before.isalnum()
        if (after.isdigit() and (follows or starts)) or (follows and character in "%‰"):
            return character
        return "" if character in "'." else " "

    return " ".join(re.sub(r"[^\w\s]|_", plain, text).split())


def check_text(round_: PlainRound, question: PlainQuestion, typed: str) -> str:
    """Whether a typed answer is one of those accepted."""
    given, wanted = folded(round_, typed), [folded(round_, answer) for answer in question.right]
    if not given:
        return "unreadable"
    if given in wanted:
        return "right"
    if round_.typos and any(slips_to(round_, given, answer) is not None for answer in wanted):
        return "close"
    return "wrong"


def slips_to(round_: PlainRound, typed: str, wanted: str) -> int | None:
    """How many slips of the finger an answer has; None if more than are forgiven.

    Short words and numbers must be exact: car is not cat, nor 1988 1989.
    """
    exact: set[int] = set()
    for word in re.finditer(r"\S+", wanted):
        letters = sum(character.isalpha() for character in word[0])
        if letters < 4 or any(character.isdigit() for character in word[0]):
            exact.update(range(max(0, word.start() - 1), min(len(wanted), word.end() + 1)))
    digits = [[character for character in text if character.isdigit()] for text in (typed, wanted)]
    if digits[0] != digits[1] or len(exact) == len(wanted):
        return None
    found = distance(typed, wanted, exact)
    return found if found <= min(round_.typos, sum(map(str.isalpha, wanted)) // 3) else None


def distance(typed: str, wanted: str, exact: set[int]) -> int:
    """How many letters too many, too few, wrong or exchanged (optimal string alignment)."""
    far, width = 99, len(wanted)
    firm = [at - 1 in exact or (bool(exact) and at in (0, width + 1)) for at in range(width + 2)]
    rows: list[list[int]] = [[0]]
    for at in range(1, width + 1):
        rows[0].append(far if firm[at] else rows[0][-1] + 1)
    for place, character in enumerate(typed, 1):
        row: list[int] = []
        for at in range(width + 1):
            costs = [far if firm[at] and firm[at + 1] else rows[-1][at] + 1]
            if at and (character == wanted[at - 1] or not firm[at]):
                costs.append(rows[-1][at - 1] + (character != wanted[at - 1]))
            if at and not firm[at]:
                costs.append(row[at - 1] + 1)
                exchanged = wanted[at - 2 : at] == character + typed[place - 2 : place - 1]
                if at > 1 and place > 1 and not firm[at - 1] and exchanged:
                    costs.append(rows[-2][at - 2] + 1)
            row.append(min(*costs, far))
        rows.append(row)
    return rows[-1][width]


def place_named(round_: PlainRound, names: list[str], typed: str) -> int | None:
    """The place, from 0, of the choice that an answer names exactly; None if it names none."""
    plain = read(typed)
    given, wanted = folded(round_, typed), [folded(round_, name) for name in names]
    if round_.by_text and plain and given in wanted:
        return wanted.index(given)
    if round_.by_letter and len(plain) == 1 and plain.upper() in LETTERS[: len(names)]:
        return LETTERS.index(plain.upper())
    if round_.by_place and plain.isdecimal() and len(plain) < 4:
        return int(plain) - 1 if 1 <= int(plain) <= len(names) else None
    return None


def place_meant(round_: PlainRound, names: list[str], typed: str) -> int | None:
    """The place, from 0, of the choice that an answer names with the fewest slips."""
    given, wanted = folded(round_, typed), [folded(round_, name) for name in names]
    slips = [slips_to(round_, given, text) if read(typed) else None for text in wanted]
    fewest = min((found for found in slips if found is not None), default=None)
    return slips.index(fewest) if fewest is not None and slips.count(fewest) == 1 else None


def check_number(round_: PlainRound, question: PlainQuestion, typed: str) -> str:
    """Whether a number is the right one, by its exact value: 2.6 is 13/5."""
    given = read_number(round_, typed)
    if given is None:
        return "unreadable"
    rights = [right for text in question.right if (right := read_number(round_, text)) is not None]
    if question.tolerance:
        is_right = any(abs(given - right) <= tolerance(question, right) for right in rights)
    else:
        is_right = given in rights
    return "right" if is_right else "wrong"


def tolerance(question: PlainQuestion, right: Fraction) -> Fraction:
    """How far off a number may be: 0.5 is an amount, 2% a share of the right number."""
    amount = Fraction(question.tolerance.removesuffix("%"))
    return amount * abs(right) / 100 if question.tolerance.endswith("%") else amount


def read_number(round_: PlainRound, text: str) -> Fraction | None:
    """The value of a number as people write it: 12, -3, 2.5, 1,250, 3/4 or 1 1/2."""
    spaced = re.sub("[¼-¾⅐-⅞]", r" \g<0>", text.translate(SIGNS))
    plain = " ".join(unicodedata.normalize("NFKC", spaced).replace("⁄", "/").split())
    character, body = (-1 if plain[:1] == "-" else 1), re.sub(r"^[-+] ?", "", plain)
    if parts := re.fullmatch(r"(?:(\d+) +)?(\d+) ?/ ?(\d+)", body):
        whole, over, under = int(parts[1] or 0), int(parts[2]), int(parts[3])
        return character * (whole + Fraction(over, under)) if under else None
    grouped = re.fullmatch(r"[1-9]\d{0,2}([ ',.])\d{3}(?:\1\d{3})*(?:(?!\1)([.,])\d*)?", body)
    if grouped:
        mark = grouped[1]
        is_usual = mark == "." if round_.comma else mark == ","
        if mark in " '" or grouped[2] or body.count(mark) > 1 or is_usual:
            # It stands between thousands.
            body = body.replace(mark, "")
    elif not re.fullmatch(r"\d*[.,]\d+|\d+[.,]?", body):
        return None
    return character * Fraction(body.replace(",", ".").rstrip("."))


def spelled(text: str) -> list[str]:
    """The letters and digits of a text, without case and accents."""
    apart = unicodedata.normalize("NFD", unicodedata.normalize("NFKC", text).casefold())
    return [character for character in apart if character.isalnum()]


def check_word(question: PlainQuestion, typed: str) -> str:
    """Whether a whole word is the one to be found."""
    if not spelled(typed):
        return "unreadable"
    return "right" if spelled(typed) in map(spelled, question.right) else "wrong"


def try_letter(player: Player, word: str, typed: str, tried: set[str]) -> str:
    """What comes of one letter: a hit or a miss, or the word is found, or lost."""
    letters, wanted = set(spelled(typed)), set(spelled(word))
    if not letters:
        return "unreadable"
    if letters <= tried:
        return "tried"
    if letters <= wanted:
        tried |= letters
        return "right" if wanted <= tried else "hit"
    tried |= letters - wanted
    player.tries_used += 1
    player.tries_left -= 1
    return "miss" if player.tries_left > 0 else "wrong"


def tell_answer(question: PlainQuestion, choices: list[str]) -> None:
    """Say what was right, and the note that goes with the question."""
    if question.kind == "judged":
        answer = say("OR").join(say("QUOTED", text=one) for one in question.right)
    elif question.kind == "gaps":
        answer = say("QUOTED", text=", ".join(gap_in(text)[0][0] for text in question.right))
    elif question.kind == "estimate":
        answer = say("QUOTED", text=with_unit(question, question.right[0]))
    elif question.kind in ("place", "places"):
        named = [say("QUOTED", text=choice) for choice in choices if choice in question.right]
        answer = say("OR").join(named) if question.kind == "place" else say("AND").join(named)
    elif question.kind == "match":
        partners = question.right
        if question.unseen:
            partners = [LETTERS[choices.index(partner)] for partner in partners]
        answer = say("PAIRS").join(
            say("PAIRED", item=item, choice=partner)
            for item, partner in zip(question.items, partners, strict=True)
        )
    elif question.kind == "order":
        answer = say("THEN").join(lettered(question, choices, right) for right in question.right)
    elif question.kind in ("choice", "truth", "several"):
        told = [lettered(question, choices, one) for one in choices if one in question.right]
        answer = say("AND").join(told) if question.kind == "several" else say("OR").join(told)
    else:
        answer = say("QUOTED", text=question.right[0])
    print(say("IT_IS", answer=answer))
    if question.note:
        print(question.note)


def lettered(question: PlainQuestion, choices: list[str], choice: str) -> str:
    """A choice with its letter; one that is not seen here is its letter alone."""
    letter = LETTERS[choices.index(choice)]
    return letter if question.unseen else say("CHOICE_NAMED", letter=letter, choice=choice)


def reply_to(round_: PlainRound, question: PlainQuestion, choices: list[str], typed: str) -> str:
    """What the question has to say to that wrong answer."""
    if question.replies:
        place = place_named(round_, choices, typed)
        if place is None and round_.typos and round_.by_text:
            place = place_meant(round_, choices, typed)
        if place is not None:
            replies = dict(zip(question.wrong, question.replies, strict=False))
            return replies.get(choices[place]) or question.when_wrong
    return question.when_wrong


# ---- Score: what it does to the counters ----
RULES: dict[str, Callable[[Player], None]] = {}


def score(player: Player, event: str, planned: PlainWay) -> PlainWay:
    """Count what happened, let the rules have their say, and see whether an ending has come."""
    player.goes = planned
    if event == "right":
        player.streak += 1
        player.best_streak = max(player.best_streak, player.streak)
    if event in ("wrong", "partly", "timeout", "passed"):
        player.streak = 0
    if event in ("wrong", "timeout") or (event == "letter_miss" and player.tries_left):
        player.mistakes += 1
    is_done = 0 if planned.to in (SAME, AGAIN) else 1
    count_done(player, event, is_done)
    lives = player.lives
    if event in RULES:
        RULES[event](player)
    if "life" in CUED and player.lives != lives:
        cue("life lost" if player.lives < lives else "life won", player)
    decided = player.goes
    now_done = 0 if decided.to in (SAME, AGAIN) else 1
    if now_done != is_done:
        count_done(player, event, now_done - is_done)
    title = ending_at_once(player) if ENDS_AT_ONCE else ""
    if title:
        if not now_done:
            count_done(player, event, 1)
        player.goes = PlainWay(ENDING, title)
    return player.goes


def count_done(player: Player, event: str, done: int) -> None:
    """Count a question among those done with."""
    if event == "right":
        player.right_count += done
        player.right_worth += done * max(0, player.worth)
    if event == "partly":
        player.partly_count += done
        player.partly_share += done * player.share
        player.partly_worth += done * player.share * max(0, player.worth)
    if event in ("wrong", "timeout", "passed"):
        player.wrong_count += done
    if event in ("right", "partly", "wrong", "timeout", "passed"):
        player.done_worth += done * max(0, player.worth)


# ---- Cue: what is said ----
def cue(occasion: str, player: Player) -> None:
    """Say what there is to say at an occasion."""
    print(occasion, player)


# ---- Move on: round after round ----
def play(run: Run) -> str:
    """Play all there is. Tells the name of the ending; an empty one is still to be found."""
    if "started" in HEARD:
        if MAX_PLAYERS == 1:
            score(run.player, "started", STAYS)
            if run.player.goes.to == ENDING:
                return run.player.goes.name
        else:
            for player in run.players:
                run.player = player
                score(player, "started", STAYS)
                if player.goes.to == ENDING:
                    return player.goes.name
            run.player = run.players[0]
    if "opening" in CUED:
        cue("opening", run.player)
    number = 0
    while number < len(ROUNDS):
        way = play_round(run, number)
        if way.to == ENDING:
            return way.name
        number += 1
        if way.to == ROUND:
            number = [round_.title for round_ in ROUNDS].index(way.name)
    return ""


def play_round(run: Run, round_number: int) -> PlainWay:
    """Ask the questions of a round, one after the other. Tells where the game goes on."""
    round_, way = ROUNDS[round_number], PlainWay(NEXT_ROUND)
    run.round_left = 1000 * round_.clock or sys.maxsize
    is_left = False
    asked: list[tuple[str, int]] = []
    deal = draw(run, round_number)
    whole: Sequence[Drawn] = () if LEAVES or round_.refills else list(deal)
    for number, drawn in enumerate(whole or deal, 1):
        if (GAME_SECONDS or round_.clock) and time_left(run) <= 0:
            break
        if SHARES:
            asked.append(name_of(drawn, round_number))
        heading = (
            say("QUESTION_OF", number=number, count=len(whole))
            if whole
            else say("QUESTION_NUMBER", number=number)
        )
        if len(ROUNDS) > 1:
            heading = f"{round_.title}: {heading}"
        found = ask(run, round_number, drawn, number, heading, False)
        while found.to == AGAIN:
            if (GAME_SECONDS or round_.clock) and time_left(run) <= 0:
                found = PlainWay(TIME_UP)
            else:
                found = ask(run, round_number, drawn, number, heading, True)
        if found.to == TIME_UP:
            break
        if found.to == ENDING:
            return found
        if LEAVES:
            run.rows_gone.update(drawn.question.rows)
        if MAX_PLAYERS > 1:
            run.turn = (run.turn + 1) % len(run.players)
            run.player = run.players[run.turn]
        if found.to in (NEXT_ROUND, ROUND):
            is_left = True
            way = found
            break
    if GAME_SECONDS and run.game_left <= 0 and not is_left:
        return PlainWay(ENDING)
    if "round_over" in HEARD:
        if MAX_PLAYERS == 1:
            after = round_over(run.player, round_number)
            if after.to == ENDING:
                return after
            way = way if after.to == SAME else after
        else:
            for player in run.players:
                run.player = player
                after = round_over(player, round_number)
                if after.to == ENDING:
                    return after
                way = way if after.to == SAME else after
            run.player = run.players[run.turn]
    if SHARES:
        run.asked.update(asked)
    if COMES_AGAIN:
        run.visits[round_number] += 1
    if "round_over" in CUED:
        cue("round over", run.player)
    return way


def round_over(player: Player, round_number: int) -> PlainWay:
    """What the rules make of the end of a round for a player."""
    player.round_number = round_number + 1
    return score(player, "round_over", STAYS)


# ---- End: which ending it comes to ----
ENDINGS: dict[str, str] = {}


def ending_at_once(player: Player) -> str:
    """The ending that has come, whatever is asked next."""
    return "" if player.score else "The end"


def ending_for(player: Player, leaders: int, player_count: int) -> str:
    """The first ending that fits, now that the game is over."""
    return "" if player.score and leaders < player_count else "The end"


def opening(player: Player) -> str:
    """What is said before the first question."""
    return player.name


def told(player: Player) -> str:
    """What is counted for a player."""
    return f"{player.score}"


def main() -> None:
    """Play once. The dice can be given, to play the same game again."""
    dice = int(sys.argv[1]) if len(sys.argv) > 1 else random.randrange(10**9)
    print(TITLE)
    if MAX_PLAYERS > 1:
        players = welcome()
        run = Run(dice, player=players[0], players=players)
    elif ASKS_NAMES:
        name = input(f"{say('YOUR_NAME')}: ").strip() or say("PLAYER")
        run = Run(dice, player=Player(name))
    else:
        run = Run(dice, player=Player(say("PLAYER")))
    run.game_left = 1000 * GAME_SECONDS or sys.maxsize
    if OPENS:
        print(opening(run.player))
    title = play(run)
    if "game_over" in HEARD:
        if MAX_PLAYERS > 1:
            for player in run.players:
                score(player, "game_over", STAYS)
        else:
            score(run.player, "game_over", STAYS)
    player = run.player
    if not title:
        if MAX_PLAYERS > 1:
            scores = [each.score for each in run.players]
            best = min(scores) if LOWEST_WINS else max(scores)
            player = next(each for each in run.players if each.score == best)
            title = ending_for(player, scores.count(best), len(scores))
        else:
            title = ending_for(player, 1, 1)
    if "ending" in CUED:
        cue("ending", player)
    if ALWAYS_ENDS:
        print(f"\n{title}\n{ENDINGS[title].format(player=player)}")
    else:
        print(f"\n{title or say('THE_END')}\n{ENDINGS.get(title, '').format(player=player)}")
    if MAX_PLAYERS > 1:
        for each in run.players:
            print(told(each))
    else:
        print(told(player))
    print(f"({dice})")


if __name__ == "__main__":
    # A character that the terminal lacks is printed as a question mark.
    with open(1, "w", encoding=sys.stdout.encoding, errors="replace", closefd=False) as sys.stdout:
        try:
            main()
        except (EOFError, KeyboardInterrupt):
            print(f"\n{say('GIVEN_UP')}")
