"""What will happen, seen and tried out by a maker."""

from selenium.webdriver.common.keys import Keys

from tests.browser.base import BrowserTest
from tests.exhaustive import exhaustive


@exhaustive
class TestForesight(BrowserTest):
    def share(self, ending):
        row = f'//tr[th[.="{ending}"]]/td[2]'
        return self.found(row, ending).text.splitlines()[0]

    def game(self):
        return self.server.http.get("/api/games/harvest-supper").json()

    def test_a_maker_sees_the_odds_finds_a_run_and_sets_a_number(self):
        self.open("/game/harvest-supper/end")
        self.sees("Steady players: 20 % Slug's Friend, 48 % Best in Show")
        self.button("All of it").click()
        self.sees("every way was followed, with its chance")
        self.assertEqual(self.share("Best in Show"), "48 %")
        self.sees("fewer than one comes to “New Plot”")
        self.assert_accessible()

        self.choose("how many come to", "Slug's Friend")
        self.choose("and how many should", "90 %")
        self.button("Try 0 to 9").click()
        self.sees("Nearest to 90 %: lives at the start at 1 brings 8")
        self.button("Set it to 1").click()
        self.wait(lambda: "lives = 1" in self.game()["document"]["script"], "the script set")
        self.wait(lambda: self.share("Slug's Friend").startswith("8"), "the odds anew")
        self.choose("Beside it", "version 1")
        self.sees("was 20 %")
        self.button("Undo").click()
        self.wait(lambda: "lives = 3" in self.game()["document"]["script"], "the script as it was")
        self.wait(lambda: self.share("Slug's Friend") == "20 %", "the odds as they were")

        self.button("Let them play").click()
        self.sees("Range with 95 % certainty")
        self.button("Find a run to each ending").click()
        self.button("Open a run: 7 steps, score 0").click()
        self.sees("The slugs of Quillbrook send their thanks.")
        self.unfold()
        self.sees("the ending is “Slug's Friend”")

    def test_other_scouts_other_odds_and_every_number_by_keyboard(self):
        self.open("/foresight/harvest-supper")
        self.wait(lambda: self.share("Best in Show") == "48 %", "steady players")
        self.found("//label[normalize-space(.)='guessing']/input", "guessing").send_keys(Keys.SPACE)
        self.wait(lambda: float(self.share("Slug's Friend")[:-2]) > 95, "players who guess")
        self.found("//summary[.='Change this scout']", "the scout's numbers").send_keys(Keys.ENTER)
        self.found("//button[@role='switch']", "guesses").click()
        for level in range(1, 6):
            self.fill(f"Level {level}", "100")
        self.wait(lambda: self.share("Slug's Friend") in ("0 %", "under 0.1 %"), "never wrong")
        self.fill("Level 1", "101")
        self.sees("Keep within 0 and 100")
        # The values of a chart are read out by the arrow keys, and stand in a table.
        chart = "//figure[figcaption[.='Still in']]"
        self.found(f"{chart}//*[@tabindex='0']", "the chart").send_keys(Keys.ARROW_RIGHT)
        self.found(f"{chart}//*[contains(., 'questions done with: 1')]", "the value")
        self.found(f"{chart}//summary", "the numbers").send_keys(Keys.ENTER)
        self.sees("are still in")

    def test_long_work_can_be_given_up_and_a_game_with_faults_says_so(self):
        self.open("/foresight/seed-sums")
        self.sees("answer times on a grid of 0.5 seconds")
        self.choose("How many runs", "100,000")
        self.button("Let them play").click()
        self.button("Give up").click()
        self.sees("Given up after")
        made = self.server.http.post("/api/games", json={"title": "Bare"}).json()
        self.open(f"/foresight/{made['id']}")
        self.sees("cannot be played until its faults are mended")
        self.open("/foresight/nothing")
        self.sees("There is no game “nothing”")
