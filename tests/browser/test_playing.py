"""Games as their players meet them: on the players' page, with sound, effects and scores."""

import io
import re
from contextlib import suppress
from shutil import which

import zxingcpp
from PIL import Image
from selenium.common.exceptions import (
    ElementNotInteractableException,
    StaleElementReferenceException,
)
from selenium.webdriver.common.keys import Keys

from dicetrail.core import Ask, Details, Ending, Game, Kind, Pack, Question, Round
from dicetrail.core.document import RATE, SHIPPED
from dicetrail.core.document.sounds import samples, wav
from dicetrail.demo import GAMES
from dicetrail.files import written_game
from dicetrail.services.voice import SPEAKER
from tests.browser.base import BrowserTest, open_browser, resize
from tests.exhaustive import exhaustive
from tests.server import Server

PHONE, DESKTOP = (360, 740), (1280, 800)
LETTERS = "abcdefghijkl"
PLAIN_PACK = (Question("Which root?", ("Carrot",), ("Kale",)),)
LISTENING = """
window.heard = [];
const start = AudioBufferSourceNode.prototype.start;
AudioBufferSourceNode.prototype.start = function () {
  window.heard.push([performance.now(), this.buffer.duration]);
  return start.call(this);
};
const fetchAsBefore = window.fetch;
window.fetch = async (...asked) => {
  const answer = await fetchAsBefore(...asked);
  const address = asked[0].url ?? asked[0];
  if (String(address).endsWith('/inputs')) {
    await answer.clone().text();
    window.toldAt = performance.now();
  }
  return answer;
};
"""
MOVING = """
const shown = document.querySelector('[data-effects]');
return shown && [shown.dataset.effects, getComputedStyle(shown).pointerEvents,
  shown.getAnimations({subtree: true}).map(({effect}) => effect.getComputedTiming())
    .map(({endTime, iterations}) => [endTime, iterations])];
"""


def _stands(view):
    """Where a run stands, whatever its clocks say."""
    question = view["table"]["question"] or {}
    return view["seen"], view["table"]["phase"], question.get("number")


PLACES = "details ul[aria-labelledby=prompt] button"


class PlayingTest(BrowserTest):
    def setUp(self):
        self.driver.get("about:blank")
        self.open("/nowhere")
        self.driver.execute_script("localStorage.clear(); sessionStorage.clear()")

    def made(self, name, change):
        """A copy of a demo game with something changed."""
        made = self.server.http.post(f"/api/games/{name}/copies").json()
        change(made["document"])
        saved = self.server.http.put(f"/api/games/{made['id']}", json=made)
        self.assertEqual(saved.status_code, 200, saved.text)
        return made["id"]

    def enter(self, name):
        """Open a game's page, give a name if it asks, and begin."""
        self.open(f"/play/{name}")
        self.wait(lambda: self.all("form") or self.all("[data-next]"), "the opening")
        if self.all("form"):
            self.one("form input").send_keys("Marjory", Keys.ENTER)
        self.button("Begin").click()
        self.one("#prompt")

    def run_id(self, name):
        return self.driver.execute_script(f"return localStorage.getItem('run of {name}')")

    def view(self, name):
        return self.server.http.get(f"/api/play/runs/{self.run_id(name)}").json()

    def right(self, name, view):
        """The letter and the words the question in play wants, found as only a maker can."""
        dice = self.server.http.get(f"/api/runs/{view['id']}").json()["dice"]
        rounds = self.server.http.get(f"/api/games/{name}").json()["document"]["rounds"]
        titles = [round_["title"] for round_ in rounds]
        number = titles.index(view["table"]["round"] or titles[0])
        drawn = self.server.http.get(f"/api/games/{name}/draw?dice={dice}&round={number}").json()[
            "questions"
        ]
        asked = view["table"]["question"]
        for question in (*drawn[asked["number"] - 1 :], *drawn):
            if question["prompt"] == asked["prompt"]:
                return question["right_letters"].lower(), question["answer"]
        packs = [self.server.http.get(f"/api/packs/{name}") for name in rounds[number]["packs"]]
        found = [question for pack in packs for question in pack.json()["questions"]]
        (right,) = [one["right"] for one in found if one["prompt"] == asked["prompt"]]
        letters = [
            choice["letter"].lower() for choice in asked["choices"] if choice["text"] in right
        ]
        return "".join(letters), right[0]

    def as_seen(self, name):
        """The run as it stands, once the player's page shows it so; None until then."""
        view = self.view(name)
        if view["table"]["phase"] != "asking":
            return view
        question = view["table"]["question"]
        number = f"Question {question['number']}"
        is_next = self.all("#prompt[data-next], [data-typed][data-next]")
        prompt = "Fill the gaps." if question["gaps"] else question["prompt"]
        is_open = is_next and self.prompt() == prompt
        return view if is_open and number in self.text("main") else None

    def answer(self, name, is_right=True):
        view = self.wait(lambda: self.as_seen(name), "a question that is open, or the end")
        if view["table"]["phase"] != "asking":
            return
        right, words = self.right(name, view)
        question = view["table"]["question"]
        choices = question["choices"]
        if question["kind"] == "order":
            self.press(*(right if is_right else right[::-1]), Keys.ENTER)
        elif question["kind"] == "gaps":
            self.fill_gaps(question["gaps"]["words"], words.split(", "), is_right)
        elif question["kind"] == "place":
            self.name(right if is_right else [one for one in LETTERS if one not in right][:1])
        elif question["kind"] == "judged":
            if not question["answer"]:
                self.press(Keys.ENTER)
                self.one("ul[aria-labelledby=prompt]")
            self.press("a" if is_right else LETTERS[len(choices) - 1])
        elif question["kind"] == "match":
            letters = LETTERS[: len(choices)]
            others = "".join(next(one for one in letters if one != its) for its in right)
            shifted = right[1:] + right[:1]
            self.press(*(right if is_right else others if question["repeats"] else shifted))
            self.press(Keys.ENTER)
        elif question["wants_all"]:
            others = [letter for letter in LETTERS[: len(choices)] if letter not in right]
            self.pick_all(right if is_right else others[:1])
        elif choices:
            letters = LETTERS[: len(choices)]
            self.press(
                right
                if is_right
                else next(character for character in letters if character != right)
            )
        else:
            wrong = question["scale"]["least"] if question["scale"] else "7777"
            self.type(words if is_right else wrong)
        self.wait(lambda: _stands(self.view(name)) != _stands(view), "the answer taken")

    def pick_all(self, letters):
        """Pick these choices and no others, whatever is picked already, and answer."""
        picked = {choice.text[0].lower() for choice in self.all("li button[aria-pressed=true]")}
        self.press(*picked.symmetric_difference(letters), Keys.ENTER)

    def fill_gaps(self, offered, right, is_right):
        """Fill the gaps of a text with what fits, or with what does not."""
        for field, words, word in zip(self.all("[data-gap]"), offered, right, strict=True):
            others = [other for other in words if other != word]
            field.send_keys(word if is_right else others[0] if others else "7777")
        self.button("Answer").click()

    def name(self, letters):
        """Answer by the names of places in a picture."""
        named = "document.querySelector('details ul[aria-labelledby=prompt]').closest('details')"
        self.driver.execute_script(f"{named}.open = true")
        places = dict(zip(LETTERS, self.all(PLACES), strict=False))
        if places["a"].get_attribute("aria-pressed") is None:
            places[letters[0]].click()
            return
        for letter, place in places.items():
            if (letter in letters) != (place.get_attribute("aria-pressed") == "true"):
                place.click()
        self.button("Answer with").click()

    def type(self, answer):
        ran_out = (StaleElementReferenceException, ElementNotInteractableException)
        for field in self.all("main form input"):  # none once a clock has run out meanwhile
            with suppress(*ran_out):
                field.send_keys(answer, Keys.ENTER)

    def go_on(self, name):
        def is_on():
            view = self.view(name)["table"]
            if view["phase"] == "holding" and view["hold"] is None and self.all("[data-next]"):
                self.press(Keys.ENTER)
            return view["phase"] in ("asking", "ended")

        self.wait(is_on, "the run to go on")
        self.wait(lambda: self.all("h2"), "the next table")

    def play(self, name, is_right, most=40):
        for _ in range(most):
            self.answer(name, is_right)
            self.go_on(name)
            if self.view(name)["table"]["phase"] == "ended":
                return
        self.fail(f"{name} does not end")

    def play_all(self, width, height, is_right):
        """Play every demo game to an ending, on a page of this size."""
        short = self.made("seed-sums", lambda game: game["rounds"][0].update(seconds=6))
        resize(self.driver, width, height)
        in_english = [name for name in GAMES if name != "harvest-table"]
        for name in [short if name == "seed-sums" else name for name in in_english]:
            with self.subTest(game=name, width=width):
                self.driver.execute_script("localStorage.clear()")
                self.enter(name)
                self.play(name, is_right)
                self.sees("Play again")
                view = self.view(name)
                self.sees(view["table"]["ending"]["title"])
                self.sees("Best scores")
                wide = self.driver.execute_script("return document.body.scrollWidth")
                self.assertLessEqual(wide, width)
                if not is_right:
                    self.assertEqual(view["table"]["right_count"], 0)
                    self.sees("Your answers")


@exhaustive
class TestEveryGameOnAPhone(PlayingTest):
    def test_all_are_played_to_an_ending_by_one_who_knows(self):
        self.play_all(*PHONE, is_right=True)


@exhaustive
class TestEveryGameOnADesktop(PlayingTest):
    def test_all_are_played_to_an_ending_by_one_who_does_not(self):
        self.play_all(*DESKTOP, is_right=False)


@exhaustive
class TestEveryGame(PlayingTest):
    def test_late_hint_and_pass_are_told_and_reviewed(self):
        hinted = Details(hint="It is orange.")
        pack = Pack(
            "Hints",
            tuple(
                Question(f"Which root, number {n}?", ("Carrot",), (), Kind.TYPED, hinted)
                for n in range(3)
            ),
        )
        rules = Round("Only", ("hints",), ask=Ask(seconds=3, passing=True))
        game = Game("Hints", (rules,), (Ending("Done", "That was it."),))
        file = {"file": ("hints.json", written_game(game, {"hints": pack}))}
        name = self.server.http.post("/api/game-files", files=file).json()["id"]
        self.enter(name)
        self.button("Hint").click()
        self.sees("Hint: ")
        self.sees("Too late.")
        self.go_on(name)
        self.button("Pass").click()
        self.sees("Passed.")
        self.go_on(name)
        self.answer(name)
        self.sees("Right.")
        self.button("Go on").click()
        self.sees("Your answers")
        told = [part.text.split("\n")[1] for part in self.all("[aria-labelledby=review] li")]
        self.assertEqual([told[0], told[1]], ["too late", "passed"])
        self.assertIn("right", told[2])
        self.assert_accessible()

    def test_a_right_answer_is_never_crossed_out_where_the_right_one_is_never_told(self):
        def change(game):
            game["rounds"][0]["after"]["reveal"] = "never"

        name = self.made("harvest-supper", change)
        self.enter(name)
        for is_right, look in ((True, "text-good"), (False, "text-bad")):
            self.answer(name, is_right)
            self.button("Go on")
            self.assertNotIn("right answer", self.text("main ul"))
            given = self.found("//main//li//span[contains(., 'your answer')]", "the answer given")
            self.assertIn(look, given.get_attribute("class"))
            self.go_on(name)

    def test_every_press_can_be_made_with_keys_alone(self):
        self.open("/play/harvest-supper")
        self.button("Begin")
        labels = []
        for _ in range(5):
            self.press(Keys.TAB)
            focused = self.driver.switch_to.active_element
            labels.append(focused.get_attribute("aria-label") or focused.text)
        self.assertEqual(labels[:2], ["This run", "Mute"])
        self.assertEqual(labels[3:], ["Larger text", "Begin"])
        self.press(Keys.ENTER)
        self.one("#prompt")
        for _ in range(10):
            view = self.wait(lambda: self.as_seen("harvest-supper"), "a question, or the end")
            if view["table"]["phase"] == "ended":
                break
            self.press("a")
            before = _stands(view)
            self.wait(lambda then=before: _stands(self.view("harvest-supper")) != then, "it taken")
            self.go_on("harvest-supper")
        self.sees("Play again")
        self.press(Keys.ENTER)
        self.sees("Welcome to the Harvest Supper")


@exhaustive
class TestOneRunWhateverHappens(PlayingTest):
    def test_reload_two_tabs_and_a_lost_connection_count_every_answer_once(self):
        name = "harvest-supper"
        self.enter(name)
        first = self.prompt()
        here = self.driver.current_window_handle
        self.driver.switch_to.new_window("tab")
        self.open(f"/play/{name}")
        self.wait(lambda: self.prompt() == first, "the same run in another tab")
        self.answer(name)
        self.sees("Right.")
        score = self.view(name)["table"]["score"]
        self.driver.close()
        self.driver.switch_to.window(here)
        self.press("b")
        self.sees("gone on elsewhere")
        self.sees("Right.")
        self.assertEqual(self.view(name)["table"]["score"], score)
        self.driver.refresh()
        self.sees("Right.")
        self.go_on(name)

        network = {"offline": True, "latency": 0, "downloadThroughput": 0, "uploadThroughput": 0}
        self.driver.execute_cdp_cmd("Network.enable", {})
        self.driver.execute_cdp_cmd("Network.emulateNetworkConditions", network)
        self.press("a")
        self.sees("The connection is lost. What you did is sent as soon as it is back.")
        network |= {"offline": False, "downloadThroughput": -1, "uploadThroughput": -1}
        self.driver.execute_cdp_cmd("Network.emulateNetworkConditions", network)
        self.sees("Go on")
        self.assertEqual(self.view(name)["table"]["asked_count"], 2)
        self.assertNotIn("connection", self.text())


@exhaustive
class TestCues(PlayingTest):
    @classmethod
    def setUpClass(cls):
        super().setUpClass()
        moving = open_browser(reduced_motion=False)
        cls.addClassCleanup(moving.quit)
        cls.still, cls.moving = cls.driver, moving
        for driver in (cls.still, moving):
            script = {"source": LISTENING}
            driver.execute_cdp_cmd("Page.addScriptToEvaluateOnNewDocument", script)

    def tearDown(self):
        type(self).driver = self.still

    def told(self, name):
        """What happened in the run so far, one word for each footprint."""
        steps = self.server.http.get(f"/api/runs/{self.run_id(name)}").json()["steps"]
        return [print_["what"] for step in steps for print_ in step["footprints"]]

    def heard(self):
        return self.driver.execute_script("return window.heard")

    def test_a_sound_starts_within_fifty_ms_of_its_verdict_and_never_when_muted(self):
        name = "harvest-supper"
        self.enter(name)
        # The soonest of a few: a machine busy with other work keeps any one of them waiting.
        soonest = 1000
        for _ in range(6):
            before = len(self.heard())
            self.answer(name)
            self.sees("Right.")
            self.wait(lambda then=before: len(self.heard()) > then, "a sound")
            begun, length = self.heard()[before]
            told = self.driver.execute_script("return window.toldAt")
            soonest = min(soonest, begun - told)
            self.assertAlmostEqual(length, 0.61, places=1)
            if soonest < 50:
                break
            self.go_on(name)
        self.assertLess(soonest, 50)
        before = len(self.heard())
        self.at("[aria-label=Mute]").click()
        self.button("Go on").click()
        self.answer(name, False)
        self.sees("Not this time.")
        self.assertEqual(len(self.heard()), before)
        self.driver.refresh()
        self.sees("Not this time.")
        self.assertEqual(self.one("[aria-label=Mute]").get_attribute("aria-pressed"), "true")
        self.assertEqual(self.heard(), [], "what was played is not played again")

    def test_a_questions_sound_plays_by_itself_and_again_when_wanted(self):
        def only_the_gate(game):
            game["rounds"][0]["draw"].update(count=1)
            game["cues"] = []

        name = self.made("leaf-shapes", only_the_gate)
        pack = self.server.http.get("/api/packs/leaf-shapes").json()
        row = next(n for n, one in enumerate(pack["questions"]) if one["details"]["sound"])
        keep = [{"row": 0, "remove": row, "insert": []}]
        keep.append({"row": 1, "remove": len(pack["questions"]) - row - 1, "insert": []})
        body = {"revision": pack["revision"], "edits": keep}
        self.server.http.post("/api/packs/leaf-shapes/edits", json=body)
        self.enter(name)
        self.wait(lambda: len(self.heard()) == 1, "the sound by itself")
        sound = "the sound this question is about"
        self.wait(lambda: self.all(f"button[aria-label='Hear it: {sound}']"), "its end")
        self.at(f"button[aria-label='Hear it: {sound}']").click()
        self.wait(lambda: len(self.heard()) == 2, "the sound again")
        self.at("[aria-label=Mute]").click()
        self.wait(lambda: self.all(f"button[aria-label='Hear it: {sound}']"), "its end")
        self.at(f"button[aria-label='Hear it: {sound}']").click()
        self.sees("Sound is off.")
        self.assertEqual(len(self.heard()), 2)
        self.assert_accessible()
        # A clock that waits for the sound runs once it is heard, or is known not to be.
        made = self.server.http.get(f"/api/games/{name}").json()
        made["document"]["rounds"][0]["ask"].update(waits_for_sound=True, seconds=30)
        self.server.http.put(f"/api/games/{name}", json=made).raise_for_status()
        for muted in (True, False):
            self.driver.execute_script(f"localStorage.removeItem('run of {name}')")
            self.enter(name)
            self.wait(lambda: "heard" in self.told(name), f"the clock let run, muted {muted}")
            self.at("[aria-label=Mute]").click()
        body = {
            "revision": pack["revision"] + 1,
            "edits": [{"row": 0, "remove": 1, "insert": pack["questions"]}],
        }
        self.server.http.post("/api/packs/leaf-shapes/edits", json=body)

    def test_the_last_seconds_tick(self):
        name = self.made("harvest-supper", lambda game: game["rounds"][0]["ask"].update(seconds=3))
        self.enter(name)
        self.sees("Too late.")
        drips = [length for _, length in self.heard() if length < 0.1]
        self.assertEqual(len(drips), 3)

    def test_a_question_is_read_from_its_file_and_without_a_voice_that_is_said(self):
        spoken = Details(narration="read.wav")
        pack = Pack("Read", (Question("Which root?", ("Carrot",), ("Kale",), details=spoken),))
        media = {"read": {"read.wav": wav(SHIPPED[-1])}}
        rules = Round("Only", ("read",), ask=Ask(reads_aloud=True))
        for held, media_held in ((pack, media), (Pack("Mute", PLAIN_PACK), {})):
            game = Game("Read", (rules,), (Ending("Done", ""),))
            content = written_game(game, {"read": held}, media_held)
            file = {"file": ("read.json", content)}
            name = self.server.http.post("/api/game-files", files=file).json()["id"]
            self.enter(name)
            self.button("Read out")
            if media_held:
                self.wait(self.heard, "the file")
                ((_, length),) = self.heard()
                self.assertAlmostEqual(length, len(samples(SHIPPED[-1])) / RATE, places=1)
                self.button("Read out").click()
                self.wait(lambda: len(self.heard()) == 2, "the file again")
            else:
                voices = "return speechSynthesis.getVoices().length"
                has_voice = which(SPEAKER) or self.driver.execute_script(voices)
                if not has_voice:
                    self.sees("There is no voice on this device to read it out.")
            self.assertEqual(self.prompt(), "Which root?")

    def test_effects_are_short_out_of_the_way_and_still_where_motion_is_reduced(self):
        effects = ("mark", "shake", "flash", "leaves", "token", "heart", "seed", "count", "face")
        cues = [{"name": effect, "on": ["right", "wrong"], "effect": effect} for effect in effects]
        name = self.made("harvest-supper", lambda game: game.update(cues=cues))
        for driver in (self.moving, self.still):
            type(self).driver = driver
            self.open("/nowhere")
            driver.execute_script("localStorage.clear()")
            self.enter(name)
            self.press("a")
            shown = self.wait(lambda: self.driver.execute_script(MOVING), "effects")
            self.assertEqual(set(shown[0].split()), set(effects) - {"mark"})
            self.one("li svg.effect-stamp")
            self.assertEqual(shown[1], "none")
            self.button("Go on").click()
            self.sees("Question 2 of")
            if driver is self.moving:
                self.assertGreater(len(shown[2]), 15)
                self.assertLessEqual(max(end for end, _ in shown[2]), 1500)
                self.assertEqual({times for _, times in shown[2]}, {1}, "WCAG 2.3.1: one flash")
            else:
                self.assertEqual(shown[2], [])
            self.wait(lambda: not self.all("[data-effects]"), "nothing left of the effects")

    def test_a_cue_is_programmed_with_words_completed_and_a_sound_designed_for_it(self):
        made = self.server.http.post(
            "/api/games", json={"title": "Cued", "packs": ["harvest-supper-questions"]}
        ).json()
        bench = "section[aria-labelledby=bench]"
        self.open(f"/game/{made['id']}/cue?dice=5")
        self.button("cheerful").click()
        self.sees("nearly ripe", bench)
        for _ in range(5):
            self.found("//button[starts-with(@aria-label, 'More of')]", "more").click()
            self.button("Take it out").click()
        self.button("right").click()
        words = "Words of right"

        def says(wanted):
            self.wait(lambda: self.field(words).get_attribute("value") == wanted, wanted)

        self.field(words).send_keys("So {sco")
        self.sees("Finish with:", bench)
        self.field(words).send_keys(Keys.ENTER)
        says("So {score}")
        self.field(words).send_keys(" points")
        says("So {score} points")
        self.button("Design a sound").click()
        self.fill("Name of the sound", "pling")
        self.fill("Note 1", "H5")
        self.sees("“H5” is no pitch from C2 to C8", bench)
        self.fill("Note 1", "A5")
        self.one("svg[aria-label^='The wave of this sound']")
        self.button("Hear it").click()
        self.wait(self.heard, "the sound as designed")
        self.choose("Sound of right", "pling")
        self.choose("Effect of right", "falling leaves")
        self.choose("Holds the run: right", "for some seconds")
        self.fill("Holds the run: right, seconds", "2,5")
        self.wait(lambda: "Saved" in self.text("header"), "saved")
        self.at("button[aria-label='Play right']").click()
        self.one("[data-effects=leaves]")
        self.wait(lambda: len(self.heard()) == 2, "the cue's sound")
        self.assert_accessible()
        saved = self.server.http.get(f"/api/games/{made['id']}").json()
        (cue,) = saved["document"]["cues"]
        self.assertEqual((cue["hold_ms"], cue["sound"], cue["effect"]), (2500, "pling", "leaves"))
        self.assertEqual(saved["problems"], [])
        self.begin()
        self.command("g")
        self.sees("So 1 points")


@exhaustive
class TestBeyondLoopback(BrowserTest):
    def test_the_makers_pages_ask_for_the_key_and_the_players_page_does_not(self):
        options = ("--demo", "--host", "0.0.0.0", "--key", "open-up")
        with Server(self.folder / "open.sqlite", *options) as server:
            here = f"http://127.0.0.1:{server.address.rsplit(':', 1)[1]}"
            self.driver.get(f"{here}/game/harvest-supper")
            self.sees("These pages are the maker's own.")
            self.assert_accessible()
            self.fill("Key", "shut")
            self.button("Open").click()
            self.sees("This is not the maker's key.")
            self.driver.get(f"{here}/play/harvest-supper")
            self.begin()
            self.driver.get(f"{here}/game/harvest-supper")
            self.fill("Key", "open-up")
            self.button("Open").click()
            self.sees("10 drawn, shuffled", "nav")
            self.driver.get(f"{here}/players/harvest-supper")
            self.sees("/play/harvest-supper")
            self.assertNotIn("good on this machine alone", self.text())
            self.driver.delete_all_cookies()
            self.driver.get(f"{here}/?key=open-up")
            self.sees("Harvest Supper")
            self.assertNotIn("key", self.driver.current_url)


class TestPlayersAndMakers(PlayingTest):
    @exhaustive
    def test_looks_are_legible_targets_large_and_the_text_grows(self):
        resize(self.driver, *PHONE)
        self.enter("harvest-supper")
        self.answer("harvest-supper", False)
        self.sees("Not this time.")
        for look in ("light", "dark"):
            self.at("[aria-label^='Look']").click()
            self.wait(
                lambda look=look: (
                    self.driver.execute_script(
                        "return document.querySelector('[data-dressed]').dataset.dressed"
                    )
                    == look
                ),
                look,
            )
            self.assert_accessible()
        small = self.driver.execute_script(
            "return [...document.querySelectorAll('button, input, a')].filter(part => {"
            "const {width, height} = part.getBoundingClientRect();"
            "return width && (width < 24 || height < 24)}).map(part => part.outerHTML)"
        )
        self.assertEqual(small, [], "WCAG 2.2, 2.5.8: targets of 24 pixels at least")
        size = self.driver.execute_script("return getComputedStyle(document.body).fontSize")
        self.at("[aria-label='Larger text']").click()
        grown = self.driver.execute_script("return getComputedStyle(document.body).fontSize")
        self.assertGreater(float(grown[:-2]), 1.2 * float(size[:-2]))
        wide = self.driver.execute_script("return document.body.scrollWidth")
        self.assertEqual(wide, PHONE[0])
        resize(self.driver, *DESKTOP)

    def test_the_maker_invites_by_a_code_and_opens_what_was_played(self):
        self.enter("root-leaf-or-fruit")
        self.answer("root-leaf-or-fruit", False)
        self.sees("First mistake")
        self.open("/game/root-leaf-or-fruit")
        self.button("Players").click()
        self.one("img[alt^='QR code']")
        self.sees("First mistake")
        self.assert_accessible()
        self.wait(
            lambda: self.driver.execute_script("return document.images[0].complete"), "the code"
        )
        picture = Image.open(io.BytesIO(self.driver.get_screenshot_as_png()))
        (code,) = zxingcpp.read_barcodes(picture)
        self.assertEqual(code.format, zxingcpp.BarcodeFormat.QRCode)
        self.assertEqual(code.text, f"{self.server.address}/play/root-leaf-or-fruit")
        self.button("Open its footprints").click()
        table = "section[aria-label=Table]"
        self.sees("Player played this. Step 4 of 4.", table)
        self.sees("First mistake", table)
        self.command(",")
        self.sees("Step 3 of 4", table)
        self.command(",")
        self.sees("Step 2 of 4", table)
        self.button("Branch here").click()
        self.wait(lambda: "Branch here" not in self.text(table), "the branch")
        self.command("g")
        self.sees("Right.", table)
        runs = self.server.http.get("/api/games/root-leaf-or-fruit/runs").json()
        self.assertEqual([run["result"]["score"] for run in runs], [0])
        self.assertTrue(re.fullmatch("[a-z2-7]{26}", runs[0]["dice"]))
