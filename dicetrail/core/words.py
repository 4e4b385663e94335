"""The few turns of phrase that every explanation shares."""


def counted(count: int, thing: str) -> str:
    """A count with its thing: ``1 question``, ``3 questions``."""
    return f"{count} {thing}" if count == 1 else f"{count} {thing}s"
