"""A game played in a terminal.

Keys are read while the clock runs: the loop looks for a typed line ten times a second and
passes the time on to the engine in between. The countdown stands in the line above the
one being typed and is written anew in place, so typing is never disturbed.
"""

import select
import sys
import time
from collections.abc import Callable, Iterator
from dataclasses import dataclass
from typing import TextIO

from rich.console import Console
from rich.markup import escape
from rich.panel import Panel

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
from dicetrail.core.document import Phrase, Wording
from dicetrail.core.play import CueShown, Result

_LOOK_EVERY = 0.1


@dataclass(eq=False)
class Lines:
    """Lines of a stream, as they come. `ended` once no more will."""

    stream: TextIO
    ended: bool = False

    def next_within(self, seconds: float) -> str | None:
        """The next line, if one is typed in time."""
        ready, _, _ = select.select([self.stream], [], [], max(0.0, seconds))
        if not ready:
            return None
        line = self.stream.readline()
        self.ended = not line
        return line.rstrip("\n") if line else None


def play(
    program: Program,
    dice: int,
    players: tuple[str, ...],
    console: Console,
    lines: Lines,
    now: Callable[[], float] = time.monotonic,
) -> Moment:
    """Play one run to its end, or until no more lines come. Returns where it stands then."""
    began, wording = now(), program.wording
    moment = start(program, dice, players)
    shown: object = None
    status, line = "", ""
    heard: tuple[CueShown, ...] = ()
    while moment.state.phase is not Phase.ENDED:
        view = table(program, moment.state)
        face = _face(view)
        if face != shown:
            shown = face
            if view.cues and view.cues != heard and any(cue.sound for cue in view.cues):
                console.bell()
            heard = view.cues
            if line is None and console.is_terminal:
                console.print()  # what was being typed stands alone
            for part in _told(view, wording):
                console.print(part)
            status = _status(view, wording)
            console.print(status, end="\n> " if console.is_terminal else "\n")
        elif console.is_terminal and status != (status := _status(view, wording)):
            _restatus(console, status)
        line = lines.next_within(_LOOK_EVERY)
        if lines.ended:
            moment = step(program, moment.state, Quit(), _ms(now() - began))
            break
        action = Wait() if line is None else _action(view, line, wording)
        moment = step(program, moment.state, action, _ms(now() - began))
        if moment.refused is not None:
            why = wording.say(Phrase.NOT_TAKEN, why=moment.refused)
            console.print(f"[dim]{escape(why)}[/dim]")
            shown = None
    view = table(program, moment.state)
    if any(cue.sound for cue in view.cues):
        console.bell()
    for part in _told(view, wording):
        console.print(part)
    return moment


def _ms(seconds: float) -> int:
    return int(seconds * 1000)


def _face(view: Table) -> object:
    """What a player would see change, the countdown left out."""
    question = view.question
    return (view.phase, view.round, question, view.feedback, view.menu, view.told)


def _action(view: Table, line: str, words: Wording) -> Action:
    """What a typed line does now."""
    word = line.strip()
    if word == words.say(Phrase.KEY_QUIT):
        return Quit()
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
    if view.question is not None and view.question.kind is Kind.LETTERS and len(word) == 1:
        return Letter(word, question)
    return Answer(line, question)


def _told(view: Table, wording: Wording) -> Iterator[str | Panel]:
    """What the player is told when something has changed."""
    for words in view.told:
        yield f"[bold yellow]{escape(words)}[/]"
    if view.phase is Phase.OPENING:
        yield from _opening(view, wording)
    elif view.ending is not None:
        points = wording.say(Phrase.POINTS, count=view.score)
        right = wording.say(
            Phrase.SO_MANY_RIGHT,
            right=view.right_count,
            asked=view.asked_count,
            percent=view.percent,
        )
        whose = f"{escape(view.ending.player)}\n" if len(view.players) > 1 else ""
        text = f"{whose}{escape(view.ending.verdict)}\n\n{points}, {right}"
        yield Panel(text, title=f"[bold]{escape(view.ending.title)}", border_style="green")
    elif view.question is not None:
        yield from _asked(view, wording)


def _opening(view: Table, wording: Wording) -> Iterator[str | Panel]:
    words = escape(view.opening) or wording.say(Phrase.PRESS_ENTER)
    yield Panel(words, title=f"[bold]{escape(view.title)}")
    if len(view.menu) > 1:
        for number, offered in enumerate(view.menu, 1):
            done = f" ({wording.say(Phrase.PLAYED)})" if offered.is_played else ""
            yield f"  [bold]{number}[/] {escape(offered.title)}{done}"
        yield wording.say(Phrase.TYPE_ROUND)
    elif view.menu and view.menu[0].most_questions:
        most, usual = view.menu[0].most_questions, view.menu[0].questions
        takes = wording.say(Phrase.ENTER_TAKES, count=usual or most)
        yield f"{wording.say(Phrase.HOW_MANY, most=most)} {takes}"


def _asked(view: Table, wording: Wording) -> Iterator[str | Panel]:
    question, feedback = view.question, view.feedback
    assert question is not None
    if feedback is None or view.phase is Phase.ASKING:
        phrase = Phrase.QUESTION_NUMBER if view.length is None else Phrase.QUESTION_OF
        number = wording.say(phrase, number=question.number, count=view.length or 0)
        where = f"{escape(view.round)}: " if view.round else ""
        text = escape(question.prompt)
        if question.words:
            text += "\n\n" + "   ".join(
                " ".join(escape(cell.sign) or "_" for cell in word) for word in question.words
            )
        for slat in question.choices:
            words = slat.text or slat.picture or slat.sound
            text += f"\n  [bold]{slat.letter}[/]  {escape(words)}"
        if question.wants_all:
            text += f"\n\n{wording.say(Phrase.SUCH_AS)}"
        yield Panel(text, title=f"{where}{escape(number)}", title_align="left")
        if question.hint:
            yield escape(wording.say(Phrase.HINT_IS, hint=question.hint))
    if feedback is not None:
        mark = _MARKS.get(feedback.result.value, "[bold yellow]·[/]")
        if feedback.result is Result.UNREADABLE:
            said = wording.say(Phrase.UNREADABLE, why=feedback.why)
        else:
            said = f"{wording.say(_HEADLINES[feedback.result])} {feedback.why}"
        yield f"{mark} {escape(said)}"
        if feedback.says:
            yield f"  {escape(feedback.says)}"
        if feedback.answer:
            yield f"  {escape(wording.say(Phrase.IT_IS, answer=feedback.answer))}"
        if feedback.note:
            yield f"  {escape(feedback.note)}"


_HEADLINES = {
    Result.RIGHT: Phrase.RIGHT,
    Result.CLOSE: Phrase.CLOSE,
    Result.WRONG: Phrase.WRONG,
    Result.LATE: Phrase.LATE,
    Result.PASSED: Phrase.WAS_PASSED,
    Result.HIT: Phrase.HIT,
    Result.MISS: Phrase.MISS,
}

_MARKS = {
    "right": "[bold green]✓[/]",
    "close": "[bold green]✓[/]",
    "hit": "[bold green]✓[/]",
    "wrong": "[bold red]✗[/]",
    "miss": "[bold red]✗[/]",
    "late": "[bold red]✗[/]",
}


def _status(view: Table, wording: Wording) -> str:
    """Counters, clocks and what can be typed, in one line."""
    parts = []
    for player in view.players:
        mark = "» " if player.has_turn and len(view.players) > 1 else ""
        name = f"{escape(player.name)} " if len(view.players) > 1 else ""
        counters = ", ".join(
            f"{_counter_named(counter.name, wording)} {wording.number(counter.value)}"
            for counter in player.counters
        )
        out = f" ({wording.say(Phrase.IS_OUT)})" if player.is_out else ""
        parts.append(f"{mark}{name}{counters}{out}")
    for clock in view.clocks:
        seconds = wording.say(Phrase.SECONDS, count=-(-clock.left // 1000))
        parts.append(f"{wording.say(_CLOCKS[clock.of])} {seconds}")
    if view.phase is Phase.HOLDING:
        parts.append(wording.say(Phrase.ENTER_GOES_ON if view.hold is None else Phrase.WAIT))
    elif view.question is not None:
        question = view.question
        if question.tries_left is not None and question.kind is Kind.LETTERS:
            parts.append(wording.say(Phrase.MISSES_LEFT, count=question.tries_left))
        parts += [wording.say(Phrase.KEY_HINT)] * question.may_hint
        parts += [wording.say(Phrase.KEY_PASS)] * question.may_pass
    return "[dim]" + "  |  ".join(parts) + "[/dim]"


_CLOCKS = {
    "question": Phrase.OF_QUESTION,
    "round": Phrase.OF_ROUND,
    "game": Phrase.OF_GAME,
}


def _counter_named(name: str, wording: Wording) -> str:
    """What a counter is called: the usual ones in the game's words."""
    usual = {"score": Phrase.SCORE, "lives": Phrase.LIVES}
    return wording.say(usual[name]) if name in usual else name.replace("_", " ").capitalize()


def _restatus(console: Console, status: str) -> None:
    """Write the status line anew, one line above what is being typed."""
    with console.capture() as capture:
        console.print(status, end="", soft_wrap=True)
    console.file.write(f"\0337\033[1A\r{capture.get()}\033[K\0338")
    console.file.flush()


def standard_lines() -> Lines:
    """What is typed into this process."""
    return Lines(sys.stdin)
