"""Places in a picture: drawn by the maker, pointed at by tapping, by keys and by name."""

from urllib.parse import urlsplit

from selenium.webdriver import ActionChains
from selenium.webdriver.common.keys import Keys
from selenium.webdriver.support.ui import Select

from dicetrail.demo.media import GARDEN_PLAN
from tests.browser.base import BrowserTest, resize
from tests.files.samples import archive

ROWS = (
    "kind,question,right answer 1,right answer 2,wrong choice 1,reply 1,needs,picture\n"
    "place,Where is the shed?,shed = rectangle 8 3 27 35,,,,,garden-plan.svg\n"
    "place,Where are the beds?,upper = rectangle 37 9 60 24,lower = rectangle 37 28 60 43,"
    "pond = ellipse 6 63 30 92,That is wet.,all,garden-plan.svg\n"
)


class TestPointing(BrowserTest):
    def point(self, element, across, down):
        """Tap a place, in percent of an element from its left and its top."""
        size, mouse = element.size, ActionChains(self.driver)
        aside = [size["width"] * (across - 50) / 100, size["height"] * (down - 50) / 100]
        mouse.move_to_element_with_offset(element, *map(int, aside)).click().perform()

    def test_areas_are_drawn_and_pointed_at_on_a_phone_too(self):
        self.addCleanup(resize, self.driver, 1280, 800)
        self.open("/")
        files = {"places.csv": ROWS, "garden-plan.svg": GARDEN_PLAN["garden-plan.svg"].decode()}
        self.upload(self.write("places.zip", archive(files)))
        self.sees("garden-plan.svg")
        self.button("Load 2 questions").click()
        self.sees("2 questions, 1 pack", "nav")
        game = urlsplit(self.driver.current_url).path.split("/")[2]
        document = self.server.http.get(f"/api/games/{game}").json()["document"]
        (pack,) = document["rounds"][0]["packs"]
        # A wrong area is drawn over the picture, from corner to corner, and saved as its words.
        self.open(f"/pack/{pack}")
        self.wait(lambda: self.all("[data-areas]"), "the picture of the first question")
        self.assert_accessible()
        self.called("aside input", "Name of the next area").send_keys("hive")
        Select(self.called("aside select", "It is")).select_by_visible_text("wrong")
        picture = self.one("[data-areas]")
        self.driver.execute_script("arguments[0].scrollIntoView({block: 'center'})", picture)
        wide, high = picture.size["width"], picture.size["height"]
        drag = ActionChains(self.driver).move_to_element_with_offset(
            picture, int(0.22 * wide), int(0.14 * high)
        )
        drag.click_and_hold().move_by_offset(int(0.2 * wide), int(0.3 * high)).release().perform()
        self.wait(lambda: self.first(pack)["wrong"], "the area saved")
        (written,) = self.first(pack)["wrong"]
        self.assertRegex(written, r"^hive = rectangle 7\d[.\d]* 6\d[.\d]* 9\d[.\d]* 9\d[.\d]*$")
        self.play(game)
        # What was pointed at is drawn over the picture for the maker.
        resize(self.driver, 1280, 800)
        self.open(f"/foresight/{game}/evidence")
        self.button("Where is the shed?").click()
        self.sees("Pointed at first")
        self.sees("0 right, × 1 elsewhere")
        self.wait(
            lambda: self.driver.execute_script(
                "return [...document.querySelectorAll('#one ~ div img')]"
                ".some((one) => one.naturalWidth > 0)"
            ),
            "the picture behind it",
        )
        self.assert_accessible()

    def called(self, fields, name):
        return next(one for one in self.all(fields) if one.accessible_name == name)

    def first(self, pack):
        questions = self.server.http.get(f"/api/packs/{pack}").json()["questions"]
        return next(one for one in questions if "shed" in one["prompt"])

    def play(self, game):
        asks = {"Where is the shed?": self.shed, "Where are the beds?": self.beds}
        resize(self.driver, 360, 740)
        self.open(f"/play/{game}")
        self.button("Begin").click()
        for _ in range(len(asks)):
            self.wait(lambda: self.prompt() in asks, "a question")
            self.assertNotIn("polygon", self.one("main").get_attribute("innerHTML"))
            self.assert_accessible()
            width = self.driver.execute_script("return document.documentElement.scrollWidth")
            self.assertLessEqual(width, 360)
            asks.pop(self.prompt())()
            self.assert_accessible()
            self.button("Go on").click()
        self.sees("Play again")

    def prompt(self):
        return self.text("#prompt")

    def shed(self):
        # By tapping: first where nothing is, then, before it is sent, where the drawn area is.
        picture = self.one("[role=application]")
        self.assertFalse(self.button("This is the place").is_enabled())
        self.point(picture, 50, 95)
        self.point(picture, 80, 80)
        self.assertEqual(len(self.all("[data-cross]")), 1)
        self.button("This is the place").click()
        self.sees("hive")
        self.sees("shed")

    def beds(self):
        # By keys: the cross is moved, set twice, and its place is told to a reader.
        self.one("[role=application]").send_keys(
            Keys.ARROW_UP * 8, Keys.SPACE, Keys.ARROW_UP * 9, Keys.SPACE
        )
        self.sees("cross at 50 % from the left, 16 % from the top")
        self.assertEqual(len(self.all("[data-cross]")), 3)
        self.one("[role=application]").send_keys(Keys.ENTER)
        self.sees("Right.")
        self.sees("upper")
