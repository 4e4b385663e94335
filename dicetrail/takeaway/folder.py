"""Export a game as a folder for any web space: the players' page, its engine and the game.

The folder asks no server for anything but its files, at whatever address it lies. What is
fetched before the engine is small; the engine comes beside it and is kept by the browser.
"""

import base64
import hashlib
import html
import io
import json
import re
import zipfile
from collections.abc import Mapping
from functools import cache
from pathlib import Path
from types import MappingProxyType
from typing import Any

from dicetrail.core.document import WAYS, Phrase, Translator, Typeface, translator
from dicetrail.core.play import dress, made_ready, play_game
from dicetrail.limits import MEDIA_ENDINGS
from dicetrail.standalone.json_codec import to_json
from dicetrail.takeaway.course import manifest_of_course
from dicetrail.takeaway.leaving import Leaving
from dicetrail.takeaway.program import code

SITE = Path(__file__).parent / "site"
"""The pages, as they were built: the same for every game."""

ENGINE = Path(__file__).parent / "engine"
"""What runs a game in a browser, likewise."""

COURSE = Path(__file__).parent / "try-in-a-course.html"
"""A course page to try a package in."""

NOTHING_MORE: Mapping[str, Any] = MappingProxyType({})

_FONTS = {
    Typeface.BOOKISH: "brygada",
    Typeface.PLAIN: "atkinson",
    Typeface.ROUND: "rubik",
    Typeface.BY_HAND: "shantell",
    Typeface.EVEN: "source-code",
}
"""How the files of a face begin."""

_READ_ME = """\
{title}

This folder is a whole game. Lay it on any web space, under any address, as it is, and give
players the address of its index.html. After the first visit it is played without a network too.

To try it here: open a terminal in this folder, type

    python3 -m http.server

and open http://localhost:8000 in a browser. Browsers do not play it straight from a disk.

Everything the game knows lies in this folder: whoever looks into game/game.json can read the
right answers. What players do stays on their own device; "{save}" gives it away as a file,
which the workbench reads as evidence.

The engine is Python, by Pyodide (https://pyodide.org, Mozilla Public License 2.0). Its own part
can be read in engine/python.
"""


class NotBuilt(RuntimeError):
    """The pages of folders have not been built here."""


def look_built() -> None:
    """Raise NotBuilt where the pages are not built."""
    if not (SITE / "folder.html").is_file() or not (ENGINE / "memory.zst").is_file():
        raise NotBuilt("The pages of folders are not built here. Run: make site")


def folder(leaving: Leaving, besides: Mapping[str, Any] = NOTHING_MORE) -> dict[str, bytes]:
    """The files of a folder, by their paths in it; its page is told so much `besides`.

    Raises NotBuilt where the pages are not built.
    """
    look_built()
    files = {**_built(SITE)}
    files |= {f"engine/{name}": part for name, part in _built(ENGINE).items()}
    files |= {f"engine/python/{name}": part for name, part in code()}
    page, worker = files.pop("folder.html"), files.pop("sw.js")
    media = {
        digest: f"{digest}.{MEDIA_ENDINGS[one.media_type]}" for digest, one in leaving.media.items()
    }
    files |= {f"media/{name}": leaving.media[digest].content for digest, name in media.items()}
    sounds: dict[str, str] = {}
    for number, (name, sound) in enumerate(leaving.sounds().items()):
        sounds[name] = f"{number}.{MEDIA_ENDINGS[sound.media_type]}"
        files[f"sounds/{sounds[name]}"] = sound.content
    memory_size = len(files["engine/memory.zst"])
    files["game/page.json"] = _json(_page_of(leaving, media, sounds, memory_size) | dict(besides))
    files["game/game.json"] = _json(to_json(leaving.standalone))
    words = translator(leaving.game.language, leaving.game.phrases)
    files["app.webmanifest"] = _json(_manifest(leaving))
    files["icon.svg"] = next(part for name, part in files.items() if "assets/die-" in name)
    title = leaving.title
    told = _READ_ME.format(title=title, save=words.say(Phrase.SAVE_ANSWERS))
    files["README.txt"] = told.encode()
    files["from-disk.js"] = _from_disk(words).encode()
    files["index.html"] = _page(page.decode(), leaving).encode()
    kept = sorted(name for name in files if is_fetched(name, leaving))
    files["files.json"] = _json(kept)
    version = hashlib.sha256()
    for name in sorted(files):
        version.update(name.encode() + b"\0" + files[name])
    files["sw.js"] = worker.replace(b"{version}", version.hexdigest()[:16].encode())
    return files


def package(leaving: Leaving) -> dict[str, bytes]:
    """The files of a folder that a course platform takes: the folder as a SCORM 1.2 package."""
    passes = [ending.title for ending in leaving.game.endings if ending.passes]
    files = folder(leaving, {"course": {"passes": passes}})
    files["try-in-a-course.html"] = _course()
    files["imsmanifest.xml"] = manifest_of_course(leaving, files)
    return files


def _course() -> bytes:
    """The course page, whose own script alone runs in it (CSP 3, hash sources)."""
    page = COURSE.read_text("utf-8")
    script = page.partition("<script>")[2].partition("</script>")[0]
    digest = base64.b64encode(hashlib.sha256(script.encode()).digest()).decode()
    return page.replace("{script}", f"sha256-{digest}", 1).encode()


def packed(files: Mapping[str, bytes], name: str = "") -> bytes:
    """Files as an archive, in a folder of that name if one is given."""
    packed = io.BytesIO()
    with zipfile.ZipFile(packed, "w", zipfile.ZIP_DEFLATED) as archive:
        for path, content in sorted(files.items()):
            entry = zipfile.ZipInfo(f"{name}/{path}" if name else path, (1980, 1, 1, 0, 0, 0))
            entry.external_attr = 0o644 << 16
            packing = zipfile.ZIP_STORED if path.endswith((".zst", ".woff2")) else None
            archive.writestr(entry, content, packing or zipfile.ZIP_DEFLATED)
    return packed.getvalue()


@cache
def _built(root: Path) -> Mapping[str, bytes]:
    """What lies in a folder that was built, read once."""
    return {
        path.relative_to(root).as_posix(): path.read_bytes()
        for path in sorted(root.rglob("*"))
        if path.is_file()
    }


def is_of_engine(path: str) -> bool:
    """Whether a file belongs to what runs every game."""
    return path.startswith("engine/")


def is_of_media(path: str) -> bool:
    """Whether a file is a picture or a sound."""
    return path.startswith(("media/", "sounds/"))


def is_fetched(path: str, leaving: Leaving) -> bool:
    """Whether a file is fetched at a first visit, and kept to play with no network."""
    if path.startswith("engine/python/") or path == "README.txt":
        return False
    if path.endswith(".woff2"):
        look = leaving.game.look
        faces = {look.headings, look.text, Typeface.PLAIN, Typeface.BOOKISH}
        return any(path.startswith(f"assets/{_FONTS[face]}") for face in faces)
    return True


def _page_of(
    leaving: Leaving, media: dict[str, str], sounds: dict[str, str], memory_size: int
) -> dict[str, Any]:
    """What the page knows before its engine has come."""
    game = leaving.game
    program = made_ready(game, leaving.packs)
    return {
        "game": to_json(play_game(program, leaving.game_id, leaving.revision)),
        "dress": to_json(dress(game)),
        "media": media,
        "sounds": sounds,
        "memory_size": memory_size,
    }


def _manifest(leaving: Leaving) -> dict[str, Any]:
    """What a device wants to know to install it (W3C, Web Application Manifest)."""
    ground = leaving.game.look.colours.ground
    return {
        "name": leaving.game.title or leaving.game_id,
        "short_name": (leaving.game.title or leaving.game_id)[:12],
        "lang": leaving.game.language.value,
        "dir": "rtl" if WAYS[leaving.game.language].is_from_right else "ltr",
        "start_url": "./",
        "scope": "./",
        "display": "standalone",
        "background_color": ground,
        "theme_color": ground,
        "icons": [{"src": "icon.svg", "sizes": "any", "type": "image/svg+xml"}],
    }


def _page(page: str, leaving: Leaving) -> str:
    """The page with what it says of the game before anything is fetched."""
    filled = {
        "{title}": leaving.title,
        "{lang}": leaving.game.language.value,
        "{dir}": "rtl" if WAYS[leaving.game.language].is_from_right else "ltr",
        "{ground}": leaving.game.look.colours.ground,
    }
    # All at once: a title that holds the name of another place is no place.
    places = re.compile("|".join(map(re.escape, filled)))
    return places.sub(lambda found: html.escape(filled[found[0]]), page)


def _from_disk(words: Translator) -> str:
    """A script that says what to do where a page was opened from a disk."""
    command, address = "python3 -m http.server", "http://localhost:8000"
    told = json.dumps(words.say(Phrase.FROM_DISK, command=command, address=address))
    return (
        'if (location.protocol === "file:")\n'
        '  addEventListener("DOMContentLoaded", () => {\n'
        f'    document.getElementById("root").textContent = {told};\n'
        "  });\n"
    )


def _json(value: Any) -> bytes:
    return json.dumps(value, ensure_ascii=False, separators=(",", ":")).encode()
