"""The shape of what a page needs to help with a script."""

from typing import Annotated, Literal

from pydantic import BaseModel, Field

from dicetrail.core.rules import ScriptRecipe
from dicetrail.web.http_format.shapes import Received

LONGEST_SCRIPT = 100_000
"""Characters of a script that is read, at most."""


class ScriptName(BaseModel):
    """A name of the rule script: what it is, and what it does or means."""

    name: str
    kind: Literal["handler", "fact", "action", "function"]
    words: str
    insert: str
    """What stands in a script when the name is chosen."""


class ScriptNames(BaseModel):
    """What a page needs to help with a rule script."""

    names: list[ScriptName]
    recipes: list[ScriptRecipe]


class PutIn(Received):
    """A script, and another to be put into it."""

    script: Annotated[str, Field(max_length=LONGEST_SCRIPT)]
    other: Annotated[str, Field(max_length=LONGEST_SCRIPT)]


class ScriptMade(BaseModel):
    """A script that was made of others."""

    script: str
