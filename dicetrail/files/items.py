"""Questions as items of QTI, the 1EdTech format of tests: versions 2.1 and 3.0, read and written.

An item is a file; many are a package, an archive with a manifest. Both versions say the same
under other names: `choiceInteraction` is `qti-choice-interaction` in 3.0. Read are items of one
interaction in which a choice is picked, choices are put in order or matched, text or a number is
typed, a place of a picture is pointed at, and texts with gaps; what does not fit is refused with
its place. The structure is written down from memory of the information models.
"""

import io
import posixpath
import re
import zipfile
from collections.abc import Callable, Collection, Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from urllib.parse import quote
from xml.etree import ElementTree

from dicetrail.core import PLAIN, Details, Kind, Needs, Pack, Question
from dicetrail.core.answers import tidy
from dicetrail.core.document import (
    BLANK,
    TRUTHS,
    Filled,
    Gap,
    around_gaps,
    as_gap,
    as_pair,
    tidy_area,
    tidy_gap,
    tidy_pair,
)
from dicetrail.core.survey import first_fault
from dicetrail.files.archives import content_of, entries_of, is_archive, is_paper, is_workbook
from dicetrail.files.item_pictures import (
    FOLDER,
    ShownPicture,
    Size,
    SizeOf,
    area_of,
    picture_shown,
    shape_of,
    show,
    size_for,
)
from dicetrail.files.pictures import size_of
from dicetrail.files.sheets import Refusal
from dicetrail.files.text import FileProblem, text_of

MAX_DEPTH = 60
"""How deep the elements of an item may be nested."""

Element = ElementTree.Element

_DOCTYPE = r"<!DOCTYPE[^\[>]*(?:\[.*?\])?\s*>"
_BEFORE = rf"\s*(?:<\?xml[^>]*>\s*|<!--.*?-->\s*|{_DOCTYPE}\s*)*"
_ROOT = re.compile(_BEFORE + r"<(?:\w+:)?(?:qti-assessment-item|assessmentItem)\b", re.S)
_RESOURCE = re.compile(r"<(?:\w+:)?resource\b[^>]*?\bhref=\"([^\"]+)\"")
_DECLARED = re.compile(r"^\s*<\?xml[^>]*>")
_ENDING = ".xml"
_WHOLE = re.compile(r"-?[0-9]{1,9}(?:\.0*)?")
_DECIMAL = re.compile(r"-?[0-9]+(?:\.[0-9]+)?")


@dataclass(frozen=True, slots=True)
class Version:
    """The differences of the versions, apart from the form of names."""

    items: str
    """The namespace of items."""
    kind: str
    """The resource type of an item in a manifest."""
    schema: tuple[str, str]
    match: str
    """The response processing template that compares an answer with the right one."""
    mapped: str
    """The template by which answers have points of their own."""
    name: Callable[[str], str]


def _hyphened(name: str) -> str:
    """An attribute of 2.1 as 3.0 calls it: `maxChoices` is `max-choices`."""
    return re.sub(r"[A-Z]", lambda found: f"-{found[0].lower()}", name)


def _kebab(name: str) -> str:
    """An element likewise: `simpleChoice` is `qti-simple-choice`."""
    return f"qti-{_hyphened(name)}"


_21 = "http://www.imsglobal.org/question/qti_v2p1/rptemplates"
_30 = "https://purl.imsglobal.org/spec/qti/v3p0/rptemplates"
VERSIONS = {
    "2.1": Version(
        "http://www.imsglobal.org/xsd/imsqti_v2p1",
        "imsqti_item_xmlv2p1",
        ("QTIv2.1 Package", "1.0.0"),
        f"{_21}/match_correct",
        f"{_21}/map_response",
        str,
    ),
    "3.0": Version(
        "http://www.imsglobal.org/xsd/imsqtiasi_v3p0",
        "imsqti_item_xmlv3p0",
        ("QTI Package", "3.0.0"),
        f"{_30}/match_correct.xml",
        f"{_30}/map_response.xml",
        _kebab,
    ),
}
_PACKAGE = "http://www.imsglobal.org/xsd/imscp_v1p1"


class _NotAQuestion(Exception):
    """Why an item is no question here, and how to mend it."""

    def __init__(self, what: str, mend: str) -> None:
        self.what, self.mend = what, mend
        super().__init__(what)


# Reading


def is_package(content: bytes) -> bool:
    """Whether the bytes are an archive of items, and no workbook or document.

    Raises FileProblem.
    """
    if not is_archive(content) or is_workbook(content) or is_paper(content):
        return False
    return any(is_item(text) for _, text in _texts_of(content))


def is_item(text: str) -> bool:
    """Whether a text begins as an item does."""
    return _ROOT.match(text[:20_000]) is not None


def _texts_of(content: bytes) -> Iterator[tuple[str, str]]:
    """The files of a package that may be items, in the order of its manifest."""
    entries = {e.filename: e for e in entries_of(content) if e.filename.lower().endswith(_ENDING)}
    named = list[str]()
    manifest = next((name for name in entries if name.endswith("imsmanifest.xml")), None)
    if manifest is not None:
        folder = manifest.removesuffix("imsmanifest.xml")
        text = content_of(content, entries.pop(manifest)).decode(errors="replace")
        named = [folder + href for href in _RESOURCE.findall(text)]
    order = [name for name in dict.fromkeys(named) if name in entries]
    for name in dict.fromkeys((*order, *entries)):
        yield name, _decoded(content_of(content, entries[name]))


def _decoded(part: bytes) -> str:
    """A file of a package as text; what cannot be read in it is refused with the rest of it."""
    try:
        return text_of(part, None).text
    except FileProblem:
        return part.decode(errors="replace")


def read_items(
    content: bytes,
    encoding: str,
    mended: Mapping[int, Sequence[str]],
    most: int | None,
    media: Collection[str] | None = None,
) -> tuple[tuple[Question, ...], tuple[Refusal, ...], bool]:
    """The questions of an item or a package, the refused items with their numbers from 1, and
    whether these are all. `mended` holds corrected items by their numbers. An item that shows a
    picture which is not among `media` is refused, if these are given. Raises FileProblem."""
    sizes = _sizes_in(content)
    if is_archive(content):
        texts = [(name, text) for name, text in _texts_of(content) if is_item(text)]
    else:
        texts = [("", text_of(content, encoding).text)]
    questions, refused = [], []
    for number, (name, text) in enumerate(texts[:most], 1):
        text = "".join(mended.get(number, (text,)))
        try:
            question = _question(_parsed(text), sizes)
            if media is not None and question.details.picture not in {"", *media}:
                what = f"its picture “{question.details.picture}” is not there"
                raise _NotAQuestion(what, "put the picture into the package, under that name")
            questions.append(question)
        except _NotAQuestion as unfit:
            what = f"{name}: {unfit.what}" if name else unfit.what
            refused.append(Refusal(number, 1, what, unfit.mend, text[:10_000], (text[:10_000],)))
    return tuple(questions), tuple(refused), most is None or len(texts) <= most


def _sizes_in(content: bytes) -> SizeOf:
    """What tells the sizes of the pictures that came with items."""
    entries = entries_of(content) if is_archive(content) else []
    found = {posixpath.basename(entry.filename): entry for entry in entries}

    def size(name: str) -> Size | None:
        return size_of(content_of(content, found[name])) if name in found else None

    return size


def _parsed(text: str) -> Element:
    """An item with every name as 2.1 has it."""
    if re.search(r"<!(?:DOCTYPE|ENTITY)", text):
        raise _NotAQuestion("it declares a document type of its own", "take the declaration out")
    root: Element | None = None
    depth = 0
    try:
        # The text is decoded already, whatever encoding it says it has.
        whole = io.BytesIO(_DECLARED.sub("", text.lstrip("\ufeff")).encode())
        for event, element in ElementTree.iterparse(whole, ("start", "end")):
            root = element if root is None else root
            depth += 1 if event == "start" else -1
            if depth > MAX_DEPTH:
                raise _NotAQuestion("its elements are nested too deeply", "write it plainly")
    except ElementTree.ParseError as error:
        line, column = error.position
        what = f"this is not well-formed XML: line {line}, column {column + 1}"
        raise _NotAQuestion(what, "write it there as XML asks") from None
    if root is None:
        raise _NotAQuestion("there is nothing in it", "leave it out")
    for element in root.iter():
        element.tag = _plain(str(element.tag))
        for name in list(element.attrib):
            element.attrib[_plain(name)] = element.attrib.pop(name)
    return root


def _plain(name: str) -> str:
    """A name without its namespace, as 2.1 has it."""
    bare = name.rpartition("}")[2].removeprefix("qti-")
    return re.sub(r"-([a-z])", lambda found: found[1].upper(), bare)


def _words(
    element: Element | None, without: Sequence[str] = (), gap: str | Mapping[str, str] = ""
) -> str:
    """The text of an element, as a reader sees it. Elements with some names are replaced by a gap,
    each by that of its name."""
    if element is None:
        return ""
    said: list[str] = []

    def read(part: Element) -> None:
        said.append(part.text or "")
        for child in part:
            if child.tag in without:
                said.append(gap if isinstance(gap, str) else gap.get(str(child.tag), ""))
            else:
                block = " " if child.tag in ("p", "div", "br", "li") else ""
                said.append(block)
                read(child)
                said.append(block)
            said.append(child.tail or "")

    read(element)
    return tidy("".join(said))


_GAP = "…"
_READ = (
    "choiceInteraction",
    "orderInteraction",
    "matchInteraction",
    "sliderInteraction",
    "textEntryInteraction",
    "hotspotInteraction",
    "selectPointInteraction",
)
_CHOICES = ("simpleChoice", "simpleAssociableChoice", "inlineChoice", "gapText", "gapImg")
_IN_LINE = ("textEntryInteraction", "inlineChoiceInteraction")
_PLACES = ("hotspotInteraction", "selectPointInteraction")
_MEDIA = ("img", "audio", "video", "object", "math", "picture")


def _question(item: Element, sizes: SizeOf) -> Question:
    if item.tag != "assessmentItem":
        raise _NotAQuestion(f"it is no item but “{item.tag}”", "leave it out")
    body = item.find("itemBody")
    interactions = [part for part in item.iter() if str(part.tag).endswith("Interaction")]
    are_gaps = _are_gaps(interactions) or (body is not None and _is_gap(item, body, interactions))
    is_one = len(interactions) == 1 and interactions[0].tag in _READ
    if body is None or not (are_gaps or is_one):
        kinds = ", ".join(sorted({str(part.tag) for part in interactions})) or "none"
        read = "one choice, order, match, slider, place or field is read, or gaps of a text"
        what = f"{read}, and it asks by: {kinds}"
        raise _NotAQuestion(what, "give each such question an item of its own")
    shown = _picture(body)
    if are_gaps:
        question = _with_gaps(item, body, interactions)
    elif interactions[0].tag in _PLACES:
        question = _place(item, body, interactions[0], shown, sizes)
    else:
        question = _asked_once(item, body, interactions[0])
    scores = (one for one in item.iter("outcomeDeclaration") if one.get("identifier") == "SCORE")
    worth = next((one.get("normalMaximum") for one in scores), None)
    details = replace(
        question.details,
        note=" ".join(filter(None, map(_words, _notes(item)))),
        picture=shown.name if shown else "",
        worth=int(float(worth)) if worth and _WHOLE.fullmatch(worth) else None,
    )
    question = replace(question, details=PLAIN if details == PLAIN else details)
    if fault := first_fault(question):
        raise _NotAQuestion(f"{fault.field}: {fault.what}", fault.mend)
    return question


def _are_gaps(interactions: Sequence[Element]) -> bool:
    """Whether interactions are the gaps of a text. One field alone is a typed answer."""
    tags = [str(part.tag) for part in interactions]
    if len(tags) == 1:
        return tags[0] in ("gapMatchInteraction", "inlineChoiceInteraction")
    return bool(tags) and set(tags) <= set(_IN_LINE)


def _is_gap(item: Element, body: Element, interactions: Sequence[Element]) -> bool:
    """Whether one field is a gap of a text: words go on after it, or a sentence is open before it
    in its own paragraph. A field for a number is none."""
    if len(interactions) != 1 or interactions[0].tag != "textEntryInteraction":
        return False
    if _declared(item, interactions[0])[0].get("baseType") in ("integer", "float"):
        return False
    parent = next((one for one in body.iter() if interactions[0] in one), body)
    before, _, after = _words(parent, ("textEntryInteraction",), BLANK).partition(BLANK)
    if any(map(str.isalnum, after)):
        return True
    return bool(before.strip()) and not before.rstrip().endswith((".", "?", "!", ":"))


def _declared(item: Element, asked: Element) -> tuple[Element, list[str]]:
    """The declaration of the response to an interaction, and the values that are right."""
    name = asked.get("responseIdentifier", "RESPONSE")
    declared = [one for one in item.iter("responseDeclaration") if one.get("identifier") == name]
    if len(declared) != 1:
        raise _NotAQuestion(f"the response “{name}” is not declared once", "declare it once")
    values = declared[0].iterfind("correctResponse/value")
    return declared[0], [tidy("".join(value.itertext())) for value in values]


def _picture(body: Element) -> ShownPicture | None:
    """The picture that an item shows, if it shows one."""
    in_choices = {id(part) for one in body.iter() if one.tag in _CHOICES for part in one.iter()}
    shown = []
    for part in body.iter():
        found = picture_shown(part)
        if found is not None and id(part) not in in_choices:
            shown.append(found)
        elif part.tag in _MEDIA and part.tag != "picture":
            what = "it shows a picture in a choice, a sound or a formula, which are not read"
            raise _NotAQuestion(what, "bring it as a table with its pictures and sounds beside it")
    if len(shown) > 1:
        raise _NotAQuestion("it shows several pictures", "make one of them")
    return shown[0] if shown else None


def _notes(item: Element) -> Iterator[Element]:
    """What an item says after an answer, whatever it was."""
    for said in item.iterfind("modalFeedback"):
        if said.get("outcomeIdentifier") != "FEEDBACK":
            yield said


def _place(
    item: Element, body: Element, asked: Element, shown: ShownPicture | None, sizes: SizeOf
) -> Question:
    """A place in a picture: areas to choose from, or points that areas are looked up for."""
    declared, right = _declared(item, asked)
    size = None if shown is None else shown.size or sizes(shown.name)
    if size is None:
        mend = "show one picture in the interaction, with its width and height"
        raise _NotAQuestion("the size of its picture is not told", mend)
    if asked.tag == "hotspotInteraction":
        areas = [(one.get("identifier", ""), one) for one in asked.iterfind("hotspotChoice")]
        rights = {*right, *_mapped(declared)}
    else:
        entries = declared.iterfind("areaMapping/areaMapEntry")
        areas = [(f"place {number}", one) for number, one in enumerate(entries, 1)]
        rights = {key for key, one in areas if _points(one.get("mappedValue", "0")) > 0}
    replies = {
        said.get("identifier", ""): _words(said)
        for said in item.iterfind("modalFeedback")
        if said.get("outcomeIdentifier") == "FEEDBACK"
    }
    found: dict[bool, list[str]] = {True: [], False: []}
    said = []
    for key, one in areas:
        if one.get("shape") == "default" and key not in rights:
            continue  # whatever is in no area is wrong
        name = one.get("hotspotLabel") or _words(one) or key
        area = area_of(tidy(name), one.get("shape", ""), one.get("coords", ""), size)
        if area is None:
            what = f"“{one.get('shape')} {one.get('coords')}” is no area of a picture"
            raise _NotAQuestion(what, "give a rect, circle, ellipse or poly with its numbers")
        found[key in rights].append(area)
        if key not in rights:
            said.append(replies.get(key, ""))
    is_several = declared.get("cardinality") == "multiple" and asked.get("maxChoices") != "1"
    return Question(
        _prompt(body, asked),
        tuple(found[True]),
        tuple(found[False]),
        Kind.PLACE,
        Details(needs=Needs.ALL if is_several else Needs.ANY),
        tuple(said) if any(said) else (),
    )


def _points(text: str) -> float:
    return float(text) if re.fullmatch(r"-?\d{0,9}(?:\d|\.\d{1,9})", text) else 0.0


def _asked_once(item: Element, body: Element, asked: Element) -> Question:
    declared, right = _declared(item, asked)
    match asked.tag:
        case "orderInteraction":
            return _ordered(body, asked, right)
        case "matchInteraction":
            return _matched(body, asked, right)
        case "sliderInteraction":
            return _on_slider(item, body, asked, right)
        case "choiceInteraction":
            return _choice(body, asked, declared, right)
    return _typed(item, body, declared, right)


def _with_gaps(item: Element, body: Element, interactions: Sequence[Element]) -> Question:
    if interactions[0].tag == "gapMatchInteraction":
        return _with_bank(item, body, interactions[0])
    gaps = [_gap(item, asked) for asked in interactions]
    return Question(_words(body, _IN_LINE, BLANK), tuple(map(as_gap, gaps)), (), Kind.GAPS)


def _gap(item: Element, asked: Element) -> Gap:
    """A gap that is typed, or picked from words of its own."""
    declared, right = _declared(item, asked)
    rights = tuple(dict.fromkeys([*right, *_mapped(declared)]))
    if asked.tag == "textEntryInteraction":
        return Gap(rights)
    words = _words_by_key(
        [(one.get("identifier", ""), one) for one in asked.iterfind("inlineChoice")]
    )
    if not rights or not set(rights) <= set(words):
        raise _NotAQuestion("no word of a gap is told to be right", "give a correct response")
    others = tuple(word for key, word in words.items() if key not in rights)
    return Gap(tuple(words[key] for key in rights), others)


def _with_bank(item: Element, body: Element, asked: Element) -> Question:
    """Gaps that are filled from words they have in common."""
    _, right = _declared(item, asked)
    words = _words_by_key([(one.get("identifier", ""), one) for one in asked.iterfind("gapText")])
    pairs = [value.split() for value in right]
    fitting = {gap: words.get(word, "") for word, gap in (pair for pair in pairs if len(pair) == 2)}
    named = [one.get("identifier", "") for one in asked.iter("gap")]
    if not named or not all(fitting.get(gap) for gap in named):
        mend = "name a word with each gap in the correct response"
        raise _NotAQuestion("the correct response gives no word to each gap", mend)
    used = [fitting[gap] for gap in named]
    others = tuple(word for word in words.values() if word not in used)
    prompt = _words(body, ("gapText", "gap"), {"gap": BLANK})
    filled = Filled.TYPED if others else Filled.BANK  # those left over tell that they are picked
    return Question(tidy(prompt), tuple(used), others, Kind.GAPS, Details(filled=filled))


def _mapped(declared: Element) -> list[str]:
    """The answers that have points, the most first."""
    found = declared.iterfind("mapping/mapEntry")
    entries = [(one.get("mapKey", ""), one.get("mappedValue", "0")) for one in found]
    points = [(key, _points(value)) for key, value in entries]
    return [key for key, value in sorted(points, key=lambda one: -one[1]) if value > 0]


def _simple_choices(asked: Element) -> tuple[list[tuple[str, Element]], dict[str, str]]:
    """The choices of an interaction with their identifiers, and their words by these."""
    choices = [(one.get("identifier", ""), one) for one in asked.iterfind("simpleChoice")]
    return choices, _words_by_key(choices)


def _words_by_key(choices: Sequence[tuple[str, Element]]) -> dict[str, str]:
    words = {key: _words(one, ("feedbackInline",)) for key, one in choices}
    if len(words) < len(choices):
        raise _NotAQuestion("two choices have one identifier", "give each its own")
    return words


def _prompt(body: Element, asked: Element) -> str:
    """What is asked: the words before an interaction, and its own."""
    before = _words(body, (str(asked.tag),))
    return " ".join(filter(None, (before, _words(asked.find("prompt")))))


def _ordered(body: Element, asked: Element, right: list[str]) -> Question:
    _, words = _simple_choices(asked)
    if sorted(right) != sorted(words):
        mend = "name each choice once in the correct response, in the right order"
        raise _NotAQuestion("the correct response is no order of all choices", mend)
    return Question(_prompt(body, asked), tuple(words[key] for key in right), (), Kind.ORDER)


def _matched(body: Element, asked: Element, right: list[str]) -> Question:
    """A match of two sets, of which the one whose members are each named once are the items."""
    sets = [
        [(one.get("identifier", ""), one) for one in part.iterfind("simpleAssociableChoice")]
        for part in asked.iterfind("simpleMatchSet")
    ]
    if len(sets) != 2:
        raise _NotAQuestion(f"it matches {len(sets)} sets", "match the members of two")
    pairs = [tuple(value.split()) for value in right]
    if any(len(pair) != 2 for pair in pairs):
        raise _NotAQuestion("the correct response holds no pairs", "name two members in each")
    ends = tuple(zip(*pairs, strict=True))
    first, second = map(_words_by_key, sets)
    found = (
        [
            (items, partners, dict(zip(firsts, seconds, strict=True)))
            for items, partners in ((first, second), (second, first))
            for firsts, seconds in (ends, ends[::-1])
            if sorted(firsts) == sorted(items) and set(seconds) <= set(partners)
        ]
        if pairs
        else []
    )
    if not found:
        mend = "name each member of one set once in the correct response, with one of the other"
        raise _NotAQuestion("the correct response gives no partner to each", mend)
    items, partners, by_item = found[0]
    told = tuple(as_pair(words, partners[by_item[key]]) for key, words in items.items())
    wrong = tuple(words for key, words in partners.items() if key not in by_item.values())
    fixed = [one for one in asked.iter("simpleAssociableChoice") if one.get("fixed") == "true"]
    pinned = next((_words(one) for one in fixed if _words(one) in partners.values()), "")
    return Question(_prompt(body, asked), told, wrong, Kind.MATCH, Details(pinned=pinned))


def _choice(body: Element, asked: Element, declared: Element, right: list[str]) -> Question:
    choices, words = _simple_choices(asked)
    needs = Needs.ALL if declared.get("cardinality") == "multiple" else Needs.ANY
    rights = list(dict.fromkeys([*right, *(_mapped(declared) if needs is Needs.ANY else ())]))
    if not rights or not set(rights) <= set(words):
        raise _NotAQuestion("no choice is told to be right", "give a correct response")
    prompt = _prompt(body, asked)
    keys = {key.casefold() for key in words}
    if keys == set(TRUTHS) and needs is Needs.ANY and len(rights) == 1:
        return Question(prompt, (rights[0].casefold(),), (), Kind.TRUTH)
    wrong = [key for key, _ in choices if key not in rights]
    replies = tuple(_words(dict(choices)[key].find("feedbackInline")) for key in wrong)
    pinned = next((words[key] for key, one in choices if one.get("fixed") == "true"), "")
    return Question(
        prompt,
        tuple(words[key] for key in rights),
        tuple(words[key] for key in wrong),
        details=Details(needs=needs, pinned=pinned),
        replies=replies if any(replies) else (),
    )


def _on_slider(item: Element, body: Element, asked: Element, right: list[str]) -> Question:
    details = Details(
        tolerance=_tolerance(item),
        least=asked.get("lowerBound", ""),
        most=asked.get("upperBound", ""),
        step=asked.get("step", ""),
    )
    return Question(_prompt(body, asked), tuple(right[:1]), (), Kind.ESTIMATE, details)


def _tolerance(item: Element) -> str:
    """The tolerance by which an answer is compared; empty if it has to be equal."""
    equal = next(item.iter("equal"), None)
    mode = "exact" if equal is None else equal.get("toleranceMode", "exact")
    tolerance = "" if equal is None else equal.get("tolerance", "").split(" ")[0]
    if mode == "exact" or not tolerance:
        return ""
    return f"{tolerance}%" if mode == "relative" else tolerance


def _typed(item: Element, body: Element, declared: Element, right: list[str]) -> Question:
    # Where words go on after the field, they leave a gap for it.
    prompt = _words(body, ("textEntryInteraction",), _GAP).removesuffix(_GAP).rstrip()
    accepted = tuple(dict.fromkeys([*right, *_mapped(declared)]))
    if declared.get("baseType") not in ("integer", "float"):
        return Question(prompt, accepted, (), Kind.TYPED)
    return Question(prompt, accepted, (), Kind.NUMBER, Details(tolerance=_tolerance(item)))


# Writing


def written_items(pack: Pack, version: str, media: Mapping[str, bytes]) -> bytes:
    """The pack as a package of items, with those of its `media` that they show. Raises FileProblem
    at the first question that does not fit, or would not be read back as it is."""
    form = VERSIONS[version]
    sizes = {name: size_of(content) for name, content in media.items()}
    files = {
        f"items/question-{number}.xml": _written(_item(question, number, form, sizes), form)
        for number, question in enumerate(pack.questions, 1)
    }
    shown = [question.details.picture for question in pack.questions]
    manifest = _manifest(list(files), shown, form)
    pictures = {f"{FOLDER}/{name}": media[name] for name in dict.fromkeys(filter(None, shown))}
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as archive:
        for name, content in {"imsmanifest.xml": manifest, **files, **pictures}.items():
            entry = zipfile.ZipInfo(name, (1980, 1, 1, 0, 0, 0))
            archive.writestr(entry, content, zipfile.ZIP_DEFLATED)
    content = out.getvalue()
    for number, question in enumerate(pack.questions, 1):
        text = files[f"items/question-{number}.xml"].decode()
        try:
            is_same = _question(_parsed(text), sizes.get) == _as_read(question)
        except _NotAQuestion:
            is_same = False
        if not is_same:
            what = "it has characters or spaces that an item does not keep"
            raise FileProblem(f"question {number}", what, _OTHERWISE)
    return content


def _as_read(question: Question) -> Question:
    """A question in the form in which it is read."""
    if question.kind is Kind.GAPS:
        filled = Filled.TYPED if question.wrong else question.details.filled
        return replace(
            question,
            right=tuple(map(tidy_gap, question.right)),
            details=replace(question.details, filled=filled),
        )
    if question.kind is Kind.PLACE:
        right, wrong = (tuple(map(tidy_area, some)) for some in (question.right, question.wrong))
        return replace(question, right=right, wrong=wrong)
    if question.kind is not Kind.MATCH:
        return question
    return replace(question, right=tuple(map(tidy_pair, question.right)))


_OTHERWISE = "save the pack as CSV, XLSX, JSON or YAML, or leave it out"
_HELD = {
    *("filled", "note", "worth", "picture", "tolerance", "pinned", "needs"),
    *("least", "most", "step"),
}
"""The details that an item has a place for."""

Sizes = Mapping[str, Size | None]
"""The sizes of the pictures of a pack, as far as they tell them."""


def _item(question: Question, number: int, form: Version, sizes: Sizes) -> Element:
    if question.kind in (Kind.LETTERS, Kind.SORT, Kind.JUDGED):
        raise FileProblem(f"question {number}", f"“{question.kind}” has no item", _OTHERWISE)
    for field in Details.__dataclass_fields__:
        if field not in _HELD and getattr(question.details, field) != getattr(PLAIN, field):
            what = f"its “{field}” has no place in an item"
            raise FileProblem(f"question {number}", what, _OTHERWISE)
    picture = question.details.picture
    if picture and picture not in sizes:
        what = f"its picture “{picture}” is missing"
        raise FileProblem(f"question {number}", what, "bring the picture to the pack")
    size = sizes.get(picture)
    if question.kind is Kind.PLACE and size is None:
        what = f"its picture “{picture}” tells no size" if picture else "it has no picture"
        raise FileProblem(f"question {number}", what, "bring another picture")
    numbers = (*question.right, question.details.tolerance.removesuffix("%") or "0")
    is_number = question.kind in (Kind.NUMBER, Kind.ESTIMATE)
    if is_number and not all(map(_DECIMAL.fullmatch, numbers)):
        what = "an item has plain decimal numbers alone, such as 2.5"
        raise FileProblem(f"question {number}", what, _OTHERWISE)
    item = Element(
        "assessmentItem",
        {
            "identifier": f"question-{number}",
            "title": question.prompt[:100],
            "adaptive": "false",
            "timeDependent": "false",
        },
    )
    if question.kind is Kind.GAPS:
        _write_gaps(item, question, form)
    else:
        _write_once(item, question, form, size)
    body = item.find("itemBody")
    if picture and question.kind is not Kind.PLACE and body is not None:
        above = Element("p")
        body.insert(0, above)
        show(above, picture, None, as_object=False)
    if question.kind is Kind.PLACE:
        for place, reply in enumerate(question.replies, 1 + len(question.right)):
            _said(item, form, "FEEDBACK", f"c{place}", reply)
    if question.details.note:
        _said(item, form, "NOTE", "note", question.details.note)
    return item


def _said(item: Element, form: Version, outcome: str, key: str, words: str) -> None:
    """Write what is said if an outcome has a value."""
    if not words:
        return
    how = {"outcomeIdentifier": outcome, "identifier": key, "showHide": "show"}
    said = _under(item, "modalFeedback", **how)
    _under(_under(said, "contentBody") if form.name is not str else said, "p", words)


def _write_once(item: Element, question: Question, form: Version, size: Size | None) -> None:
    """Write what is asked by one interaction; `size` is that of its picture, if it shows one."""
    is_typed = question.kind in (Kind.TYPED, Kind.NUMBER)
    keys = [f"c{place}" for place, _ in enumerate(question.choices, 1)]
    if question.kind is Kind.TRUTH:
        keys = list(TRUTHS)
    by_text = dict(zip(question.choices, keys, strict=True))
    texts = question.right_choices if question.choices else question.right
    rights = [by_text.get(right, right) for right in texts]
    if question.kind is Kind.MATCH:
        pairs = enumerate(question.pairs, 1)
        rights = [f"i{number} {by_text[partner]}" for number, (_, partner) in pairs]
    base = _BASES.get(question.kind, "identifier")
    is_order = question.kind is Kind.ORDER
    is_several = question.wants_all and not is_typed
    declared = _under(
        item,
        "responseDeclaration",
        identifier="RESPONSE",
        cardinality="ordered" if is_order else "multiple" if is_several else "single",
        baseType=base,
    )
    correct = _under(declared, "correctResponse")
    for right in rights if is_several else rights[:1]:
        _under(correct, "value", right)
    has_map = len(rights) > 1 and not is_several
    if has_map:
        mapping = _under(declared, "mapping", defaultValue="0")
        for right in rights:
            _under(mapping, "mapEntry", mapKey=right, mappedValue="1")
    _outcomes(item, question)
    body = _under(item, "itemBody")
    if question.kind is Kind.ESTIMATE:
        _slider(body, question)
    elif question.kind is Kind.MATCH:
        _match(body, question, keys)
    elif size is not None and question.kind is Kind.PLACE:
        _hotspots(body, question, keys, size, form)
    elif is_typed:
        _under(body, "p", question.prompt)
        _under(_under(body, "p"), "textEntryInteraction", responseIdentifier="RESPONSE")
    else:
        _choices(body, question, keys)
    _processing(item, question, form, has_map)


def _outcomes(item: Element, question: Question) -> None:
    """Declare what the responses lead to."""
    worth = question.details.worth
    _outcome(item, "SCORE", "float", **({} if worth is None else {"normalMaximum": str(worth)}))
    if question.replies:
        _outcome(item, "FEEDBACK", "identifier")
    if question.details.note:
        _outcome(item, "NOTE", "identifier")


def _write_gaps(item: Element, question: Question, form: Version) -> None:
    """Write a text with gaps: as a gap match where they are filled from common words, else as
    fields and lists in its lines."""
    if question.bank:
        _write_bank(item, question, form)
        return
    gaps = question.gaps
    names = [f"RESPONSE{at}" for at, _ in enumerate(gaps, 1)] if len(gaps) > 1 else ["RESPONSE"]
    for name, gap in zip(names, gaps, strict=True):
        keys = [f"c{at}" for at, _ in enumerate(gap.accepted, 1)] if gap.others else gap.accepted
        base = "identifier" if gap.others else "string"
        declared = _under(
            item, "responseDeclaration", identifier=name, cardinality="single", baseType=base
        )
        _under(_under(declared, "correctResponse"), "value", keys[0])
        mapping = _under(declared, "mapping", defaultValue="0")
        for key in keys:
            _under(mapping, "mapEntry", mapKey=key, mappedValue="1")
    _outcomes(item, question)
    first, *after = around_gaps(question.prompt)
    text = _under(_under(item, "itemBody"), "p", first)
    for name, gap, part in zip(names, gaps, after, strict=True):
        tag = "inlineChoiceInteraction" if gap.others else "textEntryInteraction"
        asked = _under(text, tag, responseIdentifier=name)
        asked.tail = part
        for at, word in enumerate(gap.words, 1):
            _under(asked, "inlineChoice", word, identifier=f"c{at}")
    processing = _under(item, "responseProcessing")
    value = _under(processing, "setOutcomeValue", identifier="SCORE")
    points = _under(value, "sum")
    for name in names:
        _under(points, "mapResponse", identifier=name)
    _note_shown(processing, question)


def _write_bank(item: Element, question: Question, form: Version) -> None:
    words = {word: f"w{at}" for at, word in enumerate(question.bank, 1)}
    fitting = [words.get(gap.accepted[0], "") for gap in question.gaps]
    how = {"identifier": "RESPONSE", "cardinality": "multiple", "baseType": "directedPair"}
    correct = _under(_under(item, "responseDeclaration", **how), "correctResponse")
    for at, word in enumerate(fitting, 1):
        _under(correct, "value", f"{word} g{at}")
    _outcomes(item, question)
    body = _under(item, "itemBody")
    asked = _under(body, "gapMatchInteraction", responseIdentifier="RESPONSE", shuffle="true")
    for word, key in words.items():
        _under(asked, "gapText", word, identifier=key, matchMax="0")
    first, *after = around_gaps(question.prompt)
    text = _under(asked, "p", first)
    for at, part in enumerate(after, 1):
        _under(text, "gap", identifier=f"g{at}").tail = part
    _processing(item, question, form, has_map=False)


_BASES = {
    Kind.TYPED: "string",
    Kind.NUMBER: "float",
    Kind.MATCH: "directedPair",
    Kind.ESTIMATE: "float",
}
"""The types of what is answered; choices are told by their identifiers."""


def _slider(body: Element, question: Question) -> None:
    details = question.details
    scale = {"lowerBound": details.least, "upperBound": details.most}
    steps = {"step": details.step} if details.step else {}
    asked = _under(body, "sliderInteraction", responseIdentifier="RESPONSE", **scale, **steps)
    _under(asked, "prompt", question.prompt)


def _match(body: Element, question: Question, keys: list[str]) -> None:
    pairs = question.pairs
    most = "0" if len(question.partners) < len(pairs) else "1"
    how = {"shuffle": "true", "maxAssociations": str(len(pairs))}
    asked = _under(body, "matchInteraction", responseIdentifier="RESPONSE", **how)
    _under(asked, "prompt", question.prompt)
    items, partners = _under(asked, "simpleMatchSet"), _under(asked, "simpleMatchSet")
    for number, (item, _) in enumerate(pairs, 1):
        named = {"identifier": f"i{number}", "matchMax": "1"}
        _under(items, "simpleAssociableChoice", item, **named)
    for key, choice in zip(keys, question.choices, strict=True):
        fixed = {"fixed": "true"} if choice == question.details.pinned else {}
        _under(partners, "simpleAssociableChoice", choice, identifier=key, matchMax=most, **fixed)


def _hotspots(
    body: Element, question: Question, keys: list[str], size: Size, form: Version
) -> None:
    most = "0" if question.details.needs is Needs.ALL else "1"
    size = size_for(question.areas, size)
    asked = _under(body, "hotspotInteraction", responseIdentifier="RESPONSE", maxChoices=most)
    _under(asked, "prompt", question.prompt)
    show(asked, question.details.picture, size, as_object=form.name is str)
    for key, area in zip(keys, question.areas, strict=True):
        shape, coords = shape_of(area, size)
        how = {"identifier": key, "shape": shape, "coords": coords, "hotspotLabel": area.name}
        _under(asked, "hotspotChoice", **how)


def _choices(body: Element, question: Question, keys: list[str]) -> None:
    is_truth, is_order = question.kind is Kind.TRUTH, question.kind is Kind.ORDER
    most = "0" if question.details.needs is Needs.ALL else "1"
    asked = _under(
        body,
        "orderInteraction" if is_order else "choiceInteraction",
        responseIdentifier="RESPONSE",
        shuffle="false" if is_truth else "true",
        **({} if is_order else {"maxChoices": most}),
    )
    _under(asked, "prompt", question.prompt)
    replies = dict(zip(question.wrong, question.replies, strict=False))
    for key, choice in zip(keys, question.choices, strict=True):
        fixed = {"fixed": "true"} if choice == question.details.pinned else {}
        shown = _under(asked, "simpleChoice", choice, identifier=key, **fixed)
        if replies.get(choice):
            _under(
                shown,
                "feedbackInline",
                replies[choice],
                outcomeIdentifier="FEEDBACK",
                identifier=key,
                showHide="show",
            )


def _processing(item: Element, question: Question, form: Version, has_map: bool) -> None:
    """The processing of a response: points by a template or by a tolerance, then feedback."""
    details = question.details
    tolerance = details.tolerance.strip()
    if not (tolerance or details.note or question.replies):
        _under(item, "responseProcessing", template=form.mapped if has_map else form.match)
        return
    processing = _under(item, "responseProcessing")
    condition = _under(_under(processing, "responseCondition"), "responseIf")
    if tolerance:
        mode = "relative" if tolerance.endswith("%") else "absolute"
        amount = tolerance.removesuffix("%").strip()
        same = _under(condition, "equal", toleranceMode=mode, tolerance=f"{amount} {amount}")
    elif has_map:
        same = _under(condition, "gt")
        _under(same, "mapResponse", identifier="RESPONSE")
        _under(same, "baseValue", "0", baseType="float")
    else:
        same = _under(condition, "match")
    if not has_map or tolerance:
        _under(same, "variable", identifier="RESPONSE")
        _under(same, "correct", identifier="RESPONSE")
    value = _under(condition, "setOutcomeValue", identifier="SCORE")
    _under(value, "baseValue", "1", baseType="float")
    if question.replies:
        value = _under(processing, "setOutcomeValue", identifier="FEEDBACK")
        _under(value, "variable", identifier="RESPONSE")
    _note_shown(processing, question)


def _note_shown(processing: Element, question: Question) -> None:
    if question.details.note:
        value = _under(processing, "setOutcomeValue", identifier="NOTE")
        _under(value, "baseValue", "note", baseType="identifier")


def _outcome(item: Element, name: str, base: str, **more: str) -> None:
    """Declare what a response leads to."""
    _under(item, "outcomeDeclaration", identifier=name, cardinality="single", baseType=base, **more)


def _under(parent: Element, tag: str, text: str = "", **attributes: str) -> Element:
    made = ElementTree.SubElement(parent, tag, attributes)
    made.text = text or None
    return made


def _written(item: Element, form: Version) -> bytes:
    """An item as its version writes it."""
    for element in item.iter():
        if form.name is not str:
            attributes = {_hyphened(name): value for name, value in element.attrib.items()}
            element.attrib.clear()
            element.attrib.update(attributes)
            if element.tag not in ("p", "img", "object"):
                element.tag = form.name(str(element.tag))
    item.set("xmlns", form.items)
    made: bytes = ElementTree.tostring(item, "utf-8", xml_declaration=True)
    return made


def _manifest(files: Sequence[str], shown: Sequence[str], form: Version) -> bytes:
    """The manifest of a package, with the picture that each item shows or an empty text."""
    root = Element("manifest", {"identifier": "pack", "xmlns": _PACKAGE})
    metadata = _under(root, "metadata")
    _under(metadata, "schema", form.schema[0])
    _under(metadata, "schemaversion", form.schema[1])
    _under(root, "organizations")
    resources = _under(root, "resources")
    for number, (name, picture) in enumerate(zip(files, shown, strict=True), 1):
        named = {"identifier": f"question-{number}", "type": form.kind, "href": name}
        one = _under(resources, "resource", **named)
        _under(one, "file", href=name)
        if picture:
            _under(one, "file", href=f"{FOLDER}/{quote(picture)}")
    made: bytes = ElementTree.tostring(root, "utf-8", xml_declaration=True)
    return made
