"""The examples in docstrings: each is run, and says what it is said to say."""

import doctest
import importlib
import pkgutil
import unittest

import dicetrail


class TestExamples(unittest.TestCase):
    def test_every_example_says_what_it_is_said_to_say(self):
        attempted = 0
        for found in pkgutil.walk_packages(dicetrail.__path__, "dicetrail."):
            if found.name.endswith("__main__"):
                continue
            with self.subTest(found.name):
                told: list[str] = []
                module = importlib.import_module(found.name)
                examples = doctest.DocTestFinder().find(module, found.name)
                runner = doctest.DocTestRunner(verbose=False)
                for example in examples:
                    runner.run(example, out=told.append)
                attempted += runner.summarize(verbose=False).attempted
                self.assertEqual("".join(told), "")
        self.assertGreater(attempted, 40)
