"""The shape of what a page needs to help with a script."""

from typing import Literal

from pydantic import BaseModel

from dicetrail.core.rules import ScriptRecipe


class ScriptName(BaseModel):
    """A name of the rule script: what it is, and what it does or means."""

    name: str
    kind: Literal["handler", "fact", "deed", "function"]
    words: str
    insert: str
    """What stands in a script when the name is chosen."""


class ScriptNames(BaseModel):
    """What a page needs to help with a rule script."""

    names: list[ScriptName]
    recipes: list[ScriptRecipe]
