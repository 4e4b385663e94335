"""Games as plain Python programs: they play as the engine does, read well, or are refused."""

import os
import subprocess
import sys
import tempfile
import unittest
from dataclasses import replace
from itertools import product
from pathlib import Path
from random import Random

from hypothesis import given
from hypothesis import strategies as st
from typer.testing import CliRunner

from dicetrail.cli import app
from dicetrail.core import (
    After,
    Ask,
    Check,
    Cue,
    Details,
    Draw,
    DrawOrder,
    Ending,
    Game,
    ItemList,
    Kind,
    Lists,
    Moves,
    Needs,
    Occasion,
    Opening,
    Order,
    Pack,
    Question,
    Refill,
    Reveal,
    Round,
    Severity,
    Shows,
    Sums,
    To,
    Way,
    survey,
)
from dicetrail.core.document import (
    EstimateShare,
    Language,
    Leaves,
    ListsAsk,
    Made,
    Operator,
    OrderShare,
    PartlyRight,
    Pattern,
    Phrase,
    RoundOrder,
    Span,
)
from dicetrail.core.play import Stop, made_ready
from dicetrail.core.rules import SCRIPT_RECIPES
from dicetrail.demo import GAMES as ALL_OF_DEMO
from dicetrail.files import read_game
from dicetrail.services.game_files import game_file_of
from dicetrail.takeaway.written import CannotBeWritten, plain_program
from tests.core.examples import BEDS, ENDINGS, FIVE, PACKS, changed
from tests.core.test_laws import once
from tests.exhaustive import exhaustive
from tests.takeaway import written
from tests.web.demo import DemoTest

MIXED = Pack(
    "Mixed",
    (
        Question("Kale is a leaf", ("true",), (), Kind.TRUTH, Details(note="It is.")),
        Question("What do bees make?", ("Honey", "bees wax"), (), Kind.TYPED, Details(level=2)),
        Question("Half of five?", ("5/2",), (), Kind.NUMBER, Details(tolerance="10%", worth=4)),
        Question("Say it", ("Marrow pie",), (), Kind.LETTERS, Details(hint="P…", seconds=9)),
        Question(
            'Carrot {score} "or" \\?',
            ("root",),
            ("leaf", "fruit"),
            Kind.SORT,
            Details(when_right="Well dug!", when_wrong="Dig again.", hint="It is pulled."),
            ("Not above the ground.", ""),
        ),
        Question(
            "Which?", ("a.svg",), ("b.svg", "c.svg"), details=Details(shows=Shows.PICTURE, level=3)
        ),
        Question(
            "Last?", ("Pea", "Bean"), ("none of them",), details=Details(pinned="none of them")
        ),
    ),
)
ODD = Pack(
    "Texts that look like parts of a program",
    (
        Question("f", ("f",), ("plan f", "count"), details=Details(note="#: has_tries")),
        Question('f"{score}" «RIGHT»', ("round_.tries",), ("'", '"'), replies=("\\n", "f")),
        Question("tell_answer(question) #= rules", ("(",), ("[ (",), details=Details(hint="x (")),
        Question("Two\nlines {score} {}", ("\u2028 é\u200f",), ("# ---- Ask: x ----",)),
    ),
)
PARTS = Pack(
    "Answers of several parts",
    (
        Question(
            "Year", ("sow", "hoe", "reap", "dry", "store"), (), Kind.ORDER, Details(note="So.")
        ),
        Question(
            "Beds",
            ("carrot = root", "kale = leaf", "beet = root"),
            ("pod",),
            Kind.MATCH,
            Details(when_wrong="Dig again."),
        ),
        Question("Homes", ("bee = hive", "fox = den", "bird = nest"), (), Kind.MATCH),
        Question("A bee gives ___.", ("honey | a honey",), (), Kind.GAPS),
        Question("___ is a ___, ___ too.", ("Pea", "seed // leaf | pod", "bean"), (), Kind.GAPS),
        Question("___ or ___?", ("egg", "milk"), ("wax",), Kind.GAPS),
        Question("Both?", ("kale", "chard"), ("beet", "pea"), details=Details(needs=Needs.ALL)),
        Question(
            "Leaves?",
            ("a.svg", "b.svg"),
            ("c.svg",),
            details=Details(needs=Needs.ALL, shows=Shows.PICTURE),
            replies=("No leaf.",),
        ),
        Question(
            "How tall?",
            ("2.5",),
            (),
            Kind.ESTIMATE,
            Details(least="0", most="10", step="0.5", unit="m", tolerance="20%"),
        ),
        Question("How many?", ("40",), (), Kind.ESTIMATE, Details(least="-10", most="110")),
        Question("Say why.", ("It rains.", "It pours."), (), Kind.JUDGED, Details(note="Wet.")),
        Question(
            "Where is the hive?",
            ("hive = rectangle 10 20 40 60",),
            ("shed = ellipse 70 70 90 90",),
            Kind.PLACE,
            Details(picture="plan.svg"),
            ("That is the shed.",),
        ),
        Question(
            "Where is shade?",
            ("elm = rectangle 0 0 20 20", "oak = rectangle 30 30 50 50"),
            ("pond = rectangle 60 60 90 90",),
            Kind.PLACE,
            Details(picture="plan.svg", needs=Needs.ALL),
        ),
    ),
)
SAID = Details(when_right="Well dug.", when_wrong="Dig again.", note="So.", hint="Below.")
ONE_KIND = {
    kind.value: Pack(
        kind.value,
        tuple(
            Question(f"{right}?", (right,), wrong, kind, replace(SAID, worth=worth))
            for worth, (right, wrong) in enumerate(answers, 2)
        ),
    )
    for kind, answers in {
        Kind.TYPED: (("honey", ()), ("bees wax", ())),
        Kind.NUMBER: (("8", ()), ("1/2", ())),
        Kind.LETTERS: (("pea", ()), ("kale", ())),
        Kind.TRUTH: (("true", ()), ("false", ())),
        Kind.CHOICE: (("pea", ("leek",)), ("kale", ("beet", "fig"))),
    }.items()
}
"""Packs of one kind each, so that a program has what that kind needs and nothing else."""
PARTS_OF_ONE = {
    f"{kind.value} alone": Pack(kind.value, tuple(q for q in PARTS.questions if q.kind is kind))
    for kind in dict.fromkeys(question.kind for question in PARTS.questions)
}
ALL_PACKS = {
    **PACKS,
    "mix": MIXED,
    "beds": BEDS,
    "endings": ODD,
    "parts": PARTS,
    **ONE_KIND,
    **PARTS_OF_ONE,
}
PATTERNS = (
    Pattern("beds", "Family of {plant}?", "family", level="level"),
    Pattern("beds", "Bed {bed}?", "plant", Made.TYPED, leaves=Leaves.RIGHT),
    Pattern("beds", "Sown in month {sown}?", "plant", choices=3, leaves=Leaves.RIGHT),
)
LISTS = (Lists((ItemList("Root", ("beet", "carrot")), ItemList("Leaf", ("kale", "chard")))),)
SUMS = (
    Sums(choices=4, count=3),
    Sums(Operator.OVER, count=2),
    Sums(Operator.MINUS, Span(1, 5), Span(1, 9), negative=True, choices=3, count=3),
    Sums(Operator.PLUS, Span(1, 5), Span(1, 5), cap=1, denominators=Span(4, 6), count=2),
    Sums(Operator.TIMES, Span(0, 12), Span(2, 4), cap=30, choices=6, count=4),
)
WAYS = st.sampled_from(
    [*[Way()] * 12, Way(To.AGAIN), Way(To.NEXT_ROUND), Way(To.ROUND, "0"), Way(To.ENDING, "E0")]
)
SCRIPTS = st.sampled_from(
    [
        "score = 0\n\ndef right():\n    score += 3  # three each\n\ndef wrong():\n    score -= 1\n",
        "lives = 2\ndef right():\n    score += worth + streak\ndef wrong():\n    lives -= 1\n",
        "score = 5\ndef right():\n    score += 6 // (tries_used - 1) - 20 // seconds_left\n"
        "def timeout():\n    score //= 2\n    tell('{name}: {percent} % of {asked_count}')\n",
        "best = 1\ndef more(): best += 1; score += best\ndef right():\n    if verdict == 'close':\n"
        "        more()\n    elif score > 4 and percent_left >= 50:\n        go('0')\n"
        "    else:\n        score += [9, 5][tries_used - 1]\ndef wrong():\n"
        "    if tries_left == 1:\n        skip()\ndef hinted():\n    score -= level\n",
        "def partly():\n    score += share // 10 + partly_count\n    if tries_left == 0:\n"
        "        tell('{percent} {worth_percent} {streak}')\ndef right():\n    score += share\n"
        "def passed():\n    if partly_share > 100: finish('E0')\n",
        "def letter_hit():\n    score += 1\ndef letter_miss():\n    score -= mistakes\n"
        "def passed():\n    again()\ndef asked():\n    score += round_number * 100\n"
        "def game_over():\n    score += right_count - wrong_count\n",
        "# ---- Ask: mine ----\n# it grows (\ndef count():  # ) (\n    score += 2  # [\n\n"
        "def pick():\n    tell(\n        'f {score} ('\n    )\n    pass  # so\n"
        "def right(): count(); pick()\ndef wrong():\n    pass  # nothing\n"
        "def timeout():\n    pass\n",
        "def right():\n    if 10 / score > 3:\n        score = max(score, number) * score\n"
        "    else:\n        score = abs(score) * score * 1000000 + 3\n    cue('c')\n    reveal()\n"
        "def wrong():\n    reveal() \n    if best_streak > 1: finish('E0')\n",
    ]
).map(lambda script: script.replace("10 / score", "10 // score"))
BOUNDS = st.none() | st.integers(-20, 30)
SOME_ENDINGS = st.lists(
    st.builds(
        lambda least, most, once, when: Ending(
            "", '{score} "points", {percent} % {what}.', least, most, at_once=once, when=when
        ),
        BOUNDS,
        BOUNDS,
        st.booleans(),
        st.sampled_from(["", "", "right_count > 1 or score > 90", "not mistakes  # none"]),
    ),
    min_size=1,
    max_size=3,
).map(lambda ends: tuple(replace(end, title=f"E{n}") for n, end in enumerate(ends)))
SECONDS = st.none() | st.integers(1, 30)
ROUNDS = st.builds(
    Round,
    title=st.just(""),
    packs=st.sampled_from(
        [
            ("veg",),
            ("mix",),
            ("mix", "veg"),
            (),
            ("endings",),
            ("parts",),
            ("parts", "mix"),
            *((name,) for name in ONE_KIND),
        ]
    ),
    lists=st.sampled_from([(), LISTS]),
    patterns=st.sampled_from([(), (), (), PATTERNS, PATTERNS[:1]]),
    sums=st.sampled_from([(), (), SUMS[:1], SUMS[1:2], SUMS[2:4], SUMS]),
    draw=st.builds(
        Draw,
        count=st.none() | st.integers(1, 14),
        order=st.sampled_from([DrawOrder.SHUFFLED, DrawOrder.WRITTEN, DrawOrder.EASY_FIRST]),
        refill=st.sampled_from([*[Refill.NEVER] * 3, Refill.WHEN_EMPTY]),
    ),
    ask=st.builds(
        Ask,
        choice_order=st.sampled_from([Order.SHUFFLED, Order.SHUFFLED, Order.WRITTEN]),
        spread=st.booleans(),
        shown=st.none() | st.integers(2, 4),
        tries=st.none() | st.integers(1, 3),
        misses=st.integers(1, 4),
        seconds=SECONDS,
        hints=st.booleans(),
        passing=st.booleans(),
    ),
    check=st.builds(
        Check,
        by_letter=st.booleans(),
        by_place=st.booleans(),
        by_text=st.booleans(),
        ignore_case=st.booleans(),
        ignore_accents=st.booleans(),
        ignore_punctuation=st.booleans(),
        articles=st.sampled_from(["", "the a an", "l' the"]),
        typos=st.integers(0, 2),
        partly=st.sampled_from(PartlyRight),
        order_share=st.sampled_from(OrderShare),
        estimate_share=st.sampled_from(EstimateShare),
        estimate_reach=st.integers(1, 100),
        right_from=st.integers(1, 100),
    ),
    after=st.builds(After, st.sampled_from(Reveal)),
    moves=st.builds(Moves, WAYS, WAYS, WAYS, WAYS, WAYS),
    seconds=SECONDS,
)
CUES = (
    Cue("c", (Occasion.RIGHT, Occasion.LIFE_LOST), "{score} now, {name}"),
    Cue("d", (Occasion.STREAK, Occasion.LATE, Occasion.ENDING), "{streak} {braces}", streak=2),
    Cue("e", (Occasion.HINT, Occasion.LETTER_MISS, Occasion.SHOWN, Occasion.CLOSE), "Psst"),
)
GAMES = st.builds(
    lambda rounds, endings, script, cues, seconds, players, names, language: Game(
        'Any "game"',
        tuple(replace(round_, title=str(n)) for n, round_ in enumerate(rounds)),
        (*endings, Ending("Rest", "")),
        script,
        Opening("{name}, begin {here}.", names, most_players=players),
        cues,
        seconds,
        language=language,
    ),
    st.lists(ROUNDS, min_size=1, max_size=3),
    SOME_ENDINGS,
    SCRIPTS,
    st.sampled_from([(), CUES]),
    SECONDS,
    st.integers(1, 2),
    st.booleans(),
    st.sampled_from([Language.ENGLISH, Language.ITALIAN, Language.GERMAN, Language.ARABIC]),
)


def built(game):
    """The program of a game; None where a fault besides its endings keeps it from being played."""
    open_ = (Ending("E0", ""), Ending("Rest", ""))
    rounds = tuple(map(once, game.rounds))
    aside = replace(game, endings=open_, script="score = 0\n", opening=Opening(), rounds=rounds)
    if any(problem.severity is Severity.FAULT for problem in survey(aside, ALL_PACKS)):
        return None
    return made_ready(game, ALL_PACKS, recall={})


def both(case, program, text, dice, most=40):
    """Play a game by the engine and by its program, and hold one against the other."""
    opening = program.game.opening
    players = ("Marjory", "Ted")[: opening.most_players]
    if opening.most_players == 1 and not opening.asks_names:
        players = (program.translator.say(Phrase.PLAYER),)
    game = written.Game(program, dice, players)
    wanted = game.play(Random(dice), most)
    asks = opening.asks_names or opening.most_players > 1
    names = players if asks else ()
    printed = written.run_program(text, dice, names, game.typed)
    wanted, printed = (written.alike(lines, program.translator) for lines in (wanted, printed))
    case.assertEqual(wanted, printed[: len(wanted)], text)
    return wanted


def passes(case, texts, *tool):
    """Whether a checker of code has nothing to say of some programs."""
    with tempfile.TemporaryDirectory() as folder:
        for number, text in enumerate(texts):
            (Path(folder) / f"game{number}.py").write_text(text, "utf-8")
        files = sorted(map(str, Path(folder).glob("*.py")))
        command = [sys.executable, "-m", *tool, *files]
        told = subprocess.run(command, cwd=folder, capture_output=True, text=True, timeout=120)
    case.assertEqual(told.returncode, 0, told.stdout[:3000] + told.stderr[:500])


class TestAnyGame(unittest.TestCase):
    def test_a_program_prints_what_the_engine_would_tell_and_reads_well(self):
        texts = []

        @given(GAMES, st.integers(0, 10**6))
        def whatever_is_typed(game, dice):
            program = built(game)
            if program is None:
                return
            try:
                text = plain_program(game, ALL_PACKS, "any.py").text
            except CannotBeWritten as refused:
                self.assertTrue(refused.reasons)
                return
            texts.append(text)
            both(self, program, text, dice)

        whatever_is_typed()
        self.assertGreater(len(texts), 10)
        passes(self, texts, "ruff", "check", "--isolated")
        passes(self, texts[-8:], "mypy", "--strict", "--config-file=", "--cache-dir=.m")


class TestOneKind(unittest.TestCase):
    def test_a_game_of_one_kind_has_all_that_kind_needs(self):
        for name, tries, check in product(ONE_KIND, (1, 2), (Check(), Check(typos=1))):
            round_ = Round("Only", (name,), ask=Ask(tries=tries, passing=True), check=check)
            game = Game("Only", (round_,), (Ending("Over", "{score}"),))
            text = plain_program(game, ALL_PACKS, "any.py").text
            with self.subTest(name, tries=tries, typos=check.typos):
                for dice in range(4):
                    both(self, built(game), text, dice)

    def test_a_game_of_one_kind_of_several_parts_has_all_that_kind_needs(self):
        texts, partly = [], "def partly():\n    score += share\n"
        counted = Check(
            typos=1,
            partly=PartlyRight.LESS_WRONG,
            order_share=OrderShare.PAIRS,
            estimate_share=EstimateShare.HALVES,
            right_from=60,
        )
        for name, check, script in product(PARTS_OF_ONE, (Check(), counted), ("", partly)):
            round_ = Round("Only", (name,), ask=Ask(tries=2, passing=True), check=check)
            # In Italian the word between the last two is a letter of a choice: “a e c”.
            language = Language.ITALIAN if script else Language.ENGLISH
            game = Game(
                "Only",
                (round_,),
                (Ending("Over", "{percent} %"),),
                f"score = 0\n{script}",
                language=language,
            )
            program = built(game)
            texts.append(plain_program(game, ALL_PACKS, "any.py").text)
            with self.subTest(name, check=check, script=script):
                for dice in range(6):
                    both(self, program, texts[-1], dice)
        passes(self, texts, "ruff", "check", "--isolated")
        passes(self, texts, "mypy", "--strict", "--config-file=", "--cache-dir=.m")

    def test_it_ends_with_a_word_where_nothing_more_is_typed(self):
        game = Game("Only", (Round("Only", ("typed",)),), (Ending("Over", ""),))
        with tempfile.TemporaryDirectory() as folder:
            file = Path(folder) / "only.py"
            file.write_text(plain_program(game, ALL_PACKS, "any.py").text, "utf-8")
            command = [sys.executable, str(file), "5"]
            for typed in ("", "honey\n", "no\n"):
                told = subprocess.run(
                    command, input=typed, capture_output=True, text=True, timeout=30
                )
                self.assertEqual((told.returncode, told.stderr), (0, ""))
                self.assertEqual(told.stdout.splitlines()[-1], "Given up")


@exhaustive
class TestCounts(unittest.TestCase):
    def test_questions_are_counted_alike_whatever_rules_moves_and_tries_do(self):
        told = "{percent} % {right_count} {wrong_count} {mistakes} {asked_count} "
        told += "{right_worth} of {done_worth}: {worth_percent} %"
        tells = (
            f"def game_over():\n    score += 100 * right_count - wrong_count\n    tell('{told}')\n"
        )
        scripts = (
            "",
            "def passed():\n    again()\n",
            "def wrong():\n    if tries_left == 0 and mistakes < 3:\n        again()\n",
            "def wrong():\n    skip()\n",
            "def right():\n    if streak == 2:\n        finish('E0')\n",
            "def right():\n    score += wrong_count\n    if right_count < 3:\n        again()\n",
        )
        moves = (
            Moves(),
            Moves(wrong=Way(To.AGAIN)),
            Moves(right=Way(To.AGAIN)),
            Moves(wrong=Way(To.NEXT_ROUND)),
        )
        endings = ((), (Ending("E1", told, at_once=True, when="wrong_count > 2 or percent == 40"),))
        played = 0
        for script, ways, tries, early in product(scripts, moves, (1, 2), endings):
            ends = (*early, Ending("E0", told, at_least=300), Ending("Rest", told))
            game = changed(ask=Ask(tries=tries), moves=ways, draw=Draw(6))
            game = replace(game, script=f"score = 0\n{script}{tells}", endings=ends)
            program = built(game)
            if program is None:
                continue
            text = plain_program(game, ALL_PACKS, "any.py").text
            with self.subTest(script=script, moves=ways, tries=tries, early=bool(early)):
                for dice in range(3):
                    both(self, program, text, dice)
                played += 1
        self.assertGreater(played, 60)


@exhaustive
class TestReading(unittest.TestCase):
    def test_what_is_typed_is_read_alike_however_forgiving_a_round_is(self):
        """Words that stand twice in an answer, numbers with characters of their own, odd quotes."""
        asked = ({"packs": ("endings",)}, {"packs": ("mix",)}, {"packs": (), "sums": SUMS[2:3]})
        for typos, points, case, sources in product((0, 1, 2), (True, False), (True, False), asked):
            forgiving = Check(
                by_letter=False,
                by_place=False,
                typos=typos,
                ignore_punctuation=points,
                ignore_case=case,
            )
            game = changed(ask=Ask(tries=None), check=forgiving, draw=Draw(None), **sources)
            game = replace(game, endings=(Ending("Rest", ""),))
            program = built(game)
            text = plain_program(game, ALL_PACKS, "any.py").text
            with self.subTest(typos=typos, points=points, case=case, **sources):
                for dice in range(8):
                    both(self, program, text, dice)


class TestReadyRules(unittest.TestCase):
    def test_their_programs_read_well_whatever_stands_idle_in_them(self):
        base = changed(ask=Ask(tries=3, seconds=20))
        idle = "def right():\n    score += 1\n    pass  # so\ndef wrong():\n    pass  # nothing\n"
        scripts = [recipe.script for recipe in SCRIPT_RECIPES if "add_time" not in recipe.script]
        games = (replace(base, script=script) for script in (*scripts, "score = 0\n" + idle))
        texts = [plain_program(game, PACKS, "game.py").text for game in games]
        alike = changed(packs=("mix",), ask=Ask(tries=3, misses=3))
        texts.insert(0, plain_program(alike, ALL_PACKS, "game.py").text)
        self.assertRegex(texts[0], "\n    tries = 3\n")
        passes(self, texts, "ruff", "check", "--isolated")
        self.assertIn("\n    # nothing\n", texts[-1])
        self.assertNotIn("pass  #", texts[-1])


ODD_ONES = Lists(tuple(ItemList(t, ("a", "b", "c")) for t in "XY"), ListsAsk.ODD_ONE_OUT)
TWICE = replace(FIVE.rounds[0], packs=("veg", "veg"))
BY_MONTH = Pattern("beds", "Sown first?", "plant", Made.ORDER, by="sown")
LEFT = Pattern("beds", "Bed {bed}?", "plant", leaves=Leaves.RIGHT)
MENU = Opening(rounds=RoundOrder.CHOOSE_ONE)
REFUSED = [
    (Stop.OPEN, "menu", replace(FIVE, rounds=FIVE.rounds * 2, opening=MENU)),
    (Stop.OPEN, "as many turns", replace(FIVE, opening=Opening(most_players=2, equal_turns=True))),
    (Stop.DRAW, "by weight", changed(draw=Draw(5, DrawOrder.WEIGHTED))),
    (Stop.DRAW, "go back at once", changed(draw=Draw(5, refill=Refill.EACH_TIME))),
    (Stop.DRAW, "how many questions", changed(draw=Draw(5, player_chooses=True))),
    (Stop.DRAW, "topic or level", changed(draw=Draw(5, levels=(1,)), lists=LISTS)),
    (Stop.DRAW, "filled again", changed(draw=Draw(5, refill=Refill.WHEN_EMPTY), patterns=(LEFT,))),
    (Stop.LOAD, "odd ones out", changed(lists=(ODD_ONES,))),
    (Stop.LOAD, "250,000", changed(sums=(Sums(left=Span(1, 600), right=Span(1, 600)),))),
    (Stop.LOAD, "near rows", changed(patterns=(replace(LEFT, near="family"),))),
    (Stop.LOAD, "were picked", changed(patterns=(replace(LEFT, leaves=Leaves.PICKED),))),
    (Stop.LOAD, "one pack twice", replace(FIVE, rounds=(TWICE,))),
    (Stop.LOAD, "from other rows", changed(patterns=(BY_MONTH,))),
    (Stop.LOAD, "by more than accents", changed(packs=("words",))),
    (Stop.LOAD, "are one where", changed(packs=("alike",))),
    (Stop.MOVE_ON, "asked anew", changed(patterns=(LEFT,), moves=Moves(wrong=Way(To.AGAIN)))),
    (Stop.SCORE, "not whole", replace(FIVE, script="def right():\n    score /= 2")),
    (Stop.SCORE, "out while", replace(FIVE, script="def wrong():\n    out()")),
    (Stop.SCORE, "time to a clock", replace(FIVE, script="def wrong():\n    add_time(5)")),
    (Stop.SCORE, "dice of their own", replace(FIVE, script="def right():\n    score += roll(6)")),
    (Stop.SCORE, "“goes”", replace(FIVE, script="goes = 1\ndef right():\n    goes += 1")),
    (Stop.SCORE, "as a number", replace(FIVE, script="def right():\n    score += streak > 1")),
    (
        Stop.END,
        "question in play",
        replace(FIVE, endings=(Ending("E", "", when="number > 3", at_once=True), *ENDINGS)),
    ),
]


class TestWhatDoesNotFit(unittest.TestCase):
    def test_it_is_refused_with_its_place_and_what_it_is(self):
        packs = {
            **ALL_PACKS,
            "alike": Pack("Alike", (Question("?", ("Pea",), ("pea", "Bean")),)),
            "words": Pack("Words", (Question("?", ("smørrebrød",), (), Kind.LETTERS),)),
        }
        plain_program(FIVE, packs, "five.py")
        for stop, what, game in REFUSED:
            with self.subTest(what), self.assertRaises(CannotBeWritten) as refused:
                plain_program(game, packs, "game.py")
            found = [reason for reason in refused.exception.reasons if what in reason.what]
            self.assertEqual([reason.stop for reason in found], [stop], refused.exception.reasons)
            about_round = stop in (Stop.DRAW, Stop.LOAD, Stop.MOVE_ON)
            self.assertEqual(found[0].round, 0 if about_round else None)


AT_ONCE = """
import runpy, sys, time
time.monotonic_ns = lambda: 0
sys.argv = sys.argv[1:]
runpy.run_path(sys.argv[0], run_name="__main__")
"""
"""Runs a program by a clock that stands still: on a busy machine seconds make a difference."""

ALL_KINDS = "garden-year"
"""The game that asks questions of every kind: its program has all there is."""


@exhaustive
class TestDemoGames(DemoTest):
    @classmethod
    def setUpClass(cls):
        super().setUpClass()
        cls.texts = {}
        for name in ALL_OF_DEMO:
            told = cls.http.get(f"/api/games/{name}/python").json()
            cls.texts[name] = "\n".join((*told["lines"], ""))

    def test_every_one_is_short_and_nothing_is_found_in_it_by_checkers_of_code(self):
        for name, text in self.texts.items():
            with self.subTest(name):
                self.assertLess(len(text.splitlines()), 760 if name == ALL_KINDS else 500)
                self.assertLessEqual(max(map(len, text.splitlines())), 100)
        passes(self, self.texts.values(), "ruff", "check", "--isolated")
        passes(self, self.texts.values(), "mypy", "--strict", "--config-file=", "--cache-dir=.m")

    def test_it_plays_as_the_engine_does(self):
        for name, text in self.texts.items():
            file = read_game(game_file_of(self.app.state.app_state, name))
            program = made_ready(file.game, file.packs, recall={})
            for dice in (4821, *range(20)):
                with self.subTest(name, dice=dice):
                    lines = both(self, program, text, dice, 80)
                    self.assertGreater(len(lines), 6)

    def test_a_bare_python_plays_it_and_the_same_dice_bring_the_same(self):
        for name, text in self.texts.items():
            with tempfile.TemporaryDirectory() as folder:
                path = Path(folder) / f"{name}.py"
                path.write_text(text, "utf-8")
                command = [sys.executable, "-I", "-S", "-c", AT_ONCE, str(path), "77"]
                typed = "Marjory\n\n" + "a\n" * 400
                first, again = (
                    subprocess.run(command, input=typed, capture_output=True, text=True, timeout=60)
                    for _ in range(2)
                )
            with self.subTest(name):
                self.assertEqual(first.stdout, again.stdout)
                told = first.stdout + first.stderr[-300:]
                self.assertTrue("(77)" in told or "Given up" in told, told)

    def test_a_terminal_that_lacks_its_characters_is_told_in_others(self):
        file = read_game(self.held("bed-by-bed"))
        arabic = replace(file.game, title="أسئلة المائدة", language=Language.ARABIC)
        with tempfile.TemporaryDirectory() as folder:
            path = Path(folder) / "game.py"
            path.write_text(plain_program(arabic, file.packs, "game.py").text, "utf-8")
            for encoding in ("ascii", "latin-1", "cp1256", "utf-8"):
                told = subprocess.run(
                    [sys.executable, str(path), "77"],
                    input=b"a\n" * 400,
                    capture_output=True,
                    env=os.environ | {"PYTHONIOENCODING": encoding, "PYTHONUTF8": "0"},
                    timeout=60,
                )
                with self.subTest(encoding):
                    self.assertEqual((told.returncode, told.stderr), (0, b""))
                    self.assertGreater(len(told.stdout.splitlines()), 10)

    def held(self, name):
        return game_file_of(self.app.state.app_state, name)

    def test_every_line_knows_its_stop_in_the_order_of_the_trail(self):
        for name in ALL_OF_DEMO:
            told = self.http.get(f"/api/games/{name}/python").json()
            stops = [stop for stop in told["stops"] if stop is not None]
            order = [stop.value for stop in Stop]
            self.assertEqual(len(told["stops"]), len(told["lines"]))
            self.assertEqual(stops, sorted(stops, key=order.index))
            self.assertLessEqual({*order} - {"cue"}, set(stops))
            rules = told["lines"].index("def right(player: Player) -> None:")
            self.assertEqual(told["stops"][rules], "score")

    def test_what_does_not_fit_is_told_by_the_interface_and_the_command(self):
        game = self.http.get("/api/games/seed-sums").json()
        game["document"]["script"] = "def right():\n    score += roll(6)\n"
        self.http.put("/api/games/seed-sums", json=game)
        told = self.http.get("/api/games/seed-sums/python").json()
        self.assertEqual((told["lines"], told["reasons"][0]["stop"]), ([], "score"))
        self.assertEqual(self.http.get("/api/games/seed-sums/takeaways").json()["lines"], 0)
        refused = self.http.get("/api/games/seed-sums/python/file")
        self.assertEqual(refused.status_code, 409)
        self.assertIn("dice of their own", refused.json()["detail"])
        with tempfile.TemporaryDirectory() as folder:
            path = Path(folder) / "game.py"
            for name, code in (("seed-sums", 1), ("bed-by-bed", 0)):
                command = ["take", name, "--data", str(self.path), "--python", str(path)]
                told = CliRunner().invoke(app, command)
                self.assertEqual(told.exit_code, code, told.output)
                self.assertEqual(path.exists(), code == 0)
            whole = self.texts["bed-by-bed"].replace("bed-by-bed.py", "game.py")
            self.assertEqual(path.read_text("utf-8"), whole)
