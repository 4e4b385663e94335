"""The screenshots of the documentation, made from the demo data.

Run as ``python -m tests.browser.shots FOLDER``.
"""

import sys
import time
from pathlib import Path

from selenium.webdriver.common.keys import Keys

from dicetrail.demo import DATA
from tests.browser.base import BrowserTest, resize

DICE = 4821


class Shots(BrowserTest):
    """One picture a main view. Not a test: run by name only."""

    folder_for_shots = Path("docs/screenshots")

    def shot(self, name):
        time.sleep(0.4)  # let fonts and colours settle
        self.driver.save_screenshot(str(self.folder_for_shots / f"{name}.png"))

    def answer(self, letter):
        self.press(letter)
        self.sees("Go on")

    def runTest(self):  # noqa: N802
        self.open(f"/game/harvest-supper/draw?dice={DICE}")
        self.begin()
        for number, letter in enumerate("bacb", 2):
            self.answer(letter)
            self.press(Keys.ENTER)
            self.sees(f"Question {number} of 10")
        self.answer("b")
        self.shot("workbench")
        for stop in ("ask", "check", "score", "end"):
            self.button(stop.capitalize()).click()
            self.shot(f"bench-{stop}")
        self.open("/")
        self.sees("Last playtest")
        self.shot("shelf")
        self.upload(str(DATA / "faulty-questions.tsv"))
        self.sees("7 rows refused")
        self.shot("load")
        self.button("Load 3 questions").click()
        self.sees("rows were refused")
        self.shot("bench-load")
        self.open("/pack/harvest-supper-questions")
        for label, text in (
            ("Wrong 1, row 2", "The stalk"),
            ("Level, row 3", "9"),
            ("Question, row 5", "Which of these grows under the ground?"),
        ):
            self.one(f"input[aria-label='{label}']").send_keys(Keys.CONTROL, "a", Keys.NULL, text)
        self.sees("3 rows with faults")
        self.shot("pack")
        for _ in range(3):
            self.button("Undo").click()
        self.sees("0 rows with faults")
        self.open("/play/harvest-supper")
        self.begin()
        self.answer("a")
        self.shot("play")
        for number, letter in enumerate("abcdabcda", 2):
            self.press(Keys.ENTER)
            self.sees(f"Question {number} of 10")
            self.answer(letter)
        self.press(Keys.ENTER)
        self.sees("of 10 right")
        resize(self.driver, 360, 740)
        self.shot("play-ending-phone")


if __name__ == "__main__":
    Shots.folder_for_shots = Path(sys.argv[1])
    Shots.setUpClass()
    try:
        Shots().runTest()
    finally:
        Shots.doClassCleanups()
