"""What leaves with a game: its plain form, and the desk that stands in for a server."""

import json
import unittest
from dataclasses import replace

from hypothesis import given
from hypothesis import strategies as st
from pydantic import TypeAdapter

from dicetrail.core import Ask, Ending, Game, Opening, Round, Table, table
from dicetrail.core.document import Best
from dicetrail.core.play import Action, Footprint, Input, Intent, PlayView, next_input
from dicetrail.files import read_answers
from dicetrail.standalone.json_codec import NotInThisForm, from_json, to_json
from dicetrail.standalone.offline_api import OfflineApi, StandaloneGame, answer, opened
from dicetrail.web.play.shapes import Scores
from tests.core.examples import VEGETABLES
from tests.core.test_laws import DICE, GAMES, INPUTS, built, played

SHED = Game(
    "Shed",
    (Round("Only", ("veg",), ask=Ask(seconds=9)),),
    (Ending("Good", "{score}", 1), Ending("Rest", "")),
    "def right():\n    score += 1\n",
    Opening("Hello", most_players=2, asks_remark=True),
)


GAME, TABLE, VIEW = TypeAdapter(Game), TypeAdapter(Table), TypeAdapter(PlayView)
PRINTS = TypeAdapter(list[tuple[Footprint, ...]])
"""The forms in which the interface sends them."""


def sent(value, form):
    """The value as the interface sends it."""
    return json.loads(form.dump_json(value))


class TestPlainForm(unittest.TestCase):
    @given(GAMES)
    def test_a_game_looks_as_the_interface_sends_it_and_comes_back_the_same(self, game):
        plain = json.loads(json.dumps(to_json(game)))
        self.assertEqual(plain, sent(game, GAME))
        self.assertEqual(from_json(Game, plain), game)
        short = json.loads(GAME.dump_json(game, exclude_defaults=True))
        self.assertEqual(from_json(Game, short), game)

    @given(GAMES, DICE, INPUTS)
    def test_so_do_the_footprints_of_a_run_and_what_its_player_sees(self, game, dice, actions):
        program = built(game)
        if program is None:
            return
        moments, inputs, _ = played(program, dice, actions)
        footprints = [moment.footprints for moment in moments]
        self.assertEqual(json.loads(json.dumps(to_json(footprints))), sent(footprints, PRINTS))
        shown = table(program, moments[-1].state)
        self.assertEqual(json.loads(json.dumps(to_json(shown))), sent(shown, TABLE))
        plain = json.loads(json.dumps(to_json(inputs)))
        self.assertEqual(list(from_json(tuple[Input, ...], plain)), inputs)

    @given(
        st.recursive(
            st.none() | st.booleans() | st.integers() | st.text(max_size=9),
            lambda inner: st.lists(inner, max_size=3) | st.dictionaries(st.text(max_size=9), inner),
        )
    )
    def test_what_is_no_action_is_refused_whatever_it_is(self, plain):
        try:
            made = from_json(Action, plain)
        except NotInThisForm:
            return
        self.assertEqual(from_json(Action, to_json(made)), made)


class TestDesk(unittest.TestCase):
    def setUp(self):
        self.standalone = StandaloneGame("shed", 3, SHED, {"veg": VEGETABLES}, {})
        self.desk = OfflineApi(self.standalone)
        self.now = 1_000_000

    def call(self, method, path, body=None, after=0, chance=7):
        self.now += after
        return self.desk.answer(method, f"/api/play/{path}", body, self.now, chance)

    def begun(self, players=("Marjory",), chance=7):
        body = {"players": list(players)}
        told = self.call("POST", "games/shed/runs", body, chance=chance)
        self.assertEqual(told.status, 201)
        name = told.body["id"]
        return name, self.act(name, 0, {"action": "begin"}).body

    def act(self, name, seen, action, after=0, at=None):
        body = {"seen": seen, "action": action, "at": at}
        return self.call("POST", f"runs/{name}/inputs", body, after)

    def ended(self, chance=7, right=True):
        name, view = self.begun(chance=chance)
        while view["table"]["phase"] != "ended":
            phase, seen = view["table"]["phase"], view["seen"]
            state = self.desk._session_of(self.desk.runs[name]).state
            intent = Intent.RIGHT if right else Intent.WRONG
            given_ = next_input(self.desk.program, state, intent, state.at)
            view = self.act(
                name, seen, to_json(given_.action), 500 if phase == "asking" else 0
            ).body
        return name, view

    def test_what_it_tells_is_what_a_server_would_tell(self):
        name, view = self.ended()
        for told in (view, self.begun(("Ada", "Ben"), 8)[1], self.call("GET", f"runs/{name}").body):
            self.assertEqual(sent(VIEW.validate_python(told), VIEW), told)
        scores = self.call("GET", "games/shed/scores?key=x").body
        self.assertEqual(len(scores["best"]), 1)
        self.assertEqual(Scores.model_validate(scores).model_dump(mode="json"), scores)
        self.assertTrue(view["is_best"])
        self.assertTrue(view["answered"])

    def test_the_clock_is_the_devices_and_nobody_answers_out_of_the_future(self):
        name, view = self.begun()
        late = self.call("GET", f"runs/{name}", after=9_000).body
        self.assertEqual(late["table"]["feedback"]["result"], "late")
        name, view = self.begun(chance=8)
        answered = self.act(name, view["seen"], {"action": "answer", "value": 1}, 100, at=8_999)
        self.assertEqual(self.desk.runs[name].inputs[-1].at, 100)
        self.assertEqual(answered.status, 200)

    def test_what_cannot_be_taken_changes_nothing_and_says_why(self):
        name, view = self.begun()
        before = self.desk.runs[name]
        for status, method, path, body in (
            (404, "GET", "runs/none", None),
            (404, "GET", "nothing/at/all", None),
            (409, "POST", f"runs/{name}/inputs", {"seen": 9, "action": {"action": "wait"}}),
            (422, "POST", f"runs/{name}/inputs", {"seen": view["seen"], "action": {"action": "?"}}),
            (422, "POST", f"runs/{name}/inputs", {}),
            (422, "POST", "games/shed/runs", {"players": ["a", "b", "c"]}),
            (409, "POST", f"runs/{name}/remark", {"words": "so"}),
        ):
            with self.subTest(path=path, body=body):
                told = self.call(method, path, body)
                self.assertEqual(told.status, status)
                self.assertTrue(told.body["detail"])
        self.assertEqual(self.desk.runs[name], before)

    def test_runs_kept_on_the_device_are_found_again_with_their_long_dice(self):
        calls = []

        def call(desk, path, body, chance):
            asked = {"method": "POST", "path": f"/api/play/{path}", "body": body}
            text = json.dumps(asked | {"now": 5, "chance": f"{chance:x}"})
            calls.append(json.loads(answer(desk, text)))
            return calls[-1]["body"]

        first = opened(json.dumps(to_json(self.standalone)), "[]")
        run = call(first, "games/shed/runs", {"players": [""]}, 2**127 + 1)
        view = call(
            first, f"runs/{run['id']}/inputs", {"seen": 0, "action": {"action": "begin"}}, 1
        )
        kept = json.dumps([calls[-1]["keep"]["run"], "broken", "{}"])
        again = opened(json.dumps(to_json(self.standalone)), kept)
        self.assertEqual(again.runs[run["id"]].dice, 2**127 + 1)
        told = again.answer("GET", f"/api/play/runs/{run['id']}", None, 5, 1).body
        self.assertEqual(told["table"], view["table"])
        newer = opened(json.dumps(to_json(replace(self.standalone, revision=4))), kept)
        self.assertEqual(newer.answer("GET", f"/api/play/runs/{run['id']}", None, 5, 1).status, 404)

    def test_the_best_is_of_the_kind_the_game_wants_and_the_answers_can_be_read(self):
        for best, wanted in ((Best.HIGHEST, 0), (Best.LOWEST, 1)):
            self.desk = OfflineApi(replace(self.standalone, game=replace(SHED, best=best)))
            names = [self.ended(1, right=True)[0], self.ended(2, right=False)[0]]
            there = self.call("GET", "games/shed/scores").body["best"]
            self.assertEqual(there[0]["run_id"], names[wanted])
            self.assertEqual(
                self.call("POST", f"runs/{names[0]}/remark", {"words": " Hm "}).status, 204
            )
            lines = self.call("GET", "games/shed/answers").body["lines"]
            brought = read_answers("\n".join(lines).encode())
            self.assertEqual(([run.run for run in brought.runs], brought.refused), (names, ()))
            self.assertEqual(brought.runs[0].remark, "Hm")
