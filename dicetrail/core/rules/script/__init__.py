"""The rule script: a small language for scoring, a strict subset of Python.

`parse` reads and refuses, `compile_script` makes what was passed ready to run, `language`
lists every name there is.
"""

from dicetrail.core.rules.script.compile import (
    Counters,
    Done,
    Handler,
    Handlers,
    Roll,
    Test,
    compile_condition,
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
    "Handler",
    "Handlers",
    "Roll",
    "Said",
    "Script",
    "ScriptFault",
    "ScriptFaults",
    "Test",
    "all_of",
    "compile_condition",
    "compile_script",
    "parse",
    "parse_condition",
    "percent",
    "watched_handlers",
]
