"""Help is found by what people call things, and its examples are of the language."""

import unittest

from dicetrail.core.play import Stop
from dicetrail.core.rules import FACTS, FUNCTIONS, HANDLERS, parse
from dicetrail.core.workbench import HELP, help_found

CALLED = {
    "divide": "Divide",
    "menu": "Rounds and the menu",
    "lives": "Lives",
    "hearts": "Lives",
    "timer": "Clocks",
    "countdown": "Clocks",
    "UPPER": "Capitals, accents and spelling",
    "leaderboard": "Best scores",
    "combo": "A row of right answers",
    "shuffle": "How many, and in which order",
    "flashcards": "Facts and patterns",
    "retry": "Tries",
    "timmer": "Clocks",
}
"""Words of the trade, and what they should lead to first (common practice, no source)."""


class TestHelp(unittest.TestCase):
    def test_what_people_call_things_leads_to_them(self):
        for word, title in CALLED.items():
            with self.subTest(word=word):
                self.assertIn(title, [topic.title for topic in help_found(word)[:3]])
        self.assertEqual(help_found("zzzz"), ())
        self.assertEqual(help_found(" "), HELP)

    def test_each_stop_and_each_name_of_a_script_has_a_topic(self):
        self.assertEqual({topic.stop for topic in HELP}, set(Stop))
        titles = {topic.title for topic in HELP}
        self.assertLessEqual({*HANDLERS, *FACTS, *FUNCTIONS}, titles)

    def test_every_example_of_the_rules_can_be_read_as_a_script(self):
        counters = "score = 0\nlives = 3\ntotal = 0\npoints = 0\nbalance = 0\n"
        for topic in HELP:
            if topic.stop not in (Stop.SCORE, Stop.MOVE_ON) or not topic.example:
                continue
            with self.subTest(topic=topic.title):
                inside = "".join(f"    {line}\n" for line in topic.example.split("\n"))
                is_whole = "def " in topic.example or topic.example.startswith("lives = ")
                script = topic.example if is_whole else f"def right():\n{inside}"
                parse(script if "lives = " in script else counters + script)
