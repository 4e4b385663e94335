"""A game played twice with the same dice: by the engine, and by the program it leaves as."""

import re
from contextlib import suppress
from dataclasses import replace
from random import Random
from types import SimpleNamespace

from dicetrail.core import (
    Answer,
    Begin,
    Continue,
    Hint,
    Kind,
    Letter,
    Pass,
    Phase,
    Wait,
    start,
    step,
    table,
)
from dicetrail.core.answers import laid_out
from dicetrail.core.document import Phrase, area_in, gap_in, pair_in
from dicetrail.core.play import Listen, Result, Show
from dicetrail.core.play.program import question_of
from dicetrail.core.play.state import InHold

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
NO_BEST = {"highest score": 10**12, "lowest score": -(10**12), "shortest time": 0, "fastest": 0}
"""Scores nobody beats: a program remembers no best ones."""


class Game:
    """A run of the engine, with what a program would print and what is typed into it."""

    def __init__(self, program, dice, players):
        self.program, self.words, self.dice = program, program.translator, dice
        best = NO_BEST[program.game.best.value]
        self.moment = start(program, dice, players, best=best)
        self.players = players
        self.typed, self.printed = [], [program.game.title]
        opening = table(program, self.state).opening
        if opening.strip():
            self.printed.append(opening)
        self.step(Begin())

    @property
    def state(self):
        return self.moment.state

    def step(self, action, later=0):
        self.moment = step(self.program, self.state, action, self.state.at + later)
        if self.state.question.lead_ms:
            self.moment = step(self.program, self.state, Listen(), self.state.at)
        return table(self.program, self.state)

    def play(self, chance, most):
        """Play so many inputs, or to the end, as chance has it."""
        self.asked()
        while self.state.phase is not Phase.ENDED and len(self.typed) < most:
            self.answer(chance)
        return self.printed

    def asked(self, said=0):
        """Told of a question that is put; so much was said before it."""
        view = table(self.program, self.state)
        if view.question is None:
            return
        heading = self.words.say(Phrase.QUESTION_NUMBER, number=view.question.number)
        self.printed += ["", f"{view.round}: {heading}" if view.round else heading]
        gaps = view.question.gaps
        self.printed += (view.question.prompt if gaps is None else self.numbered(gaps)).split("\n")
        self.printed += [f"  {at}  {item}" for at, item in enumerate(view.question.items, 1)]
        if may_look(view):
            self.printed.append(self.words.say(Phrase.ENTER_SHOWS))
        else:
            self.offered(view)
        self.printed += self.how(view.question)
        self.printed += view.told[said:]
        self.laid_out()

    def offered(self, view):
        for choice in view.question.choices:
            self.printed.append(
                f"  {choice.letter}  {choice.text}" if choice.text else f"  {choice.letter}"
            )

    def numbered(self, gaps):
        first, *after = gaps.around
        named = (self.words.say(Phrase.GAP_READ, number=at) for at in range(1, len(after) + 1))
        return first + "".join(f"[{name}]{part}" for name, part in zip(named, after, strict=True))

    def how(self, question):
        """How an answer of several parts is typed."""
        letters = "".join(choice.letter for choice in question.choices)
        if question.wants_all:
            yield self.words.say(Phrase.SUCH_AS)
        if question.kind is Kind.ORDER:
            yield self.words.say(Phrase.ORDER_SUCH_AS, letters=letters)
        if question.kind is Kind.MATCH:
            yield self.words.say(Phrase.MATCH_SUCH_AS, letters=letters[::-1])
            if question.repeats:
                yield self.words.say(Phrase.MATCH_REPEATS)
        if question.gaps is not None:
            for at, words in enumerate(question.gaps.words, 1):
                if words:
                    yield f"  {self.words.say(Phrase.GAP_READ, number=at)}  {', '.join(words)}"
            yield self.words.say(Phrase.TYPE_GAPS)
        if question.scale is not None:
            ends = (question.scale.least, question.scale.most)
            least, most = (f"{end} {question.scale.unit}".strip() for end in ends)
            yield self.words.say(Phrase.ESTIMATE_FROM, least=least, most=most)

    def laid_out(self):
        view = table(self.program, self.state)
        if view.question is not None and view.question.words:
            word = question_of(self.program, self.state).right[0]
            cells = laid_out(word, self.state.question.tried, False)
            self.printed.append(
                "   ".join(" ".join(cell.character or "_" for cell in word) for word in cells)
            )

    def answer(self, chance):
        view, clocks = table(self.program, self.state), self.state.clocks
        self.presented_count = self.state.history.presented_count
        line, pause = what_to_type(self.program, self.state, view, chance)
        self.typed.append((line, pause))
        long = min((left for left in (clocks.round, clocks.game) if left is not None), default=None)
        own = clocks.question
        if own is not None and pause >= own and (long is None or own <= long):
            self.feedback(self.step(Wait(), own), view, line)
        elif long is not None and pause >= long:
            self.printed.append(self.words.say(Phrase.LATE))
            before = len(view.told)
            view = self.step(Wait(), long)
            self.went_on(replace(view, told=view.told[before:]), before)
        else:
            self.feedback(self.step(self.action(view, line), pause), view, line)

    def action(self, view, line):
        if line == self.words.say(Phrase.KEY_HINT):
            return Hint()
        if line == self.words.say(Phrase.KEY_PASS):
            return Pass()
        if may_look(view):
            return Show()
        is_letter = view.question.kind is Kind.LETTERS and len(line.strip()) == 1
        return Letter(line.strip()) if is_letter else Answer(line)

    def feedback(self, view, before, line):
        if self.moment.refused is not None:
            if self.moment.refused.phrase is Phrase.ONE_LETTER:
                self.unreadable(line)
            self.laid_out()
            return
        if line == self.words.say(Phrase.KEY_HINT) and view.question.hint != before.question.hint:
            self.printed.append(self.words.say(Phrase.HINT_IS, hint=view.question.hint))
            self.printed += view.told
            self.went_on(view)
            return
        if may_look(before) and not may_look(view):
            self.printed += [view.question.answer, self.words.say(Phrase.DID_YOU_HAVE_IT)]
            self.offered(view)
            return
        feedback = view.feedback
        if feedback.result is Result.UNREADABLE:
            self.unreadable(line)
            self.laid_out()
            return
        self.printed.append(self.words.say(HEADLINES[feedback.result]))
        self.printed += view.told
        self.printed += [feedback.says] if feedback.says else []
        if feedback.answer and feedback.result not in (Result.HIT, Result.MISS):
            self.printed.append(self.words.say(Phrase.IT_IS, answer=feedback.answer))
            self.printed += [feedback.note] if feedback.note else []
        self.printed.append(self.counters(next(p for p in view.players if p.has_turn)))
        goes_on = isinstance(self.state.stands, InHold) and self.state.stands.way is not None
        stands = self.state.phase is Phase.ASKING or not goes_on
        left = view.question.tries_left
        is_missed = feedback.result in (Result.WRONG, Result.PARTLY)
        if stands and is_missed and left is not None:
            self.printed.append(self.words.say(Phrase.TRIES_LEFT, count=left))
        self.went_on(view)

    def went_on(self, view, said=0):
        if isinstance(self.state.stands, InHold):
            way, hold = self.state.stands.way, self.state.stands.ms
            view = self.step(Continue()) if hold is None else self.step(Wait(), hold)
            if way is None:
                self.laid_out()
            elif self.state.phase is not Phase.ENDED:
                self.asked()
        elif self.state.phase is Phase.ASKING:
            self.asked(
                said
            ) if self.state.history.presented_count != self.presented_count else self.laid_out()
        if self.state.phase is Phase.ENDED:
            self.ended(view)

    def unreadable(self, line):
        self.printed.append(self.words.say(Phrase.UNREADABLE, why=line))

    def ended(self, view):
        self.printed += [*view.told, "", view.ending.title, *view.ending.verdict.split("\n")]
        self.printed += [self.counters(player) for player in view.players]
        self.printed.append(f"({self.dice})")

    def counters(self, player):
        usual = {"score": Phrase.SCORE, "lives": Phrase.LIVES}
        told = ", ".join(
            f"{self.words.say(usual[c.name]) if c.name in usual else c.name.capitalize()} {c.value}"
            for c in player.counters
        )
        many = self.program.game.opening.most_players > 1
        return f"{player.name}: {told}" if many else told


def what_to_type(program, state, view, chance: Random):
    """A line somebody might type now, and after how many milliseconds."""
    question, words = view.question, program.translator
    lines = ["", "  ", "zzz", "17", "c", "B ", "2", "½", "l'or", "a, b", "Ärger"]
    if question.may_hint:
        lines += [words.say(Phrase.KEY_HINT)] * 3
    if question.may_pass:
        lines += [words.say(Phrase.KEY_PASS)] * 3
    for choice in question.choices:
        lines += [choice.letter, choice.letter.lower(), str(choice.place)]
        lines += [varied(choice.text, chance)] * bool(choice.text)
    right = question_of(program, state).right
    if question.wants_all or question.kind in PARTED:
        lines += [parts_to_type(question, right, words.joined_by, chance) for _ in range(24)]
    elif not question.choices:
        lines += [varied(one, chance) for one in right] * 6
        if question.kind is Kind.LETTERS:
            lines += [*dict.fromkeys(right[0])] * 4 + list("xqé-")
    if chance.random() < 0.5:
        lines = lines[11:] or lines
    pause = chance.choice([0, 100, 999, 1000, 2500, 7000, 20_000])
    return chance.choice(lines), pause


def may_look(view):
    """Whether the answer is still to be shown, so that its player can judge their own."""
    return view.question.kind is Kind.JUDGED and not view.question.answer


def parts_to_type(question, right, word, chance):
    """Answers of several parts: right ones, some with a part exchanged or left out, in all the ways
    they can be typed."""
    letters = [choice.letter for choice in question.choices]
    if question.gaps is not None:
        fits = [gap_in(text).accepted[0] for text in right]
        offered = [[*words, fit, ""] for words, fit in zip(question.gaps.words, fits, strict=True)]
        parts = [
            chance.choice(some) if chance.random() < 0.4 else fit
            for some, fit in zip(offered, fits, strict=True)
        ]
        parts = [varied(part, chance) if chance.random() < 0.3 else part for part in parts]
        return chance.choice(["; ", ", ", ";", " "]).join(parts)
    if question.scale is not None:
        scale = question.scale
        place = chance.randrange(-1, scale.points + 1)
        number = (scale.first + place * scale.step) / 10**scale.decimals
        unit = chance.choice(["", f" {scale.unit}", scale.unit.upper()])
        return f"{chance.choice([*right, f'{number:g}', '1/2'])}{unit}"
    named = chance.choice(
        [
            letters,
            [choice.text for choice in question.choices],
            [str(choice.place) for choice in question.choices],
        ]
    )
    by_text = {choice.text: name for choice, name in zip(question.choices, named, strict=True)}
    wanted = [pair_in(text)[1] for text in right] if question.items else [*right]
    wanted = [area_in(text).name if area_in(text) else text for text in wanted]
    parts = [by_text.get(text, text) for text in wanted]
    if question.kind is not Kind.ORDER and not question.items:
        parts = [part for part in named if (part in parts) == (chance.random() < 0.8)]
    elif chance.random() < 0.6 and len(parts) > 1:
        at, other = chance.sample(range(len(parts)), 2)
        parts[at], parts[other] = parts[other], parts[at] if chance.random() < 0.8 else named[0]
    if question.items and chance.random() < 0.3:
        numbered = [f"{at}{part}" for at, part in enumerate(parts, 1)]
        return chance.choice([" ", ", "]).join(chance.sample(numbered, len(numbered)))
    between = chance.choice([", ", " ", "", " and ", f" {word} ", f" {word.upper()} ", "; "])
    line = varied(between.join(parts), chance)
    return line.lower() if chance.random() < 0.3 else line


def varied(text, chance):
    """A text as somebody else might type it."""
    way = chance.randrange(9)
    if way == 0:
        return f"  {text} "
    if way == 1:
        return text.upper()
    if way == 2:
        return f"the {text}"
    if way == 3 and text:
        at = chance.randrange(len(text))
        return text[:at] + chance.choice("xe ") + text[at:]
    if way == 4 and len(text) > 1:
        at = chance.randrange(len(text) - 1)
        return text[:at] + text[at + 1] + text[at] + text[at + 2 :]
    if way == 5 and len(text) > 1:
        at = chance.randrange(len(text))
        return text[:at] + text[at + 1 :]
    if way == 6:
        return f"{text}."
    return text


PARTED = {Kind.ORDER, Kind.MATCH, Kind.GAPS, Kind.ESTIMATE}


class Over(Exception):
    """No more is typed."""


def run_program(text, dice, names, typed):
    """What a program prints when these lines are typed, each after so long."""
    printed, lines = [], [*((name, 0) for name in names), *typed]
    clock = [10**9]

    def ask(_prompt=""):
        if not lines:
            raise Over
        line, pause = lines.pop(0)
        clock[0] += pause * 1_000_000
        return line

    def show(*parts):
        printed.extend(" ".join(map(str, parts)).split("\n"))

    program = {"__name__": "played", "input": ask, "print": show}
    exec(compile(text, "<program>", "exec"), program)
    program["time"] = SimpleNamespace(monotonic_ns=lambda: clock[0])
    program["sys"] = SimpleNamespace(argv=["it", str(dice)], maxsize=2**63 - 1)
    with suppress(Over):
        program["main"]()
    return printed


def alike(lines, words):
    """Lines without what programs leave out: how many questions there are, and marks of
    direction."""
    texts = (
        words.say(Phrase.QUESTION_OF, number=0, count=0),
        words.say(Phrase.QUESTION_NUMBER, number=0),
    )
    of, without = (_MARKS.sub("", text) for text in texts)
    of = re.compile(re.escape(of).replace("0", "(.+)", 1).replace("0", ".+") + "$")
    told = []
    for line in lines:
        line = _MARKS.sub("", line)
        found = of.search(line)
        told.append(line[: found.start()] + without.replace("0", found[1]) if found else line)
    return told


_MARKS = re.compile("[\u2066-\u2069]")
