"""The names of the rule script, for pages that complete and explain them."""

from typing import Annotated

from fastapi import Query

from dicetrail.core.rules import FACTS, FUNCTIONS, HANDLERS, SCRIPT_ACTIONS, SCRIPT_RECIPES, put_in
from dicetrail.core.workbench import HelpTopic, help_found
from dicetrail.web.http_format.bodies import Router
from dicetrail.web.language.shapes import PutIn, ScriptMade, ScriptName, ScriptNames

router = Router("/api/language", "language")

_INSIDE = {"text": '"…"', "number": "5", "nothing": ""}


@router.get("")
def show_language() -> ScriptNames:
    """Every name a rule script can use besides the maker's own, and scripts to begin from."""
    return ScriptNames(names=_names(), recipes=list(SCRIPT_RECIPES))


@router.post("/put-in")
def put_script_in(wanted: PutIn) -> ScriptMade:
    """A script with another put into it; nothing is kept. Refused where one cannot be read."""
    return ScriptMade(script=put_in(wanted.script, wanted.other))


@router.get("/help")
def find_help(find: Annotated[str, Query(max_length=200)] = "") -> list[HelpTopic]:
    """Topics of help that some words lead to, the likeliest first; all of them without any."""
    return list(help_found(find))


def _names() -> list[ScriptName]:
    return [
        *(
            ScriptName(name=name, kind="handler", words=f"runs {words}", insert=f"def {name}():")
            for name, words in HANDLERS.items()
        ),
        *(
            ScriptName(name=name, kind="fact", words=words, insert=name)
            for name, words in FACTS.items()
        ),
        *(
            ScriptName(
                name=name,
                kind="action",
                words=script_action.words,
                insert=f"{name}({_INSIDE[script_action.takes]})",
            )
            for name, script_action in SCRIPT_ACTIONS.items()
        ),
        *(
            ScriptName(name=name, kind="function", words=words, insert=f"{name}(")
            for name, words in FUNCTIONS.items()
        ),
    ]
