"""Items matched on the players' page: picked, dragged, by keys alone, and typed."""

from selenium.webdriver import ActionChains
from selenium.webdriver.common.by import By
from selenium.webdriver.common.keys import Keys

from dicetrail.core import After, Ask, Check, Draw, DrawOrder, Ending, Game, Kind, Pack, Question
from dicetrail.core import Round as Round_
from dicetrail.core.document import PartlyRight
from dicetrail.files import written_game
from tests.browser.base import BrowserTest, resize

GIVES = {"bee": "honey", "hen": "egg", "cow": "milk"}
GROWS = {"beet": "root", "kale": "leaf", "radish": "root"}
ITEMS, PARTNERS = "ol[data-items] > li", "ul[data-partners] > li"


def asks(prompt, pairs, *others):
    right = tuple(f"{item} = {partner}" for item, partner in pairs.items())
    return Question(prompt, right, others, Kind.MATCH)


QUESTIONS = (
    asks("Who gives what, 1?", GIVES, "wool"),
    asks("Where does it grow?", GROWS),
    asks("Who gives what, 3?", GIVES),
)
FARM = Game(
    "Farm",
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


class TestMatching(BrowserTest):
    def standing(self):
        """What each item has, by its words; empty for nothing yet."""
        rows = [row.text.split("\n") for row in self.all(ITEMS)]
        return {item: words[-1] for item, *words in rows}

    def partner(self, words):
        rows = self.all(PARTNERS)
        return next(row for row in rows if row.text.split("\n")[-1] == words)

    def letter(self, words):
        return self.partner(words).text.split("\n")[0]

    def drag(self, words, item):
        place = next(row for row in self.all(ITEMS) if row.text.startswith(item))
        choice = self.partner(words).find_element(By.TAG_NAME, "button")
        moves = ActionChains(self.driver, duration=60).click_and_hold(choice)
        moves.move_to_element(place).release().perform()
        self.wait(lambda: self.standing()[item] == words, f"{words} at {item}")

    def test_a_match_is_picked_dragged_done_by_keys_and_typed_on_a_phone_too(self):
        file = written_game(FARM, {"p": Pack("Matches", QUESTIONS)})
        made = self.server.http.post("/api/game-files", files={"file": ("farm.json", file)}).json()
        self.addCleanup(resize, self.driver, 1280, 800)
        resize(self.driver, 360, 740)
        self.open(f"/play/{made['id']}")
        self.button("Begin").click()
        self.wait(lambda: len(self.all(ITEMS)) == 3, "three items")
        self.assert_accessible()
        width = self.driver.execute_script("return document.documentElement.scrollWidth")
        self.assertLessEqual(width, 360)
        # Dragged in any turn; what was dropped wrongly goes to another and leaves its place.
        self.drag("milk", "hen")
        self.drag("honey", "bee")
        self.drag("milk", "cow")
        self.assertEqual(self.standing()["hen"], "nothing yet")
        self.assertFalse(self.button("This is the match").is_enabled())
        # Picked: the item, then what belongs to it.
        next(row for row in self.all(f"{ITEMS} button") if row.text.startswith("hen")).click()
        self.partner("egg").find_element(By.TAG_NAME, "button").click()
        self.assertEqual(self.standing(), GIVES)
        self.button("This is the match").click()
        self.sees("Right.")
        self.button("Go on").click()
        # With keys alone, from item to item; two items have the same partner.
        self.sees("Where does it grow?")
        self.sees("A letter can be used more than once.")
        resize(self.driver, 1280, 800)
        for number, (_, words) in enumerate(GROWS.items(), 1):
            self.partner(words).find_element(By.TAG_NAME, "button").send_keys(Keys.SPACE)
            self.sees(f"{number} of 3 matched", "[role=status]")
        self.assertEqual(self.standing(), GROWS)
        self.one("#prompt").click()
        self.press(Keys.ENTER)
        self.sees("Right.")
        self.press(Keys.ENTER)
        # Typed: two exchanged leave a third right; what was given stays for the next try.
        self.sees("Who gives what, 3?")
        wrong = {"bee": "egg", "hen": "honey", "cow": "milk"}
        self.press(*map(self.letter, wrong.values()))
        self.assertEqual(self.standing(), wrong)
        self.press(Keys.ENTER)
        self.sees("33 % right")
        self.assertEqual(self.standing(), wrong)
        self.press(*map(self.letter, GIVES.values()))
        self.press(Keys.ENTER)
        self.sees("Right.")
        self.press(Keys.ENTER)
        self.sees("3 right")
