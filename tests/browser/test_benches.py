"""Each bench really programs its stop, and the table plays what it says."""

from selenium.webdriver.common.action_chains import ActionChains
from selenium.webdriver.common.keys import Keys

from dicetrail.core.play import Stop
from tests.browser.base import BrowserTest, open_browser, resize
from tests.exhaustive import exhaustive
from tests.files.samples import png

TABLE = "section[aria-label=Table]"
BENCH = "section[aria-labelledby=bench]"
FOOTPRINTS = "section[aria-labelledby=footprints]"
RULES = """score = 0

def wrong():
    score -= 2
    if wrong_count == 1:
        tell("Score cannot be worse")
"""


@exhaustive
class TestBenches(BrowserTest):
    def setUp(self):
        made = self.server.http.post(
            "/api/games", json={"title": "Mine", "packs": ["harvest-supper-questions"]}
        ).json()
        self.game = f"/api/games/{made['id']}"
        self.page = f"/game/{made['id']}"

    def saved(self):
        self.wait(lambda: "Saved" in self.text("header"), "saved")
        return self.server.http.get(self.game).json()["document"]

    def test_as_written_asks_in_the_order_of_the_pack(self):
        self.open(f"{self.page}/draw?dice=5")
        self.choose("Order", "As written")
        self.sees("10 drawn, as written", "nav")
        self.begin()
        first = self.server.http.get("/api/packs/harvest-supper-questions").json()["questions"][0]
        self.wait(lambda: self.prompt() == first["prompt"], "the first question")
        self.button("Ask").click()
        self.at(f"{BENCH} [role=radio][value=written]").click()
        self.sees("The right answer always stands at A")
        self.button("1 warning").click()
        self.sees("the right answer always stands at A")
        self.wait(
            lambda: self.text(f"{TABLE} li") == f"A\n{first['right'][0]}", "the right answer first"
        )
        self.assertEqual(self.saved()["rounds"][0]["ask"]["choice_order"], "written")

    def test_what_is_wrong_in_a_field_is_told_at_that_field_until_it_is_mended(self):
        self.open(f"{self.page}/ask?dice=5")
        self.fill("Tries for a question", "99")
        self.sees("Keep within 1 and 20; the last number still holds.", BENCH)
        field = self.field("Tries for a question")
        told = self.one(f"[id='{field.get_attribute('aria-describedby')}']").text
        self.assertEqual(told, "Keep within 1 and 20; the last number still holds.")
        self.assertEqual(field.get_attribute("aria-invalid"), "true")
        self.assertEqual(self.all("[aria-label='Found by the survey']"), [])
        self.fill("Tries for a question", "2")
        self.wait(lambda: "Keep within" not in self.text(), "no fault left")
        self.at(f"{BENCH} [role=radio][value=written]").click()
        self.sees("The right answer always stands at A", f"{BENCH} [role=alert]")

    def test_ways_to_answer_that_are_switched_off_are_gone_from_the_table(self):
        self.open(f"{self.page}/check?dice=5")
        self.begin()
        self.assertEqual(self.all(f"{TABLE} form"), [], "until the round wants it")
        self.button("Ask").click()
        self.field("A field to type into").click()
        self.one(f"{TABLE} form")
        self.button("Check").click()
        self.sees("Unreadable: “dunno” names no choice", BENCH)
        for label in ("By letter", "By place", "By its whole text"):
            self.field(label).click()
        self.sees("pick only", "nav")
        self.wait(lambda: not self.all(f"{TABLE} form"), "no field to type in")
        self.sees("Unreadable: “b” names no choice", BENCH)
        self.sees("Question 1 of", TABLE)
        self.press("a")
        self.sees("right answer", TABLE)

    def test_endings_are_added_ordered_and_removed_and_gaps_are_shown(self):
        self.open(f"{self.page}/end?dice=5")
        self.sees("1 All right", BENCH)
        self.at("button[aria-label='Remove A start']").click()
        self.sees("No ending", f"{BENCH} figure")
        self.sees("0 to 4", f"{BENCH} figure")
        self.sees("no ending fits the scores 0, 1, 2, 3 and 1 more", TABLE)
        self.button("Add an ending").click()
        self.sees("3 New ending", f"{BENCH} figure")
        self.at("button[aria-label='Move New ending up']").click()
        self.sees("2 New ending", f"{BENCH} figure")
        self.button("1 warning").click()
        self.sees("no run can reach “Well done”")
        titles = [ending["title"] for ending in self.saved()["endings"]]
        self.assertEqual(titles, ["All right", "New ending", "Well done"])
        self.button("Begin")

    def test_the_rule_script_is_written_refused_mended_and_seen_to_run(self):
        self.open(f"{self.page}/score?dice=5")
        self.write_script("score = 0\n\ndef right():\n    scor += 1\n")
        self.sees("Line 4, column 5: there is no counter “scor”. To mend it, write score", BENCH)
        self.sees("1 fault", "header")
        self.one(".cm-lintRange-error")
        self.write_script("score = 0\n\ndef right():\n    tell(")
        self.press('"Now {poi')
        self.sees("the score with its word", ".cm-tooltip-autocomplete")
        # The editor takes no key for a choice in the first 75 ms of a list.
        ActionChains(self.driver).pause(0.2).send_keys(Keys.ENTER).perform()
        self.wait(lambda: '"Now {points}"' in self.text(".cm-content"), "the place completed")
        self.write_script(RULES)
        self.sees("No faults", "header")
        self.begin()
        drawn = self.server.http.get(f"{self.game}/draw?dice=5").json()["questions"]
        self.press("a" if drawn[0]["right_letters"] != "A" else "b")
        self.sees("score 0 → -2", "nav")
        self.sees("Score -2", TABLE)
        self.sees("Score cannot be worse", TABLE)
        self.sees("1 ×", ".cm-runs")
        self.sees("It could read score 0, wrong_count 1.", BENCH)
        self.unfold()
        self.sees("a wrong answer: score 0 → -2 lines 4, 5, 6", FOOTPRINTS)
        self.assertEqual(self.saved()["script"], RULES)

    def test_a_run_is_stepped_back_branched_and_played_on(self):
        self.open(f"{self.page}/cue?dice=5")
        self.begin()
        group = "[aria-label='Play for the player']"
        for steps in (3, 5, 7):
            self.command("g")
            self.sees(f"step {steps} of {steps}")
        self.sees("Question 3 of 10", TABLE)
        self.command(",", ",")
        self.sees("Step 5 of 7", TABLE)
        self.sees("Question 2 of 10", TABLE)
        branched = self.driver.current_url
        self.button("Branch here").click()
        self.wait(lambda: self.driver.current_url != branched, "a run of its own")
        self.sees("step 5 of 5")
        self.at(f"{group} [aria-label='More ways to play on']").click()
        self.button("All wrong, to the end").click()
        self.sees("2 of 10 right, 20 %", TABLE)
        ended = self.driver.current_url
        self.open("/")
        self.open(ended.replace(self.server.address, ""))
        self.sees("2 of 10 right, 20 %", TABLE)

    def first_ending(self):
        """What the first ending counts, up to what, and whether it comes at once, as saved."""
        ending = self.server.http.get(f"/api{self.page.replace('game', 'games')}").json()[
            "document"
        ]["endings"][0]
        return ending["counts"], ending["at_most"], ending["at_once"]

    def test_a_clock_of_lives_runs_holds_hurries_and_ends_the_game(self):
        self.open(f"{self.page}/ask?dice=5")
        self.fill("Clock of a question", "9")
        self.sees("9 s", "nav")
        self.open(f"{self.page}/score?dice=5")
        self.write_script("score = 0\nlives = 2\n\ndef timeout():\n    lives -= 1\n")
        self.open(f"{self.page}/end?dice=5")
        self.button("Add an ending").click()
        for _ in range(3):
            self.at("button[aria-label='Move New ending up']").click()
        self.choose("Counts", "lives")
        self.fill("At most", "0")
        self.field("At once").click()
        self.sees("New ending", f"{BENCH} figure")
        ending = ("lives", 0, True)
        self.wait(lambda: self.first_ending() == ending, "the ending saved")
        self.begin()
        self.command("p")
        self.sees("Lives 2", TABLE)
        self.at("button[aria-label='Let the clock run']").click()
        self.sees("Too late.", TABLE)
        self.button("Go on").click()
        self.sees("Question 2 of", TABLE)
        self.sees("Lives 1", TABLE)
        self.command("o")
        self.sees("Lives 0", TABLE)
        self.button("Go on").click()
        self.sees("New ending", TABLE)

    def test_a_picture_brought_to_a_question_is_shown_with_it(self):
        self.open("/pack/harvest-supper-questions")
        self.at("input[aria-label='Question, row 3']").click()
        self.sees("Question 3", "aside")
        self.one("aside input[type=file]").send_keys(self.write("bean.png", png()))
        drawn = "return document.querySelector('aside img')?.naturalWidth ?? 0"
        self.wait(lambda: self.driver.execute_script(drawn) == 1, "the picture in the preview")
        self.wait(lambda: "Saved" in self.text("header"), "saved")
        pack = self.server.http.get("/api/packs/harvest-supper-questions").json()
        self.assertEqual(pack["questions"][2]["details"]["picture"], "bean.png")
        self.assertEqual(pack["faults"], [])
        self.fill("Picture", "gone.png")
        self.sees("there is no file “gone.png”", "aside")
        self.button("Undo").click()
        self.sees("0 rows with faults")

    def test_the_die_walks_the_trail_when_motion_is_welcome(self):
        lively = open_browser(reduced_motion=False)
        self.addCleanup(lively.quit)
        still, self.driver = self.driver, lively
        self.addCleanup(setattr, self, "driver", still)
        self.open(f"{self.page}/load?dice=5")
        self.one("[data-testid=token]")
        self.driver.execute_script(
            "window.seen = ['load']; new MutationObserver(() => {"
            "const at = document.querySelector('[data-testid=token]')?.dataset.stop;"
            "if (at && at !== window.seen.at(-1)) window.seen.push(at)"
            "}).observe(document.body, {subtree: true, attributes: true, childList: true})"
        )
        self.begin()
        self.press("a")
        self.sees("right answer", TABLE)
        walked = ["load", "open", "draw", "ask", "check", "score", "cue"]
        self.wait(lambda: self.driver.execute_script("return window.seen") == walked, "the walk")

    def test_two_tabs_of_one_players_run_count_an_answer_once(self):
        self.open(self.page.replace("/game/", "/play/"))
        self.begin()
        first = self.driver.current_window_handle
        before = set(self.driver.window_handles)
        self.driver.execute_script("window.open(location.href)")
        (second,) = set(self.driver.window_handles) - before
        self.driver.switch_to.window(second)
        self.sees("Question 1 of 10")
        self.press("1")
        self.sees("right answer")
        self.driver.close()
        self.driver.switch_to.window(first)
        self.press("2")
        self.sees("This run has gone on elsewhere")
        self.sees("right answer")
        self.press(Keys.ENTER)
        self.sees("Question 2 of 10")


@exhaustive
class TestRoom(BrowserTest):
    def height(self, css):
        box = "return document.querySelector(arguments[0]).getBoundingClientRect()"
        return self.driver.execute_script(f"{box}.height", css)

    def width(self, css):
        box = "return document.querySelector(arguments[0]).getBoundingClientRect()"
        return self.driver.execute_script(f"{box}.width", css)

    def test_the_bench_has_the_height_and_panes_are_dragged_and_remembered(self):
        bench, bar = "section[aria-labelledby=bench]", '[aria-label="The run\'s time"]'
        for width, height, least in ((1280, 800, 560), (1024, 768, 480)):
            resize(self.driver, width, height)
            for stop in ("load", "score", "move-on", "end"):
                with self.subTest(stop=stop, width=width):
                    self.open(f"/game/slug-patrol/{stop}?dice=4")
                    self.one(bench)
                    self.sees("step 1 of 1")
                    self.assertGreaterEqual(self.height(bench), least)
                    self.assertLessEqual(self.height(bar), 56)
                    title = "return [arguments[0].scrollWidth, arguments[0].clientWidth]"
                    field = self.one("input[aria-label='Title of the game']")
                    wanted, there = self.driver.execute_script(title, field)
                    self.assertLessEqual(wanted, there, "the title is cut")
        resize(self.driver, 1280, 800)
        before = self.width(bench)
        between = self.one("[role=separator][aria-label='Width of the bench']")
        between.send_keys(*[Keys.ARROW_LEFT] * 3)
        self.wait(lambda: self.width(bench) < before - 30, "a narrower bench")
        self.at("h2#bench").click()
        self.command("f")
        self.one("section[aria-labelledby=footprints]")
        narrow, short = self.width(bench), self.height(bench)
        self.one("[role=separator][aria-label='Height of the footprints']").send_keys(Keys.ARROW_UP)
        self.wait(lambda: self.height(bench) < short - 10, "more footprints")
        self.driver.refresh()
        self.one("section[aria-labelledby=footprints]")
        self.wait(lambda: abs(self.width(bench) - narrow) < 3, "the panes as they were left")
        self.assert_accessible()
        self.at("h2#bench").click()
        self.command("f")
        self.wait(lambda: not self.all("section[aria-labelledby=footprints]"), "them folded")


@exhaustive
class TestExamples(BrowserTest):
    """What a bench decides, put in from beside it and taken back."""

    def test_every_bench_puts_in_an_example_that_undo_takes_back(self):
        made = self.server.http.post("/api/games", json={"title": "G", "recipe": "ten sums"})
        name = made.json()["id"]

        def document():
            return self.server.http.get(f"/api/games/{name}").json()["document"]

        before = document()
        for stop in Stop:
            with self.subTest(stop=stop):
                self.open(f"/game/{name}/{stop.value.replace(' ', '-')}?dice=5")
                self.button("For example").click()
                self.found("//button[starts-with(@aria-label, 'Put in: ')]", "an example").click()
                self.wait(lambda: document() != before, "what is put in")
                self.command("u")
                self.wait(lambda: document() == before, "what was there")

    def test_an_example_that_cannot_go_into_a_broken_script_says_why_and_changes_nothing(self):
        made = self.server.http.post("/api/games", json={"title": "G", "recipe": "ten sums"})
        name, revision = made.json()["id"], made.json()["revision"]
        broken = made.json()["document"] | {"script": "def right(:\n"}
        saved = {"document": broken, "revision": revision}
        self.server.http.put(f"/api/games/{name}", json=saved).raise_for_status()
        self.open(f"/game/{name}/score?dice=5")
        self.button("For example").click()
        self.found("//button[@aria-label='Put in: Three lives']", "an example").click()
        self.sees("this script cannot be read")
        self.assertEqual(
            self.server.http.get(f"/api/games/{name}").json()["document"]["script"],
            broken["script"],
        )
        self.assert_accessible()


@exhaustive
class TestGrips(BrowserTest):
    """What is dragged, by mouse and by the arrow keys, and what is put into the script."""

    def document(self, name):
        return self.server.http.get(f"/api/games/{name}").json()["document"]

    def copied(self, name):
        return self.server.http.post(f"/api/games/{name}/copies").json()["id"]

    def grip(self, name):
        return self.found(f"//*[@role='slider'][contains(@aria-label, '{name}')]", name)

    def test_borders_of_endings_and_the_time_of_a_question_are_dragged(self):
        name = self.copied("harvest-supper")
        self.open(f"/game/{name}/end?dice=5")
        self.grip("Good Neighbour and Best in Show").send_keys(Keys.ARROW_RIGHT)
        self.wait(lambda: self.document(name)["endings"][2]["at_least"] == 46, "the border moved")
        self.assertEqual(self.document(name)["endings"][3]["at_most"], 45)
        self.sees("No faults", "header")
        self.open(f"/game/{name}/ask?dice=5")
        self.grip("Time to answer").send_keys(Keys.ARROW_LEFT)
        self.wait(lambda: self.document(name)["rounds"][0]["ask"]["seconds"] == 19, "a second less")
        self.grip("Time to answer").send_keys(Keys.END)
        self.wait(lambda: self.document(name)["rounds"][0]["ask"]["seconds"] is None, "no deadline")
        self.grip("Hold").send_keys(Keys.HOME)
        self.wait(lambda: self.document(name)["rounds"][0]["after"]["hold_ms"] == 0, "no hold")
        self.assert_accessible()

    def test_a_way_is_drawn_from_a_round_to_an_ending_beside_those_of_the_script(self):
        name = self.copied("slug-patrol")
        self.open(f"/game/{name}/move-on?dice=4")
        self.sees("line 15")
        ending = self.found("//*[name()='text'][contains(., 'Slugs out')]", "an ending")
        drag = ActionChains(self.driver).click_and_hold(self.one("[data-way=wrong]"))
        drag.move_to_element(ending).release().perform()
        moved = {"to": "ending", "name": "Slugs out"}
        self.wait(lambda: self.document(name)["rounds"][0]["moves"]["wrong"] == moved, "the way")
        told = self.one("figure svg[role=img]").get_attribute("aria-label")
        self.assertIn("Patrol, wrong: to Slugs out. By the script, line 7: to Bonus bed", told)

    def test_a_recipe_goes_into_the_script_and_its_lines_are_watched(self):
        name = self.copied("harvest-supper")
        self.open(f"/game/{name}/score?dice=5")
        self.found("//summary[starts-with(., 'Recipes')]", "the recipes").click()
        before = self.document(name)["script"]
        self.at("button[aria-label='Put this in: Quick is worth more']").click()
        self.wait(lambda: "worth + seconds_left" in self.document(name)["script"], "it put in")
        lines = iter(self.document(name)["script"].splitlines())
        self.assertTrue(all(line in lines for line in before.splitlines() if line))
        self.begin()
        self.command("g")
        self.sees("a right answer: score 0 →", "aside[aria-label=Watch]")
        self.sees("line 6 score", "aside[aria-label=Watch]")
