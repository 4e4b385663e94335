"""Errors of fetching and saving."""


class NotFound(LookupError):
    """The store has no such row."""

    def __init__(self, kind: str, identifier: str) -> None:
        self.kind = kind
        self.identifier = identifier
        super().__init__(f"there is no {kind} “{identifier}”")

    def __reduce__(self) -> tuple[type, tuple[str, ...]]:
        """How pickle makes it again in another process."""
        return type(self), (self.kind, self.identifier)


class Spoilt(NotFound):
    """Stored data cannot be read. Nothing else is affected. `what` names the data, `mend` says what
    to do."""

    def __init__(self, kind: str, identifier: str, what: str, mend: str) -> None:
        super().__init__(kind, identifier)
        self.what = what
        self.mend = mend
        self.args = (f"the {kind} “{identifier}” cannot be read from the store: {what}",)

    def __reduce__(self) -> tuple[type, tuple[str, ...]]:
        """How pickle makes it again in another process."""
        return type(self), (self.kind, self.identifier, self.what, self.mend)


class StaleRevision(ValueError):
    """A save was made on a revision that is no longer the newest. Nothing was saved."""

    def __init__(self, kind: str, saved_on: int, newest: int) -> None:
        self.kind = kind
        self.saved_on = saved_on
        self.newest = newest
        super().__init__(f"saved on revision {saved_on}, but the newest is {newest}")
