"""A game played in this program's own terminal: what is shown is drawn by rich."""

from rich.console import Console
from rich.panel import Panel
from rich.text import Text

from dicetrail.standalone.terminal import Card, StyledLine, TextStyle

_STYLES = {
    TextStyle.PLAIN: "",
    TextStyle.STRONG: "bold",
    TextStyle.SOFT: "dim",
    TextStyle.TOLD: "bold yellow",
    TextStyle.GOOD: "bold green",
    TextStyle.BAD: "bold red",
}


class RichScreen:
    """A console as the screen of a game."""

    def __init__(self, console: Console) -> None:
        self._console = console
        self.is_terminal = console.is_terminal

    def show(self, part: StyledLine | Card) -> None:
        """Show the next part, under all before."""
        if isinstance(part, StyledLine):
            self._console.print(_text(part))
            return
        text = Text("\n").join(map(_text, part.lines))
        title = Text(part.title, "bold")
        if part.is_ending:
            panel = Panel(text, title=title, title_align="center", border_style="green")
        else:
            panel = Panel(text, title=title, title_align="left")
        self._console.print(panel)

    def ask(self, status: StyledLine) -> None:
        """Show the status, under all before, and wait for what is typed under it."""
        self._console.print(_text(status), end="\n> " if self.is_terminal else "\n")

    def restate(self, status: StyledLine) -> None:
        """Write the status anew, one line above what is being typed."""
        with self._console.capture() as capture:
            self._console.print(_text(status), end="", soft_wrap=True)
        self._console.file.write(f"\0337\033[1A\r{capture.get()}\033[K\0338")
        self._console.file.flush()

    def bell(self) -> None:
        """Sound."""
        self._console.bell()


def _text(line: StyledLine) -> Text:
    return Text.assemble(*((text, _STYLES[tone]) for tone, text in line.pieces))
