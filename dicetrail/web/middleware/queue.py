"""A queue for requests under heavy load.

A fixed number of requests is processed at once. Every further request is answered immediately with
503, the seconds until its turn (`Retry-After`, RFC 9110, 10.2.3) and a ticket. The client retries
with the ticket and keeps its place. While any client waits, no request without a ticket is
admitted.
"""

import math
import secrets
from collections import OrderedDict
from dataclasses import dataclass, field
from time import monotonic

from starlette.datastructures import Headers
from starlette.types import ASGIApp, Message, Receive, Scope, Send

from dicetrail.web.http_format.errors import refusal

TICKET = "x-dice-trail-ticket"
"""The header with a ticket, in the answer and in the repeated request."""

MAX_IN_WORK = 500
PER_SECOND = 200
"""The number of requests handled each second, at least (`make bench-players`)."""

MAX_IN_QUEUE = 10_000
SOONEST_S = 1.0
HELD_S = 10.0
"""A turn is held for this long if its client does not come back."""


@dataclass(slots=True)
class Queue:
    """The waiting clients in order, and the time of each turn."""

    most: int = MAX_IN_WORK
    _turns: OrderedDict[str, float] = field(default_factory=OrderedDict)

    def enter(self, in_work: int, ticket: str, now: float) -> tuple[str, float] | None:
        """None if a request may be handled now; else its ticket and the seconds to its turn."""
        self._let_go(now)
        turn = self._turns.get(ticket)
        is_its_turn = not self._turns if turn is None else turn <= now
        if is_its_turn and in_work < self.most:
            self._turns.pop(ticket, None)
            return None
        if turn is None:
            ticket, turn = secrets.token_urlsafe(12), self._next(now)
            if len(self._turns) < MAX_IN_QUEUE:
                self._turns[ticket] = turn
        elif turn <= now:  # it came in time, and there is still no room: its place is kept
            self._turns[ticket] = turn = now
        return ticket, max(SOONEST_S, turn - now)

    def _next(self, now: float) -> float:
        last = next(reversed(self._turns.values()), now)
        return max(now + SOONEST_S, last + 1 / PER_SECOND)

    def _let_go(self, now: float) -> None:
        while self._turns:
            ticket, turn = next(iter(self._turns.items()))
            if turn + HELD_S > now:
                return
            del self._turns[ticket]


class InTurn:
    """Queues requests of the interface under heavy load.

    A request counts only after it has arrived in full, so that a slow sender takes no place.
    """

    def __init__(self, app: ASGIApp, most: int = MAX_IN_WORK) -> None:
        self.app = app
        self._queue = Queue(most)
        self._in_work = 0

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        if scope["type"] != "http" or not _can_wait(scope):
            await self.app(scope, receive, send)
            return
        ticket = Headers(scope=scope).get(TICKET, "")
        wait = self._queue.enter(self._in_work, ticket, monotonic())
        if wait is not None:
            headers = {TICKET: wait[0], "retry-after": str(math.ceil(wait[1]))}
            await refusal(503, WAIT, headers)(scope, receive, send)
            return
        is_in_work = False

        def begin() -> None:
            nonlocal is_in_work
            self._in_work += not is_in_work
            is_in_work = True

        async def counted() -> Message:
            message = await receive()
            if not message.get("more_body", False):
                begin()
            return message

        if scope["method"] in ("GET", "HEAD"):
            begin()
        try:
            await self.app(scope, counted, send)
        finally:
            self._in_work -= is_in_work


def _can_wait(scope: Scope) -> bool:
    """Whether the client can repeat the request. Browsers do not repeat it for a picture or a sound
    of a page."""
    shown_as = Headers(scope=scope).get("sec-fetch-dest", "empty")
    return scope["path"].startswith("/api/") and shown_as == "empty"


WAIT = "Very many people are using this server. Your turn comes by itself; nothing is lost."
