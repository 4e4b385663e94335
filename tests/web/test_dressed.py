"""Looks, phrases, pictures and watched steps over HTTP: what is sent, and what is refused."""

import hashlib
import json

from dicetrail.core.document import WAYS, Language, Phrase, contrast, is_counted
from tests.files.samples import png, wav
from tests.web.test_api import GAME, ApiTest


class TestDressed(ApiTest):
    def brought(self, content, name="picture.png"):
        return self.http.post("/api/pictures", files={"file": (name, content)})

    def test_a_look_is_seen_before_it_is_saved_and_a_colour_that_is_none_is_left_out(self):
        look = self.get(GAME)["document"]["look"]
        look["colours"] |= {"ink": "#999999", "wrong": "crimson"}
        seen = self.http.post("/api/looks/seen", json=look).json()
        met = {(one["of"], one["on"]): one for one in seen["meetings"]}
        self.assertNotIn(("wrong", "card"), met)
        self.assertFalse(met["ink", "card"]["is_held"])
        nearest = met["ink", "card"]["nearest"]
        for ground in ("card", "ground"):
            self.assertGreaterEqual(contrast(nearest, look["colours"][ground]), 4.5)
        self.assertEqual([seen[light]["is_dark"] for light in ("light", "dark")], [False, True])
        self.assert_problem(self.http.post("/api/looks/seen", json={"corner": "torn"}), 422, "")

    def test_phrases_are_told_with_numbers_that_go_with_each_form(self):
        for language in Language:
            told = self.get(f"/api/phrases/{language}")
            ways = WAYS[language]
            with self.subTest(language):
                self.assertEqual([one["phrase"] for one in told["phrases"]], list(Phrase))
                for form in told["forms"]:
                    self.assertTrue(form["examples"])
                    for number in form["examples"]:
                        self.assertEqual(ways.form(number), form["name"])
                for one in told["phrases"]:
                    wanted = len(ways.forms) if is_counted(Phrase(one["phrase"])) else 1
                    self.assertEqual(len(one["texts"]), wanted)
        self.assert_problem(self.http.get("/api/phrases/tlh"), 422, "")

    def test_pictures_travel_with_the_game_and_what_is_none_is_refused(self):
        self.assert_problem(self.brought(wav(), "a.wav"), 422, "This is a sound")
        self.assert_problem(self.brought(b"no picture", "a.png"), 422, "no picture or sound")
        digest = self.brought(png()).json()["digest"]
        game = self.get(GAME)
        game["document"]["look"]["opening"]["picture"] = digest
        game["document"]["endings"][0]["picture"] = digest
        self.assertEqual(self.http.put(GAME, json=game).status_code, 200)
        held = self.http.get(f"/api/media/{digest}").content
        self.assertEqual(hashlib.sha256(held).hexdigest(), digest)
        saved = self.http.get(f"{GAME}/file").content
        again = self.http.post("/api/game-files", files={"file": ("g.json", saved)}).json()
        self.assertEqual(again["document"]["endings"][0]["picture"], digest)
        torn = json.dumps({**json.loads(saved), "pictures": {}})
        refused = self.http.post("/api/game-files", files={"file": ("g.json", torn)})
        self.assertGreaterEqual(refused.status_code, 400)
        self.assertIn("picture that is named here is not in the file", refused.text)

    def test_a_players_page_is_dressed_as_the_game_was_when_it_was_saved(self):
        before = self.get("/api/play/games/harvest-supper/dress/1")
        game = self.get(GAME)
        game["document"]["language"] = "pl"
        own = {"phrase": "points", "texts": ["{count} burak", "", "{count} buraków", ""]}
        game["document"]["phrases"] = [own]
        after = self.http.put(GAME, json=game).json()["revision"]
        dress = self.get(f"/api/play/games/harvest-supper/dress/{after}")
        self.assertEqual(self.get("/api/play/games/harvest-supper/dress/1"), before)
        self.assertEqual((before["language"], dress["language"]), ("en", "pl"))
        wanted = {"one": "{count} burak", "few": "{count} punkty", "many": "{count} buraków"}
        self.assertEqual(dress["phrases"]["points"], wanted | {"other": "{count} punktu"})
        run = self.post("/api/play/games/harvest-supper/runs")
        self.assertEqual(run["table"]["players"][0]["name"], "Gracz")
        refused = self.input(run, action="pass")["refused"]
        self.assertEqual(refused, "gra się jeszcze nie zaczęła")

    def test_a_step_is_watched_and_a_script_put_into_another_or_refused_at_its_line(self):
        run = self.post("/api/runs", game_id="harvest-supper", dice=3)
        run = self.input(run, action="begin")
        run = self.input(run, action="answer", value=1)
        self.assertEqual(self.get(f"/api/runs/{run['id']}/watch/0"), [])
        (event,) = self.get(f"/api/runs/{run['id']}/watch/2")
        changed = [change["name"] for ran in event["lines"] for change in ran["changes"]]
        self.assertIn(changed, (["score"], ["lives"]))
        self.assertEqual(self.get(f"/api/runs/{run['id']}/watch/9"), [])
        wanted = {"script": "score = 0\n\ndef right()\n", "other": "lives = 3\n"}
        refused = self.assert_problem(self.http.post("/api/language/put-in", json=wanted), 409, "")
        self.assertEqual(refused["problems"][0]["where"], "script[3:1]")
