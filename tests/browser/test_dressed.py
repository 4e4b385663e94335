"""Games in a look and a language of their own, as makers dress them and players meet them."""

import io
import re

from PIL import Image
from selenium.webdriver.common.by import By
from selenium.webdriver.common.keys import Keys

from dicetrail.core.document import WAYS, Language, Phrase, contrast
from dicetrail.core.workbench import READY_LOOKS
from tests.browser.base import resize
from tests.browser.test_playing import DESKTOP, PHONE, PlayingTest
from tests.exhaustive import exhaustive

LEAF = (
    '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9" width="9" height="9">'
    '<path d="M1 8C1 3 4 1 8 1c0 5-2 7-7 7z" fill="#6f9a5e"/></svg>'
)
TABLE = "section[aria-label=Table]"
PAINTED = (
    "return getComputedStyle(document.querySelector(arguments[0])).getPropertyValue(arguments[1])"
)
ISOLATES = re.compile("[\u2068\u2069]")
FORCED = {"features": [{"name": "forced-colors", "value": "active"}]}
BOXES = """
const box = (css) => document.querySelector(css).getBoundingClientRect();
const [letter, text] = document.querySelector('main li button').children;
return [letter.getBoundingClientRect().left > text.getBoundingClientRect().left,
  box('main header svg').left > box('main header h1').left,
  document.documentElement.scrollWidth <= innerWidth];
"""


def lines(part):
    return part.text.splitlines()


def contrast_seen(screenshot):
    """The contrast of a picture's most common colour and that farthest from it in light."""
    with Image.open(io.BytesIO(screenshot)) as picture:
        counted = sorted(picture.convert("RGB").getcolors(1 << 20), reverse=True)
    ground, *others = (f"#{red:02x}{green:02x}{blue:02x}" for _, (red, green, blue) in counted)
    return max(contrast(ground, other) for other in others)


def as_it_is(_game):
    """No change of a copy."""


@exhaustive
class TestLooks(PlayingTest):
    def painted(self, css, name):
        return self.driver.execute_script(PAINTED, css, name).strip()

    def document(self, name):
        return self.server.http.get(f"/api/games/{name}").json()["document"]

    def test_a_look_is_put_on_changed_and_mended_and_the_table_shows_it(self):
        name = self.made("harvest-supper", as_it_is)
        self.open(f"/game/{name}/open?dice=5")
        self.button("Look").click()
        self.button("slate and chalk").click()
        slate = next(one.look for one in READY_LOOKS if one.name == "slate and chalk")
        ground = slate.colours.ground
        self.wait(lambda: self.painted(f"{TABLE} [data-dressed]", "--color-paper") == ground, "it")
        self.fill("Ink, written", "#555555")
        self.sees("on card, 4.5 wanted")
        self.wait(lambda: "warning" in self.text("header"), "the survey's warning")
        self.button("Make it #").click()
        self.wait(lambda: "wanted" not in self.text("main"), "a colour that holds")
        self.wait(lambda: self.document(name)["look"]["colours"]["ink"] != "#555555", "it saved")
        self.fill("Wrong, written", "crimson")
        self.sees("no colour")
        self.at("[aria-label=Undo]").click()
        self.choose("Choices stand", "Two abreast")
        file = self.write("leaf.svg", LEAF)
        pick = "//*[@aria-label='Background of the questions']//input[@type='file']"
        self.driver.find_element(By.XPATH, pick).send_keys(file)
        self.wait(lambda: self.document(name)["look"]["playing"]["picture"], "the picture kept")
        self.assert_accessible()
        self.enter(name)
        self.wait(lambda: self.all("[data-background]"), "the background behind the card")
        first, second = (part.rect for part in self.all("main li")[:2])
        self.assertEqual(first["y"], second["y"], "two choices stand abreast")
        self.driver.execute_cdp_cmd("Emulation.setEmulatedMedia", FORCED)
        self.wait(
            lambda: not self.one("[data-background]").is_displayed(), "none in forced colours"
        )
        self.driver.execute_cdp_cmd("Emulation.setEmulatedMedia", {"features": []})
        saved = self.server.http.get(f"/api/games/{name}/file")
        copy = {"file": ("game.json", saved.content)}
        again = self.server.http.post("/api/game-files", files=copy).json()["document"]
        self.assertEqual(again["look"], self.document(name)["look"])

    def test_every_ready_look_can_be_read_by_light_and_dark_on_a_phone(self):
        resize(self.driver, *PHONE)
        for number, ready in enumerate(READY_LOOKS):
            look = {"colours": {**self.document("harvest-supper")["look"]["colours"]}}
            look["colours"] |= {part: getattr(ready.look.colours, part) for part in look["colours"]}
            look |= {"headings": ready.look.headings, "text": ready.look.text}
            name = self.made("harvest-supper", lambda game, look=look: game["look"].update(look))
            self.driver.execute_script("localStorage.clear()")
            self.driver.refresh()
            self.enter(name)
            if number == 0:
                self.at("[aria-label='Larger text']").click()
            self.answer(name, False)
            for light in ("light", "dark"):
                self.at("[aria-label^='Look']").click()
                self.wait(lambda light=light: self.all(f"[data-dressed={light}]"), light)
                with self.subTest(look=ready.name, light=light):
                    self.assert_accessible()
                    wide = self.driver.execute_script("return document.body.scrollWidth")
                    self.assertEqual(wide, PHONE[0])
                    self.assert_told_without_colour()
        resize(self.driver, *DESKTOP)

    def assert_told_without_colour(self):
        """That right and wrong are told in words which can be read however colours are seen."""
        words = {"right answer", "your answer"}
        choices = [choice for choice in self.all("main li button") if words & set(lines(choice))]
        self.assertEqual(len(choices), 2)
        for seen_as in ("achromatopsia", "deuteranopia", "protanopia", "tritanopia"):
            self.driver.execute_cdp_cmd("Emulation.setEmulatedVisionDeficiency", {"type": seen_as})
            for choice in choices:
                with self.subTest(seen_as=seen_as, choice=choice.text):
                    self.assertGreaterEqual(contrast_seen(choice.screenshot_as_png), 4.5)
        self.driver.execute_cdp_cmd("Emulation.setEmulatedVisionDeficiency", {"type": "none"})

    def test_music_goes_on_where_it_is_wanted_and_is_off_with_one_key(self):
        self.open("/play/leaf-shapes")
        self.one("[data-music='garden walk']")
        self.press("/")
        self.one("[data-music='']")
        self.assertEqual(self.one("[aria-label='No music']").get_attribute("aria-pressed"), "true")
        self.press("/")
        self.button("Begin").click()
        self.one("#prompt")
        self.one("[data-music='']")  # it is for the opening and the ending alone


@exhaustive
class TestLanguages(PlayingTest):
    def test_a_game_from_right_to_left_is_played_to_its_end_by_keyboard(self):
        resize(self.driver, *PHONE)
        self.open("/play/harvest-table")
        self.button("ابدأ")
        self.assert_accessible()
        self.press(Keys.ENTER)
        self.one("#prompt[data-next]")
        self.assertEqual(self.driver.execute_script(BOXES), [True, True, True])
        self.assertEqual(self.one("[data-dressed]").get_attribute("dir"), "rtl")
        said = set()
        for _ in range(8):
            view = self.view("harvest-table")
            right, _ = self.right("harvest-table", view)
            self.press(right)
            self.button("تابع")
            said.add(self.text("main"))
            self.press(Keys.ENTER)
            number = view["table"]["question"]["number"]
            self.wait(
                lambda number=number: (
                    (self.view("harvest-table")["table"]["question"] or {}).get("number") != number
                ),
                "the next",
            )
        self.wait(lambda: "80 نقطة" in ISOLATES.sub("", self.text("main")), "the points")
        self.sees("السلة الذهبية")
        said.add(self.text("main"))
        self.assert_accessible()
        latin = set(re.findall("[A-Za-z]{2,}", " ".join(said)))
        self.assertEqual(latin, set(), "no word of another language is left")
        resize(self.driver, *DESKTOP)

    def test_the_page_counts_and_writes_numbers_as_the_core_does(self):
        for language in Language:
            name = self.made("seed-sums", lambda game, to=language: game.update(language=to.value))
            revision = self.server.http.get(f"/api/games/{name}").json()["revision"]
            dress = self.server.http.get(f"/api/play/games/{name}/dress/{revision}").json()
            select = (
                "const plurals = new Intl.PluralRules(arguments[0], { maximumFractionDigits: 4 });"
                "return arguments[1].map((count) => plurals.select(count))"
            )
            counts = [*range(-30, 130), 1_000_000, -1_000_000, 0.5, -0.5, 1.5, 2.5, 1.0004]
            found = self.driver.execute_script(select, language.value, counts)
            with self.subTest(language):
                self.assertEqual(found, [WAYS[language].form(count).value for count in counts])
                self.assertEqual(set(dress["phrases"]), set(Phrase))

    def test_a_maker_changes_the_language_and_a_phrase_and_players_hear_it(self):
        name = self.made("harvest-supper", as_it_is)
        self.open(f"/game/{name}/open?dice=5")
        self.button("Language and phrases").click()
        self.choose("Language of the game", "Polski")
        self.wait(lambda: self.all("[lang=pl]"), "the table in Polish")
        self.fill("Find a phrase", "Go on")
        self.fill("Go on", "Kopiemy dalej")
        self.fill("Find a phrase", "point")
        self.fill("{count} point, for 2, 3, 4", "{count} marchewki {score}")
        self.sees("2 of your own")
        self.wait(lambda: "warning" in self.text("header"), "the place nothing fills")
        self.fill("{count} point, for 2, 3, 4", "{count} marchewki")
        self.wait(lambda: "No faults" in self.text("header"), "none any more")
        self.assert_accessible()
        self.open(f"/play/{name}")
        self.button("Zaczynamy").click()
        self.one("#prompt[data-next]")
        self.assertIn("Pytanie 1 z 10", self.text("main"))
        self.press("a")
        self.button("Kopiemy dalej")
        self.assertEqual(self.driver.execute_script("return document.documentElement.lang"), "pl")


@exhaustive
class TestPlayersOwn(PlayingTest):
    def test_a_name_is_remembered_replies_are_read_and_a_result_is_shared(self):
        name = self.made("slug-patrol", as_it_is)
        self.open(f"/play/{name}")
        self.one("form input").send_keys("Marjory", Keys.ENTER)
        self.button("Begin")
        self.driver.execute_script("localStorage.removeItem(arguments[0])", f"run of {name}")
        self.driver.refresh()
        self.wait(lambda: self.one("form input").get_attribute("value") == "Marjory", "the name")

        self.open("/play/leaf-shapes")
        self.button("Begin").click()
        self.one("#prompt")
        self.play("leaf-shapes", False)
        self.sees("Your answers")
        self.wait(
            lambda: self.all("section[aria-labelledby=review] img"), "pictures looked back on"
        )
        self.button("Share the result").click()
        self.sees("Leaf Shapes:")
        self.assert_accessible()

    def told(self, role):
        """What a screen reader is told by everything of a role, as Chromium computes it."""
        nodes = self.driver.execute_cdp_cmd("Accessibility.getFullAXTree", {})["nodes"]
        by_id = {node["nodeId"]: node for node in nodes}

        def words(node):
            if node.get("role", {}).get("value") == "StaticText":
                return node["name"]["value"]
            return " ".join(words(by_id[one]) for one in node.get("childIds", ()) if one in by_id)

        return [words(node) for node in nodes if node.get("role", {}).get("value") == role]

    def heard(self):
        """What live regions say, in one line."""
        return " ".join(" ".join(self.told("status")).split())

    def focused(self, what):
        return self.driver.execute_script(f"return document.activeElement.{what}")

    def test_a_screen_reader_is_told_question_time_verdict_and_end_through_a_whole_game(self):
        name = self.made("harvest-supper", lambda game: game["rounds"][0]["draw"].update(count=3))
        self.open(f"/play/{name}")
        self.button("Begin").click()
        for number, is_right in enumerate((True, False, True), 1):
            view = self.wait(lambda: self.as_seen(name), "the question")
            prompt = view["table"]["question"]["prompt"]
            self.wait(lambda: self.focused("id") == "prompt", "the prompt read")
            self.assertIn(prompt, self.told("heading"))
            self.assertTrue(self.told("timer"), "the clock can be looked at")
            self.assertIn(f"Question {number} of 3", self.text("main"))
            self.answer(name, is_right)
            verdict = "Right." if is_right else "Not this time. It is"
            self.wait(lambda words=verdict: words in self.heard(), verdict)
            self.wait(
                lambda: (
                    self.driver.execute_script("return document.activeElement.innerText") == "Go on"
                ),
                "the way on",
            )
            self.press(Keys.ENTER)
        self.sees("Play again")
        ending = self.view(name)["table"]["ending"]["title"]
        self.assertIn(ending, self.told("heading"))

    def test_little_time_is_told_to_those_who_listen(self):
        name = self.made("harvest-supper", lambda game: game["rounds"][0]["ask"].update(seconds=7))
        self.open(f"/play/{name}")
        self.button("Begin").click()
        self.wait(lambda: "5 seconds left" in " ".join(self.told("status")), "that little is left")
