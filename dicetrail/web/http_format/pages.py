"""Lists in pages: `first` and `most` in the address, and a link to the next page.

The link is a `Link` header with `rel="next"` (RFC 8288); the last page has none.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Annotated, TypeVar

from fastapi import Depends, Query, Request, Response

T = TypeVar("T")

MAX_LISTED = 1_000
"""A page has at most this many things."""
MAX_FIRST = 10**9


@dataclass(frozen=True, slots=True)
class Page:
    """The part of a list that a request asks for."""

    request: Request
    response: Response
    first: int
    """The place of its first thing in the list, from 0."""
    most: int

    @property
    def needed(self) -> int:
        """How many things, from the first of the list, tell the page and whether more follow."""
        return self.first + self.most + 1

    def of(self, listed: Sequence[T]) -> Sequence[T]:
        """The page of a list, of which at least `needed` things are given, with the link to the
        next."""
        end = self.first + self.most
        if len(listed) > end:
            address = self.request.url.include_query_params(first=end, most=self.most)
            self.response.headers["link"] = f'<{address.path}?{address.query}>; rel="next"'
        return listed[self.first : end]


async def _page(
    request: Request,
    response: Response,
    first: Annotated[int, Query(ge=0, le=MAX_FIRST)] = 0,
    most: Annotated[int, Query(ge=1, le=MAX_LISTED)] = MAX_LISTED,
) -> Page:
    return Page(request, response, first, most)


Paged = Annotated[Page, Depends(_page)]
