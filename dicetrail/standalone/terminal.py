"""Play a game in a terminal.

Lines are read while the clock runs: the loop checks for a typed line ten times a second and passes
the time to the engine. The countdown is rewritten in the line above the input, so typing is never
disturbed.
"""

import sys
import time
from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass
from enum import Enum
from queue import Empty, Queue
from threading import Thread
from typing import Protocol, TextIO

from dicetrail.core import (
    Action,
    Answer,
    Begin,
    Continue,
    Hint,
    Kind,
    Letter,
    Moment,
    Pass,
    Phase,
    Program,
    Quit,
    Table,
    Wait,
    start,
    step,
    table,
)
from dicetrail.core.document import Phrase, Translator
from dicetrail.core.play import CueShown, Finish, Listen, Result, Show, said_of

_LOOK_EVERY = 0.1


class TextStyle(Enum):
    """How a piece of text stands out."""

    PLAIN = "plain"
    STRONG = "strong"
    SOFT = "soft"
    TOLD = "told"
    GOOD = "good"
    BAD = "bad"


Piece = tuple[TextStyle, str]


@dataclass(frozen=True, slots=True)
class StyledLine:
    """A line, piece by piece."""

    pieces: tuple[Piece, ...]


@dataclass(frozen=True, slots=True)
class Card:
    """Lines in a frame with a title."""

    title: str
    lines: tuple[StyledLine, ...]
    is_ending: bool = False


class Screen(Protocol):
    """What a game is shown on."""

    @property
    def is_terminal(self) -> bool:
        """Whether a person reads it, not a file or another program."""

    def show(self, part: StyledLine | Card) -> None:
        """Show the next part, under all before."""

    def ask(self, status: StyledLine) -> None:
        """Show the status, under all before, and wait for what is typed under it."""

    def restate(self, status: StyledLine) -> None:
        """Write the status anew, one line above what is being typed."""

    def bell(self) -> None:
        """Sound."""


def _line(text: str, tone: TextStyle = TextStyle.PLAIN) -> StyledLine:
    return StyledLine(((tone, text),))


def _lines(text: str) -> tuple[StyledLine, ...]:
    return tuple(_line(one) for one in text.split("\n"))


class LineStream:
    """Lines of a stream, as they come. `ended` once no more will."""

    def __init__(self, stream: TextIO) -> None:
        self.ended = False
        self._come: Queue[str] = Queue()
        Thread(target=self._read, args=(stream,), daemon=True).start()

    def next_within(self, seconds: float) -> str | None:
        """The next line, if one is typed in time."""
        try:
            line = self._come.get(timeout=max(0.0, seconds))
        except Empty:
            return None
        self.ended = not line
        return line.rstrip("\n") if line else None

    def _read(self, stream: TextIO) -> None:
        for line in iter(stream.readline, ""):
            self._come.put(line)
        self._come.put("")


def play(
    program: Program,
    dice: int,
    players: tuple[str, ...],
    screen: Screen,
    lines: LineStream,
    now: Callable[[], float] = time.monotonic,
) -> Moment:
    """Play one run to its end, or until no more lines come. Returns the last state."""
    began, translator = now(), program.translator
    moment = start(program, dice, players)
    shown: object = None
    status = ""
    line: str | None = ""
    heard: tuple[CueShown, ...] = ()
    while moment.state.phase is not Phase.ENDED:
        if moment.state.question.lead_ms:  # what cannot be heard here is not waited for
            moment = step(program, moment.state, Listen(), moment.state.at)
        view = table(program, moment.state)
        face = _face(view)
        if face != shown:
            shown = face
            if view.cues and view.cues != heard and any(cue.sound for cue in view.cues):
                screen.bell()
            heard = view.cues
            if line is None and screen.is_terminal:
                screen.show(_line(""))  # what was being typed stands alone
            for part in _told(view, translator):
                screen.show(part)
            status = _status(view, translator)
            screen.ask(_line(status, TextStyle.SOFT))
        elif screen.is_terminal and status != (status := _status(view, translator)):
            screen.restate(_line(status, TextStyle.SOFT))
        line = lines.next_within(_LOOK_EVERY)
        if lines.ended:
            leaves = Finish() if view.may_finish else Quit()
            moment = step(program, moment.state, leaves, _ms(now() - began))
            break
        action = Wait() if line is None else _action(view, line, translator)
        moment = step(program, moment.state, action, _ms(now() - began))
        if moment.refused is not None:
            why = translator.say(Phrase.NOT_TAKEN, why=moment.refused)
            screen.show(_line(why, TextStyle.SOFT))
            shown = None
    view = table(program, moment.state)
    if any(cue.sound for cue in view.cues):
        screen.bell()
    for part in _told(view, translator):
        screen.show(part)
    return moment


def _ms(seconds: float) -> int:
    return int(seconds * 1000)


def _face(view: Table) -> object:
    """The part of the view whose change a player sees, without the countdown."""
    question = view.question
    return (view.phase, view.round, question, view.feedback, view.menu, view.told)


def _action(view: Table, line: str, words: Translator) -> Action:
    """The action of a typed line."""
    word = line.strip()
    if word == words.say(Phrase.KEY_QUIT):
        return Finish() if view.may_finish else Quit()
    if view.phase is Phase.OPENING:
        number = int(word) if word.isdecimal() and len(word) < 4 else None
        if len(view.menu) > 1:
            return Begin(round=None if number is None else number - 1)
        return Begin(questions=number if view.menu and view.menu[0].most_questions else None)
    question = None if view.question is None else view.question.in_run
    if view.phase is Phase.HOLDING:
        return Continue(question)
    commands: dict[str, Action] = {
        words.say(Phrase.KEY_HINT): Hint(question),
        words.say(Phrase.KEY_PASS): Pass(question),
    }
    if word in commands:
        return commands[word]
    if _may_look(view) and not word:
        return Show(question)
    if view.question is not None and view.question.kind is Kind.LETTERS and len(word) == 1:
        return Letter(word, question)
    return Answer(line, question)


def _may_look(view: Table) -> bool:
    """Whether the player can look at the answer now, to judge their own by it."""
    question = view.question
    return question is not None and question.kind is Kind.JUDGED and not question.answer


def _told(view: Table, translator: Translator) -> Iterator[StyledLine | Card]:
    """What the player is told when something has changed."""
    for words in view.told:
        yield _line(words, TextStyle.TOLD)
    if view.phase is Phase.OPENING:
        yield from _opening(view, translator)
    elif view.ending is not None:
        points = translator.say(Phrase.POINTS, count=view.score)
        right = translator.say(
            Phrase.SO_MANY_RIGHT,
            right=view.right_count,
            asked=view.asked_count,
            percent=view.percent,
        )
        whose = f"{view.ending.player}\n" if len(view.players) > 1 else ""
        text = f"{whose}{view.ending.verdict}\n\n{points}, {right}"
        yield Card(view.ending.title, _lines(text), is_ending=True)
    elif view.question is not None:
        yield from _asked(view, translator)


def _opening(view: Table, translator: Translator) -> Iterator[StyledLine | Card]:
    yield Card(view.title, _lines(view.opening or translator.say(Phrase.PRESS_ENTER)))
    if len(view.menu) > 1:
        for number, offered in enumerate(view.menu, 1):
            done = f" ({translator.say(Phrase.PLAYED)})" if offered.is_played else ""
            yield StyledLine(
                ((TextStyle.STRONG, f"  {number}"), (TextStyle.PLAIN, f" {offered.title}{done}"))
            )
        yield _line(translator.say(Phrase.TYPE_ROUND))
    elif view.menu and view.menu[0].most_questions:
        most, usual = view.menu[0].most_questions, view.menu[0].questions
        takes = translator.say(Phrase.ENTER_TAKES, count=usual or most)
        yield _line(f"{translator.say(Phrase.HOW_MANY, most=most)} {takes}")


def _asked(view: Table, translator: Translator) -> Iterator[StyledLine | Card]:
    question, feedback = view.question, view.feedback
    assert question is not None
    if feedback is None or view.phase is Phase.ASKING:
        phrase = Phrase.QUESTION_UP_TO if view.may_be_fewer else Phrase.QUESTION_OF
        phrase = Phrase.QUESTION_NUMBER if view.length is None else phrase
        number = translator.say(phrase, number=question.number, count=view.length or 0)
        where = f"{view.round}: " if view.round else ""
        gaps = question.gaps
        prompt = question.prompt if gaps is None else _numbered(gaps.around, translator)
        lines = list(_lines(prompt))
        if question.words:
            word = "   ".join(
                " ".join(cell.character or "_" for cell in word) for word in question.words
            )
            lines += [_line(""), _line(word)]
        for place, item in enumerate(question.items, 1):
            told = (TextStyle.STRONG, f"  {place}"), (TextStyle.PLAIN, f"  {item}")
            lines.append(StyledLine(told))
        if question.items:
            lines.append(_line(""))
        if question.answer:
            asked = translator.say(Phrase.DID_YOU_HAVE_IT)
            lines += [_line(""), _line(question.answer), _line(""), _line(asked)]
        if _may_look(view):
            lines += [_line(""), _line(translator.say(Phrase.ENTER_SHOWS))]
        for choice in () if _may_look(view) else question.choices:
            words = choice.text or choice.picture or choice.sound
            lines.append(
                StyledLine(
                    ((TextStyle.STRONG, f"  {choice.letter}"), (TextStyle.PLAIN, f"  {words}"))
                )
            )
        if gaps is not None:
            lines += _offered(gaps.words, translator)
        if question.scale is not None:
            unit = question.scale.unit
            least, most = (
                f"{end} {unit}".strip() for end in (question.scale.least, question.scale.most)
            )
            words = translator.say(Phrase.ESTIMATE_FROM, least=least, most=most)
            lines += [_line(""), _line(words)]
        if question.items:
            # Some letters, which are never known to be right.
            letters = "".join(choice.letter for choice in reversed(question.choices))
            lines += [_line(""), _line(translator.say(Phrase.MATCH_SUCH_AS, letters=letters))]
            if question.repeats:
                lines += [_line(translator.say(Phrase.MATCH_REPEATS))]
        if question.kind is Kind.ORDER:
            # As they stand, which is never right.
            letters = "".join(choice.letter for choice in question.choices)
            lines += [_line(""), _line(translator.say(Phrase.ORDER_SUCH_AS, letters=letters))]
        if question.wants_all:
            lines += [_line(""), _line(translator.say(Phrase.SUCH_AS))]
        yield Card(f"{where}{number}", tuple(lines))
        if question.hint:
            yield _line(translator.say(Phrase.HINT_IS, hint=question.hint))
    if feedback is not None:
        said, *more = said_of(feedback, translator)
        yield StyledLine(
            (_MARKS.get(feedback.result, (TextStyle.TOLD, "·")), (TextStyle.PLAIN, f" {said}"))
        )
        for words in (*more, *([feedback.note] if feedback.note else [])):
            yield _line(f"  {words}")


def _numbered(around: tuple[str, ...], translator: Translator) -> str:
    """A text with the numbers of its gaps."""
    first, *after = around
    named = (translator.say(Phrase.GAP_READ, number=at) for at in range(1, len(after) + 1))
    return first + "".join(f"[{name}]{part}" for name, part in zip(named, after, strict=True))


def _offered(words_of: Sequence[Sequence[str]], translator: Translator) -> Iterator[StyledLine]:
    """The words to pick from for each gap of a text, and how they are filled in."""
    yield _line("")
    for at, words in enumerate(words_of, 1):
        if words:
            name = translator.say(Phrase.GAP_READ, number=at)
            told = (TextStyle.STRONG, f"  {name}"), (TextStyle.PLAIN, f"  {', '.join(words)}")
            yield StyledLine(told)
    yield _line(translator.say(Phrase.TYPE_GAPS))


_GOOD, _BAD = (TextStyle.GOOD, "✓"), (TextStyle.BAD, "✗")
_PARTLY = (TextStyle.TOLD, "±")
_MARKS: dict[Result, Piece] = {
    Result.RIGHT: _GOOD,
    Result.CLOSE: _GOOD,
    Result.HIT: _GOOD,
    Result.PARTLY: _PARTLY,
    Result.WRONG: _BAD,
    Result.MISS: _BAD,
    Result.LATE: _BAD,
}


def _status(view: Table, translator: Translator) -> str:
    """Counters, clocks and what can be typed, in one line."""
    parts = []
    for player in view.players:
        mark = "» " if player.has_turn and len(view.players) > 1 else ""
        name = f"{player.name} " if len(view.players) > 1 else ""
        counters = ", ".join(
            f"{counter.label} {translator.number(counter.value)}"
            for counter in player.counters
            if not counter.is_hidden
        )
        out = f" ({translator.say(Phrase.IS_OUT)})" if player.is_out else ""
        parts.append(f"{mark}{name}{counters}{out}")
    for clock in view.clocks:
        seconds = translator.say(Phrase.SECONDS, count=-(-clock.left // 1000))
        parts.append(f"{translator.say(_CLOCKS[clock.of])} {seconds}")
    if view.phase is Phase.HOLDING:
        parts.append(translator.say(Phrase.ENTER_GOES_ON if view.hold is None else Phrase.WAIT))
    elif view.question is not None:
        question = view.question
        if question.tries_left is not None and question.kind is Kind.LETTERS:
            parts.append(translator.say(Phrase.MISSES_LEFT, count=question.tries_left))
        parts += [translator.say(Phrase.KEY_HINT)] * question.may_hint
        parts += [translator.say(Phrase.KEY_PASS)] * question.may_pass
    return "  |  ".join(parts)


_CLOCKS = {
    "question": Phrase.OF_QUESTION,
    "round": Phrase.OF_ROUND,
    "game": Phrase.OF_GAME,
}


def standard_lines() -> LineStream:
    """The lines typed into this process."""
    return LineStream(sys.stdin)


_PLAINER = str.maketrans(
    {"✓": "+", "✗": "x", "·": "-", "±": "~", "»": ">", "–": "-", "—": "-", "…": "...", "’": "'"}
    | dict.fromkeys("“”„«", '"')
    | dict.fromkeys("‘‚", "'")
    | dict.fromkeys("\u2066\u2067\u2068\u2069\u200e\u200f", "")
)


def written_in(text: str, encoding: str | None) -> str:
    """A text in the characters of a terminal with this encoding. Other characters are replaced by
    similar ones.

    >>> written_in("✗ “beet”", "ascii"), written_in("✗ “beet”", "utf-8")
    ('x "beet"', '✗ “beet”')
    """
    encoding = encoding or "utf-8"
    try:
        text.encode(encoding)
    except UnicodeEncodeError:
        return text.translate(_PLAINER).encode(encoding, "replace").decode(encoding)
    return text


class PlainScreen:
    """A terminal, or another stream of text, written without colours and control characters."""

    WIDTH = 78

    def __init__(self, stream: TextIO) -> None:
        self._stream = stream
        self.is_terminal = stream.isatty()

    def show(self, part: StyledLine | Card) -> None:
        """Show the next part, under all before."""
        if isinstance(part, StyledLine):
            self._print(self._of(part))
            return
        rule = "=" if part.is_ending else "-"
        self._print(
            "\n" + self._toned(TextStyle.STRONG, f" {part.title} ".center(self.WIDTH, rule))
        )
        for line in part.lines:
            self._print(self._of(line))
        self._print(rule * self.WIDTH)

    def ask(self, status: StyledLine) -> None:
        """Show the status, under all before, and wait for what is typed under it."""
        self._print(self._of(status), "\n> " if self.is_terminal else "\n")

    def restate(self, status: StyledLine) -> None:
        """Write the status anew, one line above what is being typed."""
        self._print(f"\0337\033[1A\r{self._of(status)}\033[K\0338", "")

    def bell(self) -> None:
        """Sound."""
        if self.is_terminal:
            self._print("\a", "")

    def _print(self, text: str, end: str = "\n") -> None:
        print(written_in(text, self._stream.encoding), end=end, file=self._stream, flush=True)

    def _of(self, line: StyledLine) -> str:
        return "".join(self._toned(tone, text) for tone, text in line.pieces)

    def _toned(self, tone: TextStyle, text: str) -> str:
        code = _CODES[tone] if self.is_terminal else ""
        return f"\033[{code}m{text}\033[0m" if code else text


_CODES = {
    TextStyle.PLAIN: "",
    TextStyle.STRONG: "1",
    TextStyle.SOFT: "2",
    TextStyle.TOLD: "1;33",
    TextStyle.GOOD: "1;32",
    TextStyle.BAD: "1;31",
}
"""How tones are written (ECMA-48, 8.3.117: select graphic rendition)."""
