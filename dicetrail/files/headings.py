"""Find the role of a column from its heading, in any of a dozen languages.

A heading is taken apart into words; what it is about ("answer") and what it says of that
("wrong", "2") tell the role. The stems are from memory, no source: what teachers write over
such columns. Headings in no language known here are told by the columns under them.
"""

import re
from collections.abc import Sequence
from functools import lru_cache

from dicetrail.core.answers import caseless, unaccented
from dicetrail.core.document import DETAILS
from dicetrail.files.plan import ROLE_OF_DETAIL, Role

LONGEST_HEADING = 40
"""In characters. A longer text is not the name of a column."""

_WORDS = re.compile(r"[^\W\d_]+|\d+|#")
_LETTER = re.compile(r"[a-l]")

_STEMS = {
    meaning: words.split()
    for meaning, words in {
        "question": """
            question prompt item ask sentence luckentext frage pregunta enonce domanda pergunta
            questao vraag
            pytan питан вопрос запитан otazk kerdes fraga sporsmal sporgsmal soru intrebar
            kysymy statement aussage term word front begriff wort palabra mot parola woord
            slowo
        """,
        "right": """
            right correct true wahr vrai vero verdader richtig korrekt bonne juste exact
            giust corrett corret cert
            juist goed poprawn prawidlow правильн вірн верн ratt rigtig riktig dogru
            spravn helyes oike
        """,
        "wrong": """
            wrong false incorrect distractor distract falsch incorrec mauvais fausse faux
            sbagliat errat errad incorret errone fout onjuist bledn zla неправильн хибн
            неверн fel forkert feil yanlis spatn nespravn rossz helytelen other ablenk
        """,
        "answer": """
            answer response reply antwort respuesta reponse rispost respost antwoord
            odpowied відповід ответ svar cevap yanit odpoved valasz vastau raspuns
            definition meaning translat back bedeutung ubersetz significad traduc definici
            significat vertaling
        """,
        "option": """
            option choice alternativ auswahl opcion choix opzion scelt opca opco keuze
            optie opcj wybor варіант вариант secenek moznost lehetoseg valg vaihtoehto
        """,
        "key": """
            key solution losung solucion clave soluzion soluca gabarito oplossing
            rozwiazan klucz ключ facit fasit corrige sleutel
        """,
        "group": "group belongs list liste lista gruppe grupo groupe gruppo groep grupa група",
        "kind": "kind type fragetyp tipo typ тип",
        "topic": """
            topic subject categor thema kategorie fach tema theme matiere argoment
            onderwerp temat kategori тема категор amne unit chapter
        """,
        "level": """
            level difficult niveau schwierig stufe nivel dificult dificuld livello
            difficol moeilijk poziom trudn рівен складн уровен сложн niva svarighet klasse
            grade
        """,
        "worth": "worth point score punkt punto punti ponto punten бал mark",
        "seconds": "second time sekund segund temps zeit tijd secund czas час",
        "hint": "hint hinweis tipp pista indice indizio dica підказ подсказ",
        "note": """
            note explan feedback comment erklar begrund anmerk explic spiegaz uitleg
            wyjasn поясн объясн source quelle
        """,
        "picture": "picture image bild imagen immagin imagem afbeeld obraz photo",
        "sound": "sound audio ton sonido suono geluid dzwiek",
        "language": """
            english deutsch german french francais espanol spanish italian englisch
            franzosisch spanisch portugues polski latin latein dutch nederlands українськ
            svenska turkce ingles anglais inglese
        """,
        "numbering": "number no nr num numero id # nummer lfd numer номер",
    }.items()
}
_SMALL = {"the", "of", "die", "der", "das", "la", "le", "el", "il", "a", "de", "et", "if", "one"}


def _words(heading: str) -> list[str]:
    plain = unaccented(caseless(heading))
    split = re.sub(r"(?<=[a-z])(?=\d)", " ", plain.replace("_", " "))
    return _WORDS.findall(split)


def _is(word: str, stem: str) -> bool:
    return word == stem if len(stem) < 4 else word.startswith(stem) or word.endswith(stem)


def _meanings(words: Sequence[str]) -> set[str]:
    return {
        meaning
        for meaning, stems in _STEMS.items()
        if any(_is(word, stem) for word in words for stem in stems)
    }


_OWN = {
    heading: ROLE_OF_DETAIL[detail.field]
    for detail in DETAILS
    for heading in (detail.heading, *detail.told.also)
}
_DETAIL_MEANINGS = ("topic", "level", "worth", "seconds", "hint", "note", "picture", "sound")


@lru_cache(maxsize=4096)
def role_named(heading: str) -> Role | None:
    """The role a heading names; None if it names none that is known.

    >>> role_named("Bonne réponse"), role_named("Respuesta incorrecta 1"), role_named("Which?")
    (<Role.RIGHT: 'right answer'>, <Role.WRONG: 'wrong choice'>, None)
    """
    text = heading.strip()
    if not text or len(text) > LONGEST_HEADING or text.endswith(("?", "…", "!")):
        return None
    words = _words(text)
    if not words or len(words) > 6:
        return None
    if own := _OWN.get(" ".join(words)):
        return own
    if words[0] == Role.REPLY and all(word.isdigit() for word in words[1:]):
        return Role.REPLY
    meanings = _meanings(words)
    telling = [word for word in words if not word.isdigit() and word not in _SMALL]
    lettered = _LETTER.fullmatch(words[-1]) is not None
    if lettered and len(words) == 1:
        return Role.OPTION
    if len(telling) > 4:
        return None
    return _role(meanings, words, lettered)


def _role(meanings: set[str], words: Sequence[str], is_lettered: bool) -> Role | None:
    is_numbered = is_lettered or words[-1].isdigit()
    if "wrong" in meanings:
        # “True or false” is over what is right; “incorrect” says nothing of “correct”.
        others = [word for word in words if "wrong" not in _meanings([word])]
        return Role.RIGHT if "right" in _meanings(others) else Role.WRONG
    if "key" in meanings and "hint" not in meanings:
        return Role.KEY
    if "right" in meanings:
        if {"letter", "number", "index", "buchstabe", "lettre", "letra"} & set(words):
            return Role.KEY
        return Role.KEY if "option" in meanings and not is_numbered else Role.RIGHT
    if "option" in meanings:
        return Role.OPTION if is_numbered or words[-1][-1:] != "s" else Role.OPTIONS
    for meaning in _DETAIL_MEANINGS:
        if meaning in meanings and "question" not in meanings - {meaning}:
            return ROLE_OF_DETAIL[meaning]
    if "kind" in meanings:
        return Role.KIND
    if "question" in meanings and "numbering" not in meanings:
        return Role.QUESTION
    if "answer" in meanings:
        return Role.OPTIONS if words[-1] in _SEVERAL_ANSWERS else Role.RIGHT
    if "group" in meanings:
        return Role.GROUP
    return Role.IGNORED if "numbering" in meanings else None


_SEVERAL_ANSWERS = {"answers", "antworten", "respuestas", "reponses", "risposte", "respostas"}


@lru_cache(maxsize=4096)
def says_right(heading: str) -> bool:
    """Whether a heading says that the fields under it are right."""
    return "right" in _meanings(_words(heading[: 2 * LONGEST_HEADING]))


def names_a_column(cell: str) -> bool:
    """Whether a field is one that columns are named by: a role, or a language."""
    return role_named(cell) is not None or (
        len(cell) <= LONGEST_HEADING and "language" in _meanings(_words(cell)[:2])
    )


@lru_cache(maxsize=4096)
def says_order(heading: str) -> bool:
    """Whether a heading says that what stands under it is in order: ``Correct order``."""
    plain = unaccented(caseless(heading[:LONGEST_HEADING]))
    return _ORDERED.search(plain) is not None or is_step(heading)


def is_step(heading: str) -> bool:
    """Whether a heading counts the steps of an order: ``Step 2``."""
    return _STEP.fullmatch(unaccented(caseless(heading[:LONGEST_HEADING].strip()))) is not None


_ORDERED = re.compile(
    r"\b(?:order|sequence|reihenfolge|ordre|orden|ordine|volgorde|ordem|kolejnosc|порядок)\b"
)
_STEP = re.compile(
    r"(?:step|event|stage|place|position|schritt|etape|paso|passo|fase|stap|krok|крок)[\s_]*\d{1,2}"
)


def paired_with(one: str, other: str) -> bool:
    """Whether two headings name an item and its partner: ``Left 1`` and ``Right 1``."""
    first, second = (_PAIRED.fullmatch(unaccented(caseless(text.strip()))) for text in (one, other))
    if first is None or second is None or first[2] != second[2]:
        return False
    return first[1] in _ITEMS and second[1] not in _ITEMS


_PAIRED = re.compile(r"([^\W\d_]+)[\s_-]*(\d{1,2})")
_ITEMS = {
    *("left", "item", "term", "word", "premise", "stem", "key", "links", "begriff", "wort"),
    *("gauche", "terme", "mot", "izquierda", "termino", "sinistra", "termine", "esquerda", "termo"),
}
