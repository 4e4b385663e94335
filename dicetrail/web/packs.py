"""Packs: the shelf's list, one pack, and a question file made into a pack."""

from pathlib import PurePath
from typing import Annotated

from fastapi import APIRouter, Query, UploadFile

from dicetrail.core import Pack, tidy
from dicetrail.files import Reading, read_questions
from dicetrail.store import PackSource
from dicetrail.store.models import PackRevision, RefusedRow
from dicetrail.store.packs import add_pack, newest_pack, newest_packs
from dicetrail.web.boundary import PackCard, PackView
from dicetrail.web.context import Now, SharedShelf
from dicetrail.web.errors import NothingLoaded

_FIRST = 100
"""How many questions of a pack are sent when nobody asks for more."""

router = APIRouter(prefix="/api/packs", tags=["packs"])


@router.get("")
def list_packs(shelf: SharedShelf) -> list[PackCard]:
    """Every pack at a glance, the last loaded first."""
    with shelf.database.reading() as session:
        return [pack_card(pack) for pack in newest_packs(session)]


@router.post("", status_code=201)
def load_pack(file: UploadFile, shelf: SharedShelf, now: Now) -> PackView:
    """Make a pack of a question file. If no row of it is a question, nothing is kept."""
    name = PurePath(tidy(file.filename or "")).name[:200] or "questions"
    reading = read_questions(file.file.read())
    source = pack_source(name, reading)
    if not reading.questions:
        raise NothingLoaded(source.refused)
    pack = Pack(title_from(name), reading.questions)
    with shelf.database.writing() as session:
        return _view(add_pack(session, pack, source, now), _FIRST)


@router.get("/{pack_id}")
def show_pack(
    pack_id: str, shelf: SharedShelf, most: Annotated[int, Query(ge=0)] = _FIRST
) -> PackView:
    """One pack with its first questions, as many as asked for."""
    with shelf.database.reading() as session:
        return _view(newest_pack(session, pack_id), most)


def title_from(file_name: str) -> str:
    """A pack's first title, from its file's name: ``harvest-supper.tsv`` → Harvest supper."""
    words = PurePath(file_name).stem.replace("-", " ").replace("_", " ").strip()
    return words[:1].upper() + words[1:] or "Questions"


def pack_source(file_name: str, reading: Reading) -> PackSource:
    """How a file was read, as it is kept with its pack."""
    return PackSource(
        file_name=file_name,
        read_as=reading.plan.in_words,
        headings=reading.headings,
        blank_lines=reading.blank_lines,
        refused=tuple(
            RefusedRow(row.line, row.column, row.what, row.mend, row.text)
            for row in reading.refused
        ),
    )


def pack_card(pack: PackRevision) -> PackCard:
    """A pack at a glance."""
    return PackCard(
        id=pack.pack_id,
        revision=pack.number,
        title=pack.title,
        question_count=pack.question_count,
        saved_at=pack.saved_at,
        source=pack.source,
    )


def _view(pack: PackRevision, most: int) -> PackView:
    return PackView(**dict(pack_card(pack)), questions=pack.questions[:most])
