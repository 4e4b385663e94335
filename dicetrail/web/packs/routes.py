"""Packs: the shelf's list, one pack, and a pack written out as a file."""

from collections.abc import Mapping, Sequence
from dataclasses import replace
from datetime import datetime
from functools import reduce
from time import monotonic
from typing import Annotated, Literal, cast

from fastapi import Query, Response, UploadFile
from pydantic import TypeAdapter
from sqlalchemy.orm import Session
from starlette.concurrency import run_in_threadpool

from dicetrail.core import Facts, Pack, Pattern, Problem, Question, Table
from dicetrail.core.draw import MAX_FACTS
from dicetrail.core.survey import MAX_ROWS, Edits, edited_pack, faults, rebased, trimmed
from dicetrail.core.workbench import (
    PackRefused,
    PatternLook,
    PictureDrawn,
    columns_named,
    first_pattern,
    joined,
    look_at,
    parted,
    picture_of,
    preview,
    with_columns,
)
from dicetrail.files import (
    ITEM_WRITERS,
    TEMPLATE,
    TEXT_TEMPLATE,
    WRITERS,
    Medium,
    with_kind,
    written,
)
from dicetrail.files.alike import AlikePair
from dicetrail.services.app_state import AppState
from dicetrail.services.packs import MANY
from dicetrail.services.spoilt import wrong_in_pack
from dicetrail.store import PackSource, StaleRevision
from dicetrail.store.media import get_medium, keep_medium
from dicetrail.store.packs import (
    KeptPack,
    PackDescription,
    add_pack,
    add_to_media,
    delete_pack,
    describe_pack,
    edits_since,
    keep_anew,
    newest_pack,
    newest_packs,
    pack_saved,
)
from dicetrail.store.packs import edit_pack as keep_edits
from dicetrail.web.context import Now, SharedState
from dicetrail.web.http_format.bodies import Router
from dicetrail.web.http_format.description import files
from dicetrail.web.http_format.errors import Faulty
from dicetrail.web.http_format.pages import Paged
from dicetrail.web.http_format.revisions import Edited, MergePatch, patched, tagged
from dicetrail.web.http_format.shapes import RevisionNumber
from dicetrail.web.packs.shapes import (
    AboutSave,
    ColumnsSave,
    FactsSave,
    NewPack,
    PackAbout,
    PackCard,
    PackJoin,
    PackSave,
    PackSaved,
    PackSplit,
    PackView,
    PatternWanted,
    tags_of,
)
from dicetrail.web.packs.views import card_fields, pack_card
from dicetrail.web.reading import ReadAside
from dicetrail.web.uploads import named

_FIRST = 100
"""The number of questions of a pack in one answer, by default."""

_READ_S = 0.3
"""The most seconds spent on reading the content of the packs of a shelf."""

_AT_ONCE = 5_000
"""The most rows in one answer, so that other requests do not wait long."""

TemplateEnding = Literal["tsv", "csv", "txt", "xlsx", "json", "yaml"]
Ending = TemplateEnding | Literal["qti3.zip", "qti21.zip"]
_WRITERS = WRITERS | ITEM_WRITERS
_WRITTEN = files(*(media_type.partition(";")[0] for media_type, _ in _WRITERS.values()))
HowMany = Annotated[int, Query(ge=0, le=_AT_ONCE)]

router = Router("/api/packs", "packs")
templates = Router("/api/templates", "packs")


@router.get("")
def list_packs(app_state: SharedState, page: Paged) -> list[PackCard]:
    """The cards of all packs, the last loaded first."""
    with app_state.database.reading() as session:
        packs = newest_packs(session)
    # What packs hold is read once, and never so much of it that the shelf is kept waiting: the
    # rest is known when it is asked for again.
    until = monotonic() + _READ_S
    return [
        pack_card(
            pack, app_state.packs.wrong_in(pack, pack.question_count < MANY and monotonic() < until)
        )
        for pack in page.of(packs)
    ]


@router.get("/{pack_id}")
def show_pack(
    pack_id: str, app_state: SharedState, response: Response, most: HowMany = _FIRST
) -> PackView:
    """One pack with its first questions, as many as asked for, and the ETag of its revision."""
    with app_state.database.reading() as session:
        kept = newest_pack(session, pack_id)
    tagged(response, kept.number)
    pack = app_state.packs.pack(pack_id, kept.number)
    return PackView(
        **card_fields(kept),
        trouble=wrong_in_pack(kept),
        questions=pack.questions[:most],
        rows=() if pack.facts is None else pack.facts.rows[:most],
        faults=app_state.packs.faults(kept),
    )


@router.get("/{pack_id}/revisions/{number}/questions")
def list_questions(
    pack_id: str,
    number: RevisionNumber,
    app_state: SharedState,
    first: Annotated[int, Query(ge=0, le=MAX_ROWS)] = 0,
    most: HowMany = _FIRST,
) -> tuple[Question, ...]:
    """Some questions of a pack as it was saved once, from a row (from 0) on."""
    return app_state.packs.pack(pack_id, number).questions[first : first + most]


@router.post("/{pack_id}/edits")
def edit_pack(pack_id: str, save: PackSave, app_state: SharedState, now: Now) -> PackSaved:
    """Keep a new revision with these edits. Refused if another was saved since."""
    edits = (replace(edit, insert=tuple(map(trimmed, edit.insert))) for edit in save.edits)
    return _edited(app_state, pack_id, save, tuple(edits), now)


@router.post("/{pack_id}/facts-edits")
def edit_facts(pack_id: str, save: FactsSave, app_state: SharedState, now: Now) -> PackSaved:
    """Keep a new revision with these edits of its facts. Refused if another was saved since."""
    return _edited(app_state, pack_id, save, tuple(save.edits), now)


def _edited(
    app_state: AppState, pack_id: str, save: PackSave | FactsSave, edits: Edits, now: datetime
) -> PackSaved:
    unseen: Edits = ()
    if save.unseen:
        both = rebased(edits, save.unseen)
        if both is None:
            raise StaleRevision("pack", save.revision - 1, save.revision)
        edits, unseen = both
    with app_state.database.reading() as session:
        since = edits_since(session, pack_id, save.revision, edits, may_be_kept=save.may_be_kept)
    newest = since.newest
    if save.unseen is None and newest.number != save.revision and not since.is_kept:
        raise StaleRevision("pack", save.revision, newest.number)
    unseen = cast("Edits", (*unseen, *since.unseen))
    if since.is_kept or not edits:
        return _saved(app_state, newest, unseen)
    pack = _within_bounds(edited_pack(app_state.packs.pack(pack_id, newest.number), since.edits))
    count = len(pack.questions) if pack.facts is None else len(pack.facts.rows)
    with app_state.database.writing() as session:
        saved = keep_edits(session, pack_id, newest.number, since.edits, count, now)
    app_state.packs.remember(saved, pack)
    return _saved(app_state, saved, unseen)


@router.post("/{pack_id}/columns")
def change_columns(pack_id: str, save: ColumnsSave, app_state: SharedState, now: Now) -> PackSaved:
    """Keep a new revision with these columns of facts. Refused if another was saved since."""
    pack = _pack_saved(app_state, pack_id, save.revision)
    if pack.facts is None:
        what = f"“{pack.title}” holds questions, which have no columns"
        raise PackRefused("columns", what, "choose a pack of facts")
    pack = replace(pack, facts=with_columns(pack.facts, save.columns))
    return _kept_anew(app_state, pack_id, save.revision, pack, now)


@router.post("/{pack_id}/about")
def change_pack_description(
    pack_id: str, save: AboutSave, app_state: SharedState, now: Now
) -> PackSaved:
    """Keep a new revision with this title and description. Refused if another was saved since."""
    return _described(app_state, pack_id, save.revision, save.description, now)


@router.patch("/{pack_id}")
def change_pack(
    pack_id: str,
    changes: MergePatch,
    edited: Edited,
    app_state: SharedState,
    now: Now,
    response: Response,
) -> PackSaved:
    """Keep a new revision with its title, tags or words changed: a merge patch of these three.
    Refused if another was saved since the one shown."""
    with app_state.database.reading() as session:
        kept = newest_pack(session, pack_id)
    revision = edited.of("pack", kept.number)
    about = patched(_ABOUT, PackAbout(title=kept.title, tags=kept.tags, words=kept.words), changes)
    saved = _described(app_state, pack_id, revision, about.description, now)
    tagged(response, saved.revision)
    return saved


_ABOUT = TypeAdapter(PackAbout)


def _described(
    app_state: AppState, pack_id: str, revision: int, about: PackDescription, now: datetime
) -> PackSaved:
    with app_state.database.writing() as session:
        saved = describe_pack(session, pack_id, revision, about, now)
    return _saved(app_state, saved)


@router.post("/{pack_id}/copies", status_code=201)
def copy_pack(pack_id: str, app_state: SharedState, now: Now) -> PackCard:
    """Copy a pack with its pictures and sounds."""
    with app_state.database.writing() as session:
        kept = newest_pack(session, pack_id)
        return _made(session, app_state, [kept], f"{kept.title}, a copy", now)


@router.post("/joins", status_code=201)
def join_packs(wanted: PackJoin, app_state: SharedState, now: Now) -> PackCard:
    """Make a pack with the content of several packs, in order. They do not change."""
    with app_state.database.writing() as session:
        kept = [newest_pack(session, name) for name in wanted.packs]
        return _made(session, app_state, kept, wanted.title.strip(), now)


def _made(
    session: Session, app_state: AppState, kept: Sequence[KeptPack], title: str, now: datetime
) -> PackCard:
    """A new pack with the content of others. If two of them use one name for different pictures or
    sounds, the name means that of the first."""
    packs = (app_state.packs.pack(pack.pack_id, pack.number) for pack in kept)
    whole = _within_bounds(replace(reduce(joined, packs), title=title))
    media = {name: digest for pack in reversed(kept) for name, digest in pack.media.items()}
    source = kept[0].source if len(kept) == 1 else PackSource("", "packs joined here", None, 0, ())
    added = add_pack(session, whole, source, now, media=media)
    about = PackDescription(
        title, tags_of(tag for pack in kept for tag in pack.tags), kept[0].words
    )
    return pack_card(describe_pack(session, added.pack_id, added.number, about, now))


@router.post("/{pack_id}/splits", status_code=201)
def split_pack(pack_id: str, wanted: PackSplit, app_state: SharedState, now: Now) -> PackCard:
    """Take some rows out of a pack into a new one. Refused if another revision was saved since."""
    stays, goes = parted(_pack_saved(app_state, pack_id, wanted.revision), wanted.rows)
    with app_state.database.writing() as session:
        newest = pack_saved(session, pack_id, wanted.revision)
        keep_anew(session, newest, stays, now)
        source = replace(newest.source, refused=())
        goes = replace(goes, title=wanted.title.strip())
        return pack_card(add_pack(session, goes, source, now, media=newest.media))


@router.delete("/{pack_id}", status_code=204)
def remove_pack(pack_id: str, app_state: SharedState, now: Now) -> None:
    """Take a pack off the shelf. Games that use it go on using it."""
    with app_state.database.writing() as session:
        delete_pack(session, pack_id, now)


@router.post("/{pack_id}/return")
def return_pack(pack_id: str, app_state: SharedState) -> PackCard:
    """Put a pack back on the shelf."""
    with app_state.database.writing() as session:
        delete_pack(session, pack_id, None)
        return pack_card(newest_pack(session, pack_id))


@router.get("/{pack_id}/alike")
async def find_alike_questions(
    pack_id: str, read: ReadAside, app_state: SharedState
) -> list[AlikePair]:
    """The questions of a pack that are alike, the nearest first."""
    pack = await run_in_threadpool(_newest, app_state, pack_id)
    texts = [f"{question.prompt} {' '.join(question.right)}" for question in pack.questions]
    found: list[AlikePair] = await read("alike", texts)
    return found


def _newest(app_state: AppState, pack_id: str) -> Pack:
    with app_state.database.reading() as session:
        number = newest_pack(session, pack_id).number
    return app_state.packs.pack(pack_id, number)


def _within_bounds(pack: Pack) -> Pack:
    """The pack, unless its facts have become too many. Raises PackRefused."""
    if pack.facts is not None and len(pack.facts.rows) > MAX_FACTS:
        what = f"{len(pack.facts.rows):,} rows of facts"
        raise PackRefused("facts", what, f"have {MAX_FACTS:,} at most")
    return pack


def _pack_saved(app_state: AppState, pack_id: str, revision: int) -> Pack:
    """The newest revision of a pack. Raises StaleRevision if it is not the expected one."""
    with app_state.database.reading() as session:
        pack_saved(session, pack_id, revision)
    return app_state.packs.pack(pack_id, revision)


def _kept_anew(
    app_state: AppState, pack_id: str, revision: int, pack: Pack, now: datetime
) -> PackSaved:
    with app_state.database.writing() as session:
        newest = pack_saved(session, pack_id, revision)
        saved = keep_anew(session, newest, pack, now)
    app_state.packs.remember(saved, pack)
    return _saved(app_state, saved)


def _saved(app_state: AppState, saved: KeptPack, unseen: Edits = ()) -> PackSaved:
    return PackSaved(
        unseen=unseen,
        revision=saved.number,
        question_count=saved.question_count,
        faults=app_state.packs.faults(saved),
    )


@router.post("", status_code=201)
def begin_pack(new: NewPack, app_state: SharedState, now: Now) -> PackCard:
    """Keep a new pack of questions, or a new table of facts, to be filled in here."""
    pack = Pack(new.title.strip(), (), Facts(columns_named(new.columns)) if new.columns else None)
    source = PackSource("", "written here", None, 0, ())
    with app_state.database.writing() as session:
        return pack_card(add_pack(session, pack, source, now))


@router.get("/{pack_id}/revisions/{number}/rows")
def list_rows(
    pack_id: str,
    number: RevisionNumber,
    app_state: SharedState,
    first: Annotated[int, Query(ge=0, le=MAX_ROWS)] = 0,
    most: HowMany = _FIRST,
) -> tuple[tuple[str, ...], ...]:
    """Some rows of a pack's facts as they were saved once, from a row (from 0) on."""
    facts = app_state.packs.pack(pack_id, number).facts
    return () if facts is None else facts.rows[first : first + most]


@router.post("/kinds")
def guess_kind(question: Question) -> Question:
    """Guess the kind of a question written by hand from its cells. Nothing is saved."""
    return with_kind(question)


@router.get("/{pack_id}/first-pattern")
def show_first_pattern(pack_id: str, app_state: SharedState) -> Pattern:
    """A pattern over a pack's facts to begin with."""
    with app_state.database.reading() as session:
        columns = newest_pack(session, pack_id).columns
    return first_pattern(pack_id, Facts(columns))


@router.post("/pattern-looks")
def look_at_pattern(wanted: PatternWanted, app_state: SharedState) -> PatternLook:
    """The questions that a pattern makes from the newest revision of its facts."""
    with app_state.database.reading() as session:
        number = newest_pack(session, wanted.pattern.facts).number
    facts = app_state.packs.pack(wanted.pattern.facts, number).facts
    return look_at(wanted.pattern, facts or Facts(()), wanted.dice)


@router.post("/{pack_id}/media")
async def add_media(
    pack_id: str, files: list[UploadFile], read: ReadAside, app_state: SharedState, now: Now
) -> PackCard:
    """Keep pictures and sounds for a pack's questions to name, as a new revision."""
    brought: dict[str, Medium] = await read("media", await named(files))
    return await run_in_threadpool(_kept_media, app_state, pack_id, brought, now)


def _kept_media(
    app_state: AppState, pack_id: str, brought: Mapping[str, Medium], now: datetime
) -> PackCard:
    with app_state.database.writing() as session:
        newest = newest_pack(session, pack_id)
        for held in brought.values():
            keep_medium(session, held.digest, held.media_type, held.content)
        digests = {name: held.digest for name, held in brought.items()}
        return pack_card(add_to_media(session, newest, digests, now))


@router.post("/{pack_id}/preview")
def preview_question(pack_id: str, question: Question, app_state: SharedState) -> Table:
    """A question of a pack as its player will see it. Refused if it cannot be asked."""
    if fault := next(faults(question), None):
        told = "This question cannot be asked until its faults are mended."
        raise Faulty(told, (Problem(fault.field, fault.what, fault.mend),))
    with app_state.database.reading() as session:
        return preview(question, 1, newest_pack(session, pack_id).media)


@router.post("/{pack_id}/picture")
def draw_picture(pack_id: str, question: Question, app_state: SharedState) -> PictureDrawn:
    """The picture of a question with its areas, whether it can be asked already or not."""
    with app_state.database.reading() as session:
        return picture_of(question, newest_pack(session, pack_id).media)


@router.get("/{pack_id}/questions.{ending}", response_class=Response, responses=_WRITTEN)
def save_pack(pack_id: str, ending: Ending, app_state: SharedState) -> Response:
    """The pack as a file in one of the formats that are written."""
    with app_state.database.reading() as session:
        kept = newest_pack(session, pack_id)
        media = {
            name: get_medium(session, digest).content
            for name, digest in kept.media.items()
            if ending in ITEM_WRITERS
        }
    return _file(app_state.packs.pack(pack_id, kept.number), pack_id, ending, media)


@templates.get("/questions.{ending}", response_class=Response, responses=_WRITTEN)
def save_template(ending: TemplateEnding) -> Response:
    """A file with one question of every kind, to be filled in."""
    return _file(TEXT_TEMPLATE if ending == "txt" else TEMPLATE, "questions", ending, {})


def _file(pack: Pack, name: str, ending: str, media: Mapping[str, bytes]) -> Response:
    """A pack as a file to be saved, with its media if the format carries them."""
    media_type, _ = _WRITERS[ending]
    headers = {"content-disposition": f'attachment; filename="{name}.{ending}"'}
    return Response(written(pack, ending, media), media_type=media_type, headers=headers)
