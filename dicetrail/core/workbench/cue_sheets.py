"""Whole sets of cues to begin from: put in with one click, and changed after."""

from dataclasses import dataclass

from dicetrail.core.document import Cue, Effect, Occasion


@dataclass(frozen=True, slots=True)
class CueSheet:
    """A set of cues by its name, and what it is like."""

    name: str
    words: str
    cues: tuple[Cue, ...]


_ENDS = (Occasion.ENDING,)

CUE_SHEETS = (
    CueSheet(
        "quiet",
        "a mark and a word, and nothing to hear",
        (
            Cue("right", (Occasion.RIGHT,), effect=Effect.MARK),
            Cue("close", (Occasion.CLOSE,), "Near enough.", effect=Effect.MARK),
            Cue("wrong", (Occasion.WRONG, Occasion.LATE), effect=Effect.MARK),
        ),
    ),
    CueSheet(
        "cheerful",
        "bells, falling leaves and a face that is glad with you",
        (
            Cue("ripe", (Occasion.RIGHT,), sound="ripe", effect=Effect.FACE),
            Cue(
                "nearly ripe",
                (Occasion.CLOSE,),
                "A slip, forgiven.",
                sound="nearly ripe",
                effect=Effect.FACE,
            ),
            Cue("bruised", (Occasion.WRONG,), sound="bump", effect=Effect.FACE),
            Cue(
                "three in a row",
                (Occasion.STREAK,),
                "{streak} in a row!",
                sound="in a row",
                effect=Effect.LEAVES,
            ),
            Cue("home", _ENDS, sound="first prize", effect=Effect.LEAVES),
        ),
    ),
    CueSheet(
        "tense",
        "a clock that ticks, a flash, and hardly a word",
        (
            Cue("hit", (Occasion.RIGHT,), sound="spade down", effect=Effect.COUNT),
            Cue("miss", (Occasion.WRONG,), sound="bump", effect=Effect.SHAKE),
            Cue("frost", (Occasion.LATE,), "Too late.", sound="frost", effect=Effect.SHAKE),
            Cue("dripping", (Occasion.TICK,), sound="drip", last_seconds=5),
            Cue("last chance", (Occasion.LIFE_LOST,), effect=Effect.HEART),
            Cue("the bell", _ENDS, sound="supper bell", effect=Effect.FLASH),
        ),
    ),
)
"""None of them holds a run otherwise than its rounds say."""
