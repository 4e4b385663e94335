"""The screenshots of the documentation, made from the demo data.

Run as ``python -m tests.browser.shots FOLDER``. A picture in the folder is replaced only if its
view has changed: dice, times and the moment of an effect differ from run to run.
"""

import io
import sys
import time
from pathlib import Path

from PIL import Image, ImageChops
from selenium.webdriver.common.keys import Keys

from dicetrail.demo import DATA
from tests.browser.base import BrowserTest, resize

DICE = 4821

UNSTEADY = {
    "evidence": 0.01,
    "players": 0.04,
    "play": 0.15,
    "play-phone": 0.4,
    "take-away": 0.003,
    "workbench": 0.003,
}
"""The share of the points that differ from run to run in views that show dice, times, scores by
time, sizes, or the moment of an effect."""
STEADY = 0.0005
"""The same of all other views: a caret, the edge of a letter."""


def share_that_differs(kept, taken):
    """The share of the points of a kept picture that look different now. Colours of a palette are
    near the true ones, so small differences do not count."""
    before = Image.open(kept).convert("RGB")
    if before.size != taken.size:
        return 1.0
    largest = ImageChops.difference(before, taken).convert("L").point(lambda value: value > 24)
    return sum(largest.histogram()[1:]) / (taken.width * taken.height)


class Shots(BrowserTest):
    """One picture a main view. Not a test: run by name only."""

    folder_for_shots = Path("docs/screenshots")

    def shot(self, name):
        self.wait(lambda: not self.all("[role=progressbar]:not([hidden])"), "the whole page")
        time.sleep(0.4)  # let fonts and colours settle
        taken = Image.open(io.BytesIO(self.driver.get_screenshot_as_png())).convert("RGB")
        path = self.folder_for_shots / f"{name}.png"
        is_kept = path.is_file() and share_that_differs(path, taken) <= UNSTEADY.get(name, STEADY)
        if not is_kept:
            taken.quantize(256, dither=Image.Dither.NONE).save(path, optimize=True)

    def answer(self, letter):
        self.press(letter)
        self.sees("Go on")

    def runTest(self):  # noqa: N802
        self.open(f"/game/harvest-supper/score?dice={DICE}")
        self.begin()
        for number, key in enumerate("gbgg", 2):
            (self.command if key == "g" else self.press)(key)
            self.sees("Go on")
            self.press(Keys.ENTER)
            self.sees(f"Question {number} of 10")
        self.command("p")
        self.press("b")
        self.sees("Go on")
        self.one(".cm-runs span")
        self.sees("9.5 questions, 1:19")
        self.shot("workbench")
        self.button("As Python").click()
        self.sees("def right(player: Player) -> None:")
        self.shot("as-python")
        self.button("To the bench").click()
        for stop in ("draw", "ask", "check", "cue", "end"):
            self.button(stop.capitalize()).click()
            self.shot(f"bench-{stop}")
        self.open("/game/slug-patrol/move-on?dice=4")
        self.sees("The rounds, and the ways between them")
        self.shot("bench-move-on")
        self.open("/game/leaf-shapes/open?dice=9")
        self.button("Look").click()
        self.begin()
        self.command("p")
        self.shot("bench-open")
        self.open("/")
        self.sees("Last playtest")
        self.shot("shelf")
        self.upload(str(DATA / "faulty-questions.tsv"))
        self.sees("7 rows refused")
        self.shot("load")
        self.button("Load 3 questions").click()
        self.sees("rows were refused")
        self.open("/game/bed-by-bed/load?dice=9")
        self.sees("by these dice for instance")
        self.driver.execute_script(
            "document.querySelector('fieldset').scrollIntoView({block: 'start'})"
        )
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
        for name, right in (("Marjory", 9), ("Ted", 4), ("Priya", 7), ("Wendell", 2)):
            self.played(name, right)
        self.open("/play/leaf-shapes")
        self.begin()
        self.press("a")
        self.one("main [data-next]")
        self.shot("play")
        resize(self.driver, 360, 740)
        self.open("/play/harvest-table")
        self.at("[data-next]").click()
        self.one("#prompt[data-next]")
        self.press("b")
        self.button("تابع")
        self.shot("play-phone")
        resize(self.driver, 1280, 800)
        self.open("/foresight/harvest-supper")
        self.sees("every way was followed")
        self.button("Find a run to each ending").click()
        self.sees("Open a run")
        self.shot("foresight")
        self.open("/foresight/harvest-supper/evidence")
        self.sees("misleading", "tbody tr:first-child")
        self.sees("Which of these crumbles", "#one")
        self.shot("evidence")
        self.open("/players/harvest-supper")
        self.sees("Every run")
        self.one("img[alt^='QR code']")
        self.shot("players")
        self.open("/take/harvest-supper")
        self.sees("It weighs")
        self.shot("take-away")

    def played(self, name, right):
        """A run played by somebody, with so many right answers first."""
        http, game = self.server.http, "harvest-supper"
        run = http.post(f"/api/play/games/{game}/runs", json={"players": [name]}).json()
        dice = http.get(f"/api/runs/{run['id']}").json()["dice"]
        drawn = http.get(f"/api/games/{game}/draw?dice={dice}").json()["questions"]
        actions = [{"action": "begin"}]
        for number, question in enumerate(drawn):
            place = "ABCDEFGH".index(question["right_letters"]) + 1
            other = place % len(question["choices"]) + 1
            value = place if number < right else other
            actions += [{"action": "answer", "value": value}, {"action": "continue"}]
        for action in actions:
            body = {"seen": run["seen"], "action": action}
            run = http.post(f"/api/play/runs/{run['id']}/inputs", json=body).json()
            if run["table"]["phase"] == "ended":
                return


if __name__ == "__main__":
    Shots.folder_for_shots = Path(sys.argv[1])
    Shots.setUpClass()
    try:
        Shots().runTest()
    finally:
        Shots.doClassCleanups()
