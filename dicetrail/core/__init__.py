"""Everything that decides about a quiz game, and nothing else.

Standard library only: no files, no clock, no chance but the dice it is given. Build a
program from a game and its packs, start a run, step it, or replay it from its inputs:

    program = build(game, packs)
    moment = start(program, dice=4821)
    moment = step(program, moment.state, Begin(), at=0)
    moment = step(program, moment.state, Answer("b"), at=2300)
"""

from dicetrail.core.checking import Checked, Given, Verdict, check_choice, tidy
from dicetrail.core.comparing import Comparison, compare
from dicetrail.core.dice import HIGHEST_DICE, stream
from dicetrail.core.document import (
    PLAIN,
    Ask,
    Check,
    Details,
    Draw,
    Ending,
    Game,
    Kind,
    Order,
    Pack,
    Question,
    Round,
    Score,
)
from dicetrail.core.engine import (
    Action,
    Answer,
    Begin,
    Continue,
    Input,
    Moment,
    Phase,
    Program,
    State,
    TimeRanBackwards,
    build,
    check,
    replay,
    start,
    step,
)
from dicetrail.core.footprints import Change, Footprint, Stop, What
from dicetrail.core.packs import RowFault, pack_faults, preview
from dicetrail.core.problems import GameProblems, Problem, Severity
from dicetrail.core.recipes import first_game
from dicetrail.core.survey import Packs, questions_drawn, survey
from dicetrail.core.table import Table, table
from dicetrail.core.trail import (
    DrawnQuestion,
    ScoreSpan,
    StopSummary,
    draw_list,
    score_spans,
    summaries,
)

__all__ = [
    "HIGHEST_DICE",
    "PLAIN",
    "Action",
    "Answer",
    "Ask",
    "Begin",
    "Change",
    "Check",
    "Checked",
    "Comparison",
    "Continue",
    "Details",
    "Draw",
    "DrawnQuestion",
    "Ending",
    "Footprint",
    "Game",
    "GameProblems",
    "Given",
    "Input",
    "Kind",
    "Moment",
    "Order",
    "Pack",
    "Packs",
    "Phase",
    "Problem",
    "Program",
    "Question",
    "Round",
    "RowFault",
    "Score",
    "ScoreSpan",
    "Severity",
    "State",
    "Stop",
    "StopSummary",
    "Table",
    "TimeRanBackwards",
    "Verdict",
    "What",
    "build",
    "check",
    "check_choice",
    "compare",
    "draw_list",
    "first_game",
    "pack_faults",
    "preview",
    "questions_drawn",
    "replay",
    "score_spans",
    "start",
    "step",
    "stream",
    "summaries",
    "survey",
    "table",
    "tidy",
]
