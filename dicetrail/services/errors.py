"""What a service refuses to do, in words for whoever asked."""


class Refused(ValueError):
    """Something is not done, as things stand. The message says why."""


class NotTaken(Refused):
    """What was sent cannot be taken as it is. The message says why."""
