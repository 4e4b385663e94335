"""Fill in the places of a maker's words:

``{score}``, ``{name}``, ``{points}``. A name means the same in every text of a game. A name
followed by forms, ``{score|point|points}``, gives the form for the number.
"""

from dicetrail.core.document import Badge, Phrase
from dicetrail.core.play.program import Program
from dicetrail.core.play.state import Phase, State

PLACES: dict[str, str] = {
    "name": "the player's name",
    "player_number": "the player's number, from 1",
    "number": "the question's number in its round, from 1",
    "round_number": "the round's number, from 1",
    "asked": "how many questions are done with",
    "points": "the score with its word: 1 point, 3 points",
    "badge": "what the ending's badge is called",
}
"""The places besides counters and facts, each with its description."""

ONLY_AT_END = frozenset({"badge"})
"""The places that have a value only at the ending."""


def filled(program: Program, state: State, words: str) -> str:
    """A maker's words with everything filled in, about the player whose turn it is."""
    return program.translator.filled(words, places(program, state)) if "{" in words else words


def places(program: Program, state: State) -> dict[str, object]:
    """The values of all places, by name."""
    tally = state.tally
    values: dict[str, object] = {
        "name": state.players[state.turn],
        "player_number": state.turn + 1,
        "number": state.round.position + 1,
        "round_number": state.round.number + 1,
        "asked": tally.done_count,
        "points": program.translator.say(Phrase.POINTS, count=program.rules.score(tally)),
    }
    if state.phase is Phase.ENDED:
        values["badge"] = badge_name(program, state)
    # A counter of the game's own stands before a name that came later.
    return {**values, **program.rules.values(tally)}


def badge_name(program: Program, state: State) -> str:
    """The name of the badge of a run's ending; empty if it has no badge."""
    badge = Badge.NONE if state.ending is None else program.game.endings[state.ending].badge
    return "" if badge is Badge.NONE else program.translator.say(_BADGES[badge])


_BADGES = {
    Badge.ROSETTE: Phrase.BADGE_ROSETTE,
    Badge.MARROW: Phrase.BADGE_MARROW,
    Badge.BASKET: Phrase.BADGE_BASKET,
    Badge.SPROUT: Phrase.BADGE_SPROUT,
    Badge.TROWEL: Phrase.BADGE_TROWEL,
    Badge.SLUG: Phrase.BADGE_SLUG,
}
