"""All tests.

Properties are checked on the same examples every time, however slow the machine; with `SEED` set,
on as many more as it draws, and an example that fails is kept to be tried again.
"""

import os

from hypothesis import core, settings
from hypothesis.database import DirectoryBasedExampleDatabase

settings.register_profile("steady", max_examples=25, deadline=None, derandomize=True, database=None)
settings.register_profile(
    "fresh",
    max_examples=100,
    deadline=None,
    database=DirectoryBasedExampleDatabase(".make/examples"),
    print_blob=True,
)
if "SEED" in os.environ:
    settings.load_profile("fresh")
    core.global_force_seed = int(os.environ["SEED"])
else:
    settings.load_profile("steady")
