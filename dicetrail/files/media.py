"""Recognise pictures and sounds by their content, make them safe, and identify them by their
digest.

A file is what its first bytes say, whatever its name. A drawing (SVG) is rebuilt from the
elements and attributes that only draw; one with a script, or that reaches outside itself,
is refused.
"""

import hashlib
import posixpath
import re
import stat
import zipfile
from collections.abc import Iterator
from dataclasses import dataclass
from xml.etree.ElementTree import Element, ParseError, register_namespace, tostring

import filetype
from defusedxml.common import DefusedXmlException
from defusedxml.ElementTree import fromstring

from dicetrail.files.archives import content_of, entries_of, is_archive, is_paper, is_workbook
from dicetrail.files.items import is_package
from dicetrail.files.pictures import without_traces
from dicetrail.files.text import FileProblem
from dicetrail.limits import MAX_ARCHIVED, MAX_FILE, MAX_MEDIUM

QUESTION_ENDINGS = (
    *(".tsv", ".csv", ".txt", ".md", ".html", ".htm", ".docx", ".odt", ".xlsx", ".xls", ".ods"),
    *(".json", ".jsonl", ".yaml", ".yml"),
)

_SVG = "http://www.w3.org/2000/svg"
_DRAWS = {
    *("svg", "g", "defs", "symbol", "title", "desc", "path", "rect", "circle", "ellipse", "line"),
    *("polyline", "polygon", "text", "tspan", "linearGradient", "radialGradient", "stop"),
    *("clipPath", "mask", "pattern", "use"),
}
_ACTS = {"script", "foreignObject", "iframe", "handler", "listener", "set"}
_KEPT_ATTRIBUTES = re.compile(
    r"(id|class|viewBox|width|height|x|y|x1|y1|x2|y2|cx|cy|r|rx|ry|fx|fy|d|points|transform|"
    r"offset|opacity|fill(-rule|-opacity)?|clip(-path|-rule)|mask|stroke(-[a-z]+)?|stop-[a-z]+|"
    r"font-[a-z]+|text-anchor|dominant-baseline|dx|dy|gradient(Units|Transform)|spreadMethod|"
    r"preserveAspectRatio|patternUnits|patternTransform|color|style)"
)
_OUTSIDE = re.compile(r"url\(\s*['\"]?(?!#)|javascript:|@|\\", re.IGNORECASE)
_CALLED = re.compile(r"([\w-]*)\s*\(")
_PLAIN = frozenset(
    (
        *("url", "rgb", "rgba", "hsl", "hsla", "hwb", "lab", "lch", "oklab", "oklch", "calc"),
        *("matrix", "translate", "translatex", "translatey", "scale", "scalex", "scaley"),
        *("rotate", "skewx", "skewy", ""),
    )
)
"""The functions a drawing's attributes may call; others fetch (`image-set`, `src`, `image`,
`cross-fade`, …) or have no use in one. A `url` leads to a part of the drawing itself."""
MAX_DRAWN = 20_000
"""So many elements may be drawn of a drawing, each as often as it is used."""


@dataclass(frozen=True, slots=True)
class Medium:
    """A picture or sound, safe to show, under the digest (SHA-256, hex) of its content."""

    digest: str
    media_type: str
    content: bytes


@dataclass(frozen=True, slots=True)
class Bundle:
    """A question file and the pictures and sounds that came with it, by their names."""

    file_name: str
    content: bytes
    media: dict[str, Medium]


def medium(name: str, content: bytes) -> Medium:
    """A picture or sound made of a file. Raises FileProblem if it is neither, or not safe."""
    if len(content) > MAX_MEDIUM:
        raise FileProblem(
            name,
            f"{len(content):,} bytes, and at most {MAX_MEDIUM:,} are taken",
            "make it smaller",
        )
    media_type = _type_of(content)
    if media_type is None:
        raise FileProblem(
            name,
            "this is no picture or sound that can be shown",
            "use PNG, JPEG, WebP or SVG for pictures, WAV, OGG or MP3 for sounds",
        )
    if media_type == "image/svg+xml":
        content = _safe_drawing(name, content)
    elif media_type.startswith("image/"):
        content = without_traces(name, content, media_type)
    return Medium(hashlib.sha256(content).hexdigest(), media_type, content)


def is_bundle(content: bytes) -> bool:
    """Whether the bytes are a ZIP archive, and no workbook, document or package of items.

    Raises FileProblem.
    """
    is_other = is_workbook(content) or is_paper(content) or is_package(content)
    return is_archive(content) and not is_other


def read_bundle(content: bytes) -> Bundle:
    """A ZIP archive of one question file and its media. Raises FileProblem."""
    found: list[tuple[str, bytes]] = []
    media: dict[str, Medium] = {}
    for name, data in _files_in(content):
        if name.lower().endswith(QUESTION_ENDINGS):
            found.append((name, data))
        else:
            media[name] = medium(name, data)
    if len(found) != 1:
        raise FileProblem(
            "the file",
            f"this archive holds {len(found)} question files where one is expected",
            "put one question file and its pictures and sounds into it",
        )
    return Bundle(*found[0], media)


def media_of_package(content: bytes) -> dict[str, Medium]:
    """The pictures and sounds of a package of items, by their names. Raises FileProblem."""
    return {
        name: medium(name, data)
        for name, data in _files_in(content, but=(".xml", ".xsd", ".css"))
        if _type_of(data) is not None
    }


def _files_in(content: bytes, but: tuple[str, ...] = ()) -> Iterator[tuple[str, bytes]]:
    """The files of an archive by their names without folders, but for those with some endings.

    Raises FileProblem where they are too much together, or two have one name: a question names its
    picture without the folder.
    """
    kept, seen = 0, dict[str, bytes]()
    for entry in entries_of(content):
        name = _safe_name(entry)
        if name is None or name.lower().endswith(but):
            continue
        data = content_of(content, entry)
        kept += len(data)
        if kept > MAX_ARCHIVED:
            what = f"its files are more than {MAX_ARCHIVED:,} bytes together"
            raise FileProblem("the file", what, "make the pictures smaller, or split it")
        if seen.get(name, data) != data:
            what = "two different files of the archive have this name, in two folders"
            raise FileProblem(name, what, "give each a name of its own")
        if name not in seen:
            seen[name] = data
            yield name, data


def _safe_name(entry: zipfile.ZipInfo) -> str | None:
    """The name of a file in an archive, without folders; None for a file that is skipped."""
    path = entry.filename.replace("\\", "/")
    if path.startswith("/") or ":" in path or ".." in path.split("/"):
        raise FileProblem(
            entry.filename, "this name points outside the archive", "make the archive anew"
        )
    if stat.S_ISLNK(entry.external_attr >> 16):
        raise FileProblem(entry.filename, "this is a link, not a file", "put the file itself in")
    if entry.flag_bits & 1:
        raise FileProblem(entry.filename, "it is locked with a password", "make it without one")
    name = posixpath.basename(path)
    if not name or name.startswith(".") or path.startswith("__MACOSX/"):
        return None
    if entry.file_size > max(MAX_MEDIUM, MAX_FILE):
        raise FileProblem(
            entry.filename, f"{entry.file_size:,} bytes are too many", "make it smaller"
        )
    return name


_MEDIA_TYPES = {
    **{kind: kind for kind in ("image/png", "image/jpeg", "image/webp", "audio/ogg", "audio/mpeg")},
    "audio/x-wav": "audio/wav",
}
"""The media types that pages show and play."""


def _type_of(content: bytes) -> str | None:
    """The media type the first bytes tell of."""
    start = content[:512]
    if b"<svg" in start or b"<!DOCTYPE svg" in start:
        return "image/svg+xml"
    return _MEDIA_TYPES.get(filetype.guess_mime(start) or "")


def _safe_drawing(name: str, content: bytes) -> bytes:
    try:
        root = fromstring(content, forbid_dtd=False)
    except (ParseError, DefusedXmlException, ValueError, RecursionError) as error:
        raise FileProblem(
            name, f"this drawing is not well formed ({type(error).__name__})", "save it anew"
        ) from None
    register_namespace("", _SVG)
    safe = _safe_element(name, root, 0)
    if safe is None:
        raise FileProblem(name, "this is no drawing", "save it as SVG")
    if _drawn(safe) > MAX_DRAWN:
        what = f"more than {MAX_DRAWN:,} elements are drawn, as parts of it use each other"
        raise FileProblem(name, what, "save it as a plain drawing, without parts used many times")
    drawn: bytes = tostring(safe)
    return drawn


_USED = re.compile(r"url\(\s*['\"]?#([^'\")]*)")


def _drawn(root: Element) -> int:
    """How many elements are drawn, each as often as it is used; one too many of a circle."""
    named = {element.get("id"): element for element in root.iter() if element.get("id")}
    counts: dict[Element, int] = {}

    def used(element: Element) -> Iterator[Element]:
        yield from element
        names = [value[1:] for key, value in element.attrib.items() if key == "href"]
        for value in element.attrib.values():
            names += _USED.findall(value)
        yield from (named[name] for name in names if name in named)

    waiting = [(root, False)]
    while waiting:
        element, is_done = waiting.pop()
        if is_done:
            within = sum(counts[part] for part in used(element))
            counts[element] = min(1 + within, MAX_DRAWN + 1)
        elif element not in counts:
            counts[element] = MAX_DRAWN + 1  # so a part that uses itself is too many
            waiting.append((element, True))
            waiting += [(part, False) for part in used(element) if part not in counts]
    return counts[root]


def _reaches_out(attribute: tuple[str, str]) -> bool:
    """Whether an attribute fetches something, or could."""
    name, value = attribute
    if name in _WORDS:
        return False
    called = {found.lower() for found in _CALLED.findall(value)}
    return bool(_OUTSIDE.search(value)) or not called <= _PLAIN


_WORDS = {"id", "class"}
"""Attributes that are names, and never looked into for anything else."""


def _safe_element(name: str, element: Element, depth: int) -> Element | None:
    """The element with only what draws; None if it draws nothing."""
    space, _, tag = element.tag.rpartition("}") if isinstance(element.tag, str) else ("", "", "")
    acts = tag in _ACTS or any(key.lower().startswith("on") for key in element.attrib)
    if acts or any(map(_reaches_out, element.attrib.items())):
        raise FileProblem(
            name,
            f"this drawing holds a script or reaches outside itself (at “{tag}”)",
            "save it as a plain drawing, without scripts and links",
        )
    if space not in ("{" + _SVG, "") or tag not in _DRAWS or depth > 100:
        return None
    safe = Element(f"{{{_SVG}}}{tag}")
    for key, value in element.attrib.items():
        if _KEPT_ATTRIBUTES.fullmatch(key):
            safe.set(key, value)
        elif key.endswith("href") and value.startswith("#"):
            safe.set("href", value)
    safe.text, safe.tail = element.text, element.tail
    for child in element:
        kept = _safe_element(name, child, depth + 1)
        if kept is not None:
            safe.append(kept)
    return safe
