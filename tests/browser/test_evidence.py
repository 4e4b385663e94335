"""What did happen and what must still happen, seen and used by a maker."""

from selenium.webdriver.common.keys import Keys

from tests.browser.base import BrowserTest
from tests.browser.test_playing import PlayingTest
from tests.exhaustive import exhaustive

SUPPER = "/api/games/harvest-supper"


@exhaustive
class TestEvidence(BrowserTest):
    def get(self, address):
        return self.server.http.get(address).json()

    def test_a_maker_reads_follows_sets_and_brings(self):
        self.open("/foresight/slug-patrol/evidence")
        self.sees("60 of them from patrol-answers.jsonl")
        self.button("Which insect with spots eats greenfly?").click()
        self.sees("9 typed “ladybug”: accept it?")
        before = self.get("/api/packs/slug-patrol-questions")["questions"]
        self.found("//li[contains(., 'accept it?')]//button[.='Set it']", "set it").click()
        self.sees("Set in the pack.")
        self.assertIn("ladybug", str(self.get("/api/packs/slug-patrol-questions")["questions"]))
        self.button("Take it back").click()
        self.wait(
            lambda: self.get("/api/packs/slug-patrol-questions")["questions"] == before,
            "the pack as it was",
        )

        self.open("/foresight/harvest-supper/evidence")
        self.sees("90 runs")
        self.sees("misleading", "tbody tr:first-child")  # the gravest stands first
        self.sees("Which of these crumbles is made from a vegetable?", "#one")
        self.assert_accessible()
        number = self.found("//button[contains(., 'gave Pear crumble')]", "Pear crumble")
        number.send_keys(Keys.ENTER)
        self.sees("19 runs behind it")
        self.button("Right").click()
        self.sees("↑", "thead")
        self.button("Open it in its pack").click()
        self.sees("30 questions")
        self.sees("Question 30")

        self.open("/foresight/harvest-supper/evidence")
        lines = self.server.http.get(f"{SUPPER}/evidence/answers.jsonl").text.splitlines()
        other = lines[0].replace("supper-1", "another")
        self.button("Answers as files").click()
        self.upload(self.write("class.jsonl", f"{lines[1]}\n{other}\n{other[:80]}\n"))
        self.sees("1 run taken, 1 were here already, 1 line refused.")
        self.sees("Line 3, column")
        self.press(Keys.ESCAPE)
        self.sees("91 runs")
        self.choose("Forecast for", "expert")
        self.sees("not borne out")

    def test_kept_runs_are_watched_compared_and_accepted(self):
        self.open("/game/harvest-supper/score?dice=4821")
        self.begin()
        for number, press in enumerate((self.command, self.press), 2):
            press("g" if number == 2 else "b")
            self.sees("Go on")
            self.press(Keys.ENTER)
            self.sees(f"Question {number} of 10")
        self.button("Keep").click()
        self.fill("Name", "one life gone")
        self.fill("Why it is kept", "the second is wrong")
        self.press(Keys.ENTER)
        self.sees("1/1 kept runs hold")
        script = self.get(SUPPER)["document"]["script"]
        self.write_script(script.replace("lives = 3", "lives = 4"))
        self.sees("0/1 kept runs hold")
        self.button("0/1").click()
        self.sees("was: a wrong answer: lives 3 → 2; now: a wrong answer: lives 4 → 3.")
        self.button("Compare").click()
        self.sees("Changed since version 1: rules: lives 3 → 4.")
        self.assert_accessible()
        self.button("It is right so").click()
        self.sees("1 of 1 run hold in version 2.")
        self.button("Keep the ready runs").click()
        self.sees("10 of 10 runs hold")
        self.found("//button[@aria-label='Change one life gone']", "rename").click()
        self.fill("Name", "a life gone")
        self.button("Save").click()
        self.found("//button[@aria-label='Let go of a life gone']", "let go").click()
        self.sees("9 of 9 runs hold")
        self.button("Play it at the table").click()
        self.unfold()
        self.sees("too late", "section[aria-labelledby=footprints]")


@exhaustive
class TestPlaytest(PlayingTest):
    def test_a_playtest_is_watched_said_something_of_and_forgotten(self):
        game = self.server.http.get("/api/games/root-leaf-or-fruit").json()
        game["document"]["opening"]["asks_remark"] = True
        body = {"revision": game["revision"], "document": game["document"]}
        self.server.http.put("/api/games/root-leaf-or-fruit", json=body)
        play = "/api/play/games/root-leaf-or-fruit/runs"
        run = self.server.http.post(play, json={"players": ["Wilhelmina"]}).json()

        def act(seen, **action):
            body = {"seen": seen, "action": action}
            at = f"/api/play/runs/{run['id']}/inputs"
            return self.server.http.post(at, json=body).json()

        act(0, action="begin")
        self.open("/players/root-leaf-or-fruit")
        self.sees("Being played now")
        self.sees("Wilhelmina Question 1, score 0")
        self.assert_accessible()
        self.button("Watch its footprints").click()
        self.sees("Wilhelmina played this")
        self.sees("step 2 of 2")
        act(1, action="answer", value=1)
        self.sees("step 3 of 3")  # it comes by itself

        self.open("/play/root-leaf-or-fruit")
        self.sees("Kept of you for the maker of this game")
        self.button("Begin").click()
        self.one("#prompt")
        self.play("root-leaf-or-fruit", False)
        self.fill("A remark for the maker", "Rhubarb is a leaf!")
        self.assert_accessible()
        self.button("Send it").click()
        self.sees("Thank you")
        self.open("/players/root-leaf-or-fruit")
        self.sees("“Rhubarb is a leaf!”")
        self.found("//summary[.='Delete what was played']", "delete").click()
        self.choose("Whose", "Wilhelmina")
        self.button("Delete the runs of Wilhelmina…").click()
        self.button("Yes, delete the runs of Wilhelmina").click()
        self.sees("1 run deleted for good.")
        left = self.server.http.get("/api/games/root-leaf-or-fruit/runs").json()
        self.assertEqual([one["players"] for one in left], [["Player"]])
