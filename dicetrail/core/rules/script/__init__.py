"""The rule script: a small language for scoring, a strict subset of Python.

`parse` reads and checks a script, `compile_script` compiles a checked one, and `language` lists
every name.
"""

from dicetrail.core.rules.script.compile import (
    Counters,
    First,
    Handler,
    Handlers,
    Roll,
    ScriptAction,
    compile_conditions,
    compile_script,
    percent,
    watched_handlers,
)
from dicetrail.core.rules.script.language import LIMIT, Event
from dicetrail.core.rules.script.parse import (
    Condition,
    NamedInScript,
    Script,
    ScriptFault,
    ScriptFaults,
    all_of,
    parse,
    parse_condition,
)

__all__ = [
    "LIMIT",
    "Condition",
    "Counters",
    "Event",
    "First",
    "Handler",
    "Handlers",
    "NamedInScript",
    "Roll",
    "Script",
    "ScriptAction",
    "ScriptFault",
    "ScriptFaults",
    "all_of",
    "compile_conditions",
    "compile_script",
    "parse",
    "parse_condition",
    "percent",
    "watched_handlers",
]
