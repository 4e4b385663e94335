"""Read an answer and judge it: normalise texts, read numbers and letters, give a verdict."""

from dicetrail.core.answers.checking import (
    LETTERS,
    MAX_ANSWER,
    Checked,
    Fold,
    Given,
    Verdict,
    all_differ,
    check_choice,
    check_match,
    check_number,
    check_order,
    check_typed,
    fold,
    fold_steps,
)
from dicetrail.core.answers.comparing import Comparison, compare
from dicetrail.core.answers.folding import (
    as_shown,
    caseless,
    read,
    tidy,
    unaccented,
    without_punctuation,
)
from dicetrail.core.answers.letters import Cell, as_letters, laid_out, letters_of, spelled
from dicetrail.core.answers.matches import (
    MatchShape,
    match_with,
    share_of_match,
    shares_of_matches,
)
from dicetrail.core.answers.numbers import read_number, tolerance_of
from dicetrail.core.answers.orders import order_with, share_of_order, shares_of_orders
from dicetrail.core.answers.shares import WHOLE, share_of_picks, shares_of_picks

__all__ = [
    "LETTERS",
    "MAX_ANSWER",
    "WHOLE",
    "Cell",
    "Checked",
    "Comparison",
    "Fold",
    "Given",
    "MatchShape",
    "Verdict",
    "all_differ",
    "as_letters",
    "as_shown",
    "caseless",
    "check_choice",
    "check_match",
    "check_number",
    "check_order",
    "check_typed",
    "compare",
    "fold",
    "fold_steps",
    "laid_out",
    "letters_of",
    "match_with",
    "order_with",
    "read",
    "read_number",
    "share_of_match",
    "share_of_order",
    "share_of_picks",
    "shares_of_matches",
    "shares_of_orders",
    "shares_of_picks",
    "spelled",
    "tidy",
    "tolerance_of",
    "unaccented",
    "without_punctuation",
]
