"""The feedback for an answer, in the words of the game."""

from collections.abc import Iterator

from dicetrail.core.document import Phrase, Translator
from dicetrail.core.play.footprints import Result
from dicetrail.core.play.table import Feedback

HEADLINES = {
    Result.RIGHT: Phrase.RIGHT,
    Result.CLOSE: Phrase.CLOSE,
    Result.PARTLY: Phrase.PARTLY,
    Result.WRONG: Phrase.WRONG,
    Result.LATE: Phrase.LATE,
    Result.PASSED: Phrase.WAS_PASSED,
    Result.HIT: Phrase.HIT,
    Result.MISS: Phrase.MISS,
}


def said_of(feedback: Feedback, translator: Translator) -> Iterator[str]:
    """The feedback for an answer, line by line, without the note. The maker's own words replace the
    ready ones or follow them."""
    if feedback.result is Result.UNREADABLE:
        yield translator.say(Phrase.UNREADABLE, why=feedback.why)
    elif feedback.is_own:
        yield feedback.says
        return
    else:
        yield f"{translator.say(HEADLINES[feedback.result])} {feedback.why}"
    if feedback.says:
        yield feedback.says
    if feedback.answer:
        yield translator.say(Phrase.IT_IS, answer=feedback.answer)
