"""Values as Python writes them."""


class Written(str):
    """An expression that is written already."""

    __slots__ = ()


def written(value: object) -> str:
    """A value as Python writes it, texts in double quotes."""
    match value:
        case Written():
            return value
        case str():
            return quoted(value)
        case bool() | int() | float() | None:
            return repr(value)
        case range():
            return f"range({value.start}, {value.stop})" if value.start else f"range({value.stop})"
        case tuple() | list():
            return f"[{', '.join(map(written, value))}]" if value else "()"
    raise TypeError(f"{value!r} is not written")


def quoted(text: str) -> str:
    """A text in double quotes."""
    inner = text.replace("\\", "\\\\").replace('"', '\\"')
    return f'"{"".join(map(_character, inner))}"'


def _character(character: str) -> str:
    """A character as it is, or as a learner can see it where it cannot be seen."""
    if character == "\n":
        return "\\n"
    if character.isprintable():
        return character
    return f"\\u{ord(character):04x}" if ord(character) < 0x10000 else f"\\U{ord(character):08x}"
