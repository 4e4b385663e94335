"""A maker's first hour, through the interface."""

from urllib.parse import parse_qs, urlsplit

from selenium.webdriver.common.keys import Keys

from tests.browser.base import BrowserTest, resize
from tests.exhaustive import exhaustive

FILE = """Question\tRight answer\tWrong 1\tWrong 2
Which is a bulb?\tGarlic\tCarrot\tPea

Which is a root?\tCarrot
Which is a pod?\tPea\tGarlic\tCarrot
Which climbs?\tBean\tBean\tLeek
Which is a leaf?\tKale\tLeek\tSwede
Which is a stalk?\tRhubarb\tBeet\tPea
"""
TABLE = "section[aria-label=Table]"
FOOTPRINTS = "section[aria-labelledby=footprints]"
STOPS = ("load", "open", "draw", "ask", "check", "score", "cue", "move-on", "end")


class TestFirstTrail(BrowserTest):
    def drawn(self):
        """The right letter of every question that is drawn, for those who made the game."""
        game, dice = self.game_and_dice()
        return self.server.http.get(f"/api/games/{game}/draw?dice={dice}").json()["questions"]

    def game_and_dice(self):
        self.wait(lambda: "dice=" in self.driver.current_url, "dice in the address")
        address = urlsplit(self.driver.current_url)
        return address.path.split("/")[2], parse_qs(address.query)["dice"][0]

    def test_from_a_question_file_to_a_verdict(self):
        self.open("/")
        self.upload(self.write("garden-words.tsv", FILE))
        self.sees("2 rows refused")
        self.sees("Line 4, column 3: only 2 fields where at least 3 are expected")
        self.sees("Line 6, column 3: wrong choice 1 is the same as the right answer, “Bean”")
        self.button("Load 4 questions").click()
        self.sees("2 rows were refused")
        self.sees("Its first row (“Question”, “Right answer”, “Wrong 1”, “Wrong 2”) was read as")
        self.sees("1 blank line passed over")
        self.sees("4 questions, 1 pack", "nav")

        self.button("Ask").click()
        self.field("A field to type into").click()
        self.button("Draw").click()
        self.fill("How many questions", "3")
        self.sees("3 drawn, shuffled", "nav")
        self.button("Score").click()
        self.write_script("score = 0\n\ndef right():\n    score += 10\n")
        self.sees("Saved", "header")
        self.button("End").click()
        self.fill("At least", "30")
        self.sees("Saved", "header")

        drawn = self.drawn()
        self.assertEqual(len(drawn), 3)
        self.begin()
        for number, question in enumerate(drawn):
            self.wait(lambda question=question: self.prompt() == question["prompt"], "the prompt")
            right = question["right_letters"]
            if number == 0:
                place = "ABC".index(right) + 1
                self.at(f"li:nth-child({place}) > button[aria-disabled=false]").click()
                self.sees("Right.")
            elif number == 1:
                self.press("a" if right != "A" else "b")
                self.sees("Not this time. It is " + right)
            else:
                self.field("Or type your answer").send_keys(right.lower(), Keys.ENTER)
                self.sees("Right.")
            self.assertEqual(self.one("[data-testid=token]").get_attribute("data-stop"), "cue")
            self.press(Keys.ENTER)
        self.sees("20 points")
        self.sees("2 of 3 right, 67 %")
        self.sees("Well done")
        self.assertEqual(self.one("[data-testid=token]").get_attribute("data-stop"), "end")
        self.unfold()
        self.sees("score 10 → 20", FOOTPRINTS)
        self.sees("the ending is “Well done”", FOOTPRINTS)

        self.button("Start over").click()
        self.wait(lambda: self.prompt() == drawn[0]["prompt"], "the same first question")
        self.sees("Score 0")
        _, dice = self.game_and_dice()
        self.button("Roll").click()
        self.wait(lambda: self.game_and_dice()[1] != dice, "new dice")
        self.fill("Dice", dice + Keys.ENTER)
        self.wait(lambda: self.game_and_dice()[1] == dice, "the old dice")
        self.assertEqual(self.drawn(), drawn)
        self.wait(lambda: self.prompt() == drawn[0]["prompt"], "the same first question again")

    def test_by_keyboard_alone_and_never_while_typing(self):
        self.open("/game/harvest-supper?dice=4821")
        self.button("Begin")
        self.press(Keys.ENTER)
        self.sees("Question 1 of 10")
        self.press("]", "]", "]", "]")
        self.sees("What counts as an answer?")
        self.press("[")
        self.sees("How is a question put")
        self.field("A field to type into").click()
        self.field("Title of the game").send_keys(" b]n2")
        self.sees("Saved", "header")
        self.sees("starts again with the same dice")
        token = "[data-testid=token]"
        self.wait(lambda: self.one(token).get_attribute("data-stop") == "ask", "the token at Ask")
        self.assertIn("dice=4821", self.driver.current_url)
        self.field("Or type your answer").send_keys("nonsense", Keys.ENTER)
        self.sees("That could not be read: “nonsense” names no choice")
        self.sees("Score 0")
        self.at("#prompt").click()
        self.press("?")
        self.sees("show these keys")
        self.press(Keys.ESCAPE)
        self.press("B")
        self.sees("right answer")
        self.wait(lambda: self.driver.switch_to.active_element.text == "Go on", "the focus on it")

    def test_a_game_with_faults_says_what_is_wrong_and_where_to_mend_it(self):
        self.open("/game/harvest-supper/load?dice=5")
        self.button("Begin")
        # Nothing to ask is no fault: it is what comes first.
        self.at("button[aria-label='Take out Harvest Supper questions']").click()
        self.sees("Nothing to ask yet", TABLE)
        self.button("First: write questions")
        self.button("Use Harvest Supper questions").click()
        self.button("Begin")
        self.button("End").click()
        self.fill("Name", "Good Neighbour")
        self.sees("This game cannot be played until its faults are mended", TABLE)
        self.sees("two endings are called “Good Neighbour”")
        self.button("2 faults").click()
        self.button("Go to End").click()
        self.fill("Name", "Slug's Friend")
        self.sees("No faults", "header")
        self.button("Begin")
        self.button("Draw").click()
        self.fill("How many questions", "x")
        self.sees("This is not a whole number; the last one still holds.")
        self.fill("How many questions", "0")
        self.sees("Keep within 1 and 10,000; the last number still holds.")
        self.fill("How many questions", "10")
        self.button("Begin")

    def test_a_bad_file_changes_nothing_and_says_why(self):
        packs = len(self.server.http.get("/api/packs").json())
        self.open("/game/harvest-supper/load")
        self.button("Begin")
        for name, content, words in (
            ("picture.tsv", b"\x89PNG\r\n\x1a\n\0\0\0", "this is not a text file"),
            ("empty.csv", b"", "it is empty"),
            ("spaces.tsv", "Which?    A    B    C\n" * 4, "spaces stand between the fields"),
            ("huge.tsv", b"x" * 34_000_000, "This is larger than"),
        ):
            with self.subTest(name):
                self.upload(self.write(name, content))
                self.sees(words)
        self.assertEqual(len(self.server.http.get("/api/packs").json()), packs)

    def test_an_edit_is_never_dropped_silently(self):
        self.open("/game/harvest-supper/ask?dice=5")
        self.button("Begin")
        game = self.server.http.get("/api/games/harvest-supper").json()
        game["document"]["title"] = "Changed elsewhere"
        self.server.http.put("/api/games/harvest-supper", json=game)
        self.field("Title of the game").send_keys("!")
        self.sees("This game was changed elsewhere, and that is taken in beside your edits")
        self.sees("title: you wrote “Harvest Supper!”; elsewhere it became “Changed elsewhere”")
        self.wait(lambda: "Saved" in self.text("header"), "saved")
        title = self.server.http.get("/api/games/harvest-supper").json()["document"]["title"]
        self.assertEqual(title, "Harvest Supper!")
        self.button("Take the other").click()
        self.wait(
            lambda: self.field("Title of the game").get_attribute("value") == "Changed elsewhere",
            "the newest title",
        )
        network = {"offline": True, "latency": 0, "downloadThroughput": 0, "uploadThroughput": 0}
        self.driver.execute_cdp_cmd("Network.enable", {})
        self.driver.execute_cdp_cmd("Network.emulateNetworkConditions", network)
        self.fill("Title of the game", "Harvest Supper")
        self.driver.execute_async_script("setTimeout(arguments[0], 600)")  # past the last save
        self.button("Save again")
        self.sees("The server does not answer")
        network |= {"offline": False, "downloadThroughput": -1, "uploadThroughput": -1}
        self.driver.execute_cdp_cmd("Network.emulateNetworkConditions", network)
        self.button("Save again").click()
        self.wait(lambda: "Saved" in self.text("header"), "saved")
        title = self.server.http.get("/api/games/harvest-supper").json()["document"]["title"]
        self.assertEqual(title, "Harvest Supper")

    def test_the_play_page_on_a_phone_goes_on_after_a_reload(self):
        resize(self.driver, 360, 740)
        self.addCleanup(resize, self.driver, 1280, 800)
        packs = ["harvest-supper-questions"]
        made = self.server.http.post("/api/games", json={"title": "Mine", "packs": packs}).json()
        self.open(f"/play/{made['id']}")
        self.begin()
        self.assertEqual(
            self.driver.execute_script("return document.documentElement.scrollWidth"), 360
        )
        self.press("1")
        self.sees("right answer")
        self.press(Keys.ENTER)
        self.sees("Question 2 of 10")
        second = self.prompt()
        self.driver.refresh()
        self.wait(lambda: self.prompt() == second, "the second question after a reload")
        for number in range(2, 11):
            self.sees(f"Question {number} of 10")
            self.press("c")
            self.button("Go on").click()
        self.sees("of 10 right")
        self.assert_accessible()
        self.button("Play again").click()
        self.begin()
        self.sees("Score 0")


SIZES = ((1280, 800), (1024, 768))


@exhaustive
class TestEveryView(BrowserTest):
    def test_every_view_fits_two_sizes_of_screen_and_is_accessible(self):
        for address in (
            "/",
            *(f"/game/harvest-supper/{stop}?dice=5" for stop in STOPS),
            "/play/harvest-supper",
            "/pack/harvest-supper-questions",
            "/load/new",
            "/nowhere",
        ):
            with self.subTest(address=address):
                self.open(address)
                self.one("h1, h2")
                is_bench = "/game/" in address
                if is_bench:
                    self.begin()
                    self.press("b")
                    self.sees("right answer")
                for size in SIZES:
                    resize(self.driver, *size)
                    if is_bench:
                        self.wait(lambda size=size: self.page_size() == size, f"a page of {size}")
                self.assert_accessible()
        severe = [
            entry["message"]
            for entry in self.driver.get_log("browser")
            if "Content Security Policy" in entry["message"]
        ]
        self.assertEqual(severe, [])

    def page_size(self):
        return tuple(
            self.driver.execute_script(
                "const page = document.documentElement;return [page.scrollWidth, page.scrollHeight]"
            )
        )
