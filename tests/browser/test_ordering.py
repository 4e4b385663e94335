"""Answers put in order on the players' page: dragged, by keys alone, and typed."""

from itertools import permutations

from selenium.webdriver import ActionChains
from selenium.webdriver.common.by import By
from selenium.webdriver.common.keys import Keys

from dicetrail.core import After, Ask, Check, Draw, DrawOrder, Ending, Game, Kind, Pack, Question
from dicetrail.core import Round as Round_
from dicetrail.core.document import OrderShare
from dicetrail.files import written_game
from tests.browser.base import BrowserTest, resize

WORK = ("sow", "thin", "hoe", "reap")
ROWS = "ol[aria-labelledby=prompt] > li"
QUESTIONS = tuple(Question(f"The order, {how}?", WORK, (), Kind.ORDER) for how in ("1", "2", "3"))
YEAR = Game(
    "Year",
    (
        Round_(
            "R",
            ("p",),
            draw=Draw(3, DrawOrder.WRITTEN),
            ask=Ask(tries=2),
            check=Check(order_share=OrderShare.PLACES),
            after=After(hold_ms=None),
        ),
    ),
    (Ending("All", "{right_count} right", 3), Ending("Rest", "{right_count} right")),
)


class TestOrdering(BrowserTest):
    def lying(self):
        """The answers as they lie."""
        return tuple(row.text.split("\n")[-1] for row in self.all(ROWS))

    def letters_of(self, wanted):
        rows = [row.text.split("\n") for row in self.all(ROWS)]
        letters = {words: letter for letter, words in rows}
        return [letters[words] for words in wanted]

    def drag(self, words, to):
        """Drag an answer by its grip to a place, from 0."""
        rows = self.all(ROWS)
        row = next(row for row in rows if row.text.endswith(words))
        grip = row.find_element(By.CSS_SELECTOR, "[data-grip]")
        down = rows[to].rect["y"] - row.rect["y"]
        moves = ActionChains(self.driver, duration=60).click_and_hold(grip)
        moves.move_by_offset(0, down // 2).move_by_offset(0, down - down // 2).release().perform()

    def test_an_order_is_dragged_moved_by_keys_and_typed_on_a_phone_too(self):
        file = written_game(YEAR, {"p": Pack("Orders", QUESTIONS)})
        made = self.server.http.post("/api/game-files", files={"file": ("year.json", file)}).json()
        self.addCleanup(resize, self.driver, 1280, 800)
        resize(self.driver, 360, 740)
        self.open(f"/play/{made['id']}")
        self.button("Begin").click()
        self.wait(lambda: len(self.all(ROWS)) == 4, "four answers")
        self.assertIn(self.lying(), set(permutations(WORK)) - {WORK})
        self.assert_accessible()
        width = self.driver.execute_script("return document.documentElement.scrollWidth")
        self.assertLessEqual(width, 360)
        # Dragged, each to its place.
        for to, words in enumerate(WORK):
            if self.lying()[to] != words:
                self.drag(words, to)
            self.wait(lambda to=to, words=words: self.lying()[to] == words, f"{words} at {to}")
        self.button("This is the order").click()
        self.sees("Right.")
        self.button("Go on").click()
        # With keys alone, the last made the first and so on; what is moved is told.
        self.sees("The order, 2?")
        resize(self.driver, 1280, 800)
        for at, words in enumerate(WORK):
            while self.lying().index(words) > at:
                letter = self.letters_of([words])[0]
                self.one(f"button[aria-label='Move {letter} up']").send_keys(Keys.ARROW_UP)
                place = self.lying().index(words) + 1
                self.sees(f"{letter} is number {place} of 4", "ol + [role=status]")
        self.one("#prompt").click()
        self.press(Keys.ENTER)
        self.sees("Right.")
        self.press(Keys.ENTER)
        # Typed: the first and the last exchanged are half right, and stay as they were put.
        self.sees("The order, 3?")
        wrong = ("reap", "thin", "hoe", "sow")
        self.press(*self.letters_of(wrong))
        self.assertEqual(self.lying(), wrong)
        self.press(Keys.ENTER)
        self.sees("Partly right.")
        self.sees("50 % right")
        self.assertEqual(self.lying(), wrong)
        self.press(*self.letters_of(WORK))
        self.assertEqual(self.lying(), WORK)
        self.press(Keys.ENTER)
        self.sees("Right.")
        self.press(Keys.ENTER)
        self.sees("3 right")
