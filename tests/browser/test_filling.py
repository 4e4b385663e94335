"""Gaps on the players' page: typed one after the other, picked from words, and told."""

from selenium.webdriver.common.keys import Keys
from selenium.webdriver.support.ui import Select

from dicetrail.core import After, Ask, Check, Draw, DrawOrder, Ending, Game, Kind, Pack, Question
from dicetrail.core import Round as Round_
from dicetrail.core.document import PartlyRight
from dicetrail.files import written_game
from tests.browser.base import BrowserTest, resize

QUESTIONS = (
    Question("A ___ gives ___ and ___.", ("bee", "honey", "wax"), (), Kind.GAPS),
    Question("Sow in ___, reap in ___.", ("spring", "autumn"), ("winter",), Kind.GAPS),
    Question("A ___ gives ___.", ("hen // cow", "an egg | eggs"), (), Kind.GAPS),
)
BEES = Game(
    "Bees",
    (
        Round_(
            "R",
            ("p",),
            draw=Draw(3, DrawOrder.WRITTEN),
            ask=Ask(tries=2),
            check=Check(partly=PartlyRight.RIGHT_PICKS),
            after=After(hold_ms=None),
        ),
    ),
    (Ending("All", "{right_count} right", 3), Ending("Rest", "{right_count} right")),
)


class TestFilling(BrowserTest):
    def test_gaps_are_typed_picked_and_told_on_a_phone_too(self):
        file = written_game(BEES, {"p": Pack("Bees", QUESTIONS)})
        made = self.server.http.post("/api/game-files", files={"file": ("b.json", file)}).json()
        self.addCleanup(resize, self.driver, 1280, 800)
        resize(self.driver, 360, 740)
        self.open(f"/play/{made['id']}")
        self.button("Begin").click()
        self.sees("Fill the gaps.")
        self.assert_accessible()
        self.assertLessEqual(
            self.driver.execute_script("return document.documentElement.scrollWidth"), 360
        )
        self.assertNotIn("honey", self.driver.page_source)
        # A letter typed beside the fields goes into the first; Enter goes on to the next empty one.
        self.assertFalse(self.button("Answer").is_enabled())
        self.press("bee", Keys.ENTER, "mud", Keys.ENTER, "wax", Keys.ENTER)
        self.sees("67 %")
        fields = self.all("[data-gap]")
        self.assertEqual([one.get_attribute("value") for one in fields], ["bee", "mud", "wax"])
        # What was given stands, and is mended; the page read again keeps it too.
        self.driver.refresh()
        self.wait(lambda: len(self.all("[data-gap]")) == 3, "the fields again")
        fields = self.all("[data-gap]")
        self.assertEqual([one.get_attribute("value") for one in fields], ["bee", "mud", "wax"])
        self.assertEqual(fields[1].accessible_name, "gap 2 of 3")
        fields[1].clear()
        fields[1].send_keys("Honey", Keys.ENTER)
        self.sees("Right.")
        self.button("Go on").click()
        # Picked from a bank; an empty gap is told as such.
        self.wait(lambda: len(self.all("select[data-gap]")) == 2, "two lists")
        first = Select(self.one("select[data-gap]"))
        words = sorted(option.text for option in first.options)
        self.assertEqual(words, ["autumn", "pick a word", "spring", "winter"])
        first.select_by_visible_text("winter")
        self.assert_accessible()
        self.button("Answer").click()
        self.sees("is not the right answer")
        self.button("Answer").click()
        self.sees("left empty")
        self.assertIn("spring", self.text("main form"))
        self.assertIn("autumn", self.text("main form"))
        self.assert_accessible()
        resize(self.driver, 1280, 800)
        self.button("Go on").click()
        # One of each sort, by keys alone.
        self.wait(lambda: len(self.all("[data-gap]")) == 2, "a list and a field")
        self.press("hen", Keys.TAB, "eggs", Keys.ENTER)
        self.sees("Right.")
        self.press(Keys.ENTER)
        self.sees("2 right")
