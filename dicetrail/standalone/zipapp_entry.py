"""The entry of a game in one file: Python runs it."""

import argparse
import json
import pkgutil
import secrets
import sys

from dicetrail.core.document import Phrase
from dicetrail.core.play import made_ready, player_named, players_refused
from dicetrail.standalone.json_codec import from_json
from dicetrail.standalone.offline_api import StandaloneGame
from dicetrail.standalone.terminal import PlainScreen, play, standard_lines, written_in

GAME_FILE = "game.json"
"""The file beside this module with the game and its packs."""

MAX_ROLLED = 1_000_000


def main() -> int:
    """Play the game beside this module in a terminal. Returns the exit status."""
    content = pkgutil.get_data(__package__, GAME_FILE)
    assert content is not None
    standalone: StandaloneGame = from_json(StandaloneGame, json.loads(content))
    program = made_ready(standalone.game, standalone.packs)
    parser = argparse.ArgumentParser(description=standalone.game.title)
    parser.add_argument("--dice", type=int, help="without it, new dice are rolled")
    parser.add_argument("--player", action="append", help="a player's name; repeat it")
    given = parser.parse_args()
    names = given.player or [""]
    players = tuple(
        player_named(name, number, program.translator) for number, name in enumerate(names, 1)
    )
    refused = players_refused(standalone.game, len(players))
    if refused is not None:
        parser.error(refused)
    dice = secrets.randbelow(MAX_ROLLED) if given.dice is None else given.dice
    try:
        play(program, dice, players, PlainScreen(sys.stdout), standard_lines())
    except (EOFError, KeyboardInterrupt):
        given_up = program.translator.say(Phrase.GIVEN_UP)
        print(f"\n{written_in(given_up, sys.stdout.encoding)}")
        return 130
    return 0
