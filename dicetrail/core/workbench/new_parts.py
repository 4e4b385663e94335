"""New parts of a document: whatever a maker adds begins as one of these."""

from dicetrail.core.document import (
    Cue,
    Ending,
    Holds,
    ItemList,
    Lists,
    Look,
    Note,
    Occasion,
    Pattern,
    Question,
    Round,
    Sound,
    Sums,
)

NEW_PARTS = {
    "Question": Question("", ()),
    "Round": Round("New round"),
    "Lists": Lists(
        (ItemList("Root", ("carrot", "beet")), ItemList("Leaf", ("kale", "chard"))),
    ),
    "ItemList": ItemList("List", ()),
    "Sums": Sums(),
    "Pattern": Pattern("", "", ""),
    "Holds": Holds(""),
    "Cue": Cue("", (Occasion.RIGHT,)),
    "Sound": Sound("", (Note("C5", 120), Note("E5", 120), Note("G5", 240))),
    "Look": Look(),
    "Ending": Ending("New ending", ""),
}
"""A new part of each kind that can be added, by its name."""
