"""Collect everything that a game needs before it is exported."""

from collections.abc import Mapping
from dataclasses import dataclass

from dicetrail.core import Game, Pack, build
from dicetrail.core.document import SHIPPED, sound_named, sounds_of, wav
from dicetrail.files import GameFile, Medium, medium
from dicetrail.files.shipped import shipped_file
from dicetrail.files.text import NO_CHARACTER
from dicetrail.standalone.offline_api import StandaloneGame


@dataclass(frozen=True, slots=True)
class Leaving:
    """A game that can be played, its packs, and its pictures and sounds as files."""

    game_id: str
    revision: int
    game: Game
    packs: Mapping[str, Pack]
    named: Mapping[str, Mapping[str, str]]
    """The digests of pictures and sounds: by pack, then by the name its questions give them."""
    media: Mapping[str, Medium]
    """Every picture and sound of packs, look, endings and sounds, by digest."""

    @property
    def title(self) -> str:
        """What it is called, in one line of characters that any document can hold."""
        return " ".join(NO_CHARACTER.sub(" ", self.game.title).split()) or self.game_id

    @property
    def standalone(self) -> StandaloneGame:
        """The game as it is carried along, without the files."""
        named = {pack: dict(media) for pack, media in self.named.items()}
        return StandaloneGame(self.game_id, self.revision, self.game, dict(self.packs), named)

    def sounds(self) -> dict[str, Medium]:
        """The sounds of the game's cues and music, by name, as files."""
        return {name: self._sound(name) for name in sounds_of(self.game)}

    def _sound(self, name: str) -> Medium:
        sound = sound_named(self.game, name)
        assert sound is not None, name
        if sound.file:
            return self.media[sound.file]
        made = shipped_file(sound.name).read_bytes() if sound in SHIPPED else wav(sound)
        return medium(f"{name}.wav", made)


def leaving(file: GameFile, game_id: str, revision: int = 1) -> Leaving:
    """What leaves of a game file. Raises GameProblems if the game cannot be played."""
    build(file.game, file.packs, recall={})
    media: dict[str, Medium] = {}
    named: dict[str, dict[str, str]] = {}
    for pack in file.packs:
        named[pack] = {}
        for name, content in file.content(pack).items():
            found = medium(name, content)
            media[found.digest] = found
            named[pack][name] = found.digest
    for digest, content in file.brought().items():
        media[digest] = medium(digest, content)
    return Leaving(game_id, revision, file.game, file.packs, named, media)
