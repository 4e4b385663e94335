"""Write the core's phrases from the PO files of the translators.

`python -m translations [FOLDER]` writes a module for each language, into the core if no folder is
named. It fails if a phrase is missing, marked as fuzzy, or translated from another English text.

The core does no I/O, so it gets its phrases as modules. The PO files are what people edit, with any
tool that opens PO (GNU gettext). A phrase is found by its context, the name it has in `Phrase`.
"""

import sys
from collections.abc import Iterator
from pathlib import Path

from babel import Locale
from babel.messages.catalog import Catalog, Message
from babel.messages.pofile import read_po

from dicetrail.core.document import BAR, WAYS, Language, Phrase

HERE = Path(__file__).parent
READY = HERE.parent / "dicetrail" / "core" / "document" / "phrases" / "ready"
LANGUAGES = [language for language in Language if language is not Language.ENGLISH]


def catalog_of(language: Language) -> Catalog:
    """The PO file of a language."""
    path = HERE / f"{language.value}.po"
    with path.open("rb") as file:
        return read_po(file, language.value)


def texts_in(catalog: Catalog, language: Language) -> Iterator[tuple[Phrase, tuple[str, ...]]]:
    """Each phrase with its forms. Raises ValueError for one that is missing or fuzzy."""
    for phrase in Phrase:
        found = catalog.get(phrase.label.split(BAR)[0], phrase.value)
        texts = () if found is None else forms_of(found)
        if found is None or found.fuzzy or not all(texts):
            raise ValueError(f"{language.value}.po: “{phrase.value}” is missing or fuzzy")
        if len(texts) not in (1, len(WAYS[language].forms)):
            raise ValueError(f"{language.value}.po: “{phrase.value}” has {len(texts)} forms")
        yield phrase, texts


def forms_of(message: Message) -> tuple[str, ...]:
    """The forms of a message, one if it hangs on no count."""
    told = message.string
    return tuple(map(str, told)) if isinstance(told, tuple) else (str(told or ""),)


def module_of(language: Language) -> str:
    """The phrases of a language as the core imports them."""
    name = Locale.parse(language.value).get_display_name("en")
    lines = [
        f"{phrase.value}: {BAR.join(texts)}"
        for phrase, texts in texts_in(catalog_of(language), language)
    ]
    return f'"""{name}. Made from translations/{language.value}.po."""\n\nLINES = """\n' + (
        "\n".join(lines).replace("\\", "\\\\") + '\n"""\n'
    )


def main(*told: str) -> int:
    """Write the modules. Returns the exit code."""
    to = Path(*told) if told else READY
    to.mkdir(parents=True, exist_ok=True)
    try:
        for language in LANGUAGES:
            (to / f"{language.value}.py").write_text(module_of(language), "utf-8")
    except ValueError as error:
        print(error, file=sys.stderr)
        return 1
    return 0


if __name__ == "__main__":
    sys.exit(main(*sys.argv[1:]))
