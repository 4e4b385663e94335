"""Items of QTI: written and read back, read as others write them, refused where they do not fit."""

import io
import unittest
import zipfile
from itertools import product
from xml.etree import ElementTree

from hypothesis import given

from dicetrail.core import Details, Facts, Kind, Needs, Pack, Question
from dicetrail.core.document import Filled
from dicetrail.files import ITEM_WRITERS, FileProblem, Format, read_questions
from dicetrail.files.items import VERSIONS
from tests.files.test_formats import PACKS
from tests.web.demo import DemoTest

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
    ),
)
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
                content = write(pack)
            except FileProblem as problem:
                number = int(problem.problem.where.removeprefix("question "))
                self.assertTrue(1 <= number <= len(pack.questions))
                continue
            reading = read_questions(content)
            self.assertEqual(reading.plan.format, Format.ITEMS)
            self.assertEqual((reading.questions, reading.refused), (pack.questions, ()), name)

    def test_every_kind_that_fits_goes_out_and_comes_back(self):
        for name, (_, write) in ITEM_WRITERS.items():
            self.assertEqual(read_questions(write(FITTING)).questions, FITTING.questions, name)
            for question, what in (
                (Question("?", ("Kale",), (), Kind.LETTERS), "has no item"),
                (Question("?", ("a",), ("b",), details=Details(seconds=9)), "“seconds”"),
                (Question("?", ("5/2",), (), Kind.NUMBER), "plain decimal numbers"),
                (Question("two  spaces", ("a",), ("b",)), "does not keep"),
            ):
                with self.subTest(what), self.assertRaises(FileProblem) as told:
                    write(Pack("P", (*FITTING.questions, question)))
                number = len(FITTING.questions) + 1
                self.assertEqual(told.exception.problem.where, f"question {number}")
                self.assertIn(what, told.exception.problem.what)
            with self.assertRaises(FileProblem):
                write(Pack("F", facts=Facts(("a", "b"), (("1", "2"),))))

    def test_an_item_has_what_the_standard_asks_for_in_its_order(self):
        """1EdTech, QTI 2.1 (2012) and 3.0 (2022), assessment item information model; no package
        of a registry carries the schemas; the rules checked here are from memory."""
        order = ("responseDeclaration", "outcomeDeclaration", "itemBody")
        order += ("responseProcessing", "modalFeedback")
        for name, version in (("qti21.zip", "2.1"), ("qti3.zip", "3.0")):
            archive = zipfile.ZipFile(io.BytesIO(ITEM_WRITERS[name][1](FITTING)))
            form = VERSIONS[version]
            manifest = ElementTree.fromstring(archive.read("imsmanifest.xml"))
            files = [one.get("href") for one in manifest.iter() if one.tag.endswith("}resource")]
            self.assertEqual(sorted(files), sorted(set(archive.namelist()) - {"imsmanifest.xml"}))
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
                        self.assertTrue(bare == "p" or bare.startswith("qti-"), bare)
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
        typed = Question("You dig with a ….", ("trowel", "spade"), (), Kind.TYPED)
        for content in (package(CHOICE_21, TYPED_30), package(CHOICE_21, "<other/>", TYPED_30)):
            self.assertEqual(read_questions(content).questions, (choice, typed))
        self.assertEqual(read_questions(CHOICE_21.encode()).questions, (choice,))
        in_order = CHOICE_21.replace("choiceInteraction", "orderInteraction").replace(
            "<value> B </value>", "<value>B</value><value> A </value>"
        )
        ordered = Question(choice.prompt, ("Kale, curly", "Leek"), (), Kind.ORDER)
        self.assertEqual(read_questions(in_order.encode()).questions, (ordered,))
        self.assertEqual(read_questions(CHOICE_21.encode("utf-16")).questions, (choice,))

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
            two: "one choice, order, match, slider or field",
            CHOICE_21.replace("choiceInteraction", "associateInteraction"): "associateInteraction",
            CHOICE_21.replace("choiceInteraction", "orderInteraction"): "no order of all choices",
            CHOICE_21.replace("<strong>", '<img src="bed.png"/><strong>'): "a picture",
            CHOICE_21.replace(' identifier="B"', ' identifier="A"'): "one identifier",
            CHOICE_21.replace("<value> B </value>", ""): "no choice is told to be right",
            CHOICE_21.replace('responseIdentifier="ANSWER"', 'responseIdentifier="X"'): "“X”",
            CHOICE_21.replace("</prompt>", ""): "line 15, column 7",
            CHOICE_21.replace("Leek", "Kale, curly"): "wrong",
            HEAD_21 + "<p>" * 90 + "</p>" * 90 + "</assessmentItem>": "too deeply",
        }
        items = [CHOICE_21, *bad, TYPED_30]
        reading = read_questions(package(*items))
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
        refused = self.http.get("/api/packs/shed-words/questions.qti21.zip")
        self.assertEqual(refused.status_code, 422)
        self.assertIn("question 1", refused.text)
