"""Whoever asks is known: pages of other sites, guessers of the key, and how addresses are told."""

import http.server
import threading
import unittest
from pathlib import Path
from tempfile import TemporaryDirectory
from unittest.mock import patch

from fastapi.testclient import TestClient

from dicetrail.web import create_app
from tests.browser.base import open_browser
from tests.server import Server
from tests.web.demo import DemoTest, empty_store

ADDRESS = "http://localhost"


class TestOtherPages(DemoTest):
    def test_what_changes_something_comes_from_our_own_pages_or_says_that_it_is_meant(self):
        bare = TestClient(self.app, base_url=ADDRESS)
        undo = "/api/games/shed-words/return"
        form = {"content-type": "application/x-www-form-urlencoded"}
        for is_taken, headers in (
            (True, {"origin": ADDRESS}),
            (True, {"sec-fetch-site": "same-origin"}),
            (True, {"x-dice-trail": "1"}),
            (False, {}),
            (False, form),
            (False, {"origin": "null"}),
            (False, {"origin": "http://localhost.example"}),
            (False, {"origin": "http://localhost:81"}),
            (False, {"origin": "http://example", "x-dice-trail": "1"}),
            (False, {"sec-fetch-site": "cross-site"}),
            (False, {"sec-fetch-site": "same-site", "content-type": "application/json"}),
        ):
            with self.subTest(headers=headers):
                answer = bare.post(undo, headers=headers)
                self.assertEqual(answer.status_code, 200 if is_taken else 403, answer.text)
        self.assertEqual(bare.get("/api/games").status_code, 200, "asking is free")

    def test_a_page_of_another_site_changes_nothing_in_a_browser(self):
        folder = TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        server = Server(Path(folder.name, "store.sqlite"), "--demo")
        self.addCleanup(server.__exit__)
        game = f"{server.address}/api/games/shed-words"
        page = f"""<body><form method=post action="{game}/copies"><button>Win</button></form>
            <script>
              const calls = [["{game}/copies", {{method: "POST", mode: "no-cors"}}],
                ["{game}/copies", {{method: "POST", mode: "no-cors", body: "a=b"}}],
                ["{game}", {{method: "DELETE"}}],
                ["{game}/copies", {{method: "POST", headers: {{"x-dice-trail": "1"}}}}],
                ["{server.address}/api/games", {{method: "POST", body: '{{"title": "Owned"}}',
                  headers: {{"content-type": "application/json"}}}}]];
              Promise.allSettled(calls.map(([address, how]) => fetch(address, how)))
                .then(() => {{ navigator.sendBeacon("{game}/copies"); document.title = "done"; }});
            </script>"""

        class Elsewhere(http.server.BaseHTTPRequestHandler):
            def do_GET(self):
                self.send_response(200)
                self.send_header("content-type", "text/html")
                self.end_headers()
                self.wfile.write(page.encode())

            def log_message(self, *_):
                """Say nothing."""

        other = http.server.ThreadingHTTPServer(("127.0.0.1", 0), Elsewhere)
        threading.Thread(target=other.serve_forever, daemon=True).start()
        self.addCleanup(other.server_close)
        self.addCleanup(other.shutdown)
        before = server.http.get("/api/games").json()
        driver = open_browser()
        self.addCleanup(driver.quit)
        driver.get(f"http://127.0.0.1:{other.server_port}/")
        for _ in range(600):
            if driver.title == "done":
                break
            driver.implicitly_wait(0.1)
        self.assertEqual(driver.title, "done")
        driver.find_element("tag name", "button").click()
        for _ in range(100):
            if "another page" in driver.page_source:
                break
        self.assertIn("another page", driver.page_source)
        self.assertEqual(server.http.get("/api/games").json(), before)


class TestTheKey(unittest.TestCase):
    def opened(self):
        folder = TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        database = empty_store(Path(folder.name) / "store.sqlite")
        self.addCleanup(database.close)
        app = create_app(database, hosts=("testserver",), maker_key="open-up")
        return TestClient(app, follow_redirects=False)

    def test_guesses_are_counted_however_the_key_is_sent(self):
        ways = (
            lambda http: http.post("/api/key", json={"key": "guess"}),
            lambda http: http.get("/?key=guess"),
            lambda http: http.get("/game/any?k%65y=guess"),
            lambda http: http.get("/?a=1&%6B%65%79=guess"),
            lambda http: http.head("/?key=guess"),
            lambda http: http.get("/api/games", headers={"cookie": "maker=guess"}),
        )
        for number, way in enumerate(ways):
            # Time stands still: allowances grow with it, and a busy machine takes its time.
            still = patch("dicetrail.web.middleware.rates.monotonic", return_value=1000.0)
            with self.subTest(way=number), still:
                http = self.opened()
                statuses = [way(http).status_code for _ in range(12)]
                self.assertEqual(statuses.count(429), 2, statuses)
                self.assertEqual(http.get("/?key=open-up").status_code, 429, "not even the right")

    def test_an_old_cookie_is_taken_back_and_a_right_one_is_heard_however_many_were_guessed(self):
        http = self.opened()
        right = self.opened_with(http)
        answer = http.get("/api/games", headers={"cookie": "maker=of-last-year"})
        self.assertEqual(answer.status_code, 401)
        self.assertIn("Max-Age=0", answer.headers["set-cookie"])
        with patch("dicetrail.web.middleware.rates.monotonic", return_value=1000.0):
            for number in range(20):
                http.get("/api/games", headers={"cookie": f"maker={number}"})
            kept = http.get("/api/games", headers={"cookie": f"maker={right}"})
        self.assertEqual(kept.status_code, 200)

    @staticmethod
    def opened_with(http):
        cookie = http.get("/?key=open-up").cookies["maker"]
        http.cookies.clear()
        return cookie

    def test_the_cookie_cannot_be_made_from_a_guess_at_the_key(self):
        cookies = {self.opened().get("/?key=open-up").cookies["maker"] for _ in range(2)}
        self.assertEqual(len(cookies), 2, "the same key opens each store by another word")

    def test_the_way_on_after_the_key_never_leaves_the_site(self):
        http = self.opened()
        for path in (
            "//elsewhere.example/",
            "/%2Felsewhere.example",
            "/\\elsewhere.example",
            "/%5C%5Celsewhere.example",
            "///elsewhere.example/x",
        ):
            with self.subTest(path=path):
                onward = http.get(f"http://testserver{path}?key=open-up")
                self.assertEqual(onward.status_code, 303)
                where = onward.headers["location"]
                self.assertRegex(where, r"^/(?![/\\])")


class TestAddresses(unittest.TestCase):
    def test_an_ipv6_address_is_told_in_brackets_and_answers(self):
        folder = TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        with Server(Path(folder.name, "store.sqlite"), "--host", "::1") as server:
            self.assertRegex(server.address, r"^http://\[::1\]:\d+$")
            self.assertEqual(server.http.get("/api/health").status_code, 200)
            made = server.http.post("/api/games", json={"title": "Six"})
            self.assertEqual(made.status_code, 201)
