"""What a maker does in the first hour: nothing is lost, no key goes astray."""

import string

from selenium.webdriver.common.keys import Keys

from tests.browser.base import BrowserTest
from tests.exhaustive import exhaustive

TABLE = "section[aria-label=Table]"
BENCH = "section[aria-labelledby=bench]"
TYPED = f"{TABLE} [data-typed]"

SIGNS = (
    "const at = document.querySelector(arguments[0]);"
    "for (const key of arguments[1]) {"
    " const code = /[a-z]/i.test(key) ? 'Key' + key.toUpperCase() : '';"
    " at.dispatchEvent(new KeyboardEvent('keydown', {key, code, bubbles: true, cancelable: true}));"
    "}"
)
PRINTABLE = [character for character in string.printable if not character.isspace()] + [
    "é",
    "ß",
    "ж",
    "ع",
    "+",
    "½",
]


class TestFirstHour(BrowserTest):
    def made(self, **more):
        return self.server.http.post("/api/games", json={"packs": [], "recipe": "", **more}).json()

    def kept(self, made):
        return self.server.http.get(f"/api/games/{made['id']}").json()["document"]

    def paste(self, text):
        self.insert("#pasted", text)
        self.button("Look at them").click()
        self.button("Load ").click()

    def saved(self):
        self.sees("Saved", "header")

    def test_a_new_game_takes_pasted_questions_and_every_edit_after_them(self):
        self.open("/")
        self.fill("Title of the new game", "First hour")
        self.at("form button[type=submit]").click()
        self.wait(lambda: "/game/first-hour" in self.driver.current_url, "the workbench")
        self.button("paste questions").click()
        self.paste("What has six legs?\tant\n")
        self.wait(lambda: "/game/first-hour/load" in self.driver.current_url, "the bench")
        self.sees("This round can draw from 1 question", BENCH)
        self.fill("Title of the game", "The first hour")
        self.saved()
        self.assertNotIn("changed elsewhere", self.text())
        self.at("button[aria-label=Undo]").click()
        self.at("button[aria-label=Undo]").click()
        self.sees("This round can draw from 0 questions", BENCH)
        self.sees("Undone:", "header")
        self.button("Take that back").click()
        self.sees("This round can draw from 1 question", BENCH)
        self.driver.refresh()
        self.sees("This round can draw from 1 question", BENCH)
        self.begin()
        self.wait(lambda: self.one(TYPED) == self.driver.switch_to.active_element, "the focus")

    def test_what_is_loaded_goes_into_the_round_chosen_and_one_undo_takes_it_back(self):
        made = self.made(title="Two rounds", packs=["harvest-supper-questions"])
        [first] = made["document"]["rounds"]
        rounds = [first, {**first, "title": "Second", "packs": []}]
        save = {"revision": 1, "document": {**made["document"], "rounds": rounds}}
        self.server.http.put(f"/api/games/{made['id']}", json=save)
        self.open(f"/game/{made['id']}/load?round=2")
        self.button("paste questions").click()
        self.paste("What has eight legs?\tspider\n")
        self.sees("This round can draw from 1 question", BENCH)
        self.saved()
        one, two = self.kept(made)["rounds"]
        self.assertEqual((one["packs"], len(two["packs"])), (["harvest-supper-questions"], 1))
        self.at("button[aria-label=Undo]").click()
        self.sees("This round can draw from 0 questions", BENCH)
        self.saved()
        self.assertEqual(self.kept(made)["rounds"], rounds)

    def test_changes_from_two_tabs_are_merged_and_where_they_meet_both_are_shown(self):
        made = self.made(title="Two tabs", packs=["harvest-supper-questions"])
        self.open(f"/game/{made['id']}/ask")
        here = self.driver.current_window_handle
        self.sees("Clock of a question", BENCH)
        # The other tab is somebody else's browser: it tells this one nothing.
        changed = self.kept(made)
        changed["rounds"][0]["ask"]["tries"] = 4
        changed["title"] = "Elsewhere"
        self.server.http.put(f"/api/games/{made['id']}", json={"revision": 1, "document": changed})
        self.fill("Clock of a question", "9")
        self.sees("This game was changed elsewhere, and that is taken in beside your edits")
        self.saved()
        self.assertEqual(self.field("Tries for a question").get_attribute("value"), "4")
        self.assertEqual(self.field("Title of the game").get_attribute("value"), "Elsewhere")
        changed = self.kept(made)
        self.assertEqual(changed["rounds"][0]["ask"]["seconds"], 9)
        changed["title"] = "Theirs"
        self.server.http.put(f"/api/games/{made['id']}", json={"revision": 3, "document": changed})
        self.fill("Title of the game", "Mine")
        self.sees("title: you wrote “Mine”; elsewhere it became “Theirs”")
        self.wait(lambda: self.kept(made)["title"] == "Mine", "mine, saved")
        self.button("Take the other").click()
        self.wait(lambda: self.kept(made)["title"] == "Theirs", "the other title")
        self.driver.switch_to.new_window("tab")
        self.open(f"/game/{made['id']}/ask")
        self.fill("Tries for a question", "2")
        self.saved()
        self.driver.close()
        self.driver.switch_to.window(here)
        self.wait(
            lambda: self.field("Tries for a question").get_attribute("value") == "2", "2 tries"
        )

    @exhaustive
    def test_no_character_pressed_alone_is_a_command_whatever_is_on_the_table(self):
        states = {
            "nothing begun": ("harvest-supper", []),
            "a typed question": ("slug-patrol", ["begin"]),
            "a number": ("seed-sums", ["begin"]),
            "a word in letters": ("shed-words", ["begin"]),
            "a choice": ("harvest-supper", ["begin"]),
            "feedback": ("harvest-supper", ["begin", "g"]),
        }
        for name, (game, moves) in states.items():
            with self.subTest(state=name):
                self.open(f"/game/{game}/ask?dice=4821")
                self.button("Begin")
                if "begin" in moves:
                    self.button("Begin").click()
                    self.one(f"{TABLE} #prompt")
                    self.command("p")
                for key in moves[1:]:
                    self.command(key)
                    self.sees("right answer", TABLE)
                self.wait(lambda: "run=" in self.driver.current_url, "the run's address")
                before = self.driver.current_url, self.kept({"id": game}), self.text("header")
                meant = {
                    "a choice": string.ascii_letters[:12] + string.digits + "[]?",
                    "a word in letters": string.ascii_letters + string.digits,
                    "a typed question": "",
                    "a number": "",
                }.get(name, "[]?")
                characters = [
                    character for character in PRINTABLE if character.lower() not in meant
                ]
                for at in ("body", "#bench"):
                    self.driver.execute_script(SIGNS, at, characters)
                self.assertEqual(
                    (self.driver.current_url, self.kept({"id": game}), self.text("header")), before
                )

    @exhaustive
    def test_a_character_pressed_beside_the_field_of_an_answer_is_typed_into_it(self):
        self.open("/game/slug-patrol/ask?dice=4821")
        self.button("Begin").click()
        typed = self.one(TYPED)
        self.wait(lambda: typed == self.driver.switch_to.active_element, "the focus")
        self.driver.execute_script("document.activeElement.blur()")
        self.press(*"basil bun [n]")
        self.assertEqual(self.one(TYPED).get_attribute("value"), "basil bun [n]")
        self.press(Keys.ENTER)
        self.found(
            "//section[@aria-label='Table']//button[starts-with(., 'Go on')]", "Go on"
        ).click()
        self.wait(
            lambda: self.driver.switch_to.active_element.get_attribute("data-typed") is not None,
            "the focus in the next question's field",
        )
        self.open("/play/slug-patrol")
        self.button("To the table").click()
        self.button("Begin").click()
        self.wait(
            lambda: self.driver.switch_to.active_element.get_attribute("data-typed") is not None,
            "the focus on the play page",
        )

    def test_a_run_goes_on_as_it_began_whatever_becomes_of_its_game(self):
        made = self.made(title="Kept on", packs=["slug-patrol-questions"])
        self.open(f"/play/{made['id']}")
        self.begin()
        asked = self.prompt()
        broken = {**made["document"], "script": "score = ="}
        save = {"revision": 1, "document": broken}
        self.server.http.put(f"/api/games/{made['id']}", json=save)
        self.driver.refresh()
        self.sees("The game was changed since this run began; the run goes on as it began.")
        self.assertEqual(self.prompt(), asked)
        self.one("[data-typed]").send_keys("nothing", Keys.ENTER)
        self.sees("Not this time.")
        self.assertNotIn("gone on elsewhere", self.text())
        self.at("[aria-label='This run']").click()
        self.button("Leave the game").click()
        self.sees("Given up")
        self.button("Play again").click()
        self.sees("This game cannot be played now. Its maker has something to mend.")
        mended = {**made["document"], "title": "Mended"}
        self.server.http.put(f"/api/games/{made['id']}", json={"revision": 2, "document": mended})
        self.driver.refresh()
        self.button("Play again").click()
        self.button("Begin")

    @exhaustive
    def test_every_run_has_a_menu_and_names_are_asked_again(self):
        opening = {"asks_names": True, "most_players": 2}
        made = self.made(title="Names", packs=["harvest-supper-questions"])
        document = {**made["document"], "opening": {**made["document"]["opening"], **opening}}
        [round_] = document["rounds"]
        document["rounds"] = [{**round_, "draw": {**round_["draw"], "count": 1}}]
        self.server.http.put(f"/api/games/{made['id']}", json={"revision": 1, "document": document})
        self.open(f"/play/{made['id']}")
        self.fill("Name of player 1", "Ada")
        self.button("To the table").click()
        self.begin()
        self.at("[aria-label='This run']").click()
        self.button("Other names").click()
        self.button("Another player").click()
        self.fill("Name of player 2", "Ben")
        self.button("To the table").click()
        self.begin()
        self.sees("Ben")
        self.at("[aria-label='This run']").click()
        self.button("Begin anew").click()
        self.begin()
        for number in (1, 2):
            self.sees(f"Question {number} of 2")
            self.press("a")
            self.button("Go on").click()
        self.button("Play again").click()
        self.field("Name of player 2")

    def test_a_game_that_never_ends_can_be_stopped_and_comes_to_its_ending(self):
        made = self.made(title="On and on", packs=["harvest-supper-questions"])
        [round_] = made["document"]["rounds"]
        draw = {**round_["draw"], "count": None, "refill": "when empty"}
        document = {**made["document"], "rounds": [{**round_, "draw": draw}]}
        self.server.http.put(f"/api/games/{made['id']}", json={"revision": 1, "document": document})
        self.open(f"/play/{made['id']}")
        self.button("Begin").click()
        self.one("#prompt")
        self.press("a")
        self.button("Stop here").click()
        self.sees("Play again")
        self.assertNotIn("Given up", self.text())

    def test_the_first_questions_are_written_by_hand_and_their_kind_is_guessed(self):
        self.open("/")
        self.fill("Title of the new game", "By hand")
        self.at("form button[type=submit]").click()
        self.sees("Nothing to ask yet.", TABLE)
        self.assertNotIn("fault", self.text("header").lower(), "nothing is wrong yet")
        self.assertNotIn("Fault", self.text(BENCH))
        self.button("First: write questions").click()
        self.sees("A new question")
        first = self.one("input[aria-label='Question, row 1']")
        self.wait(lambda: first == self.driver.switch_to.active_element, "the first cell's focus")
        # Tab goes on in the row, and Enter to the next row.
        for cells in (
            ("What do bees make?", "honey"),
            ("How many legs has a spider?", "8"),
            ("A pea grows in a pod", "True"),
            ("Which is a root?", "beet", "kale", "pea"),
        ):
            self.press(cells[0])
            for cell in cells[1:]:
                self.press(Keys.TAB, cell)
            self.press(Keys.ENTER)
        self.sees("4 questions")
        self.saved()
        pack = self.server.http.get("/api/packs").json()[0]

        def kinds():
            found = self.server.http.get(f"/api/packs/{pack['id']}").json()["questions"]
            return [(one["kind"], one["right"]) for one in found]

        wanted = [
            ("typed", ["honey"]),
            ("number", ["8"]),
            ("truth", ["true"]),
            ("choice", ["beet"]),
        ]
        self.wait(lambda: kinds() == wanted, "the kinds guessed")
        # What is typed on after it was saved is kept as well, and undone row by row.
        self.press("Which is a leaf?", Keys.TAB, "kale")
        self.sees("5 questions")
        self.sees("Which is a leaf?", "[aria-label='As its player sees it']")
        self.button("Back to the game").click()
        self.sees("This round can draw from 5 questions", BENCH)
        self.begin()
        self.sees("Question 1 of 5", TABLE)
        self.open("/")
        self.button("New questions").click()
        first = self.one("input[aria-label='Question, row 1']")
        self.wait(lambda: first == self.driver.switch_to.active_element, "the first cell's focus")
        self.press("What is a young plant?", Keys.TAB, "seedling")
        self.saved()
        self.button("Make a game of it").click()
        self.sees("This round can draw from 1 question", BENCH)
