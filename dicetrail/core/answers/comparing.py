"""Compare a pack with the one that replaces it, question by question."""

from dataclasses import dataclass

from dicetrail.core.answers.folding import as_shown
from dicetrail.core.document import Pack


@dataclass(frozen=True, slots=True)
class Comparison:
    """How many questions are new, changed, gone and the same. The prompt identifies a question."""

    added: int
    changed: int
    gone: int
    same: int


def compare(old: Pack, new: Pack) -> Comparison:
    """What replacing one pack by another would do."""
    before = {as_shown(question.prompt): question for question in old.questions}
    after = {as_shown(question.prompt): question for question in new.questions}
    kept = before.keys() & after.keys()
    same = sum(before[prompt] == after[prompt] for prompt in kept)
    return Comparison(len(after) - len(kept), len(kept) - same, len(before) - len(kept), same)
