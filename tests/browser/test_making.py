"""A whole game made, broken, mended, undone and played through the interface alone."""

import re
from urllib.parse import parse_qs, urlsplit

from selenium.webdriver.common.keys import Keys

from dicetrail.demo import GAMES
from tests.browser.base import BrowserTest
from tests.exhaustive import exhaustive
from tests.server import Server

TABLE = "section[aria-label=Table]"
BENCH = "section[aria-labelledby=bench]"
FOOTPRINTS = "section[aria-labelledby=footprints]"
LIVES = "score = 0\nlives = 2\n\ndef right():\n    score += 5\n\ndef wrong():\n    lives -= 1\n"


@exhaustive
class TestMaking(BrowserTest):
    def stop(self, name, words):
        def is_there():
            self.found(f"//nav//a[contains(., '{name}')]", name).click()
            return words in self.text(BENCH)

        self.wait(is_there, f"the bench of {name}")

    def play_on(self, words):
        self.at("[aria-label='More ways to play on']").click()
        self.button(words).click()
        self.press(Keys.ESCAPE)

    def saved(self):
        self.sees("Saved", "header")

    def test_a_game_of_lives_and_a_clock_from_blank_to_its_endings(self):
        self.open("/")
        self.fill("Title of the new game", "Night Watch")
        self.at("form button[type=submit]").click()
        self.wait(lambda: "/game/night-watch" in self.driver.current_url, "the workbench")
        self.sees("First: write questions", "header")
        self.sees("Nothing to ask yet", TABLE)
        self.button("Use Harvest Supper questions").click()
        self.sees("30 questions, 1 pack", "nav")
        self.stop("Draw", "How many questions")
        self.fill("How many questions", "5")
        self.stop("Ask", "Clock of a question")
        self.fill("Clock of a question", "9")
        self.stop("Score", "What does each outcome do?")
        self.write_script(LIVES)
        self.sees("score 0, lives 2", "nav")
        self.stop("Cue", "The run holds")
        self.button("right").click()
        self.fill("Words of right", "Ouch, ")
        places = "button[aria-label='What can be filled in']"
        self.wait(lambda: [one.click() for one in self.all(places) if one.is_displayed()], places)
        self.button("{lives}").click()
        self.stop("End", "Scores and the endings")
        for title in ("Well done", "All right"):
            self.at(f"button[aria-label='Remove {title}']").click()
            self.wait(lambda t=title: t not in self.text(f"{BENCH} figure"), f"{title} gone")
        self.button("Add an ending").click()
        self.at("button[aria-label='Move New ending up']").click()
        self.choose("Counts", "lives")
        self.fill("At most", "0")
        self.field("At once").click()
        self.choose("Badge", "slug")
        self.saved()
        self.begin()
        self.sees("Lives 2", TABLE)
        self.command("g")
        self.sees("Right.", TABLE)
        self.sees("Ouch, 2", TABLE)
        self.play_on("All wrong, to the end")
        self.sees("New ending", TABLE)
        self.one(f"{TABLE} [data-badge=slug]")
        self.sees("1 of 3 right, 33 %", TABLE)
        self.button("Start over").click()
        self.sees("Question 1 of 5", TABLE)
        self.play_on("All right, to the end")
        self.sees("A start", TABLE)
        self.sees("5 of 5 right, 100 %", TABLE)

        self.command(",", ",", ",")
        self.sees("Branch here", TABLE)
        self.button("Branch here").click()
        self.wait(lambda: "Branch here" not in self.text(TABLE), "the branch")
        self.play_on("All wrong, to the end")
        self.sees("4 of 5 right, 80 %", TABLE)

        self.stop("Score", "What does each outcome do?")
        self.write_script(LIVES.replace("lives -= 1", "live -= 1"))
        self.sees("1 fault", "header")
        self.sees("there is no counter “live”. To mend it, write lives", BENCH)
        self.button("1 fault").click()
        self.button("Go to Score").click()
        self.write_script(LIVES)
        self.wait(lambda: "1 fault" not in self.text("header"), "mended")
        self.button("Begin")

    def test_ten_changes_are_undone_and_redone_and_versions_brought_back(self):
        made = self.server.http.post(
            "/api/games", json={"title": "Undone", "packs": ["harvest-supper-questions"]}
        ).json()
        self.open(f"/game/{made['id']}/ask?dice=5")
        for tries in range(2, 12):
            self.fill("Tries for a question", str(tries))
            self.sees(f"{tries} tries", "nav")
            self.driver.execute_async_script("setTimeout(arguments[0], 750)")
        for tries in (*range(10, 1, -1), 1):
            self.at("button[aria-label=Undo]").click()
            field = self.field("Tries for a question")
            self.wait(lambda f=field, t=tries: f.get_attribute("value") == str(t), f"{tries}")
        self.one("button[aria-label=Undo]:disabled")
        self.wait(lambda: self.driver.switch_to.active_element.tag_name != "body", "the focus kept")
        self.saved()
        now = self.server.http.get(f"/api/games/{made['id']}").json()
        self.assertEqual(now["document"], made["document"])
        for _ in range(3):
            self.at("button[aria-label=Redo]").click()
        self.sees("4 tries", "nav")
        self.saved()
        self.at("button[aria-label='Earlier versions']").click()
        self.sees("round 1, ask, tries 10 → 11")
        self.at("button[aria-label='Bring back version 3']").click()
        self.sees("3 tries", "nav")

    def test_samples_are_kept_and_marked_and_a_question_is_asked_next(self):
        made = self.server.http.post(
            "/api/games", json={"title": "Checked", "packs": ["slug-patrol-questions"]}
        ).json()
        self.open(f"/game/{made['id']}/check?dice=5")
        self.fill("Sample answer 1", "hony")
        self.at("button[aria-label='Keep sample 1']").click()
        self.sees("Kept samples", BENCH)
        self.sees("“hony” to", BENCH)
        drawn = self.server.http.get(f"/api/games/{made['id']}/draw?dice=5").json()["questions"]
        near = drawn[0]["answer"][:-1]
        self.fill("Sample answer 2", near)
        self.sees(f"Wrong: “{near}”", BENCH)
        self.at("button[aria-label='Keep sample 2']").click()
        self.fill("Typos forgiven", "1")
        self.sees(f"the sample “{near}” was wrong and is close now", BENCH)
        self.sees("warning", "header")
        self.begin()
        self.found("//nav//a[contains(., 'Draw')]", "Draw").click()
        self.at("button[aria-label='Ask question 5 next']").click()
        self.unfold()
        self.sees("is asked next, as the maker wants", FOOTPRINTS)
        self.command("g")
        self.sees("Right.", TABLE)
        self.button("Go on").click()
        self.wait(lambda: self.prompt() == drawn[4]["prompt"], "the question brought")

    def test_every_demo_game_opens_and_plays_to_an_ending(self):
        for name in GAMES:
            if name == "harvest-table":
                continue  # it speaks Arabic; what it says is tested by itself
            with self.subTest(game=name):
                self.open(f"/game/{name}/open?dice=8")
                self.one("#bench")
                self.command("p")
                self.button("Begin").click()
                self.one("#prompt")
                self.at("button[aria-label='Enlarge the table']").click()
                self.wait(lambda: not self.all(BENCH), "the table large")
                self.play_on("All wrong, to the end")
                self.wait(lambda: re.search(r"\d+ of \d+ right", self.text(TABLE)), "the ending")
                self.button("Start over").click()
                self.wait(lambda: "right," not in self.text(TABLE), "the next run")
                self.play_on("All right, to the end")
                self.wait(lambda: re.search(r"\d+ of \d+ right", self.text(TABLE)), "the ending")
                self.assertIn("100 %", self.text(TABLE))

    def test_two_players_give_their_names_and_take_turns_on_the_play_page(self):
        self.open("/play/slug-patrol")
        self.button("Another player").click()
        self.fill("Name of player 1", "Marjory")
        self.fill("Name of player 2", "Ted")
        self.button("To the table").click()
        self.button("Begin").click()
        self.wait(lambda: "Marjory" in self.text("li:has(.text-sm)"), "Marjory's turn")
        self.field("Type your answer").send_keys("rubbish", Keys.ENTER)
        self.sees("Not this time.")
        self.button("Go on").click()
        self.wait(lambda: "Ted" in self.text("li:has(.text-sm)"), "Ted's turn")

    def test_words_are_found_letter_by_letter_with_the_keys(self):
        self.open("/game/shed-words/score?dice=8")
        drawn = self.server.http.get("/api/games/shed-words/draw?dice=8").json()["questions"]
        self.button("Begin").click()
        self.sees("Question 1 of 6", TABLE)
        letters = dict.fromkeys(drawn[0]["answer"].replace(" ", ""))
        for found, letter in enumerate(letters, 1):
            self.press(letter)
            self.wait(
                lambda n=found: (
                    len(self.all("button[aria-label$='tried']")) >= n
                    or "Right." in self.text(TABLE)
                ),
                letter,
            )
        self.sees("Right.", TABLE)
        self.sees(f"Score {len(letters) + 5}", TABLE)
        self.unfold()
        self.sees("a letter that stands in the word: score 0 → 1", FOOTPRINTS)

    def test_games_are_copied_deleted_put_back_saved_and_loaded_on_the_shelf(self):
        self.open("/")
        self.at("button[aria-label='Copy Seed Sums']").click()
        self.sees("Seed Sums copy")
        self.at("button[aria-label='Delete Seed Sums copy']").click()
        self.sees("Seed Sums copy is off the shelf.")
        self.wait(lambda: not self.all("[aria-label='Open Seed Sums copy']"), "gone")
        self.button("Put it back").click()
        self.one("[aria-label='Open Seed Sums copy']")
        file = self.server.http.get("/api/games/leaf-shapes/file").content
        self.upload(self.write("leaves.json", file))
        self.wait(lambda: "/game/leaf-shapes-" in self.driver.current_url, "the game loaded")
        self.button("Begin").click()
        self.sees("Question 1 of 5", TABLE)
        self.open("/")
        self.upload(self.write("broken.json", file.replace(b'"seconds": 15', b'"seconds": "x"')))
        self.sees("rounds[0].ask.seconds")

    def test_what_is_pressed_while_a_new_run_is_laid_is_pressed_on_that_run(self):
        made = self.server.http.post(
            "/api/games", json={"title": "Far off", "packs": ["harvest-supper-questions"]}
        ).json()
        self.open(f"/game/{made['id']}/ask?dice=7")
        begin = self.button("Begin")
        self.driver.execute_cdp_cmd("Network.enable", {})
        self.addCleanup(self.be_far, 0)
        self.be_far(700)
        self.fill("Clock of a question", "9")
        self.press(Keys.TAB)
        self.saved()
        begin.click()
        self.be_far(0)
        self.sees("Question 1 of", TABLE)
        self.sees("9 s", TABLE)
        newest = self.server.http.get(f"/api/games/{made['id']}").json()["revision"]
        self.wait(lambda: self.run_laid()["revision"] == newest, "the newest game laid")
        self.assertEqual(self.run_laid()["seen"], 1)

    def run_laid(self):
        """The run whose name the page's address has."""
        name = parse_qs(urlsplit(self.driver.current_url).query)["run"][0]
        return self.server.http.get(f"/api/runs/{name}").json()

    def be_far(self, ms):
        """Have the server answer so much later."""
        speed = {"offline": False, "downloadThroughput": -1, "uploadThroughput": -1}
        self.driver.execute_cdp_cmd("Network.emulateNetworkConditions", {"latency": ms, **speed})

    def test_a_saved_shelf_is_restored_on_an_empty_one(self):
        saved = self.server.http.get("/api/backup").content
        games = len(self.server.http.get("/api/games").json())
        restore = "//input[@aria-label='Restore a shelf that was saved']"
        with Server(self.folder / "empty.sqlite") as empty:
            self.driver.get(empty.address)
            self.found(restore, "Restore").send_keys(self.write("cut.sqlite", saved[:9000]))
            self.sees("This file cannot be restored")
            self.assert_accessible()
            self.found(restore, "Restore").send_keys(self.write("shelf.sqlite", saved))
            self.one("[aria-label='Open Seed Sums']")
            self.assertEqual(len(empty.http.get("/api/games").json()), games)
            self.assertNotIn("This file cannot be restored", self.text())
