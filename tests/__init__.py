"""All tests. Properties are checked on the same examples every time, however slow the machine."""

from hypothesis import settings

settings.register_profile("steady", max_examples=60, deadline=None, derandomize=True, database=None)
settings.load_profile("steady")
