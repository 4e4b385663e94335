"""The score of a run, as pages show it."""

from dicetrail.core.document import as_written
from dicetrail.store import SavedRun
from dicetrail.web.play.shapes import Score


def score_of(run: SavedRun, is_told: bool = True) -> Score:
    """The score and ending of a run that has ended."""
    assert run.ended_at is not None
    score = run.score or 0.0
    return Score(
        run_id=run.id if is_told else None,
        player=run.leader or "",
        score=as_written(score),
        ending=run.ending or "",
        right_count=run.right_count or 0,
        asked_count=run.asked_count or 0,
        ended_at=run.ended_at,
        length_ms=run.length_ms or 0,
    )
