"""The refusals of services, in words for the person who asked."""


class Refused(ValueError):
    """Something cannot be done in the present state. The message says why."""


class NotTaken(Refused):
    """The content that was sent cannot be used. The message says why."""
