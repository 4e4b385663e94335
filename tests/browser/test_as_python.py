"""The game read as a program beside the table, its lines lit as the die moves."""

from selenium.webdriver.common.keys import Keys

from tests.browser.base import BrowserTest
from tests.exhaustive import exhaustive

PANEL = "section[aria-labelledby=bench]"
LINES = "ol[aria-label='The program, line by line'] > li"


@exhaustive
class TestAsPython(BrowserTest):
    def lit(self):
        return self.driver.execute_script(
            f'return [...document.querySelectorAll("{LINES}")].flatMap((line, at) =>'
            " line.dataset.lit ? [at] : [])"
        )

    def lines_of(self, game, stop):
        told = self.server.http.get(f"/api/games/{game}/python").json()
        return [at for at, one in enumerate(told["stops"]) if one == stop]

    def test_its_lines_are_lit_where_the_die_stands_and_a_change_is_written_at_once(self):
        self.open("/game/harvest-supper/score")
        self.button("As Python").click()
        self.sees("def right(player: Player) -> None:", PANEL)
        self.sees("player.lives -= 1", PANEL)
        for key, stop in ((Keys.ENTER, "ask"), ("g", "cue"), (Keys.ENTER, "ask")):
            self.press(key)
            self.wait(
                lambda stop=stop: (
                    self.one("[data-testid=token]").get_attribute("data-stop") == stop
                ),
                f"the die at {stop}",
            )
            with self.subTest(key):
                self.wait(
                    lambda stop=stop: self.lit() == self.lines_of("harvest-supper", stop),
                    f"the lines of {stop}",
                )
        first = self.all(LINES)[self.lit()[0]].rect["y"]
        shown = self.one("ol[aria-label='The program, line by line']").rect
        self.assertTrue(shown["y"] - 2 <= first <= shown["y"] + shown["height"])
        self.assert_accessible()
        self.command("y")
        self.wait(lambda: "What does each outcome do?" in self.text(PANEL), "the bench")
        self.write_script("score = 0\nlives = 3\n\ndef right():\n    score += 77  # well dug\n")
        self.sees("Saved", "header")
        self.press(Keys.ESCAPE)
        self.button("As Python").click()
        self.wait(lambda: "player.score += 77  # well dug" in self.text(PANEL), "the new rule")
        saved = self.one(f"{PANEL} a[download]").get_attribute("href")
        self.assertIn("/api/games/harvest-supper/python/file", saved)

    def test_what_does_not_fit_leads_to_where_it_is_made(self):
        self.open("/game/slug-patrol/score")
        self.driver.execute_script("localStorage.clear()")
        self.driver.refresh()
        self.write_script("score = 0\n\ndef right():\n    score += roll(6)\n")
        self.sees("Saved", "header")
        self.press(Keys.ESCAPE)
        self.open("/game/slug-patrol/load")
        self.button("As Python").click()
        self.sees("its rules roll dice of their own", PANEL)
        self.assert_accessible()
        self.found("//section//a[text()='Score']", "Score").click()
        self.wait(lambda: "/score" in self.driver.current_url, "the bench of Score")
        self.button("To the bench").click()
        self.sees("What does each outcome do?", PANEL)
        self.open("/take/slug-patrol")
        self.sees("This game holds more than such a program can.")
        self.button("Save the file")
        self.open("/game/slug-patrol/score")
        self.write_script("score = 0\n\ndef right():\n    score += nothing\n")
        self.sees("1 fault", "header")
        self.open("/take/slug-patrol")
        self.sees("there is no counter or fact “nothing”")
        self.button("Save the game file")
        self.assert_accessible()
