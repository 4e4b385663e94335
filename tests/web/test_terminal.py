"""Playing and checking a game in a terminal, through a terminal of the system's own."""

import os
import pty
import re
import select
import sys
import time
import unittest
from dataclasses import replace
from pathlib import Path
from tempfile import TemporaryDirectory

from typer.testing import CliRunner

from dicetrail.cli import app
from dicetrail.core import (
    Ask,
    Cue,
    Details,
    Draw,
    DrawOrder,
    Ending,
    Game,
    Kind,
    Occasion,
    Opening,
    Order,
    Pack,
    Question,
    Round,
)
from dicetrail.core.document import Language, OwnPhrase, Phrase
from dicetrail.files import written_game

PACKS = {
    "veg": Pack(
        "Vegetables",
        (
            Question("Which is a root?", ("Carrot",), ("Kale", "Pea")),
            Question("Find the word", ("Oak",), (), Kind.LETTERS),
            Question("What do bees make?", ("Honey",), (), Kind.TYPED, Details(seconds=2)),
        ),
    )
}
SHED = Game(
    "Shed [night]",
    (Round("Only", ("veg",), draw=Draw(3, DrawOrder.WRITTEN), ask=Ask(Order.WRITTEN)),),
    (Ending("Done", "{score} of 3"),),
    cues=(Cue("late", (Occasion.LATE,), "Too late!", hold_ms=100, sound="frost"),),
    opening=Opening("Welcome to the shed."),
)


class Terminal:
    """A program in a terminal, with what it has shown so far."""

    def __init__(self, *arguments):
        self.shown = self.printed = ""
        self.process, self.end = pty.fork()
        if not self.process:
            os.environ["TERM"] = "xterm"
            os.execv(sys.executable, [sys.executable, "-m", "dicetrail.cli", *arguments])

    def sees(self, words, within=20):
        """Wait until the words have been shown since the last ones waited for."""
        until = time.monotonic() + within
        while words not in self.shown:
            if time.monotonic() > until:
                raise AssertionError(f"{words!r} is not in {self.shown!r}")
            if select.select([self.end], [], [], 0.1)[0]:
                try:
                    text = os.read(self.end, 65536).decode()
                except OSError:
                    text = ""
                self.shown += re.sub(r"\033(\[[\d;]*[A-Za-z]|[78])", "", text)
                self.printed += text
        self.shown = self.shown.split(words, 1)[1]

    def types(self, line):
        os.write(self.end, f"{line}\n".encode())


class TestTerminal(unittest.TestCase):
    def setUp(self):
        folder = TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.file = Path(folder.name, "shed.json")
        self.file.write_bytes(written_game(SHED, PACKS))
        self.data = str(Path(folder.name, "none.sqlite"))

    def test_a_game_is_played_with_its_clock_running_while_nothing_is_typed(self):
        terminal = Terminal("play", str(self.file), "--dice", "7")
        terminal.sees("Welcome to the shed.")
        terminal.types("")
        terminal.sees("Which is a root?")
        terminal.types("wombat")
        terminal.sees("names no choice")
        terminal.types("a")
        terminal.sees("Right. A, “Carrot”")
        terminal.types("")
        terminal.sees("_ _ _")
        for letter, pattern in (("k", "_ _ k"), ("o", "O _ k")):
            terminal.types(letter)
            terminal.sees(pattern)
        terminal.types("a")
        terminal.sees("every letter is found")
        terminal.types("")
        terminal.sees("What do bees make?")
        terminal.sees("question 1 s")
        terminal.sees("Too late!")
        terminal.sees("2 of 3")
        self.assertIn("\a", terminal.printed)  # before the words or, on a busy machine, after
        os.waitpid(terminal.process, 0)

    def run_with(self, *arguments):
        return CliRunner().invoke(app, [*arguments, "--data", self.data])

    def test_a_game_is_checked_and_every_problem_printed_with_its_place(self):
        sound = self.run_with("check", str(self.file))
        self.assertEqual(sound.exit_code, 0, sound.stdout)
        self.file.write_bytes(written_game(SHED, {}))
        broken = self.run_with("check", str(self.file))
        self.assertEqual(broken.exit_code, 1)
        self.assertIn("round 1, pack 1", broken.stdout)
        self.assertIn("dicetrail check", self.run_with("play", str(self.file)).stdout)
        self.file.write_text("{")
        self.assertIn("line 1, column 2", self.run_with("check", str(self.file)).stdout)
        self.assertIn("There is no file", self.run_with("play", "nowhere").stdout)

    def test_a_game_speaks_its_own_language_in_a_terminal_too(self):
        own = (OwnPhrase(Phrase.KEY_QUIT, ("/schluss",)), OwnPhrase(Phrase.GO_ON, ("Los",)))
        game = replace(SHED, language=Language.GERMAN, phrases=own)
        self.file.write_bytes(written_game(game, PACKS))
        terminal = Terminal("play", str(self.file), "--dice", "7")
        terminal.sees("Welcome to the shed.")
        terminal.types("")
        terminal.sees("Frage 1 von 3")
        terminal.sees("Which is a root?")
        terminal.sees("Punkte 0")
        terminal.types("wombat")
        terminal.sees("Das war nicht zu lesen: „wombat“ nennt nichts, was zur Wahl steht")
        terminal.types("/hinweis")
        terminal.sees("Nicht angenommen")
        terminal.types("a")
        terminal.sees("Richtig. A, „Carrot“, ist die richtige Antwort")
        terminal.sees("weiter mit der Eingabetaste")
        terminal.types("/schluss")
        terminal.sees("Aufgegeben")
