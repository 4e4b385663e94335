"""Where a run can go: what `reach` knows is what runs come to, and the other way round."""

import random
import unittest
from collections import deque
from dataclasses import replace
from itertools import combinations, permutations, product

from dicetrail.core import (
    After,
    Answer,
    Ask,
    Begin,
    Check,
    Continue,
    Details,
    Draw,
    DrawOrder,
    Ending,
    Game,
    Hint,
    Kind,
    Letter,
    Moves,
    Opening,
    Pack,
    Pass,
    Phase,
    Question,
    Quit,
    Refill,
    Round,
    To,
    Wait,
    Way,
    start,
    step,
)
from dicetrail.core.answers.letters import letters_of
from dicetrail.core.document import (
    Facts,
    Leaves,
    Needs,
    OrderShare,
    PartlyRight,
    Pattern,
    RoundOrder,
)
from dicetrail.core.play import Finish, Intent, next_input
from dicetrail.core.play.program import made_ready, most_questions, question_of, round_of
from dicetrail.core.play.state import RoundInPlay
from dicetrail.core.survey.reach import Final, reach
from tests.exhaustive import exhaustive

POOL = (
    Question("Root?", ("Carrot",), ("Pea",), details=Details(worth=1, level=1, hint="orange")),
    Question("Leaf?", ("Kale",), ("Leek",), details=Details(worth=3, level=3)),
    Question("Fruit?", ("Plum",), ("Beet",), details=Details(worth=3, level=2, seconds=2)),
    Question("Pod?", ("Pea",), ("Oak",), details=Details(worth=1, level=1)),
    Question("Spell", ("bee",), (), Kind.LETTERS, Details(misses=2)),
    Question("Year?", ("sow", "hoe", "reap"), (), Kind.ORDER, Details(worth=3)),
    Question("Why?", ("It rains.",), (), Kind.JUDGED, Details(worth=3)),
    Question("A ___ gives ___.", ("bee", "honey"), ("hen",), Kind.GAPS, Details(worth=2)),
    Question(
        "Where?",
        ("hive = rectangle 0 0 9 9", "shed = rectangle 20 0 29 9"),
        ("pond = rectangle 40 0 49 9",),
        Kind.PLACE,
        Details(worth=2, picture="plan.png", needs=Needs.ALL),
    ),
    Question("How many?", ("3",), (), Kind.ESTIMATE, Details(worth=2, least="0", most="4")),
    Question("Who?", ("bee = honey", "hen = egg", "cow = milk"), (), Kind.MATCH, Details(worth=2)),
    Question("Pods?", ("Pea", "Bean"), ("Oak", "Yew"), details=Details(worth=2, needs=Needs.ALL)),
)
SCRIPTS = (
    "def right():\n    score += worth\n",
    "lives = 2\ndef right():\n    score += 1\ndef wrong():\n    if tries_left == 0:\n"
    "        lives -= 1\n",
    "def right():\n    score += 2\ndef timeout():\n    score -= 1\ndef passed():\n    score -= 3\n",
    "def right():\n    score += 5 - tries_used\ndef hinted():\n    score -= 1\n",
    "def right():\n    score += roll(3)\n",
    "def right():\n    score += seconds_left\n",
    "def letter_hit():\n    score += 1\ndef letter_miss():\n    score -= 1\n",
    "def wrong():\n    if tries_left == 1:\n        skip()\ndef right():\n    score += streak\n",
    "def wrong():\n    out()\ndef right():\n    score += 1\n",
    "def right():\n    score += player_number\n    if right_count == 2:\n        go('1')\n",
    "def round_over():\n    if right_count == 0:\n        finish('E0')\n",
    "def right():\n    score += 1\n    add_time(1)\ndef wrong():\n    add_time(-1)\n",
    "def right():\n    score += level\ndef passed():\n    again()\n",
    "def right():\n    score += mistakes + percent // 50\n",
    "def partly():\n    score += 3 * share // 100\ndef right():\n    score += 3\n",
    "def partly():\n    if partly_count == 1:\n        go('1')\ndef wrong():\n    score -= 1\n",
    "def right():\n    score += worth_percent // 40\ndef wrong():\n    score -= done_worth\n",
)
CONDITIONS = (
    "",
    "worth_percent >= 50",
    "right_worth == 3",
    "leaders > 1",
    "partly_share > 50",
    "round_number == 2",
    "mistakes > 1",
    "player_number == 2",
)
ONCE = ("", "streak == 2", "tries_left == 0 and tries_used > 0", "lives == 0", "level == 3")
WAYS = (Way(), Way(), Way(), Way(To.AGAIN), Way(To.NEXT_ROUND), Way(To.ENDING, "E0"))


def any_round(chances, title):
    pick = chances.choice
    pool = chances.sample(range(len(POOL)), chances.randrange(1, 4))
    draw = Draw(
        pick((None, 1, 2, 3)),
        pick(list(DrawOrder)),
        player_chooses=chances.random() < 0.3,
        refill=pick((Refill.NEVER, Refill.NEVER, Refill.NEVER, *Refill)),
    )
    ask = Ask(
        tries=pick((1, 1, 2, None)),
        seconds=pick((None, None, 3)),
        passing=chances.random() < 0.3,
    )
    moves = Moves(*(pick(WAYS) for _ in range(5)))
    check = Check(
        partly=pick(list(PartlyRight)),
        order_share=pick(list(OrderShare)),
        right_from=pick((1, 50, 51, 100)),
    )
    seconds = pick((None, None, None, 4))
    after = After(hold_ms=0)
    round_ = Round(title, (title,), draw=draw, ask=ask, check=check, after=after, moves=moves)
    if chances.random() < 0.15:
        rows = tuple((name, pick("xy"), pick("123")) for name in "abc")
        patterns = (
            Pattern(title, "{one}?", "two", choices=2, leaves=pick(list(Leaves)), level="three"),
            Pattern(title, "{two}?", "one", leaves=pick(list(Leaves)), worth="three"),
        )
        both = chances.random() < 0.5
        patterns = patterns[: 1 + both]
        round_ = replace(round_, packs=(), patterns=patterns)
        facts = Facts(("one", "two", "three"), (*rows, ("d", "z", "1")))
        return replace(round_, seconds=seconds), Pack(title, facts=facts)
    return replace(round_, seconds=seconds), Pack(title, tuple(POOL[at] for at in pool))


def any_game(chances):
    """A small game and its packs, with whatever rules can meet."""
    pick = chances.choice
    made = [any_round(chances, str(number)) for number in range(pick((1, 1, 2)))]
    script = pick(SCRIPTS)
    once = pick(ONCE)
    if "lives" in once and "lives" not in script:
        once = ""
    endings = [
        Ending("E0", "", pick((None, 2, 4)), when=pick(CONDITIONS)),
        Ending("E1", "", None, pick((None, 0, 3))),
    ]
    if once:
        endings.insert(0, Ending("Once", "", when=once, at_once=True))
    game = Game(
        "Any",
        tuple(round_ for round_, _ in made),
        tuple(endings),
        script,
        Opening(
            most_players=pick((1, 1, 1, 2)),
            equal_turns=chances.random() < 0.5,
            rounds=pick(list(RoundOrder)),
        ),
        seconds=pick((None, None, None, 5)),
    )
    if "go('1')" in script and len(made) == 1:
        game = replace(game, script="def right():\n    score += 1\n")
    return game, {pack.title: pack for _, pack in made}


def ready(chances):
    """A game made ready, whatever gaps there are between its endings."""
    game, packs = any_game(chances)
    return made_ready(game, packs), packs


def script_actions(program, state):
    """Everything a player can do now that could matter, with how long after."""
    if state.phase is Phase.OPENING:
        rounds = range(len(program.game.rounds))
        for number in rounds:
            here = state._replace(round=RoundInPlay(number))
            chooses = round_of(program, here).draw.player_chooses
            most = min(4, most_questions(program, here))
            for wanted in (None, *(range(1, most + 1) if chooses else ())):
                yield Begin(number, wanted), 0
    elif state.phase is Phase.HOLDING:
        yield Continue(), 0
    else:
        for intent in (Intent.RIGHT, Intent.WRONG):
            given = next_input(program, state, intent, state.at)
            for pause in (0, 1, 1000, 1001, 2001) if state.clocks.soonest else (0,):
                yield given.action, pause
        question = question_of(program, state)
        if question.kind is Kind.JUDGED:
            yield from ((Answer(place), 0) for place in (1, 2, 3))
        if question.kind is Kind.GAPS:
            filled = product(("", "bee", "hen"), ("", "honey", "hen"))
            yield from ((Answer("\n".join(words)), 0) for words in filled)
        if question.kind is Kind.PLACE:
            yield Answer((1500,)), 0
            yield Answer((1, 1500)), 0
        if question.kind is Kind.ESTIMATE:
            yield from ((Answer(place), 0) for place in range(1, 6))
        if question.kind in (Kind.ORDER, Kind.MATCH):
            yield from ((Answer(order), 0) for order in permutations((1, 2, 3)))
        if question.details.needs is Needs.ALL:
            choices = range(1, len(question.choices) + 1)
            for count in choices:
                yield from ((Answer(picked), 0) for picked in combinations(choices, count))
        for left in state.clocks.countdowns:
            yield Wait(), max(0, left)
        yield Pass(), 0
        yield Hint(), 0
        yield Finish(), 0
        if question.kind is Kind.LETTERS:
            for letter in (*sorted(letters_of(question.right[0])), "x", "y", "z"):
                yield Letter(letter), 0


def final(program, state):
    return Final(program.rules.merged(state.tally), state.ending)


def played_to_its_end(program, chances, most=80):
    """A run of things done at random, some of them at the last moment; None if it goes on."""
    players = ("Ada", "Ben")[: chances.randrange(1, program.game.opening.most_players + 1)]
    state = start(program, chances.randrange(10**6), players).state
    for _ in range(most):
        if state.phase is Phase.ENDED:
            return state
        action, pause = chances.choice(list(script_actions(program, state)))
        if chances.random() < 0.01:
            action, pause = Quit(), 0
        state = step(program, state, action, state.at + pause).state
    return None


class TestReach(unittest.TestCase):
    def ends_as_reach_knows(self, games, times):
        """Whether random runs of random games end as the survey says."""
        chances = random.Random(1107)
        runs = ended = whole = 0
        for _ in range(games):
            program, packs = ready(chances)
            reached = reach(program.game, program.rules, packs)
            whole += reached.is_whole
            for _ in range(times):
                state = played_to_its_end(program, chances)
                runs += 1
                if state is None or state.gave_up:
                    continue
                ended += 1
                if reached.is_whole:
                    self.assertIn(final(program, state), reached.finals, program.game)
        self.assertGreater(ended, 0.8 * runs, "most runs end")
        self.assertGreater(whole, games // 2, "most games are followed whole")

    def test_runs_of_some_games_end_as_reach_knows(self):
        self.ends_as_reach_knows(24, 6)

    @exhaustive
    def test_every_run_ends_as_reach_knows(self):
        self.ends_as_reach_knows(120, 15)

    @exhaustive
    def test_whatever_reach_gives_exactly_a_run_comes_to(self):
        chances = random.Random(2207)
        games = 0
        while games < 12:
            program, packs = ready(chances)
            reached = reach(program.game, program.rules, packs)
            is_small = 1 < len(reached.finals) <= 8
            if program.game.opening.most_players > 1 or not (reached.is_exact and is_small):
                continue
            games += 1
            missing = set(reached.finals)
            for dice, most in [(dice, 250) for dice in range(20)] + [(n, 3000) for n in range(8)]:
                if missing:
                    missing -= all_ends(program, dice, most)
            self.assertEqual(missing, set(), program.game)


def all_ends(program, dice, most=500):
    """The ends of the runs with some dice, the shortest first, as far as a bounded search
    comes."""
    waiting, seen, ends = deque([start(program, dice).state]), set(), set()
    while waiting and len(seen) < most:
        state = waiting.popleft()
        for action, pause in script_actions(program, state):
            after = step(program, state, action, state.at + pause).state
            key = after._replace(
                at=0,
                heard=(),
                told=(),
                unattended=0,
                question=after.question._replace(given=None),
                history=after.history._replace(presented_count=0),
            )
            if key in seen:
                continue
            seen.add(key)
            if after.phase is Phase.ENDED:
                ends.add(final(program, after))
            else:
                waiting.append(after)
    return ends
