"""The check of a whole game for faults, without playing it.

Every problem is found in one go, each with its place in the document and a mend. A fault
keeps the game from being played; a warning is something its maker probably does not mean.
Problems come in the order of the trail: load, open, draw, ask, check, score, cue, move on,
end.
"""

from collections import Counter
from collections.abc import Generator, Iterator
from dataclasses import dataclass

from dicetrail.core.checking import as_shown, fold
from dicetrail.core.cues import cue_problems, place_problems
from dicetrail.core.document import (
    MOST_POINTS,
    DrawOrder,
    Ending,
    Game,
    Kind,
    Lists,
    ListsAsk,
    Operator,
    Order,
    Refill,
    Round,
    Span,
    Sums,
    To,
)
from dicetrail.core.problems import Problem, Severity, out_of_range, warning
from dicetrail.core.questions import choices_alike, first_fault
from dicetrail.core.reach import Reach, reach, scores_reached
from dicetrail.core.script import Said, ScriptFault, ScriptFaults, parse, parse_condition
from dicetrail.core.script.language import FACTS
from dicetrail.core.settle import Rules, condition_of, rules_of
from dicetrail.core.sources import MOST_ROWS, MOST_SOURCES, Packs, count_of, odd_items, pool_size
from dicetrail.core.words import counted

MOST_ROUNDS = 50
MOST_ENDINGS = 100
_MOST_ITEMS = 1000


def survey(game: Game, packs: Packs) -> tuple[Problem, ...]:
    """Every problem of a game, in the order of the trail."""
    return _Survey(game, packs).problems()


def examine(game: Game, packs: Packs) -> tuple[tuple[Problem, ...], Rules | None, Reach | None]:
    """Every problem of a game; its rules if they can be read, its ways to end if it plays."""
    surveyed = _Survey(game, packs)
    return surveyed.problems(), surveyed.rules, surveyed.reached


@dataclass(eq=False)
class _Survey:
    game: Game
    packs: Packs
    rules: Rules | None = None
    reached: Reach | None = None

    def problems(self) -> tuple[Problem, ...]:
        game, packs = self.game, self.packs
        found: list[Problem] = []
        if not game.title.strip():
            found.append(warning("title", "the game has no title", "give it one in the header"))
        if not 1 <= len(game.rounds) <= MOST_ROUNDS:
            mend = f"have 1 to {MOST_ROUNDS} rounds"
            found.append(Problem("rounds", f"{len(game.rounds)} rounds are there", mend))
        found += _range_problems(game)
        for number, round_ in enumerate(game.rounds):
            found += _load_problems(f"rounds[{number}]", round_, packs)
        found += _pack_problems(game, packs)
        for number, round_ in enumerate(game.rounds):
            found += _round_problems(f"rounds[{number}]", round_, packs)
        found += self._rule_problems()
        found += cue_problems(game, self.rules)
        found += _title_problems(game)
        has_faults = any(problem.severity is Severity.FAULT for problem in found)
        if self.rules is not None and not has_faults:
            self.reached = reach(game, self.rules, packs)
        found += _ending_problems(game, self.rules, self.reached)
        return tuple(found)

    def _rule_problems(self) -> Iterator[Problem]:
        """What is wrong in the script and in the endings' conditions."""
        game = self.game
        try:
            script = parse(game.script)
        except ScriptFaults as faults:
            yield from (_in_script("script", fault) for fault in faults.faults)
            return
        sound = True
        for number, ending in enumerate(game.endings):
            where = f"endings[{number}].when"
            if ending.counts not in {*script.counters, *FACTS} or ending.counts == "verdict":
                mend = "choose a counter or fact the rules know"
                what = f"there is no counter “{ending.counts}”"
                yield Problem(f"endings[{number}].counts", what, mend)
                sound = False
                continue
            try:
                parse_condition(condition_of(ending), script.counters, not ending.at_once)
            except ScriptFaults as faults:
                sound = False
                for fault in faults.faults:
                    yield Problem(where, fault.what, fault.mend)
        if not sound:
            return
        self.rules = rules_of(game)
        for said in script.said:
            yield from _said_problems(said, game, self.rules)
        yield from _unused_clock(game, self.rules)


def _in_script(where: str, fault: ScriptFault) -> Problem:
    return Problem(f"{where}[{fault.line}:{fault.column}]", fault.what, fault.mend)


def _said_problems(said: Said, game: Game, rules: Rules) -> Iterator[Problem]:
    where = f"script[{said.line}:{said.column}]"
    named = {
        "cue": [cue.name for cue in game.cues],
        "finish": [ending.title for ending in game.endings],
        "go": [round_.title for round_ in game.rounds],
    }
    if said.deed in named and said.text not in named[said.deed]:
        kind = {"cue": "cue", "finish": "ending", "go": "round"}[said.deed]
        known = ", ".join(f"“{name}”" for name in named[said.deed][:5]) or "none"
        what = f"there is no {kind} “{said.text}”"
        yield Problem(where, what, f"add it, or write one there is: {known}")
    if said.deed == "tell":
        yield from place_problems(where, said.text, rules)


def _unused_clock(game: Game, rules: Rules) -> Iterator[Problem]:
    timed = {"seconds_left", "seconds_allowed"} & rules.reads
    if timed and not any(round_.ask.seconds is not None for round_ in game.rounds):
        yield warning(
            "script",
            f"the rules read {' and '.join(sorted(timed))}, but no round sets a question clock",
            "set one at Ask, unless the questions name their own seconds",
        )


def _range_problems(game: Game) -> Iterator[Problem]:
    opening = game.opening
    yield from out_of_range("seconds", game.seconds, 1, 86_400)
    yield from out_of_range("opening.most_players", opening.most_players, 1, 4)
    for number, round_ in enumerate(game.rounds):
        at, ask, draw = f"rounds[{number}]", round_.ask, round_.draw
        for where, value, least, most in (
            ("seconds", round_.seconds, 1, 86_400),
            ("ask.seconds", ask.seconds, 1, 3600),
            ("ask.tries", ask.tries, 1, 20),
            ("ask.misses", ask.misses, 1, 10),
            ("ask.shown", ask.shown, 2, 8),
            ("check.typos", round_.check.typos, 0, 3),
            ("after.hold_ms", round_.after.hold_ms, 0, 60_000),
        ):
            yield from out_of_range(f"{at}.{where}", value, least, most)
        for place, weight in enumerate(draw.weights):
            yield from out_of_range(f"{at}.draw.weights[{place}]", weight, 0, 1000)
        if len(draw.weights) != 5:
            mend = "give one for each level, 1 to 5"
            yield Problem(f"{at}.draw.weights", f"{len(draw.weights)} weights are there", mend)
    for number, ending in enumerate(game.endings):
        for name in ("at_least", "at_most"):
            bound: int | None = getattr(ending, name)
            yield from out_of_range(f"endings[{number}].{name}", bound, -MOST_POINTS, MOST_POINTS)


def _load_problems(at: str, round_: Round, packs: Packs) -> Iterator[Problem]:
    if not round_.packs and not round_.lists and not round_.sums:
        yield Problem(
            f"{at}.packs",
            "there are no questions to ask",
            "load a question file, or choose a pack, at Load",
        )
        return
    for number, name in enumerate(round_.packs):
        where = f"{at}.packs[{number}]"
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
    for name in ("lists", "sums"):
        if len(getattr(round_, name)) > MOST_SOURCES:
            mend = f"have {MOST_SOURCES} at most"
            yield Problem(f"{at}.{name}", f"{len(getattr(round_, name))} are there", mend)
            return
    for number, lists in enumerate(round_.lists):
        yield from _list_problems(f"{at}.lists[{number}]", lists)
    for number, sums in enumerate(round_.sums):
        yield from _sum_problems(f"{at}.sums[{number}]", sums)


def _list_problems(where: str, lists: Lists) -> Iterator[Problem]:
    if not 2 <= len(lists.lists) <= 8:
        yield Problem(where, f"{len(lists.lists)} lists are there", "have 2 to 8 lists")
        return
    titles = Counter(as_shown(group.title) for group in lists.lists)
    for number, group in enumerate(lists.lists):
        place = f"{where}.lists[{number}]"
        if not group.title.strip():
            yield Problem(f"{place}.title", "a list has no name", "name it")
        elif titles[as_shown(group.title)] > 1:
            yield Problem(f"{place}.title", f"“{group.title}” is here twice", "name one otherwise")
        if not 1 <= len(group.items) <= _MOST_ITEMS:
            what = f"“{group.title}” has {counted(len(group.items), 'item')}"
            yield Problem(f"{place}.items", what, f"have 1 to {_MOST_ITEMS}")
            continue
        for item_number, item in enumerate(group.items):
            item_place = f"{place}.items[{item_number}]"
            if not item.strip():
                yield Problem(item_place, "an item is empty", "write it, or leave it out")
            elif item in group.items[:item_number]:
                yield Problem(item_place, f"“{item}” is here twice", "leave it out once")
    if lists.asks is ListsAsk.ODD_ONE_OUT:
        if not 3 <= lists.choices <= 8:
            what = f"{lists.choices} choices to find the odd one among"
            yield Problem(f"{where}.choices", what, "have 3 to 8")
        elif not any(True for _ in odd_items(lists)):
            yield Problem(
                where,
                f"no list has {lists.choices - 1} items for an odd one to stand among",
                "put more items in the lists, or offer fewer choices",
            )


def _sum_problems(where: str, sums: Sums) -> Iterator[Problem]:
    spans = [("left", sums.left, 0), ("right", sums.right, 0)]
    if sums.denominators is not None:
        spans.append(("denominators", sums.denominators, 1))
    before = yield from _span_problems(where, spans)
    yield from out_of_range(f"{where}.cap", sums.cap, -MOST_POINTS, MOST_POINTS)
    yield from out_of_range(f"{where}.count", sums.count, 1, 1000)
    if sums.choices and not 2 <= sums.choices <= 8:
        yield Problem(f"{where}.choices", f"{sums.choices} choices", "have 2 to 8, or 0 to type")
    if sums.denominators is not None and sums.operator not in (Operator.PLUS, Operator.MINUS):
        mend = "add or take away, or leave the denominators out"
        yield Problem(f"{where}.operator", "fractions are only added or taken away", mend)
    elif before and count_of(sums) == 0:
        yield Problem(where, "no sum keeps to these numbers", "widen the spans or raise the cap")


def _span_problems(
    where: str, spans: list[tuple[str, Span, int]]
) -> Generator[Problem, None, bool]:
    """What is wrong with some spans. Returns whether all are sound."""
    sound, rows = True, 1
    for name, span, least in spans:
        if span.least > span.most:
            sound = False
            what = f"from {span.least} to {span.most} there is no number"
            yield Problem(f"{where}.{name}", what, "put the smaller number first")
        elif span.least < least or span.most > 1_000_000:
            sound = False
            what = f"{span.least} to {span.most} is out of range"
            yield Problem(f"{where}.{name}", what, f"keep within {least} and 1000000")
        elif name != "right":
            rows *= span.most - span.least + 1
    if sound and rows > MOST_ROWS:
        sound = False
        what = f"{rows:,} numbers are too many"
        yield Problem(f"{where}.left", what, f"keep the span to {MOST_ROWS:,} numbers")
    return sound


def _pack_problems(game: Game, packs: Packs) -> Iterator[Problem]:
    names = dict.fromkeys(name for round_ in game.rounds for name in round_.packs)
    by_text = {
        name
        for round_ in game.rounds
        if round_.check.by_text and round_.check.ignore_case
        for name in round_.packs
    }
    used = {name: packs[name] for name in names if name in packs}
    for name, pack in used.items():
        for number, question in enumerate(pack.questions):
            if fault := first_fault(question):
                yield Problem(
                    f"packs[{name}].questions[{number}]", fault.what, "mend or remove the question"
                )
    yield from _repeated_prompts(game, used)
    yield from _choices_alike({name: pack for name, pack in used.items() if name in by_text})


def _repeated_prompts(game: Game, packs: Packs) -> Iterator[Problem]:
    for at, round_ in enumerate(game.rounds):
        times = Counter(
            as_shown(question.prompt)
            for name in round_.packs
            if name in packs
            for question in packs[name].questions
            if not question.details.picture and not question.details.sound
        )
        for prompt, count in times.items():
            if count > 1:
                yield warning(
                    f"rounds[{at}].packs",
                    f"“{prompt}” is asked by {count} questions",
                    "keep one of them, or the same question may come again",
                )


def _choices_alike(packs: Packs) -> Iterator[Problem]:
    for name, pack in packs.items():
        for number, question in enumerate(pack.questions):
            if alike := choices_alike(question, [fold(choice) for choice in question.choices]):
                yield warning(
                    f"packs[{name}].questions[{number}]",
                    f"“{alike[0]}” and “{alike[1]}” differ only in capitals",
                    "a typed answer that could be either is not taken: let capitals count "
                    "at Check, or change a choice",
                )


def _round_problems(at: str, round_: Round, packs: Packs) -> Iterator[Problem]:
    draw = round_.draw
    if draw.count is not None and draw.count < 1:
        yield Problem(
            f"{at}.draw.count",
            f"{draw.count} questions are drawn, so nothing would be asked",
            "draw 1 or more, or all",
        )
    elif any(problem.severity is Severity.FAULT for problem in _load_problems(at, round_, packs)):
        return
    else:
        yield from _pool_problems(at, round_, packs)
    if (
        round_.ask.choice_order is Order.WRITTEN
        and draw.order is not DrawOrder.WEIGHTED
        and _has_choices(round_, packs)
    ):
        yield warning(
            f"{at}.ask.choice_order",
            "the right answer always stands at A",
            "shuffle the choices at Ask",
        )


def _pool_problems(at: str, round_: Round, packs: Packs) -> Iterator[Problem]:
    draw, pool = round_.draw, pool_size(round_, packs)
    if pool == 0:
        mend = "choose other topics and levels at Draw, or none"
        yield Problem(f"{at}.draw", "no question passes the filters", mend)
    elif draw.count is not None and pool < draw.count and draw.refill is Refill.NEVER:
        yield warning(
            f"{at}.draw.count",
            f"{draw.count} questions are wanted and only {pool} are there",
            f"draw {pool} or fewer, or load more; as it is the game asks {pool}",
        )


def _has_choices(round_: Round, packs: Packs) -> bool:
    return any(
        question.kind is Kind.CHOICE
        for name in round_.packs
        if name in packs
        for question in packs[name].questions
    )


def _title_problems(game: Game) -> Iterator[Problem]:
    """Rounds and endings that moves name, and names that stand for two."""
    for number, round_ in enumerate(game.rounds):
        if [other.title for other in game.rounds].count(round_.title) > 1:
            what = f"two rounds are called “{round_.title}”"
            yield Problem(f"rounds[{number}].title", what, "name one otherwise")
        for name in ("right", "wrong", "timeout", "passed"):
            way = getattr(round_.moves, name)
            where = f"rounds[{number}].moves.{name}"
            if way.to is To.ROUND and way.name not in [other.title for other in game.rounds]:
                yield Problem(where, f"there is no round “{way.name}”", "choose one at Move on")
            if way.to is To.ENDING and way.name not in [end.title for end in game.endings]:
                yield Problem(where, f"there is no ending “{way.name}”", "choose one at Move on")


def _ending_problems(game: Game, rules: Rules | None, reached: Reach | None) -> Iterator[Problem]:
    if not game.endings:
        yield Problem("endings", "the game has no ending", "add one at End")
        return
    if len(game.endings) > MOST_ENDINGS:
        mend = f"have {MOST_ENDINGS} at most"
        yield Problem("endings", f"{len(game.endings)} endings are there", mend)
    titles = Counter(ending.title for ending in game.endings)
    crossed = False
    for number, ending in enumerate(game.endings):
        where, name = f"endings[{number}]", name_of(ending, number)
        if not ending.title.strip():
            yield warning(f"{where}.title", f"ending {number + 1} has no name", "name it at End")
        elif titles[ending.title] > 1:
            what = f"two endings are called “{ending.title}”"
            yield Problem(f"{where}.title", what, "name one otherwise")
        least, most = ending.at_least, ending.at_most
        if least is not None and most is not None and least > most:
            crossed = True
            what = f"“{name}” wants at least {least} and at most {most}"
            yield Problem(where, what, "put the smaller number first")
        elif reached is not None and reached.is_whole and _is_missed(reached, number):
            yield warning(
                where,
                f"no run can reach “{name}”",
                "change its scores, or move it above the ending that takes them",
            )
    if rules is None or reached is None or crossed:
        return
    if reached.ends_unasked:
        what = "the game is over before its first question"
        yield Problem(
            "endings", what, "change the ending that comes at once, or the first counters"
        )
    yield from _uncovered(game, rules, reached)


def name_of(ending: Ending, number: int) -> str:
    """What an ending is called, by its number from 0."""
    return ending.title.strip() or f"ending {number + 1}"


def _is_missed(reached: Reach, number: int) -> bool:
    return all(final.ending != number for final in reached.finals)


def _uncovered(game: Game, rules: Rules, reached: Reach) -> Iterator[Problem]:
    """Final scores that no ending fits."""
    mend = "widen an ending at End, or add a last one with no bounds"
    left = [score for score, endings in scores_reached(rules, reached).items() if None in endings]
    if left:
        yield Problem("endings", f"no ending fits {_scores_in_words(left)}", mend)
    elif not reached.is_whole and not covers_all(game, rules):
        what = "it is not certain that an ending fits every score"
        yield Problem("endings", what, mend)


def covers_all(game: Game, rules: Rules) -> bool:
    """Whether the endings' bounds on the score, or on the percentage, leave no gap.

    Gaps below a whole number do not count where scores stay whole.
    """
    whole = rules.script.is_whole
    return _covers(game, "score", -MOST_POINTS, MOST_POINTS, whole) or _covers(
        game, "percent", 0, 100, True
    )


def _covers(game: Game, counts: str, lowest: int, highest: int, is_whole: bool) -> bool:
    spans = sorted(
        (
            lowest if ending.at_least is None else ending.at_least,
            highest if ending.at_most is None else ending.at_most,
        )
        for ending in game.endings
        if not ending.when.strip() and (ending.counts == counts or _is_open(ending))
    )
    covered = lowest - 1
    for least, most in spans:
        if least > covered + (1 if is_whole or covered < lowest else 0):
            return False
        covered = max(covered, most)
    return covered >= highest


def _is_open(ending: Ending) -> bool:
    return ending.at_least is None and ending.at_most is None


def _scores_in_words(scores: list[int | float]) -> str:
    shown = ", ".join(str(score) for score in scores[:4])
    if len(scores) == 1:
        return f"a score of {shown}"
    more = len(scores) - 4
    return f"the scores {shown}" + (f" and {more} more" if more > 0 else "")


__all__ = ["Packs", "covers_all", "examine", "name_of", "survey"]
