"""No page is ever blank, no press is lost, and what is looked back on is only looked at."""

import json

from selenium.webdriver.common.keys import Keys

from dicetrail.core import Ask, Details, Draw, DrawOrder, Ending, Game, Needs, Order, Pack, Question
from dicetrail.core import Round as Round_
from dicetrail.files import written_game
from tests.browser.base import BrowserTest
from tests.exhaustive import exhaustive

STOPS = ("load", "open", "draw", "ask", "check", "score", "cue", "move-on", "end")
SLOW = """
const fetchAsBefore = window.fetch;
window.fetch = async (...asked) => {
  const answer = await fetchAsBefore(...asked);
  if (String(asked[0].url ?? asked[0]).endsWith('/inputs'))
    await new Promise((resolve) => setTimeout(resolve, 700));
  return answer;
};
"""
TORN = """
const fetchAsBefore = window.fetch;
window.fetch = async (...asked) => {
  const answer = await fetchAsBefore(...asked);
  if (!/\\/api\\/games\\/[a-z-]+$/.test(String(asked[0].url ?? asked[0]))) return answer;
  const game = await answer.json();
  delete game.document.rounds[0].moves;
  return new Response(JSON.stringify(game), {headers: {'content-type': 'application/json'}});
};
"""
ROOTS = Question(
    "Which grow under the ground?",
    ("Carrot", "Beet"),
    ("Kale", "Pea"),
    details=Details(needs=Needs.ALL),
)
LEAF = Question("Which is a leaf?", ("Chard",), ("Oats", "Plum"))
BOTH = Game(
    "Both",
    (Round_("R", ("p",), draw=Draw(2, DrawOrder.WRITTEN), ask=Ask(Order.WRITTEN)),),
    (Ending("All", "", 2), Ending("Rest", "")),
)


@exhaustive
class TestWholePages(BrowserTest):
    def before_each_page(self, script):
        added = self.driver.execute_cdp_cmd(
            "Page.addScriptToEvaluateOnNewDocument", {"source": script}
        )
        self.addCleanup(
            self.driver.execute_cdp_cmd, "Page.removeScriptToEvaluateOnNewDocument", added
        )

    def test_a_round_that_was_added_is_shown_at_every_bench(self):
        made = self.server.http.post("/api/games/slug-patrol/copies").json()
        self.open(f"/game/{made['id']}/open")
        self.button("Add a round").click()
        number = len(made["document"]["rounds"]) + 1
        for stop in STOPS:
            self.open(f"/game/{made['id']}/{stop}?round={number}")
            self.one("#bench")
            self.wait(lambda: self.all("section[aria-labelledby=bench] *"), "the bench")
            self.assertNotIn("Something broke", self.text())
        self.sees("New round")

    def test_what_is_gone_says_so_and_offers_the_way_back(self):
        for address, words in (
            ("/load/nothing", "There is no load"),
            ("/game/nothing", "The game “nothing” is not there"),
            ("/pack/nothing", "The pack “nothing” is not there"),
            ("/players/nothing", "The game “nothing” is not there"),
            ("/foresight/nothing", "The game “nothing” is not there"),
            ("/take/nothing", "There is no game “nothing”"),
            ("/play/nothing", "This is not here any more"),
            ("/nowhere/at/all", "There is no page at this address"),
        ):
            with self.subTest(address=address):
                self.open(address)
                self.sees("nothing" if "nothing" in words or "load" in words else words)
                if address.startswith("/play/"):  # players have no shelf to go back to
                    self.found("//button[contains(., 'Try again')]", "another try")
                    self.assertEqual(self.all("a[href='/']"), [])
                else:
                    self.found("//a[@href='/']", "the way back to the shelf")
        self.driver.execute_script("arguments[0].click()", self.found("//a[@href='/']", "shelf"))
        self.sees("Harvest Supper")

    def test_a_part_that_breaks_says_so_and_the_rest_goes_on(self):
        self.before_each_page(TORN)
        self.open("/game/harvest-supper/move-on")
        self.sees("Something broke while this bench was drawn. What you saved is safe.")
        self.begin()
        self.press("a")
        self.sees("right answer")
        self.press("]")
        self.sees("What is said at the end?")

    def test_what_is_pressed_while_the_server_is_asked_is_sent_after(self):
        self.before_each_page(SLOW)
        for address in ("/game/harvest-supper/load", "/play/harvest-supper"):
            with self.subTest(address=address):
                self.open(address)
                self.begin()
                self.press("a", Keys.ENTER)
                self.sees("Question 2 of")
                self.press("b", "b", Keys.ENTER)
                self.sees("Question 3 of")

    def test_a_run_that_is_laid_late_leads_back_to_no_earlier_bench(self):
        self.before_each_page(SLOW.replace("/inputs", "/api/runs"))
        made = self.server.http.post("/api/games/harvest-supper/copies").json()
        self.open(f"/game/{made['id']}/ask")
        self.begin()
        self.fill("Clock of a question", "9")
        self.sees("Saved", "header")
        self.found("//nav//a[contains(., 'Score')]", "Score").click()
        self.sees("it starts again with the same dice")
        self.wait(lambda: "run=" in self.driver.current_url, "the run in the address")
        self.assertIn("/score?", self.driver.current_url)

    def test_a_step_gone_back_to_plays_nothing_and_is_seen_from_its_head(self):
        self.open("/game/harvest-supper/cue?dice=5")
        self.begin()
        self.press("a")
        self.one("[data-effects]")
        self.command(",")
        self.sees("To the newest")
        self.assertEqual(self.all("[data-effects]"), [])
        pane, head = self.driver.execute_script(
            "const head = document.querySelector('#prompt');"
            "const pane = head.closest('.overflow-auto');"
            "return [pane, head.parentElement].map((one) => one.getBoundingClientRect().top)"
        )
        self.assertGreaterEqual(head, pane)
        self.button("To the newest").click()
        self.sees("Go on")
        self.assertEqual(self.all("[data-effects]"), [], "it was seen before")

    def test_the_title_is_readable_on_a_small_screen(self):
        size = {"width": 1024, "height": 768, "deviceScaleFactor": 1, "mobile": False}
        self.driver.execute_cdp_cmd("Emulation.setDeviceMetricsOverride", size)
        self.open("/game/root-leaf-or-fruit/load")
        title = self.one("input[aria-label='Title of the game']")
        cut = self.driver.execute_script(
            "return arguments[0].scrollWidth > arguments[0].clientWidth", title
        )
        self.assertFalse(cut)
        size = {"width": 1280, "height": 800, "deviceScaleFactor": 1, "mobile": False}
        self.driver.execute_cdp_cmd("Emulation.setDeviceMetricsOverride", size)

    def test_several_right_choices_are_picked_together(self):
        file = written_game(BOTH, {"p": Pack("P", (ROOTS, LEAF))})
        upload = {"file": ("both.json", file)}
        made = self.server.http.post("/api/game-files", files=upload).json()
        self.open(f"/play/{made['id']}")
        self.button("Begin").click()
        self.sees("Pick every right one")
        self.press("a", "c", "b", "c")
        picked = [choice.text[0] for choice in self.all("li button[aria-pressed=true]")]
        self.assertEqual(picked, ["A", "B"])
        self.button("Answer with 2 choices")
        self.press(Keys.ENTER)
        self.sees("Right.")
        self.press(Keys.ENTER)
        self.sees("Which is a leaf?")
        self.press("a", Keys.ENTER)
        self.sees("All")
        view = self.driver.execute_script(
            "return fetch('/api/play/runs/' + localStorage.getItem('run of ' + arguments[0]))"
            ".then((answer) => answer.text())",
            made["id"],
        )
        self.assertEqual([one["result"] for one in json.loads(view)["answered"]], ["right"] * 2)
