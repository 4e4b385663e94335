"""The rule script: a small language for scoring, a strict subset of Python.

`parse` reads and refuses, `compile_script` makes what was passed ready to run, `language`
lists every name there is.
"""

from dicetrail.core.rules.script.compile import (
    Counters,
    Done,
    First,
    Handler,
    Handlers,
    Roll,
    compile_conditions,
    compile_script,
    percent,
    watched_handlers,
)
from dicetrail.core.rules.script.language import LIMIT, Event
from dicetrail.core.rules.script.parse import (
    Condition,
    Said,
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
    "Done",
    "Event",
    "First",
    "Handler",
    "Handlers",
    "Roll",
    "Said",
    "Script",
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
