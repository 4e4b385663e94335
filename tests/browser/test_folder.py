"""Games that have left as a folder: served by a plain server, played in a browser."""

import io
import json
import zipfile

from selenium.webdriver.common.keys import Keys

from dicetrail.core import Answer, Continue, Phase, replay
from dicetrail.core.foresight import SCOUTS, walked
from dicetrail.core.play import Intent, made_ready, next_input
from dicetrail.files import read_answers
from dicetrail.standalone.json_codec import from_json, to_json
from dicetrail.standalone.offline_api import KeptHere, StandaloneGame, as_told
from tests.browser.base import BrowserTest, resize
from tests.browser.test_playing import DESKTOP, PHONE
from tests.exhaustive import exhaustive
from tests.static import Files, served_beside

GAMES = (
    *("harvest-supper", "root-leaf-or-fruit", "shed-words", "leaf-shapes"),
    *("slug-patrol", "bed-by-bed", "seed-sums", "harvest-table"),
)
ASK_ENGINE = """
const [standalone, calls, done] = arguments;
const named = performance.getEntriesByType("resource").map(({ name }) => name);
const worker = new Worker(named.find((name) => /worker-.*js$/.test(name)), { type: "module" });
const answers = [];
worker.onmessage = ({ data }) => {
  if (data.failed) done(data.failed);
  if (data.answer) answers.push(data.answer);
  if (answers.length === calls.length) { worker.terminate(); done(answers); }
};
worker.postMessage({ begin: { standalone, kept: "[]", size: 1 } });
calls.forEach((call, id) => worker.postMessage({ id, call }));
"""


def canonical(value):
    """JSON with its names in order and no spaces, after RFC 8785: one text for one value."""
    return json.dumps(value, sort_keys=True, separators=(",", ":"), ensure_ascii=False)


@exhaustive
class TestFolder(BrowserTest):
    @classmethod
    def setUpClass(cls):
        super().setUpClass()
        cls.root, cls.files = served_beside(cls)
        for name in GAMES:
            cls.lay(name, cls.root / "school" / "play")

    @classmethod
    def lay(cls, name, where):
        """Lay a game as it now stands as a folder."""
        archive = cls.server.http.get(f"/api/games/{name}/folder", timeout=60)
        zipfile.ZipFile(io.BytesIO(archive.content)).extractall(where)

    def standalone(self, name):
        text = (self.root / "school" / "play" / name / "game" / "game.json").read_text("utf-8")
        return text, from_json(StandaloneGame, json.loads(text))

    def at(self, name, files=None):
        return f"{(files or self.files).address}/school/play/{name}/"

    def enter(self, name, files=None):
        self.driver.get(self.at(name, files))
        self.wait(lambda: self.all("form input") or self.all("[data-next]"), "the opening")
        if self.all("form input"):
            self.one("form input").send_keys("Marjory", Keys.ENTER)
        self.wait(lambda: self.all("[data-next]"), "the opening")

    def kept(self, name):
        """The newest run of this device."""
        text = self.driver.execute_script(f"return localStorage.getItem('runs of {name}')")
        return from_json(KeptHere, json.loads(json.loads(text)[-1]["run"]))

    def state(self, program, name):
        run = self.kept(name)
        return replay(program, run.dice, run.players, run.inputs, best=run.best)[-1].state

    def do(self, program, name, intent):
        """Do what comes next for the player, as a player does it; False once the run is over."""
        if self.kept(name).ended is not None:
            return False
        state, seen = self.state(program, name), len(self.kept(name).inputs)
        given = next_input(program, state, intent, state.at)
        if given is None:
            return False
        if state.phase is Phase.OPENING:
            self.one("[data-next]").click()
        elif isinstance(given.action, Continue):
            self.press(Keys.ENTER)
        elif isinstance(given.action, Answer):
            self._answer(given.action.value)
        self.wait(
            lambda: len(self.kept(name).inputs) > seen or self.kept(name).ended, "what was done"
        )
        return True

    def be_away(self, name, seconds):
        """Come back to the page as if so much time had gone by since."""
        run = to_json(self.kept(name))
        run["started_at"] -= 1000 * seconds
        kept = json.dumps([{"id": run["id"], "run": json.dumps(run)}])
        script = "localStorage.setItem(arguments[0], arguments[1])"
        self.driver.execute_script(script, f"runs of {name}", kept)
        self.driver.refresh()

    def _answer(self, value):
        if isinstance(value, str):
            field = self.one("form input[maxlength='500']")
            field.send_keys(value, Keys.ENTER)
            return
        places = value if isinstance(value, tuple) else (value,)
        self.wait(lambda: len(self.all("main li > button")) >= max(places), "the choices")
        for place in places:
            self.all("main li > button")[place - 1].click()
        if isinstance(value, tuple):
            self.press(Keys.ENTER)

    def test_the_same_inputs_lead_to_the_same_footprints_in_the_browser_byte_for_byte(self):
        self.driver.set_script_timeout(60)
        for name in GAMES:
            text, standalone = self.standalone(name)
            program = made_ready(standalone.game, standalone.packs)
            calls, wanted = [], []
            for dice in (5, 2**100 + 7):
                states = walked(program, SCOUTS[1:2], dice)
                inputs = [given for _, given in states if given is not None]
                players = [SCOUTS[1].name]
                wanted.append(canonical(as_told(replay(program, dice, players, inputs))))
                body = {"dice": dice, "players": players, "inputs": to_json(inputs)}
                call = {"method": "POST", "path": "/api/play/replays", "body": body}
                calls.append(json.dumps(call | {"now": 0, "chance": "0"}))
            self.driver.get(self.at(name))
            self.wait(
                lambda: self.driver.execute_script(
                    "return performance.getEntriesByType('resource')"
                    ".some(({ name }) => /worker-.*js$/.test(name))"
                ),
                "the engine",
            )
            answers = self.driver.execute_async_script(ASK_ENGINE, text, calls)
            self.assertIsInstance(answers, list, answers)
            for answer, there in zip(answers, wanted, strict=True):
                with self.subTest(game=name):
                    self.assertGreater(len(there), 5000)
                    self.assertEqual(canonical(json.loads(answer)["body"]), there)

    def test_every_demo_game_is_played_to_an_ending_and_asks_nobody_but_its_folder(self):
        files = Files(self.root)
        self.addCleanup(files.close)
        for number, name in enumerate(GAMES):
            _, standalone = self.standalone(name)
            program = made_ready(standalone.game, standalone.packs)
            resize(self.driver, *(PHONE if number % 2 else DESKTOP))
            self.enter(name, files)
            self.do(program, name, Intent.WRONG)
            if standalone.game.rounds[0].seconds:
                self.be_away(name, 600)
                self.wait(lambda name=name: self.kept(name).ended, "the end that time brought")
            while self.do(program, name, Intent.WRONG):
                pass
            with self.subTest(game=name):
                came = self.kept(name).ended.result
                self.sees(came.ending or "")
                self.assertEqual(came.ending, self._ended(program, name))
                self.assert_accessible()
        resize(self.driver, *DESKTOP)
        fetched = self.driver.execute_script(
            "return performance.getEntriesByType('resource').map(({ name }) => name)"
        )
        own = (self.at(GAMES[-1], files), "data:", "blob:")
        self.assertEqual([name for name in fetched if not name.startswith(own)], [])
        strange = [path for path in files.asked if not path.startswith("/school/play/")]
        self.assertLessEqual(set(strange), {"/favicon.ico"})

    def _ended(self, program, name):
        run = self.kept(name)
        moments = replay(program, run.dice, run.players, run.inputs, best=run.best)
        state = moments[-1].state
        if state.phase is not Phase.ENDED:
            return run.ended.result.ending
        return program.game.endings[state.ending].title

    def test_with_no_network_it_goes_on_after_a_reload_and_a_class_gives_its_answers_away(self):
        name = "slug-patrol"
        _, standalone = self.standalone(name)
        program = made_ready(standalone.game, standalone.packs)
        files = Files(self.root)
        self.driver.get(self.at(name, files))
        self.sees("What you do stays on this device")
        self.enter(name, files)
        self.controlled()
        self.do(program, name, Intent.RIGHT)
        self.do(program, name, Intent.WRONG)
        files.close()
        before = self.kept(name)
        self.driver.refresh()
        self.one("#prompt")
        self.assertEqual(self.kept(name).inputs, before.inputs)
        while self.do(program, name, Intent.WRONG):
            pass
        self.sees(self.kept(name).ended.result.ending)
        lines = self.driver.execute_async_script(
            "const done = arguments[0]; const made = URL.createObjectURL;"
            "URL.createObjectURL = (blob) => { blob.text().then(done); return made(blob); };"
            "[...document.querySelectorAll('button')]"
            ".find((button) => button.innerText.includes('Save the answers')).click();"
        )
        brought = read_answers(lines.encode())
        self.assertEqual(len(brought.runs), len(lines.splitlines()))
        sent = {"file": ("class.jsonl", lines.encode())}
        told = self.server.http.post(f"/api/games/{name}/evidence/answers", files=sent)
        self.assertEqual(told.status_code, 200, told.text)

    def controlled(self):
        """Wait until all of a folder is kept on the device."""
        kept = "return navigator.serviceWorker.controller !== null"
        self.wait(lambda: self.driver.execute_script(kept), "everything kept")

    def test_a_browser_would_install_it_under_its_own_name_and_colours(self):
        name = "harvest-table"
        self.driver.get(self.at(name))
        self.controlled()
        told = self.driver.execute_cdp_cmd("Page.getAppManifest", {})
        self.assertEqual(told["errors"], [])
        manifest = json.loads(told["data"])
        self.assertEqual((manifest["lang"], manifest["dir"]), ("ar", "rtl"))
        self.assertEqual(told["url"], self.at(name) + "app.webmanifest")
        ground = self.standalone(name)[1].game.look.colours.ground
        self.assertEqual(manifest["theme_color"], ground)
        errors = self.driver.execute_cdp_cmd("Page.getInstallabilityErrors", {})
        told = {error["errorId"] for error in errors["installabilityErrors"]}
        self.assertLessEqual(told, {"in-incognito"})
        page = self.one("html")
        self.assertEqual((page.get_attribute("lang"), page.get_attribute("dir")), ("ar", "rtl"))

    def test_straight_from_a_disk_it_says_what_to_type_in_the_games_language(self):
        for name, words in (
            ("slug-patrol", "In its folder, type"),
            ("harvest-table", "اكتب في مجلده"),
        ):
            path = self.root / "school" / "play" / name / "index.html"
            self.driver.get(path.as_uri())
            self.sees(words)
            self.sees("python3 -m http.server")

    def test_a_folder_laid_anew_is_noticed_and_another_beside_it_is_left_alone(self):
        here, there = self.root / "one", self.root / "two"
        self.lay("root-leaf-or-fruit", here)
        self.lay("seed-sums", there)
        one = f"{self.files.address}/one/root-leaf-or-fruit/"
        for address in (one, f"{self.files.address}/two/seed-sums/"):
            self.driver.get(address)
            self.controlled()
        caches = "caches.keys().then(arguments[0])"
        before = set(self.driver.execute_async_script(caches))
        game = self.server.http.get("/api/games/root-leaf-or-fruit").json()
        old, game["document"]["title"] = game["document"]["title"], "Root or Leaf, again"
        self.server.http.put("/api/games/root-leaf-or-fruit", json=game).raise_for_status()
        self.lay("root-leaf-or-fruit", here)
        self.driver.get(one)
        self.sees(old)  # as it was kept, while the new one comes
        self.wait(
            lambda: before - set(self.driver.execute_async_script(caches)),
            "the new one in place of the old",
        )
        self.driver.get(one)
        self.wait(lambda: "Root or Leaf, again" in self.text(), "the new one")
        after = set(self.driver.execute_async_script(caches))
        self.assertEqual(len(before - after), 1)
        self.assertTrue(all("/one/root-leaf-or-fruit/" in name for name in before - after))

    def test_inside_a_course_it_reports_what_its_player_came_to(self):
        game = self.server.http.get("/api/games/root-leaf-or-fruit").json()
        whole, first = game["document"]["endings"]
        whole["passes"] = True
        self.server.http.put("/api/games/root-leaf-or-fruit", json=game).raise_for_status()
        archive = self.server.http.get("/api/games/root-leaf-or-fruit/package", timeout=60)
        zipfile.ZipFile(io.BytesIO(archive.content)).extractall(self.root / "course")
        files = Files(self.root / "course")
        self.addCleanup(files.close)
        standalone = json.loads((self.root / "course" / "game" / "game.json").read_text("utf-8"))
        standalone = from_json(StandaloneGame, standalone)
        program = made_ready(standalone.game, standalone.packs)
        name, was = "root-leaf-or-fruit", {}

        def told(status):
            self.driver.switch_to.default_content()
            script = "return JSON.parse(localStorage.getItem(KEPT) ?? '{}')"
            kept = self.wait(
                lambda: (one := self.driver.execute_script(script)) != was and one, "a report"
            )
            self.assertEqual(kept["cmi.core.lesson_status"], status)
            self.driver.switch_to.frame(self.one("iframe"))
            was.clear()
            was.update(kept)
            return kept

        self.driver.get(f"{files.address}/try-in-a-course.html")
        self.driver.switch_to.frame(self.one("iframe"))
        self.wait(lambda: self.all("[data-next]"), "the opening")
        told("incomplete")
        for intent, status, score in (
            (Intent.WRONG, "failed", "0"),
            (Intent.RIGHT, "passed", "100"),
        ):
            while self.do(program, name, intent):
                pass
            kept = told(status)
            self.assertEqual(kept["cmi.core.score.raw"], score)
            self.assertRegex(kept["cmi.core.session_time"], r"^\d{4}:\d\d:\d\d\.\d\d$")
            self.button("Play again").click()
            self.wait(lambda: self.kept(name).ended is None, "a new run")
            self.wait(lambda: self.all("[data-next]"), "the opening again")
        self.assertEqual(first["passes"], False)
        self.driver.switch_to.default_content()
        self.assert_accessible()
        calls = self.driver.execute_script("return calls.map(([name]) => name)")
        self.assertEqual(calls.count("LMSInitialize"), 1)

    def test_what_is_damaged_is_said_and_never_a_blank_page(self):
        self.lay("slug-patrol", self.root / "broken")
        folder = self.root / "broken" / "slug-patrol"
        files = Files(self.root / "broken")
        self.addCleanup(files.close)
        address = f"{files.address}/slug-patrol/"
        self.driver.get(address)
        self.one("form input")
        for kept in ("no JSON", "{}", "[1, null]", '[{"id": "x", "run": "?"}]', '[{"id": 1}]'):
            script = "localStorage.setItem('runs of slug-patrol', arguments[0])"
            self.driver.execute_script(script, kept)
            self.driver.refresh()
            with self.subTest(kept=kept):
                self.one("form input")
        self.driver.execute_script(
            "localStorage.clear(); const done = navigator.serviceWorker.getRegistrations()"
            ".then((all) => Promise.all(all.map((one) => one.unregister())));"
            "return caches.keys().then((names) => Promise.all(names.map((n) => caches.delete(n))));"
        )
        (folder / "engine" / "memory.zst").write_bytes(b"nothing of the kind")
        self.driver.get(address)
        self.one("form input").send_keys("Marjory", Keys.ENTER)
        self.sees("Something went wrong. Try again.")
        self.assertEqual(self.all("a[href='/']"), [])
        self.button("Try again").click()
        self.one("form input")
