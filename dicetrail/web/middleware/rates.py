"""Rate limits: a burst, and then a steady rate.

One number is kept for each client: the time at which all its requests would be over if they were
spread evenly (the generic cell rate algorithm, ITU-T I.371, from memory). The client that asked
longest ago is forgotten first, so a stream of made-up clients costs no memory.
"""

from collections import OrderedDict
from dataclasses import dataclass, field
from time import monotonic

MAX_ASKERS = 10_000
LONGEST_NAME = 80


@dataclass(slots=True)
class Rate:
    """At most `times` requests of one client at once, and that many again every `seconds`."""

    times: int
    seconds: int
    _over: OrderedDict[str, float] = field(default_factory=OrderedDict)

    def takes(self, asker: str) -> bool:
        """Whether a client may send a request now. If so, the request is counted."""
        now, name = monotonic(), asker[:LONGEST_NAME]
        over = max(now, self._over.get(name, now)) + self.seconds / self.times
        if over > now + self.seconds:
            return False
        self._over[name] = over
        self._over.move_to_end(name)
        if len(self._over) > MAX_ASKERS:
            self._over.popitem(last=False)
        return True
