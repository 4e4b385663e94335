"""Items of QTI: written and read back, read as others write them, refused where they do not fit."""

import io
import unittest
import zipfile
from itertools import product
from xml.etree import ElementTree

from hypothesis import given
from PIL import Image

from dicetrail.core import Details, Facts, Kind, Needs, Pack, Question
from dicetrail.core.document import Filled
from dicetrail.files import ITEM_WRITERS, FileProblem, Format, read_questions
from dicetrail.files.items import VERSIONS
from tests.files.test_formats import PACKS
from tests.web.demo import DemoTest


def a_png(width, height):
    out = io.BytesIO()
    Image.new("RGB", (width, height), "green").save(out, "PNG")
    return out.getvalue()


BANK = Details(filled=Filled.BANK)
FITTING = Pack(
    "Fitting",
    (
        Question('Which & <b> "one"?', ("Pea",), ("Bean", "Kale"), replies=("No bean.", "")),
        Question("Kale is a root", ("false",), (), Kind.TRUTH, Details(note="It is a leaf.")),
        Question("What do bees make?", ("honey", "wax"), (), Kind.TYPED, Details(worth=3)),
        Question("Half of five?", ("2.5",), (), Kind.NUMBER, Details(tolerance="2%", note="So.")),
        Question("A score?", ("20",), (), Kind.NUMBER, Details(tolerance="0.5")),
        Question(
            "Which two?", ("a", "b"), ("c", "none"), details=Details(needs=Needs.ALL, pinned="none")
        ),
        Question("The order?", ("sow", "hoe", "reap"), (), Kind.ORDER, Details(worth=2)),
        Question(
            "How many?", ("7",), (), Kind.ESTIMATE, Details(tolerance="1", least="0", most="10")
        ),
        Question("Heavy?", ("2.5",), (), Kind.ESTIMATE, Details(least="-1", most="4", step="0.5")),
        Question("A ___ gives ___.", ("bee | wasp", "honey"), (), Kind.GAPS, Details(note="So.")),
        Question("The ___ in ___.", ("bed", "May // June"), (), Kind.GAPS, Details(worth=2)),
        Question("___ or ___?", ("pea", "bean"), ("kale",), Kind.GAPS),
        Question("Dig, ___ and ___.", ("sow", "reap"), (), Kind.GAPS, BANK),
        Question("Who?", ("bee = honey", "hen = egg"), ("wax",), Kind.MATCH, Details(worth=2)),
        Question(
            "Where?", ("a = root", "b = leaf", "c = root"), (), Kind.MATCH, Details(pinned="leaf")
        ),
        Question("Any of two?", ("a", "b"), ("c",), details=Details(note="Both.")),
        Question("A bee gives ___.", ("honey | a honey",), (), Kind.GAPS),
        Question("Seen?", ("a",), ("b",), details=Details(picture="a bed & more.png", note="So.")),
        Question("Heard of ___ here", ("it",), (), Kind.GAPS, Details(picture="plan.svg")),
        Question(
            "Where is the hive?",
            ("hive = rectangle 10 20 40 60",),
            ("the old shed = ellipse 60.1 50.3 80.2 90.9", "pond = polygon 0 0 10 0 5.5 9.9"),
            Kind.PLACE,
            Details(picture="plan.svg", worth=2, note="By the hedge."),
            ("That is the shed.", ""),
        ),
        Question(
            "Where is shade?",
            ("elm = ellipse 0 0 33.3 33.3", "oak = polygon 50 50 99.9 50 70.7 100 50 90"),
            (),
            Kind.PLACE,
            Details(picture="a bed & more.png", needs=Needs.ALL),
        ),
    ),
)
PLAN = b'<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 640 400"><path d="M0 0"/></svg>'
MEDIA = {"plan.svg": PLAN, "a bed & more.png": a_png(333, 211)}
HEAD_21 = f'<assessmentItem xmlns="{VERSIONS["2.1"].items}" identifier="i" title="t">'
CHOICE_21 = (
    '<?xml version="1.0" encoding="UTF-8"?>\n<!-- made elsewhere -->\n'
    + HEAD_21
    + """
  <responseDeclaration identifier="ANSWER" cardinality="single" baseType="identifier">
    <correctResponse><value> B </value></correctResponse>
  </responseDeclaration>
  <outcomeDeclaration identifier="SCORE" cardinality="single" baseType="float"/>
  <itemBody>
    <p>Look at the <strong>bed</strong>.</p>
    <choiceInteraction responseIdentifier="ANSWER" shuffle="true" maxChoices="1">
      <prompt>What
        grows there?</prompt>
      <simpleChoice identifier="A">Leek</simpleChoice>
      <simpleChoice identifier="B" fixed="true"><em>Kale</em>, curly</simpleChoice>
    </choiceInteraction>
  </itemBody>
</assessmentItem>"""
)
TYPED_30 = f"""<q:qti-assessment-item xmlns:q="{VERSIONS["3.0"].items}" identifier="i">
<q:qti-response-declaration identifier="R" cardinality="single" base-type="string">
<q:qti-correct-response><q:qti-value>trowel</q:qti-value></q:qti-correct-response>
<q:qti-mapping default-value="0">
<q:qti-map-entry map-key="trowel" mapped-value="1"/>
<q:qti-map-entry map-key="spade" mapped-value="0.5"/>
<q:qti-map-entry map-key="fork" mapped-value="0"/>
</q:qti-mapping></q:qti-response-declaration>
<q:qti-item-body><q:p>You dig with a <q:qti-text-entry-interaction response-identifier="R"/>.</q:p>
</q:qti-item-body></q:qti-assessment-item>"""


def package(*items):
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w") as archive:
        for number, text in enumerate(items, 1):
            archive.writestr(f"items/{number}.xml", text)
    return out.getvalue()


def _set(letter, *words):
    members = "".join(
        f'<simpleAssociableChoice identifier="{letter}{at}" matchMax="0">{word}'
        "</simpleAssociableChoice>"
        for at, word in enumerate(words, 1)
    )
    return f"<simpleMatchSet>{members}</simpleMatchSet>"


def _match(sets, pairs):
    right = "".join(f"<value>{' '.join(pair)}</value>" for pair in pairs)
    return (
        f'{HEAD_21}<responseDeclaration identifier="R" cardinality="multiple" '
        f'baseType="directedPair"><correctResponse>{right}</correctResponse></responseDeclaration>'
        '<itemBody><matchInteraction responseIdentifier="R" shuffle="true">'
        f"<prompt>Where?</prompt>{''.join(sets)}</matchInteraction></itemBody></assessmentItem>"
    )


class TestWrittenAndRead(unittest.TestCase):
    @given(PACKS)
    def test_what_is_written_is_read_back_and_what_does_not_fit_is_told_with_its_number(self, pack):
        for name, (_, write) in ITEM_WRITERS.items():
            try:
                content = write(pack, {})
            except FileProblem as problem:
                number = int(problem.problem.where.removeprefix("question "))
                self.assertTrue(1 <= number <= len(pack.questions))
                continue
            reading = read_questions(content)
            self.assertEqual(reading.plan.format, Format.ITEMS)
            self.assertEqual((reading.questions, reading.refused), (pack.questions, ()), name)

    def test_every_kind_that_fits_goes_out_and_comes_back(self):
        for name, (_, write) in ITEM_WRITERS.items():
            self.assertEqual(
                read_questions(write(FITTING, MEDIA)).questions, FITTING.questions, name
            )
            for question, what in (
                (Question("?", ("Kale",), (), Kind.LETTERS), "has no item"),
                (Question("?", ("a",), ("b",), details=Details(seconds=9)), "“seconds”"),
                (Question("?", ("5/2",), (), Kind.NUMBER), "plain decimal numbers"),
                (Question("two  spaces", ("a",), ("b",)), "does not keep"),
                (Question("?", ("a",), ("b",), details=Details(picture="x.png")), "“x.png” is"),
                (Question("?", ("a = rectangle 0 0 9 9",), (), Kind.PLACE), "no picture"),
            ):
                with self.subTest(what), self.assertRaises(FileProblem) as told:
                    write(Pack("P", (*FITTING.questions, question)), MEDIA)
                number = len(FITTING.questions) + 1
                self.assertEqual(told.exception.problem.where, f"question {number}")
                self.assertIn(what, told.exception.problem.what)
            with self.assertRaises(FileProblem):
                write(Pack("F", facts=Facts(("a", "b"), (("1", "2"),))), {})

    def test_an_item_has_what_the_standard_asks_for_in_its_order(self):
        """1EdTech, QTI 2.1 (2012) and 3.0 (2022), assessment item information model; no package
        of a registry carries the schemas; the rules checked here are from memory."""
        order = ("responseDeclaration", "outcomeDeclaration", "itemBody")
        order += ("responseProcessing", "modalFeedback")
        for name, version in (("qti21.zip", "2.1"), ("qti3.zip", "3.0")):
            archive = zipfile.ZipFile(io.BytesIO(ITEM_WRITERS[name][1](FITTING, MEDIA)))
            form = VERSIONS[version]
            manifest = ElementTree.fromstring(archive.read("imsmanifest.xml"))
            files = [one.get("href") for one in manifest.iter() if one.tag.endswith("}resource")]
            pictures = {f"media/{picture}" for picture in MEDIA}
            held = {"imsmanifest.xml", *files, *pictures}
            self.assertEqual(sorted(held), sorted(archive.namelist()))
            for file in files:
                item = ElementTree.fromstring(archive.read(file))
                names = {f"{{{form.items}}}{form.name(part)}": part for part in order}
                parts = [names[part.tag] for part in item]
                self.assertEqual(parts, sorted(parts, key=order.index))
                self.assertLessEqual({"responseDeclaration", "itemBody"}, set(parts))
                due = "timeDependent" if version == "2.1" else "time-dependent"
                self.assertLessEqual({"identifier", "title", "adaptive", due}, set(item.attrib))
                response = "responseIdentifier" if version == "2.1" else "response-identifier"
                asked = [part.get(response) for part in item.iter() if part.get(response)]
                responses = [part.get("identifier") for part in item if names[part.tag] == order[0]]
                self.assertEqual(asked, responses, "each is declared, in the order of the text")
                self.assertTrue(asked == ["RESPONSE"] or len(asked) > 1, asked)
                outcome = response.replace("response", "outcome", 1)
                declared = {part.get("identifier") for part in item if "eclaration" in part.tag}
                wanted = {part.get(outcome) for part in item.iter() if part.get(outcome)}
                self.assertLessEqual(wanted, declared)
                for part in item.iter():
                    bare = part.tag.removeprefix(f"{{{form.items}}}")
                    if version == "3.0":
                        self.assertTrue(bare in ("p", "img") or bare.startswith("qti-"), bare)
                        self.assertEqual(part.tag.lower(), part.tag)

    def test_gaps_of_others_are_read(self):
        """Interactions and their parts by the names of the information model (from memory)."""

        def response(name, value, base="string"):
            return (
                f'<responseDeclaration identifier="{name}" cardinality="single" baseType="{base}">'
                f"<correctResponse><value>{value}</value></correctResponse></responseDeclaration>"
            )

        inline = (
            HEAD_21
            + response("B", "w2", "identifier")
            + response("A", "bees")
            + '<itemBody><div><p>In a hive live <textEntryInteraction responseIdentifier="A"/>,'
            ' that make <inlineChoiceInteraction responseIdentifier="B" shuffle="true">'
            '<inlineChoice identifier="w1">milk</inlineChoice><inlineChoice identifier="w2">honey'
            "</inlineChoice></inlineChoiceInteraction>.</p></div></itemBody></assessmentItem>"
        )
        bank = (
            HEAD_21
            + '<responseDeclaration identifier="R" cardinality="multiple" baseType="directedPair">'
            "<correctResponse><value>W S2</value><value>B S1</value></correctResponse>"
            '</responseDeclaration><itemBody><gapMatchInteraction responseIdentifier="R">'
            '<prompt>Fill in.</prompt><gapText identifier="W" matchMax="1">wax</gapText>'
            '<gapText identifier="B" matchMax="1">bee</gapText>'
            '<gapText identifier="M" matchMax="1">milk</gapText>'
            '<blockquote><p>A <gap identifier="S1"/> has <gap identifier="S2"/>.</p></blockquote>'
            "</gapMatchInteraction></itemBody></assessmentItem>"
        )
        for text, question in (
            (
                inline,
                Question(
                    "In a hive live ___, that make ___.",
                    ("bees", "honey // milk"),
                    (),
                    Kind.GAPS,
                ),
            ),
            (bank, Question("Fill in. A ___ has ___.", ("bee", "wax"), ("milk",), Kind.GAPS)),
        ):
            reading = read_questions(text.encode())
            self.assertEqual((reading.questions, reading.refused), ((question,), ()))
        lost = bank.replace("<value>B S1</value>", "")
        self.assertIn("word to each gap", read_questions(lost.encode()).refused[0].what)

    def test_items_of_others_are_read_in_both_versions(self):
        choice = Question(
            "Look at the bed. What grows there?",
            ("Kale, curly",),
            ("Leek",),
            details=Details(pinned="Kale, curly"),
        )
        typed = Question("You dig with a ___.", ("trowel | spade",), (), Kind.GAPS)
        for content in (package(CHOICE_21, TYPED_30), package(CHOICE_21, "<other/>", TYPED_30)):
            self.assertEqual(read_questions(content).questions, (choice, typed))
        self.assertEqual(read_questions(CHOICE_21.encode()).questions, (choice,))
        in_order = CHOICE_21.replace("choiceInteraction", "orderInteraction").replace(
            "<value> B </value>", "<value>B</value><value> A </value>"
        )
        ordered = Question(choice.prompt, ("Kale, curly", "Leek"), (), Kind.ORDER)
        self.assertEqual(read_questions(in_order.encode()).questions, (ordered,))
        self.assertEqual(read_questions(CHOICE_21.encode("utf-16")).questions, (choice,))

    def test_places_of_others_are_read_by_shapes_and_points_of_their_picture(self):
        """Shapes and the order of their numbers as the information model has them (from memory)."""
        shown = '<object data="img/plan.svg" type="image/svg+xml" width="200" height="100"/>'
        spots = (
            '<hotspotChoice identifier="A" shape="circle" coords="100,50,20" hotspotLabel="hive"/>'
            '<hotspotChoice identifier="B" shape="rect" coords="0,0,20,10"/>'
            '<hotspotChoice identifier="C" shape="poly" coords="0,90,20,90,20,100,0,90"/>'
        )
        picked = (
            f'{HEAD_21}<responseDeclaration identifier="R" cardinality="single" '
            'baseType="identifier"><correctResponse><value>A</value></correctResponse>'
            f'</responseDeclaration><itemBody><hotspotInteraction responseIdentifier="R" '
            f'maxChoices="1"><prompt>Where?</prompt>{shown}{spots}</hotspotInteraction></itemBody>'
            "</assessmentItem>"
        )
        q = "qti-"
        pointed = (
            f'<qti-assessment-item xmlns="{VERSIONS["3.0"].items}" identifier="i">'
            '<qti-response-declaration identifier="R" cardinality="multiple" base-type="point">'
            '<qti-area-mapping default-value="0">'
            f'<{q}area-map-entry shape="rect" coords="0,0,32,40" mapped-value="1"/>'
            f'<{q}area-map-entry shape="ellipse" coords="320,200,64,40" mapped-value="2"/>'
            f'<{q}area-map-entry shape="default" coords="" mapped-value="0"/>'
            "</qti-area-mapping></qti-response-declaration><qti-item-body>"
            f'<{q}select-point-interaction response-identifier="R" max-choices="0">'
            '<qti-prompt>Both?</qti-prompt><img src="plan.svg" alt="a plan"/>'
            "</qti-select-point-interaction></qti-item-body></qti-assessment-item>"
        )
        pictured = Details(picture="plan.svg")
        wanted = (
            Question(
                "Where?",
                ("hive = ellipse 40 30 60 70",),
                ("B = rectangle 0 0 10 10", "C = polygon 0 90 10 90 10 100"),
                Kind.PLACE,
                pictured,
            ),
            Question(
                "Both?",
                ("place 1 = rectangle 0 0 5 10", "place 2 = ellipse 40 40 60 60"),
                (),
                Kind.PLACE,
                Details(picture="plan.svg", needs=Needs.ALL),
            ),
        )
        out = io.BytesIO(package(picked, pointed))
        with zipfile.ZipFile(out, "a") as archive:
            archive.writestr("img/plan.svg", PLAN)
        reading = read_questions(out.getvalue(), media=("plan.svg",))
        self.assertEqual((reading.questions, reading.refused), (wanted, ()))
        lost = read_questions(package(picked.replace("circle", "square"), pointed))
        told = [one.what for one in lost.refused]
        in_percent = picked.replace("100,50,20", "50%,50%,10%").replace('"200"', '"100"')
        (read,) = read_questions(in_percent.encode()).questions
        self.assertEqual(read.right, ("hive = ellipse 40 40 60 60",))
        for coords in ("1" * 400, "1.2.3,4,5", "1,2", "a,b,c", ""):
            with self.subTest(coords[:9]):
                (one,) = read_questions(picked.replace("100,50,20", coords).encode()).refused
                self.assertIn("is no area", one.what)
        for width in ("9" * 5000, "0", "50%", "wide"):
            with self.subTest(width[:9]):
                (one,) = read_questions(picked.replace('"200"', f'"{width}"').encode()).refused
                self.assertIn("size of its picture", one.what)
        self.assertIn("“square 100,50,20” is no area", told[0])
        self.assertIn("size of its picture", told[1])

    def test_a_match_is_read_whichever_set_and_end_of_a_pair_its_items_are(self):
        """Groups can stand first, and so can they in each pair: the items are named once each."""
        items = ("beet", "carrot", "kale")
        sets = [_set("A", *items), _set("G", "root", "leaf")]
        pairs = [("A1", "G1"), ("A2", "G1"), ("A3", "G2")]
        right = ("beet = root", "carrot = root", "kale = leaf")
        for form, turned in product((sets, sets[::-1]), (pairs, [pair[::-1] for pair in pairs])):
            item = _match(form, turned)
            (question,) = read_questions(item.encode()).questions
            self.assertEqual((question.kind, question.right), (Kind.MATCH, right))
        for unfit, what in (
            (_match(sets, pairs[:2]), "no partner to each"),
            (_match(sets, [*pairs, ("A1", "G2")]), "no partner to each"),
            (_match(sets, [("A1",), *pairs]), "no pairs"),
            (_match(sets[:1], pairs), "1 sets"),
        ):
            (one,) = read_questions(unfit.encode()).refused
            self.assertIn(what, one.what)

    def test_what_does_not_fit_is_refused_with_its_place_and_the_rest_is_read(self):
        field = '<textEntryInteraction responseIdentifier="X"/>'
        two = CHOICE_21.replace("</itemBody>", f"{field}</itemBody>")
        bomb = '<!DOCTYPE x [<!ENTITY a "aaaa">]>' + HEAD_21 + "</assessmentItem>"
        bad = {
            two: "one choice, order, match, slider, place or field",
            CHOICE_21.replace("choiceInteraction", "associateInteraction"): "associateInteraction",
            CHOICE_21.replace("choiceInteraction", "orderInteraction"): "no order of all choices",
            CHOICE_21.replace("<strong>", '<img src="bed.png"/><strong>'): "“bed.png” is not there",
            CHOICE_21.replace("<em>", '<img src="bed.png"/><em>'): "a picture in a choice",
            CHOICE_21.replace(' identifier="B"', ' identifier="A"'): "one identifier",
            CHOICE_21.replace("<value> B </value>", ""): "no choice is told to be right",
            CHOICE_21.replace('responseIdentifier="ANSWER"', 'responseIdentifier="X"'): "“X”",
            CHOICE_21.replace("</prompt>", ""): "line 15, column 7",
            CHOICE_21.replace("Leek", "Kale, curly"): "wrong",
            HEAD_21 + "<p>" * 90 + "</p>" * 90 + "</assessmentItem>": "too deeply",
        }
        items = [CHOICE_21, *bad, TYPED_30]
        reading = read_questions(package(*items), media=())
        self.assertEqual(len(reading.questions), 2)
        self.assertEqual([one.line for one in reading.refused], list(range(2, len(bad) + 2)))
        for one, what in zip(reading.refused, bad.values(), strict=True):
            self.assertIn(what, one.what)
            self.assertIn(f"items/{one.line}.xml: ", one.what)
            self.assertTrue(one.mend)
        mended = {one.line: (CHOICE_21,) for one in reading.refused}
        whole = read_questions(package(*items), reading.plan, mended)
        self.assertEqual((len(whole.questions), whole.refused), (len(items), ()))
        (told,) = read_questions(bomb.encode()).refused
        self.assertIn("a document type of its own", told.what)


class TestItemsOverHttp(DemoTest):
    def test_a_package_is_loaded_and_a_pack_saved_as_one(self):
        saved = self.http.get("/api/packs/harvest-supper-questions/questions.qti3.zip")
        self.assertEqual(saved.status_code, 200, saved.text[:300])
        load = self.http.post("/api/loads", files={"file": ("supper.zip", saved.content)}).json()
        self.assertEqual(load["plan"]["format"], "items")
        pictured = ITEM_WRITERS["qti3.zip"][1](FITTING, MEDIA)
        load = self.http.post("/api/loads", files={"file": ("fit.zip", pictured)}).json()
        address = f"/api/loads/{load['id']}"
        taken = self.http.post(f"{address}/take", json={"target": {"into": "new"}}).json()
        while taken["stage"] in ("reading", "writing"):
            taken = self.http.get(f"{address}/progress").json()
        again = self.http.get(f"/api/packs/{taken['pack_id']}/questions.qti21.zip")
        with zipfile.ZipFile(io.BytesIO(again.content)) as archive:
            self.assertLessEqual({f"media/{name}" for name in MEDIA}, set(archive.namelist()))
        self.assertEqual(read_questions(again.content).questions, FITTING.questions)
        year = self.http.get("/api/packs/garden-year-questions/questions.qti21.zip")
        self.assertEqual(year.status_code, 422, "what players judge themselves has no item")
        refused = self.http.get("/api/packs/shed-words/questions.qti21.zip")
        self.assertEqual(refused.status_code, 422)
        self.assertIn("question 1", refused.text)
