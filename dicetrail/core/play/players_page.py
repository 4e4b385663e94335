"""The data of a player's page: the game, the run and its result.

A server and an exported folder use the same data.
"""

from collections.abc import Iterable
from dataclasses import dataclass, replace

from dicetrail.core.document import Best, Message, Number, as_written, sounds_of
from dicetrail.core.play.engine import answered
from dicetrail.core.play.flow import ended_as
from dicetrail.core.play.footprints import Answered
from dicetrail.core.play.outcomes import counts_as_best, is_best, leader_of
from dicetrail.core.play.program import Program, asking_at, length_of_round
from dicetrail.core.play.state import Moment, Phase, State
from dicetrail.core.play.table import Media, Table, seen_again, table


@dataclass(frozen=True, slots=True)
class PlayGame:
    """What a player is told of a game before playing it."""

    id: str
    revision: int
    title: str
    length: int | None
    """How many questions its first round asks; None if they never run out."""
    opening: str
    asks_names: bool
    most_players: int
    framed_by: tuple[str, ...]
    """The sites whose pages are told what happens, where one shows the game in a frame."""


@dataclass(frozen=True, slots=True)
class RunNamed:
    """A run by the names it is asked for: its own, its game's, and the game's revision."""

    id: str
    game_id: str
    revision: int


@dataclass(frozen=True, slots=True)
class PlayView:
    """A run on the players' page: nothing but what the player may know."""

    id: str
    game_id: str
    revision: int
    seen: int
    at: int
    """The run's own time, in milliseconds."""
    table: Table
    sounds: tuple[str, ...]
    """The names of the sounds that can be played in it."""
    answered: tuple[Answered, ...]
    """Once it has ended, every question with its answer."""
    is_best: bool
    """Whether it ended as the best so far."""
    asks_remark: bool
    """Whether the player is asked for a remark, once it has ended."""
    refused: str = ""
    """Why the last input was not taken; empty if it was."""


@dataclass(frozen=True, slots=True)
class RunResult:
    """What a run that has ended came to."""

    leader: str
    """Whose score it is."""
    score: Number
    ending: str
    """The title of its ending; empty where none fitted."""
    right_count: int
    asked_count: int
    length_ms: int
    counts: bool
    """Whether it can be a best."""


def play_game(program: Program, game_id: str, revision: int) -> PlayGame:
    """What a player is told of a game."""
    game = program.game
    return PlayGame(
        game_id,
        revision,
        game.title,
        length_of_round(program, asking_at(program, 0)),
        game.opening.words,
        game.opening.asks_names,
        game.opening.most_players,
        game.sites,
    )


def play_view(
    program: Program,
    run: RunNamed,
    seen: int,
    now: Moment,
    before: Iterable[Answered],
    media: Media,
    refused: Message | None = None,
) -> PlayView:
    """A run as its player sees it.

    `seen` inputs were taken; `now` is the moment that time has brought since, `before` the
    questions that were done with until then.
    """
    here = now.state
    has_ended = here.phase is Phase.ENDED
    done = (*before, *answered((now,))) if has_ended else ()
    return PlayView(
        run.id,
        run.game_id,
        run.revision,
        seen,
        here.at,
        _without_hidden(table(program, here, media)),
        sounds_of(program.game),
        tuple(seen_again(one, media) for one in done),
        has_ended and is_best(program, here),
        has_ended and program.game.opening.asks_remark,
        program.translator.of(refused) if refused else "",
    )


def _without_hidden(shown: Table) -> Table:
    """The table without the counters that are kept from players."""
    players = tuple(
        replace(player, counters=tuple(one for one in player.counters if not one.is_hidden))
        for player in shown.players
    )
    return replace(shown, players=players)


def run_result(program: Program, state: State) -> RunResult:
    """What a run that has ended in a state came to."""
    leader = leader_of(program, state)
    tally = state.tallies[leader]
    return RunResult(
        state.players[leader],
        as_written(program.rules.score(tally)),
        ended_as(program, state) or "",
        tally.right_count,
        tally.done_count,
        state.at,
        counts_as_best(program, state),
    )


def measure_of(best: Best, score: Number, length_ms: int) -> Number:
    """What a run is compared with others by: its score, or how long it took."""
    return length_ms if best is Best.FASTEST else score
