"""The check of a whole game for faults, without playing it.

Every problem is found in one go, each with its place in the document and a mend. A fault
keeps the game from being played; a warning is something its maker probably does not mean.
"""

from collections import Counter
from collections.abc import Iterator, Mapping

from dicetrail.core.checking import as_shown, fold
from dicetrail.core.document import MOST_POINTS, Game, Kind, Order, Pack, Round
from dicetrail.core.problems import Problem, Severity
from dicetrail.core.questions import choices_alike, first_fault

Packs = Mapping[str, Pack]


def survey(game: Game, packs: Packs) -> tuple[Problem, ...]:
    """Every problem of a game, in the order of the trail: load, draw, ask, check, score, end."""
    return tuple(_problems(game, packs))


def questions_drawn(round_: Round, packs: Packs) -> int:
    """How many questions a round asks: as many as it wants, or as many as there are."""
    pool = sum(len(packs[name].questions) for name in round_.packs if name in packs)
    return pool if round_.draw.count is None else max(0, min(round_.draw.count, pool))


def reachable_scores(game: Game, packs: Packs) -> range:
    """Every final score that some play of the game can have, lowest first.

    With n questions the score is n times the points of a wrong answer and one step more
    for each right one, so the scores are evenly spaced.
    """
    round_ = game.rounds[0]
    asked = questions_drawn(round_, packs)
    first, last = asked * round_.score.wrong, asked * round_.score.right
    apart = abs(round_.score.right - round_.score.wrong) or 1
    return range(min(first, last), max(first, last) + 1, apart)


def _problems(game: Game, packs: Packs) -> Iterator[Problem]:
    if not game.title.strip():
        yield _warning("title", "the game has no title", "give it one in the header")
    if len(game.rounds) != 1:
        yield Problem("rounds", f"{len(game.rounds)} rounds where one is played", "keep one round")
        return
    round_ = game.rounds[0]
    yield from _pack_problems(round_, packs)
    yield from _rule_problems(round_, packs)
    yield from _ending_problems(game, packs)


def _pack_problems(round_: Round, packs: Packs) -> Iterator[Problem]:
    if not round_.packs:
        yield Problem(
            "rounds[0].packs",
            "there are no questions to ask",
            "load a question file, or choose a pack, at Load",
        )
        return
    for number, name in enumerate(round_.packs):
        where = f"rounds[0].packs[{number}]"
        if name not in packs:
            yield Problem(where, f"there is no pack “{name}”", "choose another pack at Load")
        elif name in round_.packs[:number]:
            yield Problem(
                where,
                f"the pack “{packs[name].title}” is here twice",
                "take it out once at Load, or its questions will come twice",
            )
        elif not packs[name].questions:
            yield Problem(
                where,
                f"the pack “{packs[name].title}” holds no questions",
                "load a file that has some, or take the pack out at Load",
            )
    used = {name: packs[name] for name in round_.packs if name in packs}
    for name, pack in used.items():
        for number, question in enumerate(pack.questions):
            if fault := first_fault(question):
                yield Problem(
                    f"packs[{name}].questions[{number}]", fault.what, "mend or remove the question"
                )
    yield from _repeated_prompts(used)
    if round_.check.by_text and round_.check.ignore_case:
        yield from _choices_alike(used)


def _repeated_prompts(packs: Packs) -> Iterator[Problem]:
    times = Counter(
        as_shown(question.prompt) for pack in packs.values() for question in pack.questions
    )
    for prompt, count in times.items():
        if count > 1:
            yield _warning(
                "rounds[0].packs",
                f"“{prompt}” is asked by {count} questions",
                "keep one of them, or the same question may come again",
            )


def _choices_alike(packs: Packs) -> Iterator[Problem]:
    for name, pack in packs.items():
        for number, question in enumerate(pack.questions):
            if alike := choices_alike(question, [fold(choice) for choice in question.choices]):
                yield _warning(
                    f"packs[{name}].questions[{number}]",
                    f"“{alike[0]}” and “{alike[1]}” differ only in capitals",
                    "a typed answer that could be either is not taken: let capitals count "
                    "at Check, or change a choice",
                )


def _rule_problems(round_: Round, packs: Packs) -> Iterator[Problem]:
    count = round_.draw.count
    pool = sum(len(packs[name].questions) for name in round_.packs if name in packs)
    if count is not None and count < 1:
        yield Problem(
            "rounds[0].draw.count",
            f"{count} questions are drawn, so nothing would be asked",
            "draw 1 or more, or all",
        )
    elif count is not None and 0 < pool < count:
        yield _warning(
            "rounds[0].draw.count",
            f"{count} questions are wanted and only {pool} are there",
            f"draw {pool} or fewer, or load more; as it is the game asks {pool}",
        )
    if round_.ask.choice_order is Order.WRITTEN and _has_choices(round_, packs):
        yield _warning(
            "rounds[0].ask.choice_order",
            "the right answer always stands at A",
            "shuffle the choices at Ask",
        )
    for name in ("right", "wrong"):
        points: int = getattr(round_.score, name)
        if abs(points) > MOST_POINTS:
            yield Problem(
                f"rounds[0].score.{name}",
                f"{points} points are too many",
                f"stay within {MOST_POINTS} up or down",
            )
    if round_.score.right <= round_.score.wrong:
        yield _warning(
            "rounds[0].score.right",
            "a right answer is worth no more than a wrong one",
            "give more points for a right answer at Score",
        )


def _has_choices(round_: Round, packs: Packs) -> bool:
    return any(
        question.kind is Kind.CHOICE
        for name in round_.packs
        if name in packs
        for question in packs[name].questions
    )


def _ending_problems(game: Game, packs: Packs) -> Iterator[Problem]:
    if not game.endings:
        yield Problem("endings", "the game has no ending", "add one at End")
        return
    left = list(reachable_scores(game, packs))
    for number, ending in enumerate(game.endings):
        where = f"endings[{number}]"
        name = ending.title.strip() or f"ending {number + 1}"
        if not ending.title.strip():
            yield _warning(f"{where}.title", f"ending {number + 1} has no name", "name it at End")
        fitting = [score for score in left if ending.fits(score)]
        if None not in (ending.at_least, ending.at_most) and not (
            (ending.at_least or 0) <= (ending.at_most or 0)
        ):
            yield Problem(
                where,
                f"“{name}” wants at least {ending.at_least} and at most {ending.at_most}",
                "put the smaller number first",
            )
        elif not fitting:
            yield _warning(
                where,
                f"no run can reach “{name}”",
                "change its scores, or move it above the ending that takes them",
            )
        left = [score for score in left if not ending.fits(score)]
    if left:
        yield Problem(
            "endings",
            f"no ending fits {_scores_in_words(left)}",
            "widen an ending at End, or add a last one with no bounds",
        )


def _scores_in_words(scores: list[int]) -> str:
    shown = ", ".join(str(score) for score in scores[:4])
    if len(scores) == 1:
        return f"a score of {shown}"
    more = len(scores) - 4
    return f"the scores {shown}" + (f" and {more} more" if more > 0 else "")


def _warning(where: str, what: str, mend: str) -> Problem:
    return Problem(where, what, mend, Severity.WARNING)
