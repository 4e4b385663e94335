"""Games: the shelf's list, one game, its saves, its draw, and answers tried on it."""

from dataclasses import replace
from datetime import datetime
from itertools import zip_longest
from typing import Annotated

from fastapi import Query, Response
from pydantic import TypeAdapter
from sqlalchemy.orm import Session

from dicetrail.core import Facts, Game, GameProblems, Program, Severity
from dicetrail.core.answers import Checked, fold_steps
from dicetrail.core.document import Fit, as_written
from dicetrail.core.draw import name_of_dice
from dicetrail.core.play import asking_at, check, ended_as, leader_of
from dicetrail.core.workbench import (
    RECIPES,
    DicePreview,
    RightPlaces,
    changes_between,
    draw_list,
    drawn,
    recipe,
    renamed,
    right_places,
    with_first_patterns,
)
from dicetrail.services.app_state import AppState
from dicetrail.services.spoilt import wrong_in_game
from dicetrail.store import NotFound, SavedGame
from dicetrail.store.games import (
    add_game,
    delete_game,
    game_revision,
    game_revisions,
    newest_game,
    newest_games,
    revise_game,
)
from dicetrail.store.kept import keep_run, kept_runs
from dicetrail.store.packs import newest_numbers, newest_packs
from dicetrail.store.runs import last_answered_run
from dicetrail.web.context import Now, SharedState
from dicetrail.web.games.shapes import (
    GameCard,
    GameGlance,
    GameSave,
    GameView,
    NewGame,
    RecipeCard,
    Renaming,
    RevisionCard,
    RunCard,
    Trial,
    TrialView,
    Tried,
)
from dicetrail.web.games.views import game_view
from dicetrail.web.http_format.bodies import Router
from dicetrail.web.http_format.pages import Paged
from dicetrail.web.http_format.revisions import Edited, MergePatch, patched, tagged
from dicetrail.web.http_format.shapes import Dice, RevisionNumber

router = Router("/api/games", "games")

RoundNumber = Annotated[int, Query(ge=0, alias="round")]


@router.get("")
def list_games(app_state: SharedState, page: Paged) -> list[GameCard]:
    """The games at a glance, the last saved first."""
    with app_state.database.reading() as session:
        return [_card(revision) for revision in page.of(newest_games(session))]


@router.post("", status_code=201)
def make_game(new: NewGame, app_state: SharedState, now: Now) -> GameView:
    """Make a game that plays the packs given, or that waits for its first questions."""
    with app_state.database.writing() as session:
        packs = newest_packs(session, new.packs)
        questions = sum(pack.question_count for pack in packs)
        game = recipe(new.recipe).make(new.title.strip(), new.packs, questions)
        facts = {pack.pack_id: Facts(pack.columns) for pack in packs if pack.columns}
        game = with_first_patterns(game, facts)
        made = add_game(session, game, now)
    return game_view(app_state, made.game_id)


@router.get("/recipes", tags=["recipes"])
def list_recipes() -> list[RecipeCard]:
    """The small whole games a new one can begin from."""
    return [RecipeCard(name=found.name, words=found.words) for found in RECIPES]


@router.post("/renamed")
def rename_part(wanted: Renaming) -> Game:
    """A document with a part called otherwise, and all that names it. Nothing is saved."""
    try:
        return renamed(wanted.document, wanted.kind, wanted.number, wanted.name)
    except IndexError:
        raise NotFound(str(wanted.kind), str(wanted.number)) from None


@router.get("/{game_id}")
def show_game(game_id: str, app_state: SharedState, response: Response) -> GameView:
    """One game as it now stands, with the ETag of its revision."""
    view = game_view(app_state, game_id)
    tagged(response, view.revision)
    return view


@router.get("/{game_id}/glance")
def glance_at_game(game_id: str, app_state: SharedState) -> GameGlance:
    """What a game's card on the shelf shows of it, worked out as it is asked for."""
    with app_state.database.reading() as session:
        game = newest_game(session, game_id)
        packs = newest_numbers(session, game.document.packs_used)
        examined = app_state.programs.examined(game.document, packs)
        look = game.document.look
        is_tiled = look.opening.fit is Fit.TILED
        return GameGlance(
            revision=game.number,
            stops=examined.stops[0] if examined.stops else (),
            fault_count=sum(problem.severity is Severity.FAULT for problem in examined.problems),
            last_run=_last_run(app_state, session, game_id),
            is_begun=examined.is_begun,
            colours=look.colours,
            picture=look.opening_picture or ("" if is_tiled else look.opening.picture),
        )


@router.put("/{game_id}")
def save_game(game_id: str, save: GameSave, app_state: SharedState, now: Now) -> GameView:
    """Keep a new revision. Refused if another was saved since the one it was made from."""
    return _saved(app_state, game_id, save.revision, save.document, now)


@router.patch("/{game_id}")
def change_game(
    game_id: str,
    changes: MergePatch,
    edited: Edited,
    app_state: SharedState,
    now: Now,
    response: Response,
) -> GameView:
    """Keep a new revision with some fields of the document changed: a merge patch of it. A list,
    such as the rounds, is given whole. Refused if another was saved since the one shown."""
    with app_state.database.reading() as session:
        kept = newest_game(session, game_id)
    revision = edited.of("game", kept.number)
    document = patched(_DOCUMENT, kept.document, changes)
    view = _saved(app_state, game_id, revision, document, now)
    tagged(response, view.revision)
    return view


_DOCUMENT: TypeAdapter[Game] = TypeAdapter(Game)


def _saved(
    app_state: AppState, game_id: str, revision: int, document: Game, now: datetime
) -> GameView:
    # Looked over first, so that nothing is saved that cannot be shown.
    with app_state.database.reading() as session:
        packs = newest_numbers(session, document.packs_used)
    app_state.programs.examined(document, packs)
    with app_state.database.writing() as session:
        revise_game(session, game_id, revision, document, now)
    app_state.know_addresses()
    return game_view(app_state, game_id)


@router.post("/{game_id}/copies", status_code=201)
def copy_game(game_id: str, app_state: SharedState, now: Now) -> GameView:
    """Make another game like this one."""
    with app_state.database.writing() as session:
        document = newest_game(session, game_id).document
        made = add_game(session, replace(document, title=f"{document.title} copy"), now)
        for row in kept_runs(session, game_id):
            keep_run(session, made.game_id, made.number, row.run, now)
    return game_view(app_state, made.game_id)


@router.delete("/{game_id}", status_code=204)
def remove_game(game_id: str, app_state: SharedState, now: Now) -> None:
    """Take a game off the shelf. It can be put back, with all its revisions and runs."""
    with app_state.database.writing() as session:
        delete_game(session, game_id, now)


@router.post("/{game_id}/return")
def return_game(game_id: str, app_state: SharedState) -> GameView:
    """Put a game back on the shelf."""
    with app_state.database.writing() as session:
        delete_game(session, game_id, None)
    return game_view(app_state, game_id)


@router.get("/{game_id}/revisions")
def list_revisions(game_id: str, app_state: SharedState, page: Paged) -> list[RevisionCard]:
    """The saves of a game, the newest first, and what each changed."""
    with app_state.database.reading() as session:
        found = game_revisions(session, game_id)
        pairs = list(zip_longest(found, found[1:]))
        return [
            RevisionCard(
                number=revision.number,
                saved_at=revision.saved_at,
                changes=changes_between(older.document, revision.document) if older else (),
            )
            for revision, older in page.of(pairs)
        ]


@router.get("/{game_id}/revisions/{number}")
def show_revision(game_id: str, number: RevisionNumber, app_state: SharedState) -> Game:
    """A game as it was saved once."""
    with app_state.database.reading() as session:
        return game_revision(session, game_id, number).document


@router.get("/{game_id}/draw")
def show_draw(
    game_id: str, dice: Dice, app_state: SharedState, round_: RoundNumber = 0
) -> DicePreview:
    """The questions these dice bring to a round, with their right answers: for the maker."""
    program = app_state.programs.now(game_id)
    return draw_list(program, dice, round_in(program, round_))


@router.get("/{game_id}/places")
def show_places(
    game_id: str, dice: Dice, app_state: SharedState, round_: RoundNumber = 0
) -> RightPlaces:
    """How often the right answer stands at A, B, C, … over many rolls from these dice on."""
    program = app_state.programs.now(game_id)
    return right_places(program, round_in(program, round_), dice)


@router.post("/{game_id}/trial")
def try_answers(game_id: str, trial: Trial, app_state: SharedState) -> TrialView:
    """The verdict on each answer to the first question these dice bring."""
    program = app_state.programs.now(game_id)
    number = round_in(program, trial.round)
    here = asking_at(program, trial.dice, number)
    return TrialView(
        question=drawn(program, trial.dice, number, 0),
        checked=[_tried(check(program, here, answer)) for answer in trial.answers],
        folds=[fold_steps(answer, program.game.rounds[number].check) for answer in trial.answers],
    )


def _tried(checked: Checked) -> Tried:
    return Tried(
        verdict=checked.verdict,
        why=checked.why,
        places=checked.places,
        matched=checked.matched,
    )


def round_in(program: Program, number: int) -> int:
    """The round of that number. Raises NotFound if there is none."""
    if number >= len(program.game.rounds):
        raise NotFound("round", str(number))
    return number


def _card(game: SavedGame) -> GameCard:
    return GameCard(
        id=game.game_id,
        revision=game.number,
        title=game.document.title,
        saved_at=game.saved_at,
        round_count=len(game.document.rounds),
        ending_count=len(game.document.endings),
        trouble=wrong_in_game(game),
    )


def _last_run(app_state: AppState, session: Session, game_id: str) -> RunCard | None:
    run = last_answered_run(session, game_id)
    if run is None:
        return None
    try:
        program = app_state.programs.program_of(run)
        state = app_state.replays.moments(run)[-1].state
    except (GameProblems, NotFound):
        return None  # it was played by rules that are not taken any more, or cannot be read
    tally = state.tallies[leader_of(program, state)]
    return RunCard(
        id=run.id,
        dice=name_of_dice(run.dice),
        score=as_written(program.rules.score(tally)),
        right_count=tally.right_count,
        asked_count=tally.done_count,
        ending=ended_as(program, state),
        started_at=run.started_at,
    )
