"""A game inside a page of another site: only where it is named, and what that page is told."""

import re

from selenium.webdriver.common.keys import Keys

from tests.browser.base import BrowserTest
from tests.exhaustive import exhaustive
from tests.static import served_beside

AROUND = """<!doctype html><meta charset="utf-8"><title>A school</title>
<script>
  window.told = [];
  addEventListener("message", ({ origin, data }) => told.push({ origin, data }));
</script>
"""


class TestFramed(BrowserTest):
    @classmethod
    def setUpClass(cls):
        super().setUpClass()
        cls.root, cls.school = served_beside(cls)

    def told(self, what):
        told = self.driver.execute_script("return told")
        ours = [one for one in told if one["data"]["from"] == "dice trail"]
        return [one for one in ours if one["data"]["what"] == what]

    def played_on(self):
        """Do whatever comes next; whether the end is there."""
        if "Play again" in self.text():
            return True
        if self.all("#prompt[data-next]"):
            self.all("main li button")[-1].click()
        elif "Go on" in self.text():
            self.button("Go on").click()
        return False

    def around(self, snippet):
        (self.root / "page.html").write_text(AROUND + snippet, "utf-8")
        self.driver.get(f"{self.school.address}/page.html")
        self.driver.switch_to.frame(self.one("iframe"))

    def test_a_named_site_frames_it_and_is_told_what_its_player_sees(self):
        self.open("/take/root-leaf-or-fruit")
        field = self.one("textarea")
        field.send_keys("school.example", Keys.ENTER, self.school.address)
        self.button("Save the sites").click()
        self.sees("“school.example” is no address of a site")
        snippet = self.one("pre").text
        self.assert_accessible()
        self.around(snippet)
        self.wait(lambda: self.all("[data-next]"), "the opening")
        self.at("[data-next]").click()
        self.one("#prompt")
        self.all("main li button")[0].click()
        said = re.compile("Right[.]|Not this time[.]")
        # The page goes on by itself: what is seen once may be gone at the next look.
        seen = self.wait(lambda: said.search(self.text()), "a verdict")
        verdict = "right" if seen[0] == "Right." else "wrong"
        self.driver.switch_to.default_content()
        self.assertEqual(self.told("begun")[0]["data"]["players"], ["Player"])
        (answered,) = self.told("answered")
        self.assertEqual(answered["data"]["result"], verdict)
        self.assertEqual(answered["data"]["question"], 1)
        self.assertEqual({one["origin"] for one in self.told("size")}, {self.server.address})
        height = self.driver.execute_script("return document.querySelector('iframe').offsetHeight")
        self.assertEqual(height, self.told("size")[-1]["data"]["height"])
        self.driver.switch_to.frame(self.one("iframe"))
        self.wait(self.played_on, "the end of the game")
        self.driver.switch_to.default_content()
        (ended,) = self.wait(lambda: self.told("ended"), "the end")
        self.assertLessEqual({"ending", "score", "percent", "seconds"}, set(ended["data"]))

    @exhaustive
    def test_who_is_not_named_sees_nothing_and_no_other_page_is_framed(self):
        for path in ("/play/harvest-supper", "/", "/game/root-leaf-or-fruit", "/play/none"):
            with self.subTest(path=path):
                self.around(f'<iframe src="{self.server.address}{path}"></iframe>')
                self.driver.switch_to.default_content()
                refused = [
                    entry["message"]
                    for entry in self.wait(lambda: self.driver.get_log("browser"), "a refusal")
                ]
                self.assertTrue(any("frame-ancestors" in line for line in refused), refused)
                self.assertEqual(self.told("size"), [])
