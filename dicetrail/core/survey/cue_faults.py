"""Problems of a game's cues and sounds."""

from collections import Counter
from collections.abc import Iterable, Iterator
from difflib import get_close_matches

from dicetrail.core.document import (
    LONGEST_CUE_MS,
    LONGEST_MS,
    MAX_NOTES,
    SHIPPED_NAMES,
    WAYS,
    Cue,
    Game,
    Occasion,
    Problem,
    Sound,
    counted,
    forms_in,
    semitones,
    sound_named,
    warning,
)
from dicetrail.core.play import ONLY_AT_END, PLACES
from dicetrail.core.rules import Rules

MAX_CUES = 100
MAX_SOUNDS = 100


def cue_problems(game: Game, rules: Rules | None) -> Iterator[Problem]:
    """Every problem of the cues, the sounds, and the fields that name them."""
    yield from _name_problems("cue", [cue.name for cue in game.cues])
    for number, cue in enumerate(game.cues):
        yield from _problems_of_cue(f"cues[{number}]", cue, game, rules)
    if rules is not None:
        for number, face in enumerate(game.counters):
            if face.name not in rules.names:
                what = f"there is no counter “{face.name}”"
                yield warning(f"counters[{number}].name", what, "choose one of the rules")
    yield from _name_problems("sound", [sound.name for sound in game.sounds])
    for number, sound in enumerate(game.sounds):
        yield from sound_problems(f"sounds[{number}]", sound)
    yield from no_such_sound("opening.narration", game.opening.narration, game)
    names = [cue.name for cue in game.cues]
    for number, ending in enumerate(game.endings):
        if ending.cue and ending.cue not in names:
            where, what = f"endings[{number}].cue", f"there is no cue “{ending.cue}”"
            yield Problem(where, what, "choose one that is there, or none")


def _name_problems(kind: str, names: Iterable[str]) -> Iterator[Problem]:
    found = list(names)
    times = Counter(found)
    for number, name in enumerate(found):
        where = f"{kind}s[{number}].name"
        if not name.strip():
            yield Problem(where, f"a {kind} has no name", "name it at Cue")
        elif times[name] > 1:
            yield Problem(where, f"“{name}” is here twice", "name one otherwise")
        elif kind == "sound" and name in SHIPPED_NAMES:
            what = f"“{name}” is the name of a sound that is there for every game"
            yield Problem(where, what, "name it otherwise")


def _problems_of_cue(where: str, cue: Cue, game: Game, rules: Rules | None) -> Iterator[Problem]:
    yield from no_such_sound(f"{where}.sound", cue.sound, game)
    yield from _long_sound(f"{where}.sound", cue.sound, game)
    if rules is None:
        return
    at_end = not set(cue.on) - {Occasion.ENDING, Occasion.BEST}
    yield from place_problems(f"{where}.words", cue.words, game, rules, is_at_end=at_end)
    named = {said.text for said in rules.script.said} | {ending.cue for ending in game.endings}
    if not cue.on and cue.name not in named:
        mend = "choose when it is played at Cue, or play it in the rule script"
        yield warning(where, f"“{cue.name}” is never played", mend)
    if cue.on == (Occasion.TICK,) and cue.words.strip() and cue.name not in named:
        mend = "leave the words out, or play it at another time too"
        yield warning(f"{where}.words", "a tick of the clock says no words", mend)


def _long_sound(where: str, name: str, game: Game) -> Iterator[Problem]:
    sound = sound_named(game, name)
    length = 0 if sound is None or sound.file else sum(note.ms for note in sound.notes)
    if length > LONGEST_CUE_MS:
        what = f"“{name}” is {length / 1000:g} seconds long, and goes on over what comes next"
        yield warning(where, what, f"keep a cue within {LONGEST_CUE_MS / 1000:g} seconds")


def no_such_sound(where: str, name: str, game: Game) -> Iterator[Problem]:
    """Whether a sound with this name exists."""
    if name and sound_named(game, name) is None:
        yield Problem(where, f"there is no sound “{name}”", "choose one that is there, or none")


def sound_problems(where: str, sound: Sound) -> Iterator[Problem]:
    """Every problem of one sound, apart from its name."""
    if sound.file:
        return
    if not 1 <= len(sound.notes) <= MAX_NOTES:
        what = f"it has {counted(len(sound.notes), 'note')}"
        yield Problem(f"{where}.notes", what, f"have 1 to {MAX_NOTES}")
    length = sum(note.ms for note in sound.notes)
    if length > LONGEST_MS:
        what = f"it is {length / 1000:g} seconds long"
        yield Problem(f"{where}.notes", what, f"keep it within {LONGEST_MS / 1000:g}")
    for number, note in enumerate(sound.notes):
        if note.pitch.strip():
            try:
                semitones(note.pitch)
            except ValueError as error:
                mend = "write a letter, a sharp or flat, an octave, such as A4 or Bb3"
                yield Problem(f"{where}.notes[{number}].pitch", str(error), mend)


def place_problems(
    where: str, words: str, game: Game, rules: Rules, *, is_at_end: bool = False
) -> Iterator[Problem]:
    """Places in words that nothing fills in, and plural forms without a number to choose among
    them."""
    numbers = set(rules.values(rules.first))
    known = numbers | set(PLACES) - (set() if is_at_end else ONLY_AT_END)
    forms = len(WAYS[game.language].forms)
    for name, written in forms_in(words):
        if name not in known:
            near = get_close_matches(name, sorted(known), 1)
            such = f"{{{near[0] if near else 'score'}}}"
            mend = f"write a counter or fact in the braces, such as {such}, or leave them out"
            yield warning(where, f"nothing fills in “{{{name}}}”", mend)
        elif written and name not in numbers | _NUMBERS:
            what = f"“{{{name}}}” is no number, and so has no forms"
            yield warning(where, what, f"write {{{name}}} alone")
        elif len(written) > forms:
            what = f"“{{{name}}}” has {len(written)} forms, and {game.language.label} wants {forms}"
            yield warning(where, what, "write as many as the language has")


_NUMBERS = {"player_number", "number", "round_number", "asked"}


__all__ = ["cue_problems", "no_such_sound", "place_problems", "sound_problems"]
