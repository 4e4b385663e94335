"""Check that a plain program reads a text as the engine does.

The program folds texts in a few lines, which is enough for most. What it would read in
another way is found beforehand, by its own functions: they are of our skeleton, and hold
nothing of a maker's.
"""

import ast
import re
import unicodedata
from collections.abc import Callable
from functools import cache
from typing import Any

from dicetrail.core.answers import fold_steps, spelled
from dicetrail.core.document import Check
from dicetrail.takeaway.written.cutting import cut
from dicetrail.takeaway.written.settings import checks_of
from dicetrail.takeaway.written.skeleton import SKELETON

_WANTED = ("SIGNS", "read", "folded", "without_article", "unpointed", "spelled")
_HOLDS = (
    *("has_folding", "has_articles", "articles_varies", "has_elided"),
    *("has_points", "points_vary", "has_pointed_numbers", "has_letters", "has_choices"),
)


class _Settings:
    """A round as the functions ask it."""

    def __init__(self, check: Check) -> None:
        self.__dict__.update(checks_of(check))


@cache
def _functions() -> dict[str, Callable[..., Any]]:
    marks = " ".join(re.findall(r"#: (.+)", SKELETON))
    holds = dict.fromkeys(set(re.findall(r"\w+", marks)) - {"and", "or", "not"}, False)
    text = cut(SKELETON, holds | dict.fromkeys(_HOLDS, True))
    kept = []
    for name in _WANTED:
        found = re.search(rf"^(def {name}\(|{name} = ).*?(?=\n\n\n|\n[A-Z])", text, re.M | re.S)
        assert found is not None, name
        kept.append(found[0])
    names: dict[str, Any] = {"re": re, "unicodedata": unicodedata, "Round": _Settings}
    tree = ast.parse("\n\n".join(kept))
    exec(compile(tree, "<skeleton>", "exec"), names)
    return names


def folds_alike(text: str, check: Check) -> bool:
    """Whether the program folds a text as the engine does."""
    form = _functions()["folded"](_Settings(check), text)
    return bool(unicodedata.normalize("NFC", form) == fold_steps(text, check)[-1].text)


def spells_alike(word: str) -> bool:
    """Whether the program spells a word as the engine does."""
    return tuple(_functions()["spelled"](word)) == spelled(word)
