"""The demo: the Quillbrook Allotment Society's Harvest Supper, an invented occasion.

Its questions are loaded by the same reader as a maker's own file. Loading it twice changes
nothing, and it never touches what a maker has made.
"""

from datetime import datetime
from pathlib import Path

from dicetrail.core import Draw, Ending, Game, Pack, Round
from dicetrail.files import read_questions
from dicetrail.store import Database, NotFound
from dicetrail.store.games import add_game, newest_game
from dicetrail.store.packs import add_pack
from dicetrail.web.loading import pack_source

DATA = Path(__file__).parent / "data"
GAME_ID = "harvest-supper"
PACK_ID = "harvest-supper-questions"

RULES = """\
score = 0

def right():
    score += 3

def wrong():
    score -= 1
"""

HARVEST_SUPPER = Game(
    title="Harvest Supper",
    rounds=(Round("Supper questions", (PACK_ID,), draw=Draw(count=10)),),
    endings=(
        Ending("Golden Marrow", "A perfect basket. The Society rises from its benches.", 30),
        Ending("Best in Show", "A fine table. Only the judge's own onions beat you.", 22, 29),
        Ending("Good Neighbour", "You know your beds. Come and weed ours.", 10, 21),
        Ending("New Plot", "You have the ground; now for some seeds.", 0, 9),
        Ending("Slug's Friend", "The slugs of Quillbrook send their thanks.", None, -1),
    ),
    script=RULES,
)


def load_demo(database: Database, now: datetime) -> bool:
    """Put the demo into a store. Returns whether it was not there before."""
    with database.writing() as session:
        try:
            newest_game(session, GAME_ID)
        except NotFound:
            file = DATA / "harvest-supper.tsv"
            reading = read_questions(file.read_bytes())
            pack = Pack("Harvest Supper questions", reading.questions)
            add_pack(session, pack, pack_source(file.name, reading), now, PACK_ID)
            add_game(session, HARVEST_SUPPER, now, GAME_ID)
            return True
    return False
