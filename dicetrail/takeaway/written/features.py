"""Find the features of a game, under the names by which its program is cut."""

import ast
from collections.abc import Collection
from functools import cached_property, partial
from math import inf

from dicetrail.core import Kind, Shows, To, Way
from dicetrail.core.answers import fold
from dicetrail.core.document import Best, Made, Operator
from dicetrail.core.draw import FactQuestions, name_of, rows_leave
from dicetrail.core.rules import FACTS, Event, Outcome
from dicetrail.takeaway.written.asked import KINDS, alike, leaves
from dicetrail.takeaway.written.game_parts import GameParts
from dicetrail.takeaway.written.names import CUED
from dicetrail.takeaway.written.rules import has_risks
from dicetrail.takeaway.written.settings import NO_LIMIT


class _FeatureContext:
    """What several of those words hang on, worked out once."""

    def __init__(self, it: GameParts) -> None:
        self.it, self.settings = it, it.settings

    def some(self, name: str) -> bool:
        """Whether some round has a setting."""
        return any(one[name] for one in self.settings)

    def every(self, name: str) -> bool:
        """Whether every round has it."""
        return all(one[name] for one in self.settings)

    def detail(self, name: str, usual: object) -> bool:
        """Whether some question carries a detail."""
        return any(getattr(question.details, name) != usual for question in self.it.questions)

    @cached_property
    def kinds(self) -> set[str]:
        """The kinds of its questions, as the program calls them."""
        kinds = {KINDS.get(question.kind, question.kind.value) for question in self.it.questions}
        return kinds | {"choice" if sums.choices else "number" for sums in self.it.sums}

    @property
    def choosing(self) -> set[str]:
        """Those with something to pick."""
        return self.kinds & {"choice", "truth"}

    @property
    def has_letters(self) -> bool:
        """Whether words are found letter by letter."""
        return "letters" in self.kinds

    @cached_property
    def reads(self) -> set[str]:
        """Every fact that is read."""
        return self.it.reads()

    @property
    def reads_done(self) -> bool:
        """Whether it matters how many questions are done with."""
        return bool({"right_count", "wrong_count", "right_worth", "done_worth"} & self.reads)

    @property
    def reads_texts(self) -> bool:
        """Whether texts are compared."""
        return "typed" in self.kinds or (bool(self.choosing) and self.some("by_text"))

    @property
    def moves(self) -> list[Way]:
        """Every way that rounds go by themselves."""
        return [way for round_ in self.it.game.rounds for way in round_.moves.each.values()]

    @property
    def ways(self) -> set[To]:
        """Where those lead."""
        return {way.to for way in self.moves}

    @property
    def has_again(self) -> bool:
        """Whether a question can be asked anew."""
        return To.AGAIN in self.ways or "again" in self.it.script.script_actions

    @property
    def revisits(self) -> bool:
        """Whether a round can be played again."""
        return To.ROUND in self.ways or "go" in self.it.script.script_actions

    @property
    def clocked(self) -> bool:
        """Whether a question has a clock."""
        return self.detail("seconds", None) or self.some("seconds")

    @property
    def has_tries(self) -> bool:
        """Whether tries are counted."""
        return (
            self.has_letters
            or bool({"tries_used", "tries_left"} & self.reads)
            or (bool(self.kinds) and any(one["tries"] != 1 for one in self.settings))
        )

    @property
    def has_hints(self) -> bool:
        """Whether a hint can be asked for."""
        return self.some("hints") and self.detail("hint", "")

    @property
    def patterns(self) -> list[FactQuestions]:
        """What makes questions from facts."""
        return [source.made for source in self.it.sources.values() if source.made is not None]

    @property
    def picked(self) -> list[FactQuestions]:
        """Those whose questions are picked from choices."""
        return [made for made in self.patterns if made.pattern.made is Made.CHOICE]

    @property
    def is_easy_first(self) -> bool:
        """Whether some round asks easy questions first."""
        return any(one["order"] == "easy first" for one in self.settings)

    @property
    def is_written(self) -> bool:
        """Whether some round asks questions as they are written."""
        return any(one["order"] == "written" for one in self.settings)

    @property
    def is_shared(self) -> bool:
        """Whether rounds share a pack."""
        pools = self.it.program.pools
        packs = [
            part.source
            for number, pool in enumerate(pools)
            for part in pool.parts
            if name_of(part.source, number) == part.source
        ]
        return len(set(packs)) < len(packs)


def holds_of(it: GameParts) -> dict[str, bool]:
    """All of it, by its words."""
    of = _FeatureContext(it)
    holds = {f"reads_{name}": name in of.reads for name in FACTS}
    holds |= {f"{name}_varies": name not in it.same for name in it.settings[0]}
    for part in (_of_questions, _of_sums, _of_draw, _of_asking, _of_checking, _of_rules):
        holds |= part(of)
    holds |= {f"cue_{name}": bool(it.cues_on(*on)) for name, on in CUED.items()}
    holds["cue_life"] = holds["cue_life"] and "lives" in it.script.counters
    holds["begins_apart"] = holds["many_rounds"] or holds["has_started"] or holds["cue_opening"]
    holds["ends_apart"] = holds["cue_ending"] or any(
        holds[name] for name in ("many_players", "has_game_over", "reads_leaders")
    )
    return holds


def _of_questions(of: _FeatureContext) -> dict[str, bool]:
    """What its questions are and carry."""
    it = of.it
    return {
        "many_kinds": len(of.kinds) > 1 or "truth" in of.kinds,
        "has_choices": bool(of.choosing),
        "judges": bool(of.choosing) or len(of.kinds) > 1,
        "has_made": any(source.endswith("]") for source in it.sources) or bool(it.sums),
        "has_truth": "truth" in of.kinds,
        "has_other_kinds": bool(of.kinds - {"choice", "truth"}),
        "has_typed": "typed" in of.kinds,
        "has_numbers": "number" in of.kinds,
        "has_letters": of.has_letters,
        "has_wrong": any(q.wrong for q in it.questions) or any(one.choices for one in it.sums),
        "has_written": any(part.questions for pool in it.program.pools for part in pool.parts),
        "has_topics": of.some("topics"),
        "has_levels": of.some("levels"),
        "has_level": of.is_easy_first
        or of.some("levels")
        or ("level" in of.reads and of.detail("level", None)),
        "has_worth": "worth" in of.reads and of.detail("worth", None),
        "has_own_seconds": of.detail("seconds", None),
        "has_hints": of.has_hints,
        "has_notes": of.detail("note", ""),
        "has_tolerance": any(q.details.tolerance for q in it.questions if q.kind is Kind.NUMBER),
        "has_own_misses": of.detail("misses", None) and of.has_letters,
        "has_pinned": of.detail("pinned", "") and bool(of.choosing),
        "has_unseen": any(q.choices and q.details.shows is not Shows.TEXT for q in it.questions)
        or any(made.pattern.shows is not Shows.TEXT for made in of.picked),
        "has_when_right": of.detail("when_right", ""),
        "has_when_wrong": of.detail("when_wrong", ""),
        "has_replies": any(any(q.replies) for q in it.questions),
        "has_others": bool(of.picked),
        "has_alike": any(alike(made, n) for made in of.picked for n in range(len(made))),
        "has_leaving": any(map(leaves, of.patterns)),
        "has_return": any(
            rows_leave(round_) and (number or of.revisits)
            for number, round_ in enumerate(it.game.rounds)
        ),
    }


def _of_sums(of: _FeatureContext) -> dict[str, bool]:
    """Which sums the dice make."""
    it = of.it
    return {
        "has_sums": bool(it.sums),
        "has_sum_choices": any(one.choices for one in it.sums),
        "has_typed_sums": any(not one.choices for one in it.sums),
        "has_fractions": any(one.denominators for one in it.sums),
        "has_cap": any(one.cap is not None for one in it.sums),
        "has_minus": any(one.operator is Operator.MINUS or one.negative for one in it.sums),
        "has_times": any(one.operator is Operator.TIMES for one in it.sums),
        "has_over": any(one.operator is Operator.OVER for one in it.sums),
        "has_plus_or_minus": any(
            one.operator in (Operator.PLUS, Operator.MINUS) for one in it.sums
        ),
    }


def _of_draw(of: _FeatureContext) -> dict[str, bool]:
    """How questions are drawn, and how choices stand."""
    it = of.it
    return {
        "all_endless": of.every("endless"),
        "length_varies": of.some("endless") and not of.every("endless"),
        "has_refill": of.some("refills"),
        "refills_always": of.every("refills"),
        "asks_all": not of.some("asks"),
        "has_easy_first": of.is_easy_first,
        "all_shuffled": it.same.get("order") == "shuffled",
        "all_written": it.same.get("order") == "written",
        "plain_order": not (of.some("refills") or of.is_shared or of.revisits or of.is_written)
        and not any(_asks_all_easy(it, number) for number in range(len(it.settings))),
        "plain_fills": of.every("endless")
        and not (of.is_easy_first or of.is_shared or of.revisits)
        and it.same.get("order") == "shuffled",
        "simple": not (of.some("refills") or of.is_easy_first or of.is_shared or of.revisits)
        and not any(map(leaves, of.patterns)),
        "has_shared": of.is_shared or of.revisits,
        "has_shown": of.some("shown"),
        "has_spread": of.some("spreads"),
    }


def _of_asking(of: _FeatureContext) -> dict[str, bool]:
    """Clocks, tries, and what a player can do."""
    it = of.it
    return {
        "has_question_clock": of.clocked,
        "has_round_clock": of.some("clock"),
        "has_game_clock": it.game.seconds is not None,
        "has_clock": of.clocked
        or of.some("clock")
        or it.game.seconds is not None
        or "seconds_used" in of.reads,
        "has_ending_clock": of.clocked or of.some("clock") or it.game.seconds is not None,
        "has_long_clock": of.some("clock") or it.game.seconds is not None,
        "reads_clock": bool({"seconds_left", "seconds_used", "percent_left"} & of.reads),
        "reads_clock_left": bool({"seconds_left", "percent_left"} & of.reads),
        "has_tries": of.has_tries,
        "endless_tries": any(one["tries"] == NO_LIMIT for one in it.settings),
        "has_passing": of.some("passing"),
    }


def _of_checking(of: _FeatureContext) -> dict[str, bool]:
    """How answers are read, and what is told of them."""
    it = of.it
    return {
        "has_folding": of.reads_texts,
        "has_articles": of.some("articles") and of.reads_texts,
        "has_elided": any(
            str(word).endswith("'")
            for one in it.settings
            for word in one["articles"]  # type: ignore[attr-defined]
        ),
        "has_pointed_numbers": of.some("ignores_points") and _has_numbers(it),
        "has_exact_parts": _has_exact_parts(it, max(int(str(one["typos"])) for one in it.settings)),
        "text_always": of.every("by_text"),
        "text_never": not of.some("by_text"),
        "has_points": of.some("ignores_points") and of.reads_texts,
        "points_vary": "ignores_points" not in it.same,
        "points_always": of.every("ignores_points"),
        "has_typos": of.some("typos") and of.reads_texts,
        "typos_vary": not of.every("typos"),
        "comma_never": not of.some("comma"),
        "comma_always": of.every("comma"),
        "reveals_last": it.same.get("reveals") == "last try",
        "reveals_always": it.same.get("reveals") == "always",
        "reveals_never": it.same.get("reveals") == "never",
    }


def _of_rules(of: _FeatureContext) -> dict[str, bool]:
    """What the rules do, and where the game goes."""
    it = of.it
    return {
        "names_rounds": len(it.game.rounds) > 1,
        "many_rounds": len(it.game.rounds) > 1 or of.revisits,
        "many_players": it.game.opening.most_players > 1,
        "asks_names": it.game.opening.asks_names,
        "has_reveal": "reveal" in it.script.script_actions,
        "has_moves": any((way.to, way.name) != (To.QUESTION, "") for way in of.moves),
        "has_again": of.has_again,
        "can_leave_round": of.revisits or To.NEXT_ROUND in of.ways,
        "can_come_again": of.revisits,
        "reads_done": of.reads_done,
        "unsure": of.reads_done and (of.has_tries or of.has_again),
        "has_at_once": bool(it.rules.at_once_in_question),
        "has_asked": "asked" in it.script.functions
        or (bool(it.rules.at_once_in_question) and "asked_count" in of.reads),
        "has_started": "started" in it.script.functions or _has_come(it),
        "has_hinted": "hinted" in it.script.functions and of.has_hints,
        "has_round_over": "round_over" in it.script.functions,
        "has_game_over": "game_over" in it.script.functions,
        "has_guards": has_risks(it.script, partial(is_safe, it)),
        "has_limit": _may_outgrow(it),
        "lowest": it.game.best is Best.LOWEST,
        "reads_leaders": bool({"leaders", "player_count"} & it.read_at_end()),
        "has_opening": bool(it.game.opening.words.strip()),
        "may_not_end": not any(always_ends(it, ending.counts) for ending in it.game.endings),
    }


def is_safe(it: GameParts, node: ast.expr) -> bool:
    """Whether a divisor is never nothing, or an index never beyond its list."""
    match node:
        case ast.Constant(value=int() as value):
            return value != 0
        case ast.Name(id="seconds_allowed") if "seconds_allowed" not in it.script.counters:
            return all(one["seconds"] for one in it.settings)
        case ast.Subscript(
            value=ast.List(elts=items),
            slice=ast.BinOp(
                left=ast.Name(id="tries_used"), op=ast.Sub(), right=ast.Constant(value=1)
            ),
        ):
            has_words = any(question.kind is Kind.LETTERS for question in it.questions)
            most = max(int(str(one["tries"])) for one in it.settings)
            return not has_words and most <= len(items)
    return False


def _may_outgrow(it: GameParts) -> bool:
    """Whether a counter could pass a thousand million: unless rules only add small numbers."""
    parts = [part for function in it.script.functions.values() for part in ast.walk(function)]
    numbers = [
        *(part.value for part in parts if isinstance(part, ast.Constant)),
        *(question.details.worth or 0 for question in it.questions),
        *it.script.counters.values(),
    ]
    is_small = all(abs(number) <= _SMALL for number in numbers if isinstance(number, int))
    return not is_small or not all(_adds(part, it.script.counters) for part in parts)


_SMALL = 1000


def _adds(part: ast.AST, counters: Collection[str]) -> bool:
    """Whether a part of a rule lets counters grow by no more than what is added."""
    match part:
        case ast.BinOp(left=left, op=ast.Mult(), right=right):
            return isinstance(left, ast.Constant) or isinstance(right, ast.Constant)
        case ast.AugAssign(op=operator, value=value):
            is_sum = isinstance(operator, ast.Add | ast.Sub | ast.FloorDiv | ast.Mod)
            named = {inner.id for inner in ast.walk(value) if isinstance(inner, ast.Name)}
            return is_sum and not named & {*counters}
        case ast.Assign(value=value):
            return not any(isinstance(inner, ast.BinOp) for inner in ast.walk(value))
    return True


def _has_come(it: GameParts) -> bool:
    """Whether an ending comes at once as the game begins."""
    first, come = it.rules.first, it.rules.effects[Event.STARTED].at_once
    if come is None:
        return False
    return come(first.counters, first[1:], Outcome(Event.STARTED), 1, 1) is not None


def _asks_all_easy(it: GameParts, number: int) -> bool:
    """Whether a round asks its whole pool, easy ones first, or could."""
    settings, pool = it.settings[number], it.program.pools[number]
    if settings["order"] != "easy first":
        return False
    return (
        it.game.opening.most_players > 1
        or bool(it.game.rounds[number].sums)
        or not 0 < int(str(settings["asks"])) < len(pool)
    )


def _has_numbers(it: GameParts) -> bool:
    """Whether an answer that is read as a text has a number in it; those of sums have."""
    texts = (text for question in it.questions for text in (*question.right, *question.wrong))
    return any(one.choices for one in it.sums) or any(any(map(str.isdigit, one)) for one in texts)


def _has_exact_parts(it: GameParts, most_typos: int) -> bool:
    """Whether an answer has words that must be exact beside others that need not. Where one slip
    is forgiven at most it cannot fall on such a word unseen, unless the word stands there twice."""
    for question in it.questions:
        for text in (*question.right, *question.wrong):
            words = fold(text).split()
            firm = [
                word
                for word in words
                if sum(map(str.isalpha, word)) < 4 or any(map(str.isdigit, word))
            ]
            if len(set(firm)) < len(firm) or (most_typos > 1 and len(words) > 1 and firm):
                return most_typos > 0
    return False


def always_ends(it: GameParts, counts: str) -> bool:
    """Whether some ending surely fits, as far as the bounds of one counter tell."""
    endings = [it.game.endings[number] for number in it.rules.final]
    return _covers(
        [
            (
                -inf if ending.at_least is None else ending.at_least,
                inf if ending.at_most is None else ending.at_most,
            )
            for ending in endings
            if not ending.when.strip()
            and (ending.counts == counts or ending.at_least is ending.at_most is None)
        ]
    )


def _covers(spans: list[tuple[float, float]]) -> bool:
    """Whether every whole number lies in one of some spans."""
    upto = -inf
    for least, most in sorted(spans):
        if least > upto + 1:
            return False
        upto = max(upto, most)
    return upto == inf
