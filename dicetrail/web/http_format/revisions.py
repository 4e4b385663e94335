"""Revisions as HTTP has them (RFC 9110): an `ETag` with what is shown, `If-Match` with an edit.

An edit is a JSON merge patch (RFC 7396): it holds what is to change, and null for what is to be as
it is by itself.
"""

import re
from collections.abc import Mapping
from dataclasses import dataclass
from typing import Annotated, Any, TypeVar

from fastapi import Body, Depends, Header, Response
from fastapi.exceptions import RequestValidationError
from pydantic import TypeAdapter, ValidationError
from starlette.exceptions import HTTPException

from dicetrail.store import StaleRevision

MERGE_PATCH = "application/merge-patch+json"
MergePatch = Annotated[dict[str, Any], Body(media_type=MERGE_PATCH)]
"""What is to change of a resource."""


def tagged(response: Response, revision: int) -> None:
    """Tell which revision an answer shows."""
    response.headers["etag"] = f'"{revision}"'


@dataclass(frozen=True, slots=True)
class EditedRevision:
    """The revisions that an edit may be of."""

    numbers: frozenset[int] | None
    """None stands for any: `If-Match: *`."""

    def of(self, kind: str, newest: int) -> int:
        """The newest revision of a game or a pack. Raises StaleRevision if the edit is of
        another."""
        if self.numbers is not None and newest not in self.numbers:
            raise StaleRevision(kind, max(self.numbers), newest)
        return newest


async def _edited(
    if_match: Annotated[
        str | None, Header(description='The `ETag` of what is edited, such as `"7"`')
    ] = None,
) -> EditedRevision:
    if if_match is None:
        told = "Send the ETag of what you edit as If-Match, so that no other edit is lost."
        raise HTTPException(428, told)
    if if_match.strip() == "*":
        return EditedRevision(None)
    if not _TAGS.fullmatch(if_match):
        told = f"No revision has the tag {if_match}. Send the ETag of what you edit as it came."
        raise HTTPException(412, told)
    return EditedRevision(frozenset(map(int, re.findall(r"\d+", if_match))))


_TAGS = re.compile(r'\s*"\d{1,10}"\s*(,\s*"\d{1,10}"\s*)*', re.ASCII)
Edited = Annotated[EditedRevision, Depends(_edited)]
"""What an edit is of, from its `If-Match`."""


T = TypeVar("T")


def patched(form: TypeAdapter[T], value: T, patch: object) -> T:
    """A value of some form with a merge patch applied to it. Raises RequestValidationError if
    what comes of it does not have that form."""
    try:
        return form.validate_python(merged(form.dump_python(value, mode="json"), patch))
    except ValidationError as error:
        faults = [{**fault, "loc": ("body", *fault["loc"])} for fault in error.errors()]
        raise RequestValidationError(faults) from None


def merged(target: object, patch: object) -> object:
    """A JSON value with a merge patch applied to it (RFC 7396).

    >>> merged({"title": "Beds", "tags": ["a"]}, {"title": None, "tags": ["b"], "words": "So"})
    {'tags': ['b'], 'words': 'So'}
    """
    if not isinstance(patch, Mapping):
        return patch
    found = dict(target) if isinstance(target, Mapping) else {}
    for name, value in patch.items():
        if value is None:
            found.pop(name, None)
        else:
            found[name] = merged(found.get(name), value)
    return found
