"""Answers that players judge themselves, on the players' page: by pressing and by keys alone."""

from selenium.webdriver.common.keys import Keys

from dicetrail.core import After, Check, Draw, DrawOrder, Ending, Game, Kind, Pack, Question
from dicetrail.core import Round as Round_
from dicetrail.core.document import PartlyRight
from dicetrail.files import written_game
from tests.browser.base import BrowserTest, resize

QUESTIONS = (
    Question("Why dig in autumn?", ("Frost breaks it.",), (), Kind.JUDGED),
    Question("What is tilth?", ("Fine soil.",), (), Kind.JUDGED),
)
CARDS = Game(
    "Cards",
    (
        Round_(
            "R",
            ("p",),
            draw=Draw(2, DrawOrder.WRITTEN),
            check=Check(partly=PartlyRight.RIGHT_PICKS),
            after=After(hold_ms=None),
        ),
    ),
    (Ending("Done", "{right_count} right"),),
)
PICKS = "ul[aria-labelledby=prompt] button"


class TestJudging(BrowserTest):
    def test_an_answer_is_looked_at_and_judged_on_a_phone_and_by_keys(self):
        file = written_game(CARDS, {"p": Pack("Cards", QUESTIONS)})
        made = self.server.http.post("/api/game-files", files={"file": ("c.json", file)}).json()
        self.addCleanup(resize, self.driver, 1280, 800)
        resize(self.driver, 360, 740)
        self.open(f"/play/{made['id']}")
        self.button("Begin").click()
        self.sees("Why dig in autumn?")
        self.assertEqual(self.all(PICKS), [])
        self.assertNotIn("Frost", self.text("main"))
        self.assert_accessible()
        self.button("Show the answer").click()
        self.sees("Frost breaks it.")
        self.assert_accessible()
        texts = [button.text.split("\n")[-1] for button in self.all(PICKS)]
        self.assertEqual(texts, ["I had it", "I had part of it", "I did not have it"])
        self.all(PICKS)[1].click()
        self.sees("Partly right.")
        self.button("Go on").click()
        # By keys: letters answer only once the answer has been seen.
        self.sees("What is tilth?")
        resize(self.driver, 1280, 800)
        self.press("a", Keys.ENTER)
        self.sees("Fine soil.")
        self.press("a")
        self.sees("Right.")
        self.press(Keys.ENTER)
        self.sees("1 right")
