"""The desk of a folder against our server: the same player does the same at both."""

import random
from datetime import timedelta
from unittest.mock import patch

from dicetrail.core import Phase
from dicetrail.core.play import Intent, next_input
from dicetrail.files import read_game
from dicetrail.standalone.json_codec import to_json
from dicetrail.standalone.offline_api import OfflineApi
from dicetrail.takeaway import leaving
from tests.exhaustive import exhaustive
from tests.web.demo import MADE
from tests.web.test_api import ApiTest

GAMES = (
    *("harvest-supper", "root-leaf-or-fruit", "shed-words", "leaf-shapes"),
    *("slug-patrol", "bed-by-bed", "seed-sums", "harvest-table"),
)
STRANGE = (
    {"action": "begin", "round": 7},
    {"action": "answer", "value": ""},
    {"action": "answer", "value": "no such thing"},
    {"action": "answer", "value": 9},
    {"action": "answer", "value": [1, 2]},
    {"action": "answer", "value": 1, "question": 999},
    {"action": "letter", "char": "e"},
    {"action": "letter", "char": "??"},
    {"action": "hint"},
    {"action": "pass"},
    {"action": "listen"},
    {"action": "wait"},
    {"action": "continue"},
)
MOST = 60


@exhaustive
class TestOfflineApiAndServer(ApiTest):
    def clock(self):
        return self.time

    def desk_of(self, name):
        file = read_game(self.http.get(f"/api/games/{name}/file").content)
        return OfflineApi(leaving(file, name).standalone)

    def now(self):
        return (self.time - MADE) // timedelta(milliseconds=1)

    def both(self, desk, run, method, path, body=None):
        """What both say to a call, but for the names they gave the run."""
        there = self.http.request(method, f"/api/play/{path.format(run[0])}", json=body)
        here = desk.answer(method, f"/api/play/{path.format(run[1])}", body, self.now(), self.dice)
        self.assertEqual(here.status, there.status_code, (path, body, there.text))
        if here.status >= 400:
            return None, here
        told = there.json() | {"id": ""}
        self.assertEqual(to_json(here.body) | {"id": ""}, told)
        return told, here

    def begun(self, desk, name, players):
        self.dice = self.chances.getrandbits(128)
        with patch("dicetrail.services.runs.rolled", return_value=self.dice):
            body = {"players": list(players), "key": "k" * 20}
            there = self.http.post(f"/api/play/games/{name}/runs", json=body)
        path = f"/api/play/games/{name}/runs"
        here = desk.answer("POST", path, body, self.now(), self.dice)
        self.assertEqual((there.status_code, here.status), (201, 201))
        self.assertEqual(here.body | {"id": ""}, there.json() | {"id": ""})
        return (there.json()["id"], here.body["id"]), there.json()

    def played(self, desk, name, players, strangeness):
        """A run at both, to its end or for as long as it is looked at; whether it ended."""
        run, view = self.begun(desk, name, players)
        for _ in range(MOST):
            if view["table"]["phase"] == "ended":
                return True
            kept = desk.runs[run[1]]
            state = desk._session_of(kept).state
            given = next_input(desk.program, state, self.chances.choice(list(Intent)), state.at)
            is_strange = given is None or self.chances.random() < strangeness
            action = self.chances.choice(STRANGE) if is_strange else to_json(given.action)
            self.time += timedelta(milliseconds=self.chances.choice((0, 40, 900, 2500, 30_000)))
            body = {"seen": view["seen"], "action": action, "at": None}
            told, here = self.both(desk, run, "POST", "runs/{}/inputs", body)
            if told is None:  # both refuse what is no action of theirs
                self.assertIn(here.status, (409, 422))
                continue
            view = told
            if self.chances.random() < 0.2:
                self.time += timedelta(milliseconds=self.chances.choice((0, 700, 8_000)))
                view, _ = self.both(desk, run, "GET", "runs/{}")
                if view["table"]["phase"] == "ended":
                    # Looking keeps nothing on a server: the page says that time has passed.
                    body = {"seen": view["seen"], "action": {"action": "wait"}, "at": None}
                    self.both(desk, run, "POST", "runs/{}/inputs", body)
        return desk._session_of(desk.runs[run[1]]).state.phase is Phase.ENDED

    def test_whatever_a_player_does_both_show_the_same_and_list_the_same_best(self):
        ended = 0
        for name in GAMES:
            desk = self.desk_of(name)
            for seed, strangeness in ((1, 0.0), (2, 0.1), (3, 0.5)):
                self.chances = random.Random(f"{name} {seed}")
                most = desk.standalone.game.opening.most_players
                players = ("Marjory", "Ted", "Ida", "Wilf")[: 1 + seed % most]
                with self.subTest(game=name, seed=seed):
                    ended += self.played(desk, name, players, strangeness)
            there = self.get(f"/api/play/games/{name}/scores?key={'k' * 20}")
            path = f"/api/play/games/{name}/scores"
            here = desk.answer("GET", path, None, self.now(), 0).body
            for told in (there, here):
                told.pop("revision")
                for score in (*told["best"], *told["mine"]):
                    score.pop("run_id")
                    score.pop("ended_at")
            with self.subTest(game=name):
                self.assertEqual(here, there)
        self.assertGreater(ended, len(GAMES))
