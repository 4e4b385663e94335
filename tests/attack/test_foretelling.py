"""What a player has seen of a run does not tell what comes.

The old attack: dice had six digits, so whoever had seen a few questions in their order tried
all dice until one gave just these, and knew every right answer that was still to come.
"""

from dicetrail.core import build
from dicetrail.core.draw.dice import dice_named
from dicetrail.core.workbench import draw_list
from dicetrail.store.games import newest_game
from dicetrail.store.packs import newest_packs, pack_of
from dicetrail.store.runs import get_run
from tests.exhaustive import exhaustive
from tests.web.demo import DemoTest

GAME = "harvest-supper"
SEEN = 3
TRIED = 3_000


@exhaustive
class TestForetelling(DemoTest):
    def program(self):
        with self.database.reading() as session:
            game = newest_game(session, GAME).document
            packs = newest_packs(session, game.rounds[0].packs)
            held = {pack.pack_id: pack_of(session, pack.pack_id, pack.number) for pack in packs}
            return build(game, held)

    def seen_by_a_player(self, place, **new):
        """The prompts and choices of the first questions of a run, as they come."""
        run = self.http.post(place, json=new).json()
        address, seen = f"/api{'/play' if 'play' in place else ''}/runs/{run['id']}/inputs", []
        actions, at = [{"action": "begin"}], 0
        while len(seen) < SEEN:
            body = {"seen": run["seen"], "action": actions.pop(0)}
            at += 1000
            view = self.http.post(address, json=body | {"at": at}).json()
            run["seen"] = view["seen"]
            shown = view["table"] if "table" in view else view["steps"][-1]["table"]
            if shown["phase"] == "asking":
                question = shown["question"]
                texts = tuple(choice["text"] for choice in question["choices"])
                seen.append((question["prompt"], texts))
                actions.append({"action": "answer", "value": 1})
            else:
                actions.append({"action": "continue"})
        return run, seen

    def attack(self, seen):
        """The dice from which what was seen follows, among all that can be tried."""
        program = self.program()

        def follows(dice):
            drawn = draw_list(program, dice, 0).questions
            return all(
                (now.prompt, now.choices) == (prompt, choices)
                for (prompt, choices), now in zip(seen, drawn, strict=False)
            )

        return [dice for dice in range(TRIED) if follows(dice)]

    def test_the_attack_finds_short_dice_and_not_those_of_a_player(self):
        _, seen = self.seen_by_a_player("/api/runs", game_id=GAME, dice=TRIED - 7)
        self.assertEqual(self.attack(seen), [TRIED - 7], "the attack is a real one")
        run, seen = self.seen_by_a_player(f"/api/play/games/{GAME}/runs")
        self.assertEqual(self.attack(seen), [])
        name = self.http.get(f"/api/runs/{run['id']}").json()["dice"]
        self.assertGreater(dice_named(name), 2**96)
        played = self.http.get(f"/api/play/runs/{run['id']}").text
        self.assertNotIn(str(name), played)
        self.assertNotIn(str(dice_named(name)), played)

    def test_every_bit_of_the_dice_of_players_is_chance(self):
        held, all_of, none_of = set(), 2**128 - 1, 0
        for _ in range(64):
            made = self.http.post(f"/api/play/games/{GAME}/runs", json={}).json()
            with self.database.reading() as session:
                dice = get_run(session, made["id"]).dice
            held.add(dice)
            all_of, none_of = all_of & dice, none_of | dice
        self.assertEqual(len(held), 64)
        # Each of 128 bits is the same in all 64 with a chance of 1 in 2**56 at most.
        self.assertEqual((all_of, none_of), (0, 2**128 - 1))

    def test_the_maker_opens_replays_and_branches_a_run_of_long_dice(self):
        run, seen = self.seen_by_a_player(f"/api/play/games/{GAME}/runs")
        opened = self.http.get(f"/api/runs/{run['id']}").json()
        inputs = [
            {"action": made["action"], "at": made["at"]}
            for made in opened["steps"]
            if made["action"]
        ]
        again = {"game_id": GAME, "dice": opened["dice"], "inputs": inputs[: run["seen"]]}
        branch = self.http.post("/api/runs", json=again).json()
        self.assertEqual(branch["dice"], opened["dice"])
        prompts = [
            made["table"]["question"]["prompt"]
            for made in branch["steps"]
            if made["table"]["phase"] == "asking"
        ]
        self.assertEqual(prompts, [prompt for prompt, _ in seen])
        drawn = self.http.get(f"/api/games/{GAME}/draw?dice={opened['dice']}").json()
        self.assertEqual([now["prompt"] for now in drawn["questions"]][:SEEN], prompts)
        for wrong in ("a" * 25, "A" * 26, "-1", "1000000000", "1.5", "x"):
            answer = self.http.get(f"/api/games/{GAME}/draw?dice={wrong}")
            self.assertEqual(answer.status_code, 422, wrong)
