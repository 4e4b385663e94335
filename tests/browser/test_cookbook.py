"""Small games built from an empty shelf through the pages alone, and played to their endings.

Each press and each character typed by hand is counted; what is pasted counts as one press.
`docs/cookbook.md` tells each of them in steps.
"""

import re
from pathlib import Path
from tempfile import TemporaryDirectory

from selenium.webdriver.common.keys import Keys

from tests.browser.base import BrowserTest, open_browser
from tests.server import Server

TABLE = "section[aria-label=Table]"
BENCH = "section[aria-labelledby=bench]"
MOST_PRESSES = 60
COOKBOOK = Path("docs/cookbook.md")


class TestCookbook(BrowserTest):
    @classmethod
    def setUpClass(cls):
        folder = TemporaryDirectory()
        cls.addClassCleanup(folder.cleanup)
        cls.folder = Path(folder.name)
        cls.server = Server(cls.folder / "store.sqlite")
        cls.addClassCleanup(cls.server.__exit__)
        cls.driver = open_browser()
        cls.addClassCleanup(cls.driver.quit)

    def setUp(self):
        self.presses = self.typed = 0

    def tap(self, words):
        self.presses += 1
        self.button(words).click()

    def write_in(self, label, text):
        self.presses += 1
        self.typed += len(text)
        self.fill(label, text)

    def pick(self, label, words):
        self.presses += 2
        self.choose(label, words)

    def go_to(self, stop):
        def is_there():
            self.found(f"//nav//a[contains(., '{stop}')]", stop).click()
            return self.text("#bench") == stop

        self.presses += 1
        self.wait(is_there, f"the bench of {stop}")

    def new_game(self, title, recipe="one point each"):
        self.open("/")
        self.write_in("Title of the new game", title)
        if recipe != "one point each":
            self.presses += 2
            self.found(f"//option[.='{recipe}']", recipe).click()
        self.presses += 1
        self.one("form button[type=submit]").click()
        self.wait(lambda: "/game/" in self.driver.current_url, "the workbench")

    def paste(self, text):
        self.tap("paste questions")
        self.presses += 1
        self.insert("#pasted", text)
        self.tap("Look at them")
        self.tap("Load ")
        self.wait(lambda: "/load?round=" in self.driver.current_url, "the bench")

    def built(self, number):
        """The game is whole: no fault, within the presses aimed at, and told in the cookbook."""
        self.sees("Saved", "header")
        self.wait(lambda: "fault" not in self.text("header").replace("No faults", ""), "no fault")
        self.assertLessEqual(self.presses, MOST_PRESSES)
        told = re.search(
            rf"^## {number}\. .*?\n\n(\d+) presses, (\d+) characters",
            COOKBOOK.read_text("utf-8"),
            re.M,
        )
        self.assertIsNotNone(told, f"game {number}: {self.presses} presses, {self.typed} typed")
        self.assertEqual((int(told[1]), int(told[2])), (self.presses, self.typed), number)

    def play_all(self, words, ending):
        self.one("[aria-label='More ways to play on']").click()
        self.button(words).click()
        self.press(Keys.ESCAPE)
        self.sees(ending, TABLE)

    def again(self):
        self.button("Play again").click()

    def test_1_five_words_to_guess_with_a_badge_by_how_many(self):
        self.new_game("Five words")
        self.paste(
            "What do bees make?\thoney\nWhat grows underground and is orange?\tcarrot\n"
            "What holds water for the garden?\twell\nWhat eats lettuce at night?\tslug\n"
            "What is a young plant?\tseedling\n"
        )
        self.go_to("End")
        self.presses += 2
        self.found("(//select[option[@value='rosette']])[1]", "badge").click()
        self.found("(//option[@value='rosette'])[1]", "rosette").click()
        self.built(1)
        self.button("Begin").click()
        self.one("[data-typed]")
        self.play_all("All right, to the end", "All right")
        self.one(f"{TABLE} [data-badge=rosette]")
        self.sees("5 of 5 right, 100 %", TABLE)
        self.again()
        self.play_all("All wrong, to the end", "A start")

    def test_5_three_questions_of_four_choices_answered_by_letter(self):
        self.new_game("Three of four")
        self.paste(
            "Which is a root?\tCarrot\tPea\tBean\tKale\n"
            "Which grows in a pod?\tPea\tLeek\tBeet\tSwede\n"
            "Which is a leaf?\tKale\tBeet\tPea\tCarrot\n"
        )
        self.built(5)
        self.button("Begin").click()
        for number in (1, 2, 3):
            self.sees(f"Question {number} of 3", TABLE)
            self.press("b")
            self.button("Go on").click()
        self.sees("of 3 right", TABLE)

    def test_6_pairs_in_a_new_order_each_time(self):
        self.new_game("Pairs")
        self.paste("spade\tdigging\nrake\tlevelling\nhoe\tweeding\nsieve\tsifting\n")
        self.built(6)
        self.button("Begin").click()
        self.play_all("All right, to the end", "4 of 4 right, 100 %")

    def test_11_from_15_by_5_up_or_down(self):
        self.new_game("Up and down", "up and down")
        self.paste("Is a tomato a fruit?\ttrue\nIs a carrot a leaf?\tfalse\n")
        self.built(11)
        self.button("Begin").click()
        self.play_all("All right, to the end", "Won")
        self.again()
        self.play_all("All wrong, to the end", "Lost")

    def test_15_sums_of_all_four_operations(self):
        self.new_game("Four operations", "ten sums")
        for number, operator in enumerate(
            ("− minus", "× times", "÷ divided by, whole quotients"), 2
        ):
            self.tap("Add sums")
            self.presses += 2
            self.found(
                f"(//label[.='Operator']/..//option[.='{operator}'])[{number}]", operator
            ).click()
        self.built(15)
        self.button("Begin").click()
        self.play_all("All right, to the end", "All right")

    def test_17_facts_true_or_false_on_and_on(self):
        self.new_game("True or false")
        self.paste("A pea grows in a pod\ttrue\nA beet is a leaf\tfalse\nA leek is a root\tfalse\n")
        self.go_to("Draw")
        self.write_in("How many questions", "")
        self.pick("When the pool is empty", "Fill it again")
        self.built(17)
        self.button("Begin").click()
        for _ in range(4):
            self.one("#prompt")
            self.press("a")
            self.button("Go on").click()
        self.button("Stop here").click()
        self.sees("of 4 right", TABLE)
