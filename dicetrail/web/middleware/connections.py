"""Limit slow and idle connections.

A request must arrive, and an answer must be taken, within a time limit; slower connections are
closed. The number of connections is limited: when all are in use, the sender with the most
connections loses the one that was idle longest. So a sender who opens many idle connections only
harms itself.
"""

import resource
from asyncio import TimerHandle, Transport
from collections import defaultdict
from typing import Any

from uvicorn.protocols.http.httptools_impl import HttpToolsProtocol

from dicetrail.limits import MAX_FILE
from dicetrail.web.middleware.senders import sender_at

HEADER_S = 15
"""The time for the address and headers of a request."""

MAX_HEADERS = 64 * 1024
"""The most bytes of an address and headers together."""

BODY_S, SLOWEST = 20, 50_000
"""The time for a body: a number of seconds, and one more for each number of bytes in its length."""

ANSWER_S = 30
"""The time in which the client must take some part of the answer."""

MAX_CONNECTIONS = 2_000
_OTHER_FILES = 200
"""The number of open files that are not connections: of the store, of the pages, and of files being
read."""


def make_room() -> int:
    """Allow this process the open files that its connections need. Returns the number of
    connections possible."""
    soft, hard = resource.getrlimit(resource.RLIMIT_NOFILE)
    wanted = MAX_CONNECTIONS + _OTHER_FILES
    if soft < wanted:
        soft = wanted if hard == resource.RLIM_INFINITY else min(wanted, hard)
        resource.setrlimit(resource.RLIMIT_NOFILE, (soft, hard))
    return max(20, min(MAX_CONNECTIONS, soft - _OTHER_FILES))


class Crowd:
    """All connections of a server, by their sender. Those at rest longest come first."""

    def __init__(self, most: int) -> None:
        self.most = most
        self.count = 0
        self._of: dict[str, dict[TimedProtocol, None]] = defaultdict(dict)

    def enter(self, connection: "TimedProtocol") -> None:
        """Add a connection, and close another if there are too many."""
        self.count += 1
        self._of[connection.sender][connection] = None
        if self.count > self.most:
            self._make_room()

    def leave(self, connection: "TimedProtocol") -> None:
        """Remove a connection."""
        own = self._of[connection.sender]
        if own.pop(connection, self) is None:
            self.count -= 1
        if not own:
            del self._of[connection.sender]

    def stir(self, connection: "TimedProtocol") -> None:
        """Note a use of a connection: of its sender's connections it is closed last."""
        own = self._of[connection.sender]
        if connection in own:
            del own[connection]
            own[connection] = None

    def _make_room(self) -> None:
        most = max(self._of.values(), key=len)
        resting = (connection for connection in most if not connection.is_at_work)
        # If every one of them is at work, the newest goes: it has waited least.
        going = next(resting, next(reversed(most)))
        self.leave(going)
        going.transport.abort()


class TimedProtocol(HttpToolsProtocol):
    """A connection with a time limit for each part of a request and of an answer."""

    crowd: Crowd
    sender = ""

    def __init__(self, *given: Any, **named: Any) -> None:
        super().__init__(*given, **named)
        self._deadline: TimerHandle | None = None
        self._head = 0

    @property
    def is_at_work(self) -> bool:
        """Whether a whole request has arrived and its answer is not sent yet."""
        return self.cycle is not None and not (self.cycle.more_body or self.cycle.response_complete)

    def connection_made(self, transport: Transport) -> None:  # type: ignore[override]
        """Begin to wait for a request."""
        super().connection_made(transport)
        self.sender = sender_at(self.client)
        self._due_in(HEADER_S)
        self.crowd.enter(self)

    def connection_lost(self, exc: Exception | None) -> None:
        """Wait no more."""
        self._due_in(None)
        self.crowd.leave(self)
        super().connection_lost(exc)

    def data_received(self, data: bytes) -> None:
        """Data arrived. If it begins a request, the time limit of the request begins."""
        if self._deadline is None and not self.is_at_work:
            self._due_in(HEADER_S)
        super().data_received(data)

    def on_message_begin(self) -> None:
        """A request begins: its headers are due."""
        super().on_message_begin()
        self._head = 0
        self._due_in(HEADER_S)
        self.crowd.stir(self)

    def on_url(self, url: bytes) -> None:
        """A part of the address."""
        super().on_url(url)
        self._count_head(len(url))

    def on_header(self, name: bytes, value: bytes) -> None:
        """One header."""
        super().on_header(name, value)
        self._count_head(len(name) + len(value))

    def on_headers_complete(self) -> None:
        """The headers are there: the body is due."""
        super().on_headers_complete()
        said = next((value for name, value in self.headers if name == b"content-length"), b"0")
        size = int(said[:12]) if said.isdigit() else 0
        self._due_in(BODY_S + min(size, MAX_FILE) / SLOWEST)

    def on_message_complete(self) -> None:
        """The request is whole: it takes as long as it takes."""
        super().on_message_complete()
        self._due_in(None)

    def pause_writing(self) -> None:
        """The client takes the answer more slowly than it is sent."""
        super().pause_writing()
        self._due_in(ANSWER_S)

    def resume_writing(self) -> None:
        """The client took some of the answer."""
        super().resume_writing()
        self._due_in(None)

    def timeout_keep_alive_handler(self) -> None:
        """No further request came. The rest of the last answer is dropped."""
        self._let_go()

    def _count_head(self, size: int) -> None:
        self._head += size
        if self._head > MAX_HEADERS:
            self._let_go()

    def _due_in(self, seconds: float | None) -> None:
        if self._deadline is not None:
            self._deadline.cancel()
        self._deadline = None if seconds is None else self.loop.call_later(seconds, self._let_go)

    def _let_go(self) -> None:
        self.transport.abort()


def timed(most: int) -> type[TimedProtocol]:
    """The protocol of a server with a limited number of connections."""

    class BoundedProtocol(TimedProtocol):
        crowd = Crowd(most)

    return BoundedProtocol
