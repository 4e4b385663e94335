"""Check a whole game for faults, without playing it.

Every problem is found in one go, each with its place in the document and a mend. A fault
keeps the game from being played; a warning is something its maker probably does not mean.
Problems come in the order of the trail: load, open, draw, ask, check, score, cue, move on,
end.
"""

from collections import Counter
from collections.abc import Collection, Generator, Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from itertools import permutations
from types import MappingProxyType

from dicetrail.core.answers import Verdict, as_shown, check_typed, fold
from dicetrail.core.document import (
    MAX_POINTS,
    DrawOrder,
    Ending,
    EstimateShare,
    Game,
    Kind,
    Lists,
    ListsAsk,
    Operator,
    Order,
    OrderShare,
    PartlyRight,
    Phrase,
    Problem,
    Refill,
    Round,
    Severity,
    Span,
    Sums,
    To,
    Way,
    as_written,
    clipped,
    counted,
    out_of_bounds,
    warning,
    with_marks,
)
from dicetrail.core.draw import (
    MAX_ROWS,
    MAX_SOURCES,
    Censuses,
    Packs,
    SumTable,
    censuses_of,
    count_of,
    fewest_choices,
    fixed_traits,
    may_run_short,
    odd_items,
    pool_size,
)
from dicetrail.core.rules import (
    COUNTS,
    FACTS,
    MAX_CONDITIONS,
    QUESTION_FACTS,
    SHARES,
    TEXT_FACTS,
    Event,
    NamedInScript,
    Rules,
    ScriptFault,
    ScriptFaults,
    condition_of,
    parse,
    rules_of,
)
from dicetrail.core.survey.cue_faults import MAX_CUES, MAX_SOUNDS, cue_problems, place_problems
from dicetrail.core.survey.fact_faults import pattern_problems
from dicetrail.core.survey.look_faults import look_problems
from dicetrail.core.survey.looks import PackReport, report_on
from dicetrail.core.survey.phrase_faults import phrase_problems
from dicetrail.core.survey.reach import AT_ONCE, Effort, Reach, reach, scores_reached
from dicetrail.core.survey.site_faults import site_problems

MAX_ROUNDS = 50
MAX_ENDINGS = 100
MAX_PACKS = 500
_MAX_PARTS = {
    "rounds": MAX_ROUNDS,
    "endings": MAX_ENDINGS,
    "cues": MAX_CUES,
    "sounds": MAX_SOUNDS,
    "known_as": MAX_PACKS,
    "phrases": len(Phrase),
}
_MAX_ITEMS = 1000


def survey(game: Game, packs: Packs) -> tuple[Problem, ...]:
    """Every problem of a game, in the order of the trail."""
    return _Survey(game, packs, reports_on(game, packs)).problems()


def reports_on(
    game: Game, packs: Packs, known: Mapping[str, PackReport] = MappingProxyType({})
) -> dict[str, PackReport]:
    """The reports on the packs of a game that exist, by name in order of use.

    `known` are reports that are at hand.
    """
    names = dict.fromkeys(name for round_ in game.rounds for name in round_.packs)
    return {
        name: known[name] if name in known else report_on(packs[name])
        for name in names
        if name in packs
    }


def examine(
    game: Game, packs: Packs, reports: Mapping[str, PackReport], effort: Effort = AT_ONCE
) -> tuple[tuple[Problem, ...], Rules | None, Reach | None]:
    """Every problem of a game; its rules if they can be read, its ways to end if it plays.

    `reports` are those on its packs, as `reports_on` gives them.
    """
    surveyed = _Survey(game, packs, reports, effort)
    return surveyed.problems(), surveyed.rules, surveyed.reached


@dataclass(eq=False)
class _Survey:
    game: Game
    packs: Packs
    reports: Mapping[str, PackReport]
    effort: Effort = AT_ONCE
    rules: Rules | None = None
    reached: Reach | None = None

    def problems(self) -> tuple[Problem, ...]:
        # What is out of bounds is told first, and then put within them: no number can make
        # what follows long.
        found: list[Problem] = list(out_of_bounds(self.game))
        found += _too_many(self.game)
        game, packs = within_bounds(self.game), self.packs
        self.game = game
        if not game.title.strip():
            found.append(warning("title", "the game has no title", "give it one in the header"))
        if not game.rounds:
            mend = f"have 1 to {MAX_ROUNDS} rounds"
            found.append(Problem("rounds", "0 rounds are there", mend))
        found += look_problems(game)
        found += site_problems(game)
        found += phrase_problems(game)
        found += _weight_problems(game)
        for number, round_ in enumerate(game.rounds):
            found += _load_problems(f"rounds[{number}]", round_, packs)
        found += _pack_problems(game, self.reports)
        known = {name: report.census for name, report in self.reports.items()}
        censuses = censuses_of(game, packs, known)
        for number, round_ in enumerate(game.rounds):
            found += _round_problems(f"rounds[{number}]", round_, packs, censuses)
        found += self._rule_problems()
        found += cue_problems(game, self.rules)
        if self.rules is not None:
            found += place_problems("opening.words", game.opening.words, game, self.rules)
        found += _title_problems(game)
        has_faults = any(problem.severity is Severity.FAULT for problem in found)
        if self.rules is not None and not has_faults:
            self.reached = reach(game, self.rules, packs, censuses, self.effort)
        found += _ending_problems(game, self.rules, self.reached)
        return tuple(found)

    def _rule_problems(self) -> Iterator[Problem]:
        """The faults of the script and of the endings' conditions."""
        game = self.game
        try:
            script = parse(game.script)
        except ScriptFaults as faults:
            yield from (_in_script("script", fault) for fault in faults.faults)
            return
        sound, size = True, 0
        for number, ending in enumerate(game.endings):
            where = f"endings[{number}].when"
            if what := _no_counter(ending, script.counters):
                mend = "choose a counter or fact the rules know"
                yield Problem(f"endings[{number}].counts", what, mend)
                sound = False
                continue
            try:
                size += condition_of(ending, tuple(script.counters)).size
            except ScriptFaults as faults:
                sound = False
                for fault in faults.faults:
                    yield Problem(where, fault.what, fault.mend)
            if size > MAX_CONDITIONS:
                what = f"the conditions of the endings have more than {MAX_CONDITIONS:,} parts"
                yield Problem(where, what, "write shorter ones, or have fewer endings")
                return
        if not sound:
            return
        self.rules = rules_of(game)
        for said in script.said:
            yield from _said_problems(said, game, self.rules)
        yield from _unused_clock(game, self.rules)
        yield from _unheard_partly(game, self.rules)


def _no_counter(ending: Ending, counters: Collection[str]) -> str:
    """Why an ending cannot use the counter it names; empty if it can."""
    name = ending.counts
    if name in counters:
        return ""
    if name not in FACTS or name in TEXT_FACTS:
        return f"there is no counter “{name}”"
    if name in QUESTION_FACTS and not ending.at_once:
        return f"“{name}” means nothing once the game is over"
    return ""


def _in_script(where: str, fault: ScriptFault) -> Problem:
    return Problem(f"{where}[{fault.line}:{fault.column}]", fault.what, fault.mend)


def _said_problems(said: NamedInScript, game: Game, rules: Rules) -> Iterator[Problem]:
    where = f"script[{said.line}:{said.column}]"
    named = {
        "cue": [cue.name for cue in game.cues],
        "finish": [ending.title for ending in game.endings],
        "go": [round_.title for round_ in game.rounds],
    }
    if said.script_action in named and said.text not in named[said.script_action]:
        kind = {"cue": "cue", "finish": "ending", "go": "round"}[said.script_action]
        known = ", ".join(f"“{name}”" for name in named[said.script_action][:5]) or "none"
        what = f"there is no {kind} “{said.text}”"
        yield Problem(where, what, f"add it, or write one there is: {known}")
    if said.script_action == "tell":
        yield from place_problems(where, said.text, game, rules)


def _unused_clock(game: Game, rules: Rules) -> Iterator[Problem]:
    timed = {"seconds_left", "seconds_allowed", "percent_left"} & rules.reads
    if timed and not any(round_.ask.seconds is not None for round_ in game.rounds):
        yield warning(
            "script",
            f"the rules read {' and '.join(sorted(timed))}, but no round sets a question clock",
            "set one at Ask, unless the questions name their own seconds",
        )


def within_bounds(game: Game) -> Game:
    """The game with every number within its bounds, without the parts beyond the allowed number,
    and with the decimal mark of its language if it uses that."""
    fewer = replace(
        game,
        rounds=game.rounds[:MAX_ROUNDS],
        endings=game.endings[:MAX_ENDINGS],
        cues=game.cues[:MAX_CUES],
        sounds=game.sounds[:MAX_SOUNDS],
        known_as=game.known_as[:MAX_PACKS],
    )
    return clipped(with_marks(fewer))


def _too_many(game: Game) -> Iterator[Problem]:
    """More rounds, endings, cues or sounds than a game can have."""
    for name, most in _MAX_PARTS.items():
        if len(getattr(game, name)) > most:
            words = "packs with other names" if name == "known_as" else name
            yield Problem(
                name, f"{len(getattr(game, name))} {words} are there", f"have {most} at most"
            )


def _weight_problems(game: Game) -> Iterator[Problem]:
    for number, round_ in enumerate(game.rounds):
        if len(round_.draw.weights) != 5:
            what, mend = (
                f"{len(round_.draw.weights)} weights are there",
                "give one for each level, 1 to 5",
            )
            yield Problem(f"rounds[{number}].draw.weights", what, mend)


def _load_problems(at: str, round_: Round, packs: Packs) -> Iterator[Problem]:
    if not (round_.packs or round_.patterns or round_.lists or round_.sums):
        yield Problem(
            f"{at}.packs",
            "there are no questions to ask",
            "load a question file, or choose a pack, at Load",
        )
        return
    for number, name in enumerate(round_.packs):
        where = f"{at}.packs[{number}]"
        if name not in packs:
            what = f"there is no pack “{name}” that can be read"
            yield Problem(where, what, "choose another pack at Load")
        elif name in round_.packs[:number]:
            yield Problem(
                where,
                f"the pack “{packs[name].title}” is here twice",
                "take it out once at Load, or its questions will come twice",
            )
        elif packs[name].facts is not None:
            what = f"“{packs[name].title}” holds facts, and no questions yet"
            yield Problem(where, what, "make questions from them with a pattern at Load")
        elif not packs[name].questions:
            yield Problem(
                where,
                f"the pack “{packs[name].title}” holds no questions",
                "load a file that has some, or take the pack out at Load",
            )
    for name in ("lists", "sums", "patterns"):
        if len(getattr(round_, name)) > MAX_SOURCES:
            mend = f"have {MAX_SOURCES} at most"
            yield Problem(f"{at}.{name}", f"{len(getattr(round_, name))} are there", mend)
            return
    for number in range(len(round_.patterns)):
        yield from pattern_problems(at, round_, number, packs)
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
        if not 1 <= len(group.items) <= _MAX_ITEMS:
            what = f"“{group.title}” has {counted(len(group.items), 'item')}"
            yield Problem(f"{place}.items", what, f"have 1 to {_MAX_ITEMS}")
            continue
        for item_number, item in enumerate(group.items):
            item_place = f"{place}.items[{item_number}]"
            if not item.strip():
                yield Problem(item_place, "an item is empty", "write it, or leave it out")
            elif item in group.items[:item_number]:
                yield Problem(item_place, f"“{item}” is here twice", "leave it out once")
    yield from _alike_items(where, lists)
    if lists.asks is ListsAsk.SORT and lists.prompt.strip() and "{item}" not in lists.prompt:
        what = "the question never names the item to sort"
        yield Problem(f"{where}.prompt", what, "write {item} where its name is to stand")
    if lists.asks is ListsAsk.ODD_ONE_OUT:
        if "{item}" in lists.prompt:
            what = "{item} in the question tells which is the odd one out"
            yield Problem(f"{where}.prompt", what, "leave {item} out of it")
        if not any(True for _ in odd_items(lists)):
            yield Problem(
                where,
                f"no list has {lists.choices - 1} items that share no list with an odd one",
                "put more items in the lists, or offer fewer choices",
            )


def _alike_items(where: str, lists: Lists) -> Iterator[Problem]:
    """Items that are written differently and look alike once capitals are made alike."""
    seen: dict[str, str] = {}
    for number, group in enumerate(lists.lists):
        for item_number, item in enumerate(group.items):
            first = seen.setdefault(fold(item), item)
            if first != item and item.strip():
                place = f"{where}.lists[{number}].items[{item_number}]"
                what = f"“{item}” looks like “{first}”"
                yield warning(place, what, "write it the same way, or leave it out")


def _sum_problems(where: str, sums: Sums) -> Iterator[Problem]:
    spans = [("left", sums.left, 0), ("right", sums.right, 0)]
    if sums.denominators is not None:
        spans.append(("denominators", sums.denominators, 1))
    before = yield from _span_problems(where, spans)
    if sums.choices == 1:
        yield Problem(f"{where}.choices", "1 choice", "have 2 to 12, or 0 to type")
    if sums.denominators is not None and sums.operator is Operator.OVER:
        mend = "add, take away or multiply, or leave the denominators out"
        yield Problem(f"{where}.operator", "fractions are not divided", mend)
    elif before and SumTable(sums).is_too_wide:
        what = f"with these numbers more than {MAX_ROWS:,} rows of sums would be worked out"
        yield Problem(f"{where}.left", what, "narrow one of the two spans, or leave the cap out")
    elif before and count_of(sums) == 0:
        yield Problem(where, "no sum keeps to these numbers", "widen the spans or raise the cap")
    elif before and sums.choices > 1 and (fewest := fewest_choices(sums)) < sums.choices:
        what = f"some sums have only {counted(fewest, 'choice')}, for there are no more so near"
        yield warning(f"{where}.choices", what, "offer fewer, or let them be further off")


def _span_problems(
    where: str, spans: list[tuple[str, Span, int]]
) -> Generator[Problem, None, bool]:
    """The faults of spans. Returns whether all are sound."""
    sound = True
    for name, span, least in spans:
        if span.least > span.most:
            sound = False
            what = f"from {span.least} to {span.most} there is no number"
            yield Problem(f"{where}.{name}", what, "put the smaller number first")
        elif span.least < least:
            sound = False
            what = f"{span.least} to {span.most} is out of range"
            yield Problem(f"{where}.{name}", what, f"begin at {least} or later")
    return sound


def _pack_problems(game: Game, reports: Mapping[str, PackReport]) -> Iterator[Problem]:
    by_text = {
        name
        for round_ in game.rounds
        if round_.check.by_text and round_.check.ignore_case
        for name in round_.packs
    }
    for name, report in reports.items():
        for row, fault in report.unfit:
            where = f"packs[{name}].questions[{row}]"
            yield Problem(where, fault.what, "mend or remove the question")
    for name, report in reports.items():
        for row, fault in report.sharing:
            yield warning(f"packs[{name}].questions[{row}]", fault.what, fault.mend)
    yield from _repeated_prompts(game, reports)
    for name, report in reports.items():
        for row, alike in report.alike if name in by_text else ():
            yield warning(
                f"packs[{name}].questions[{row}]",
                f"“{alike.one}” and “{alike.other}” differ only in capitals",
                "a typed answer that could be either is not taken: let capitals count "
                "at Check, or change a choice",
            )


def _repeated_prompts(game: Game, reports: Mapping[str, PackReport]) -> Iterator[Problem]:
    for at, round_ in enumerate(game.rounds):
        used = [reports[name] for name in round_.packs if name in reports]
        for prompt, count in _asked_again(used):
            yield warning(
                f"rounds[{at}].packs",
                f"“{prompt}” is asked by {count} questions",
                "keep one of them, or the same question may come again",
            )


def _asked_again(reports: Sequence[PackReport]) -> Iterable[tuple[str, int]]:
    """The prompts that several questions share, and how many questions have each."""
    if len(reports) == 1:
        return reports[0].several.items()
    times = Counter(asks for report in reports for asks in report.asks if asks)
    return sorted((asks, count) for asks, count in times.items() if count > 1)


def _round_problems(at: str, round_: Round, packs: Packs, censuses: Censuses) -> Iterator[Problem]:
    draw = round_.draw
    if any(problem.severity is Severity.FAULT for problem in _load_problems(at, round_, packs)):
        return
    else:
        yield from _pool_problems(at, round_, censuses)
        yield from _near_answers(at, round_, packs)
    yield from _partly_problems(at, round_, censuses)
    if (
        round_.ask.choice_order is Order.WRITTEN
        and draw.order is not DrawOrder.WEIGHTED
        and _has_choices(round_, censuses)
    ):
        yield warning(
            f"{at}.ask.choice_order",
            "the right answer always stands at A",
            "shuffle the choices at Ask",
        )


def _pool_problems(at: str, round_: Round, censuses: Censuses) -> Iterator[Problem]:
    draw, pool = round_.draw, pool_size(round_, censuses)
    if pool == 0:
        mend = "choose other topics and levels at Draw, or none"
        yield Problem(f"{at}.draw", "no question passes the filters", mend)
    elif draw.count is not None and pool < draw.count and draw.refill is Refill.NEVER:
        yield warning(
            f"{at}.draw.count",
            f"{draw.count} questions are wanted and only {pool} are there",
            f"draw {pool} or fewer, or load more; as it is the game asks {pool}",
        )
    elif may_run_short(round_, pool, draw.count):
        yield warning(
            f"{at}.draw.count",
            f"there can be fewer than {counted(draw.count or 0, 'question')}, for rows leave",
            "draw fewer, or let the rows come again at Load",
        )


def _near_answers(at: str, round_: Round, packs: Packs) -> Iterator[Problem]:
    """Typed answers to one question that count as answers to another, by forgiven slips."""
    if not round_.check.typos:
        return
    asked: dict[str, set[tuple[str, int]]] = {}
    for name in round_.packs:
        for number, question in enumerate(packs[name].questions):
            for answer in question.right if question.kind is Kind.TYPED else ():
                asked.setdefault(answer, set()).add((name, number))
    short = sorted(answer for answer in asked if len(answer) <= _LONGEST_NEAR)[:_MAX_NEAR]
    near = [
        f"“{one}” for “{other}”"
        for one, other in permutations(short, 2)
        if abs(len(one) - len(other)) <= _MAX_TYPOS
        and not asked[one] & asked[other]
        and check_typed(one, (other,), round_.check).verdict is Verdict.CLOSE
    ]
    if near:
        more = f" and {len(near) - _NEAR_TOLD} more" if len(near) > _NEAR_TOLD else ""
        yield warning(
            f"{at}.check.typos",
            f"the typos forgiven take {', '.join(near[:_NEAR_TOLD])}{more}",
            "forgive fewer, or none in short answers",
        )


_MAX_TYPOS = 3
_LONGEST_NEAR, _MAX_NEAR, _NEAR_TOLD = 12, 40, 3
"""The largest length of answers compared with each other, the largest number of them, and the
largest number of reported pairs."""


def _partly_problems(at: str, round_: Round, censuses: Censuses) -> Iterator[Problem]:
    """A round that counts parts of answers where no answer can be right in part."""
    there = fixed_traits(round_, censuses)
    has_parts = any(
        one.all_wanted[0] or one.matched.items or len(one.gaps) > 1 or one.kind is Kind.JUDGED
        for one in there
    )
    if round_.check.partly is not PartlyRight.NEVER and not has_parts:
        yield warning(
            f"{at}.check.partly",
            "no question of this round wants several choices, pairs or gaps, or is judged",
            "load one that does, or choose all or nothing",
        )
    if round_.check.estimate_share is not EstimateShare.NEVER and not any(
        one.estimated.points for one in there
    ):
        yield warning(
            f"{at}.check.estimate_share",
            "nothing is estimated in this round",
            "load a question of that kind, or choose all or nothing",
        )
    if round_.check.order_share is not OrderShare.NEVER and not any(one.ordered for one in there):
        yield warning(
            f"{at}.check.order_share",
            "nothing is to be put in order in this round",
            "load a question of that kind, or choose all or nothing",
        )


def _unheard_partly(game: Game, rules: Rules) -> Iterator[Problem]:
    """What is programmed for partly right answers and never comes."""
    handler = rules.script.functions.get(Event.PARTLY)
    is_called = Event.PARTLY in rules.script.called  # by a script that was written before
    if (
        handler is not None
        and not is_called
        and not any(one.check.counts_parts for one in game.rounds)
    ):
        yield warning(
            f"script[{handler.lineno}:1]",
            "partly never runs: no round counts parts of answers",
            "choose at Check how parts count, or leave the handler out",
        )
    for number, round_ in enumerate(game.rounds):
        if round_.moves.partly != Way() and handler is None:
            yield warning(
                f"rounds[{number}].moves.partly",
                "this way is never taken: without the handler partly, right or wrong runs",
                "write def partly() at Score, or let it go on to the next question",
            )


def _has_choices(round_: Round, censuses: Censuses) -> bool:
    return any(
        traits.kind is Kind.CHOICE for name in round_.packs for traits in censuses.get(name, ())
    )


def _title_problems(game: Game) -> Iterator[Problem]:
    """Rounds and endings that moves name, and names that stand for two."""
    for number, round_ in enumerate(game.rounds):
        if [other.title for other in game.rounds].count(round_.title) > 1:
            what = f"two rounds are called “{round_.title}”"
            yield Problem(f"rounds[{number}].title", what, "name one otherwise")
        for after, way in round_.moves.each.items():
            where = f"rounds[{number}].moves.{after}"
            if way.to is To.ROUND and way.name not in [other.title for other in game.rounds]:
                yield Problem(where, f"there is no round “{way.name}”", "choose one at Move on")
            if way.to is To.ENDING and way.name not in [end.title for end in game.endings]:
                yield Problem(where, f"there is no ending “{way.name}”", "choose one at Move on")


def _ending_problems(game: Game, rules: Rules | None, reached: Reach | None) -> Iterator[Problem]:
    if not game.endings:
        yield Problem("endings", "the game has no ending", "add one at End")
        return
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
        elif (
            reached is not None
            and reached.is_whole
            and reached.finals
            and _is_missed(reached, number)
        ):
            yield warning(
                where,
                f"no run can reach “{name}”",
                "change its scores, or move it above the ending that takes them",
            )
    if rules is not None:
        for number, ending in enumerate(game.endings):
            where = f"endings[{number}].verdict"
            yield from place_problems(where, ending.verdict, game, rules, is_at_end=True)
    if rules is None or reached is None or crossed:
        return
    if reached.is_whole and not reached.ends_itself:
        mend = "let a round run out, set a clock, or write an ending that comes at once"
        how = "no run ever ends"
        if reached.finals:
            how += " by itself; players find a button to stop it"
        yield warning("endings", how, mend)
        if not reached.finals:
            return
    if reached.ends_unasked:
        what = "the game is over before its first question"
        yield Problem(
            "endings", what, "change the ending that comes at once, or the first counters"
        )
    yield from _uncovered(game, rules, reached)


def name_of(ending: Ending, number: int) -> str:
    """The title of an ending, by its number from 0."""
    return ending.title.strip() or f"ending {number + 1}"


def _is_missed(reached: Reach, number: int) -> bool:
    return all(final.ending != number for final in reached.finals)


def _uncovered(game: Game, rules: Rules, reached: Reach) -> Iterator[Problem]:
    """Final scores that no ending fits."""
    mend = "widen an ending at End, or add a last one with no bounds"
    left = [score for score, endings in scores_reached(rules, reached).items() if None in endings]
    if left and reached.is_exact:
        yield Problem("endings", f"no ending fits {_scores_in_words(left)}", mend)
    elif (left or not reached.is_whole) and not covers_all(game, rules):
        what = "it is not settled whether an ending fits every score"
        yield warning("endings", what, mend)


def covers_all(game: Game, rules: Rules) -> bool:
    """Whether the endings' bounds on the score, the percentage or a count leave no gap.

    Gaps below a whole number do not count where scores stay whole.
    """
    whole = rules.script.is_whole
    return (
        _covers(game, "score", -MAX_POINTS, MAX_POINTS, whole)
        or any(_covers(game, share, 0, 100, True) for share in SHARES)
        or any(_covers(game, count, 0, MAX_POINTS, True) for count in COUNTS)
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
    shown = ", ".join(str(as_written(score)) for score in scores[:4])
    if len(scores) == 1:
        return f"a score of {shown}"
    more = len(scores) - 4
    return f"the scores {shown}" + (f" and {more} more" if more > 0 else "")


__all__ = ["Packs", "covers_all", "examine", "name_of", "survey"]
