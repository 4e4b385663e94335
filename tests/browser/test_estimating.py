"""Estimates on the players' page: by the slider with keys and pointer, and typed."""

from selenium.webdriver import ActionChains
from selenium.webdriver.common.keys import Keys

from dicetrail.core import After, Ask, Check, Details, Draw, DrawOrder, Ending, Game, Kind, Pack
from dicetrail.core import Question as Question_
from dicetrail.core import Round as Round_
from dicetrail.core.document import EstimateShare
from dicetrail.files import written_game
from tests.browser.base import BrowserTest, resize

SCALE = Details(tolerance="1", least="0", most="20", step="0.5", unit="kg")
MARROWS = Game(
    "Marrows",
    (
        Round_(
            "R",
            ("p",),
            draw=Draw(3, DrawOrder.WRITTEN),
            ask=Ask(tries=2),
            check=Check(estimate_share=EstimateShare.HALVES),
            after=After(hold_ms=None),
        ),
    ),
    (Ending("All", "{right_count} right", 3), Ending("Rest", "{right_count} right")),
)


class TestEstimating(BrowserTest):
    def test_an_estimate_is_set_by_keys_by_pointer_and_typed_on_a_phone_too(self):
        questions = tuple(
            Question_(f"How heavy, {n}?", (right,), (), Kind.ESTIMATE, SCALE)
            for n, right in ((1, "11"), (2, "5"), (3, "7"))
        )
        file = written_game(MARROWS, {"p": Pack("Marrows", questions)})
        made = self.server.http.post("/api/game-files", files={"file": ("m.json", file)}).json()
        self.addCleanup(resize, self.driver, 1280, 800)
        resize(self.driver, 360, 740)
        self.open(f"/play/{made['id']}")
        self.button("Begin").click()
        self.sees("Move the slider, or type a number from 0 kg to 20 kg.")
        self.assert_accessible()
        width = self.driver.execute_script("return document.documentElement.scrollWidth")
        self.assertLessEqual(width, 360)
        # Nothing is set before it is moved; keys go by the scale's step.
        slider = self.one("input[type=range]")
        self.assertEqual(slider.get_attribute("aria-valuetext"), "no estimate yet")
        self.assertFalse(self.button("This is my estimate").is_enabled())
        slider.send_keys(Keys.ARROW_RIGHT)
        self.assertEqual(slider.get_attribute("aria-valuetext"), "10.5 kg")
        self.button("This is my estimate").click()
        self.sees("Right.")
        self.sees("your answer 10.5 kg")
        self.assert_accessible()
        self.button("Go on").click()
        # With the pointer, at the far end; then typed, with its unit.
        self.sees("How heavy, 2?")
        resize(self.driver, 1280, 800)
        slider = self.one("input[type=range]")
        end = slider.rect["width"] / 2 - 4
        ActionChains(self.driver).move_to_element_with_offset(slider, end, 0).click().perform()
        self.wait(lambda: slider.get_attribute("aria-valuetext") == "20 kg", "the far end")
        self.press(Keys.ENTER)
        self.sees("Partly right.")
        # 14 kg beyond the tolerance are three and a half times a fifth of the scale.
        self.sees("9 % right")
        field = self.one("[data-typed]")
        field.send_keys("21", Keys.ENTER)
        self.sees("21 is not from 0 to 20")
        field.send_keys("5 kg", Keys.ENTER)
        self.sees("Right.")
        self.press(Keys.ENTER)
        self.sees("How heavy, 3?")
        self.press("7")
        self.wait(lambda: self.one("[data-typed]").get_attribute("value") == "7", "it is typed")
        self.press(Keys.ENTER)
        self.sees("Right.")
        self.press(Keys.ENTER)
        self.sees("3 right")
