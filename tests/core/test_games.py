"""Common quiz games, each programmed whole and played through.

The rules and numbers of these games are common practice, no source.
"""

import unicodedata
import unittest
from dataclasses import replace
from itertools import pairwise

from dicetrail.core import (
    After,
    Answer,
    Ask,
    Begin,
    Continue,
    Cue,
    Details,
    Draw,
    Ending,
    Game,
    Hint,
    ItemList,
    Kind,
    Letter,
    Lists,
    Moves,
    Occasion,
    Opening,
    Pack,
    Pass,
    Phase,
    Question,
    Refill,
    Reveal,
    Round,
    Shows,
    Sums,
    To,
    Wait,
    Way,
    What,
    build,
    start,
    step,
    table,
)
from dicetrail.core.document import ListsAsk, Operator, RoundOrder, Span
from dicetrail.core.play import question_of
from tests.core.examples import PACKS

REST = Ending("Rest", "{right_count} of {asked_count}, {percent} %")
NO_HOLD = After(hold_ms=0)


class Play:
    """One run, as play: each call is something the player does."""

    def __init__(self, game, packs=PACKS, dice=7, players=("Marjory",)):
        self.program = build(game, packs, recall={})
        self.moments = [start(self.program, dice, players)]
        self.at = 0

    def do(self, action, after=1000):
        self.at += after
        self.moments.append(step(self.program, self.state, action, self.at))
        return self

    @property
    def state(self):
        return self.moments[-1].state

    @property
    def shown(self):
        return table(self.program, self.state)

    @property
    def question(self):
        return question_of(self.program, self.state)

    def count(self, name="score", player=0):
        return self.program.rules.values(self.state.tallies[player])[name]

    def begin(self, after=0, **chosen):
        return self.do(Begin(**chosen), after)

    def answer(self, is_right, after=1000):
        question = self.question
        if question.choices:
            choices = self.shown.question.choices
            texts = question.right if is_right else question.wrong
            value = next(choice.place for choice in choices if choice.text in texts)
        else:
            value = question.right[0] if is_right else "99999"
        return self.do(Answer(value), after)

    def answer_place(self, place):
        """Pick the choice at a place, whatever it says."""
        return self.do(Answer(place))

    def play(self, outcomes, after=1000):
        """`r` and `w` answer right and wrong, and go on where the run holds for it."""
        for outcome in outcomes:
            self.answer(outcome == "r", after)
            if self.state.phase is Phase.HOLDING:
                self.do(Continue())
        return self

    def refused(self):
        return any(print_.what is What.REFUSED for print_ in self.moments[-1].footprints)


def game(script="score = 0", endings=(REST,), rounds=None, cues=(), opening=None, **rules):
    rules = {"draw": Draw(5), "packs": ("veg",)} | rules
    rounds = rounds or (Round("Only", **rules),)
    return Game("Game", rounds, endings, script, opening or Opening(), cues)


def points(right, wrong=0, first=0):
    return (
        f"score = {first}\ndef right():\n    score += {right}\ndef wrong():\n    score += {wrong}\n"
    )


def sums(asked=None, **rules):
    """A round of sums that never ends by itself, unless it draws so many."""
    draw = Draw(asked, refill=Refill.NEVER if asked else Refill.WHEN_EMPTY)
    return {"packs": (), "draw": draw, "sums": (Sums(**rules, count=asked or 50),)}


class TestScoring(unittest.TestCase):
    def test_a_badge_for_every_score_and_one_for_what_cannot_happen(self):
        badges = [
            Ending("None", "", 0, 0),
            Ending("Some", "", 1, 2),
            Ending("Most", "", 3, 4),
            Ending("All", "", 5, 5),
            Ending("This cannot happen", ""),
        ]
        for right, badge in enumerate(["None", "Some", "Some", "Most", "Most", "All"]):
            played = Play(game(points(1), tuple(badges))).begin()
            played.play("r" * right + "w" * (5 - right))
            self.assertEqual((played.shown.ending.title, played.count()), (badge, right))

    def test_the_right_answer_is_told_and_the_percentage_is_never_cut_to_nothing(self):
        played = Play(game(points(1), draw=Draw(4))).begin().answer(False)
        self.assertIn("right", played.shown.feedback.answer)
        played.do(Continue()).play("rww")
        self.assertEqual(played.shown.ending.verdict, "1 of 4, 25 %")

    def test_three_points_at_the_first_try_two_at_the_second_one_at_the_third(self):
        rules = "score = 0\ndef right():\n    score += [3, 2, 1][tries_used - 1]\n"
        endings = (Ending("Perfect", "", 6), Ending("None right", "", None, 0), REST)
        three = game(
            rules, endings, ask=Ask(tries=3), draw=Draw(5, player_chooses=True), after=After()
        )
        for outcomes, score, ending in (
            ("rr", 6, "Perfect"),
            ("wrwwr", 3, "Rest"),
            ("wwwwww", 0, "None right"),
        ):
            played = Play(three).begin(questions=2).play(outcomes)
            with self.subTest(outcomes=outcomes):
                self.assertEqual((played.count(), played.shown.ending.title), (score, ending))
        played = Play(three).begin(questions=2).answer(False)
        self.assertEqual((played.state.phase, played.shown.feedback.answer), ("asking", ""))
        played.answer(False).answer(False)
        self.assertIn("right", played.shown.feedback.answer)

    def test_the_same_question_again_until_it_is_right(self):
        played = Play(game(points(1), ask=Ask(tries=None), draw=Draw(1))).begin()
        prompt = played.question.prompt
        for _ in range(30):
            self.assertEqual(played.answer(False).question.prompt, prompt)
        self.assertEqual(played.play("r").shown.ending.verdict, "1 of 1, 100 %")

    def test_ten_points_each_until_the_first_mistake(self):
        moves = Moves(wrong=Way(To.ENDING, "Rest"))
        played = Play(game(points(10), moves=moves, draw=Draw(None))).begin().play("rrrw")
        self.assertEqual((played.shown.phase, played.count()), ("ended", 30))

    def test_from_fifteen_up_and_down_by_five_won_at_thirty_lost_at_nothing_at_once(self):
        ends = (
            Ending("Won", "", at_least=30, at_once=True),
            Ending("Lost", "", at_most=0, at_once=True),
        )
        draw = Draw(None, refill=Refill.WHEN_EMPTY)
        ruin = game(points(5, -5, 15), ends, draw=draw)
        for outcomes, ending in (("rrr", "Won"), ("www", "Lost"), ("rwrwrwwwrww", "Lost")):
            played = Play(ruin).begin().play(outcomes)
            self.assertEqual(played.shown.ending.title, ending)
            self.assertIn(played.count(), (0, 30))
        self.assertEqual(Play(ruin).begin().play("rr" + "wr" * 20).state.phase, "asking")

    def test_a_score_below_zero_has_its_verdict(self):
        ends = (Ending("Below", "", None, -1), Ending("Even", "", 0, 0), Ending("Above", "", 1))
        for outcomes, ending in (("wwwwr", "Below"), ("rwrw", "Even"), ("rrrww", "Above")):
            played = Play(game(points(1, -1), ends, draw=Draw(len(outcomes)))).begin()
            self.assertEqual(played.play(outcomes).shown.ending.title, ending)

    def test_a_pass_mark_of_eighty_percent(self):
        ends = (Ending("Passed", "", 80, counts="percent"), Ending("Not passed", ""))
        for right, ending in ((8, "Passed"), (7, "Not passed")):
            played = Play(game(endings=ends, draw=Draw(10))).begin()
            played.play("r" * right + "w" * (10 - right))
            self.assertEqual(played.shown.ending.title, ending)

    def test_a_bonus_life_for_each_fifth_in_a_row_and_a_hint_that_costs(self):
        rules = """
score = 10
lives = 3
def right():
    if streak % 5 == 0:
        lives += 1
def wrong():
    lives -= 1
def hinted():
    score -= 2
"""
        hinted = tuple(
            replace(question, details=Details(hint="It is orange."))
            for question in PACKS["veg"].questions
        )
        packs = {"veg": Pack("Veg", hinted)}
        played = Play(game(rules, draw=Draw(12), ask=Ask(passing=True)), packs).begin()
        played.play("rrrrrwrrrr")
        self.assertEqual(played.count("lives"), 3)
        played.do(Hint()).do(Hint())
        self.assertTrue(played.refused())
        self.assertEqual((played.count(), played.shown.question.hint), (8, "It is orange."))
        self.assertEqual(played.play("r").count("lives"), 4)
        played.do(Pass())
        self.assertEqual((played.shown.feedback.result, played.count("streak")), ("passed", 0))
        self.assertEqual(played.do(Continue()).shown.ending.verdict, "10 of 12, 83 %")


class TestClocks(unittest.TestCase):
    def test_products_for_sixty_seconds_can_be_answered_until_the_sixtieth(self):
        for low, high in ((2, 12), (0, 10), (1, 9)):
            rules = sums(operator=Operator.TIMES, left=Span(low, high), right=Span(low, high))
            sprint = game(points(1), seconds=60, after=NO_HOLD, **rules)
            played = Play(sprint).begin()
            while played.at < 59_000:
                left, _, right, *_ = played.question.prompt.split()
                self.assertTrue(low <= int(left) <= high and low <= int(right) <= high)
                self.assertEqual(played.question.right, (str(int(left) * int(right)),))
                played.answer(True)
            self.assertEqual(played.count(), 59)
            played.answer(True, after=900)
            late = Play(sprint).begin().answer(True, 59_900)
            in_time = late.moments[-1].state
            self.assertEqual(late.answer(True, 100).shown.phase, "ended")
            self.assertEqual((late.refused(), late.count()), (True, 1))
            right = question_of(late.program, in_time).right[0]
            just = step(late.program, in_time, Answer(right), 59_999)
            self.assertEqual(just.state.tally.right_count, 2)

    def test_five_seconds_a_question_a_life_for_each_and_the_clock_anew(self):
        rules = "score = 0\nlives = 3\ndef timeout():\n    lives -= 1\n"
        ends = (Ending("No life left", "", at_most=0, counts="lives", at_once=True), REST)
        late = game(
            rules,
            ends,
            ask=Ask(seconds=5),
            after=NO_HOLD,
            moves=Moves(timeout=Way(To.AGAIN)),
            draw=Draw(3),
        )
        played = Play(late).begin()
        prompt = played.question.prompt
        played.do(Wait(), 4999)
        self.assertEqual((played.count("lives"), played.shown.clocks[0].left), (3, 1))
        played.do(Wait(), 1)
        self.assertEqual((played.count("lives"), played.shown.clocks[0].left), (2, 5000))
        self.assertEqual(played.question.prompt, prompt)
        played.answer(True, 3000)
        self.assertEqual((played.shown.clocks[0].left, played.question.prompt == prompt), (5000, 0))
        played.answer(False, 4000)
        self.assertEqual(played.shown.clocks[0].left, 5000)
        played.do(Wait(), 10_000)
        self.assertEqual((played.shown.ending.title, played.count("lives")), ("No life left", 0))
        self.assertTrue(played.do(Answer(1)).refused())

    def test_the_clock_stands_still_during_feedback(self):
        for hold_ms in (1000, 2000, 4000):
            timed = game(points(1), ask=Ask(seconds=10), after=After(hold_ms=hold_ms), seconds=60)
            played = Play(timed).begin().answer(True, 3000)
            self.assertEqual(played.shown.phase, "holding")
            played.do(Answer(1), hold_ms - 1)
            self.assertTrue(played.refused())
            self.assertTrue(played.do(Continue(), 0).refused())
            played.do(Wait(), 1)
            self.assertEqual([clock.left for clock in played.shown.clocks], [10_000, 57_000])
        played = Play(game(points(1), ask=Ask(seconds=10), seconds=60)).begin().answer(True, 3000)
        played.do(Continue(), 600_000)
        self.assertEqual([clock.left for clock in played.shown.clocks], [10_000, 57_000])

    def test_worth_that_falls_with_the_clock_and_a_wrong_pick_that_costs_as_much(self):
        rules = """
score = 0
def right():
    score += 10 * seconds_left // seconds_allowed
def wrong():
    score -= 10 * seconds_left // seconds_allowed
"""
        leaves = tuple(
            Question(
                f"Which is leaf {number}?",
                (f"leaf{number}.svg",),
                tuple(f"leaf{other}.svg" for other in range(3) if other != number),
                details=Details(shows=Shows.PICTURE if number % 2 else Shows.SOUND),
            )
            for number in range(3)
        )
        media = {"leaf": {f"leaf{number}.svg": f"digest{number}" for number in range(3)}}
        cool = After(hold_ms=1500)
        one = Round("1", ("leaf",), draw=Draw(1), ask=Ask(seconds=10), after=cool)
        rounds = tuple(replace(one, title=str(number)) for number in range(1, 4))
        played = Play(game(rules, rounds=rounds), {"leaf": Pack("Leaves", leaves)}).begin()
        asked = []
        for is_right, after, score in ((True, 2000, 8), (False, 5000, 3), (True, 1000, 12)):
            asked.append(played.question.prompt)
            choices = table(played.program, played.state, media).question.choices
            self.assertEqual({choice.text for choice in choices}, {""})
            digest = played.question.right[0].replace("leaf", "digest").removesuffix(".svg")
            place = next(
                choice.place
                for choice in choices
                if ((choice.picture or choice.sound) == digest) == is_right
            )
            played.do(Answer(place), after)
            self.assertEqual(played.count(), score)
            self.assertTrue(played.do(Answer(place), 1499).refused())
            played.do(Wait(), 1)
        self.assertEqual((len(set(asked)), played.shown.phase), (3, "ended"))

    def test_nobody_there_stops_the_clocks_however_long_it_lasts(self):
        moves = Moves(timeout=Way(To.AGAIN))
        left = game(ask=Ask(seconds=1), moves=moves, after=NO_HOLD)
        played = Play(left).begin().do(Wait(), 10**15)
        self.assertEqual(played.state.tally.mistakes, 99)
        self.assertEqual(played.answer(True).state.tally.right_count, 1)


class TestSources(unittest.TestCase):
    def test_sums_under_a_cap_with_four_plausible_choices(self):
        rules = sums(100, left=Span(1, 50), right=Span(1, 50), cap=100, choices=4)
        played = Play(game(points(1), **rules)).begin()
        for _ in range(100):
            left, _, right, *_ = played.question.prompt.split()
            value = int(left) + int(right)
            texts = [int(choice.text) for choice in played.shown.question.choices]
            self.assertEqual((len(set(texts)), texts.count(value)), (4, 1))
            self.assertTrue(value <= 100 and max(int(left), int(right)) <= 50)
            self.assertTrue(all(text >= 0 for text in texts))
            played.play("r")
        self.assertEqual(played.count(), 100)

    def test_whole_quotients_never_by_zero_never_of_a_smaller_number(self):
        rules = sums(400, operator=Operator.OVER, left=Span(0, 99), right=Span(0, 99))
        played = Play(game(points(1), **rules)).begin()
        prompts = set()
        for _ in range(400):
            prompts.add(played.question.prompt)
            left, _, right, *_ = played.question.prompt.split()
            self.assertGreaterEqual(int(left), int(right))
            self.assertEqual(int(played.question.right[0]) * int(right), int(left))
            played.play("r")
        self.assertEqual(len(prompts), 400)

    def test_fractions_of_one_denominator_in_any_form(self):
        fifths = sums(1, left=Span(6, 6), right=Span(7, 7), denominators=Span(5, 5))
        for typed, verdict in (
            ("13/5", "right"),
            ("2 3/5", "right"),
            ("2.6", "right"),
            ("5/13", "wrong"),
        ):
            played = Play(game(points(1), **fifths)).begin().do(Answer(typed))
            self.assertEqual(played.question.prompt, "6/5 + 7/5 = ?")
            self.assertEqual(played.shown.feedback.result, verdict)
        self.assertEqual(Play(game(**fifths)).begin().do(Answer("x")).state.question.tries_used, 0)

    LISTS = (
        ItemList("Root", ("carrot", "beet", "parsnip", "swede")),
        ItemList("Leaf", ("kale", "chard", "cress", "sorrel")),
        ItemList("Fruit", ("plum", "pear", "quince", "medlar")),
    )

    def test_which_of_three_lists_and_the_odd_one_out(self):
        sort = {"packs": (), "draw": Draw(None), "lists": (Lists(self.LISTS),)}
        played = Play(game(points(10), **sort)).begin()
        for _ in range(12):
            self.assertEqual(
                {choice.text for choice in played.shown.question.choices}, {"Root", "Leaf", "Fruit"}
            )
            item = played.question.prompt.split("“")[1].split("”")[0]
            group = next(group for group in self.LISTS if item in group.items)
            self.assertEqual(played.question.right, (group.title,))
            played.play("r")
        self.assertEqual(played.count(), 120)
        odd = {"packs": (), "draw": Draw(None), "lists": (Lists(self.LISTS, ListsAsk.ODD_ONE_OUT),)}
        played = Play(game(points(1), **odd)).begin()
        of = {item: group.title for group in self.LISTS for item in group.items}
        for _ in range(12):
            right, wrong = played.question.right, played.question.wrong
            groups = {of[item] for item in wrong}
            self.assertEqual((len(wrong), len(groups)), (3, 1))
            self.assertNotIn(of[right[0]], groups)
            played.play("r")

    def test_one_of_three_pictures_reshuffled_each_time_never_the_same_answer_twice_running(self):
        names = ("oak.svg", "ash.svg", "elm.svg")
        pictures = tuple(
            Question(f"Which is {name[:3]}?", (name,), tuple(set(names) - {name})) for name in names
        )
        packs = {"veg": Pack("Trees", pictures)}
        played = Play(game(points(1), draw=Draw(300, refill=Refill.EACH_TIME)), packs).begin()
        answers = []
        for _ in range(300):
            answers.append(played.question.right)
            played.play("r")
        self.assertTrue(all(one != other for one, other in pairwise(answers)))
        self.assertEqual({answers.count(answer) > 80 for answer in set(answers)}, {True})


class TestLetters(unittest.TestCase):
    WORDS = Pack(
        "Words",
        tuple(
            Question("Find it", (word,), (), Kind.LETTERS)
            for word in ("Crème brûlée", "Bean No. 5", "It's a pear tree", "Oak", "Leek")
        ),
    )

    def test_a_phrase_is_laid_out_word_by_word_and_found_letter_by_letter(self):
        for misses in (1, 3, 10):
            words = game(points(1), ask=Ask(misses=misses, seconds=30), draw=Draw(5))
            played = Play(words, {"veg": self.WORDS}).begin()
            for _ in range(5):
                word = played.question.right[0]
                cells = played.shown.question.words
                self.assertEqual(len(cells), len(word.split()))
                shown = " ".join("".join(cell.character or "_" for cell in part) for part in cells)
                self.assertEqual(shown, "".join(hidden(character) for character in word))
                for letter in dict.fromkeys("crembulaenoitspk5'"):
                    if played.state.phase is Phase.ASKING and letter in word_letters(word):
                        played.do(Letter(letter.upper()))
                self.assertEqual(played.shown.feedback.result, "right")
                played.do(Continue())
            self.assertEqual(played.count(), 5)
            played = Play(words, {"veg": self.WORDS}).begin()
            for letter in "zxwvqjygdf"[:misses]:
                self.assertEqual(played.shown.phase, "asking")
                played.do(Letter(letter))
            self.assertEqual(played.shown.feedback.result, "wrong")
            word = played.question.right[0]
            self.assertIn(word, played.shown.feedback.answer)
            self.assertFalse(any(c.is_hidden for part in played.shown.question.words for c in part))

    def test_a_letter_counts_once_and_a_whole_word_may_be_said(self):
        words = game(points(1), ask=Ask(misses=3), draw=Draw(5))
        played = Play(words, {"veg": self.WORDS}).begin().do(Letter("z")).do(Letter("Z"))
        self.assertTrue(played.refused())
        self.assertTrue(played.do(Letter("zz")).refused() and played.do(Letter("!")).refused())
        self.assertEqual(played.state.question.tries_used, 1)
        played.do(Answer("turnip"))
        self.assertEqual(played.state.question.tries_used, 2)
        self.assertEqual(
            played.do(Answer(played.question.right[0].lower())).shown.feedback.result, "right"
        )

    def test_every_word_has_its_own_seconds(self):
        timed = tuple(
            replace(question, details=Details(seconds=10 + number))
            for number, question in enumerate(self.WORDS.questions)
        )
        words = game(points(1), ask=Ask(seconds=99), draw=Draw(5), after=NO_HOLD)
        played = Play(words, {"veg": Pack("Words", timed)}).begin()
        for _ in range(5):
            self.assertEqual(played.shown.clocks[0].left, 1000 * played.question.details.seconds)
            played.answer(True)


def hidden(character):
    return "_" if character.isalnum() else character


def word_letters(word):
    return unicodedata.normalize("NFD", word.lower())


class TestRoundsAndTurns(unittest.TestCase):
    def test_two_players_in_turns_the_higher_score_wins_and_a_tie_is_its_own_verdict(self):
        ends = (Ending("A tie", "", when="leaders > 1"), Ending("Won", "{name} has {score}"))
        two = game(points(1), ends, draw=Draw(3), opening=Opening(most_players=2))
        for outcomes, ending, words in (
            ("rwrwrr", "Won", "Marjory has 3"),
            ("wrwrwr", "Won", "Ted has 3"),
            ("rrrrrr", "A tie", ""),
        ):
            played = Play(two, players=("Marjory", "Ted")).begin()
            turns = []
            for outcome in outcomes:
                turns.append(played.state.turn)
                played.play(outcome)
            self.assertEqual(turns, [0, 1, 0, 1, 0, 1])
            shown = played.shown.ending
            self.assertEqual((shown.title, shown.verdict), (ending, words))
        with self.assertRaises(ValueError):
            start(build(two, PACKS), 7, ("A", "B", "C"))

    def test_rounds_chosen_from_a_menu_as_easy_normal_and_hard(self):
        levels = tuple(
            Round(name, sums=(Sums(left=Span(low, high), right=Span(low, high)),), draw=Draw(2))
            for name, low, high in (("Easy", 1, 5), ("Normal", 6, 20), ("Hard", 21, 99))
        )
        one = game(points(1), rounds=levels, opening=Opening(rounds=RoundOrder.CHOOSE_ONE))
        played = Play(one)
        self.assertEqual([offer.title for offer in played.shown.menu], ["Easy", "Normal", "Hard"])
        self.assertTrue(played.begin(round=9).refused())
        played.begin(round=2)
        self.assertGreaterEqual(int(played.question.prompt.split()[0]), 21)
        self.assertEqual(played.play("rr").shown.phase, "ended")
        each = replace(one, opening=Opening(rounds=RoundOrder.CHOOSE_EACH))
        played = Play(each).begin(round=1).play("rr")
        self.assertEqual([offer.is_played for offer in played.shown.menu], [False, True, False])
        self.assertTrue(played.begin(round=1).refused())
        played.begin(round=0).play("rr").begin(round=2).play("rr")
        self.assertEqual((played.shown.phase, played.count()), ("ended", 6))

    def test_a_question_does_not_come_again_in_a_later_round_while_others_are_left(self):
        rounds = tuple(Round(str(number), ("veg",), draw=Draw(4)) for number in range(3))
        played = Play(game(points(1), rounds=rounds)).begin()
        prompts = []
        for _ in range(12):
            prompts.append(played.question.prompt)
            played.play("r")
        self.assertEqual((len(set(prompts)), played.shown.phase), (12, "ended"))

    def test_rules_go_to_rounds_by_name_and_finish_the_game(self):
        rules = """
score = 0
def right():
    score += 1
    if score == 2:
        go("Bonus")
def wrong():
    skip()
def round_over():
    if round_number == 2:
        finish("Bonus played")
"""
        rounds = (
            Round("Main", ("veg",), draw=Draw(6), ask=Ask(tries=3)),
            Round("Bonus", ("veg",), draw=Draw(1)),
        )
        bonus = game(rules, (Ending("Bonus played", ""), REST), rounds)
        played = Play(bonus).begin().play("rwr")
        self.assertEqual((played.shown.round, played.shown.length), ("Bonus", 1))
        self.assertEqual(played.play("r").shown.ending.title, "Bonus played")

    def test_cues_speak_hold_and_answer_to_lives(self):
        rules = "score = 0\nlives = 3\ndef wrong():\n    lives -= 1\n    tell('{lives} left')\n"
        cues = (
            Cue("ouch", (Occasion.LIFE_LOST,), "Ouch, {name}", hold_ms=700),
            Cue("well done", (Occasion.RIGHT,), "Well done", hold_ms=0),
        )
        played = Play(game(rules, cues=cues, after=After(Reveal.NEVER))).begin().answer(False)
        self.assertEqual(played.shown.told, ("2 left", "Ouch, Marjory"))
        self.assertEqual((played.shown.hold, played.shown.feedback.answer), (700, ""))
        played.do(Wait(), 700)
        self.assertEqual((played.shown.phase, played.shown.told), ("asking", ()))
        self.assertEqual(played.answer(True).shown.question.number, 3)
