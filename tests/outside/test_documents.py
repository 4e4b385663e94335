"""Documents and workbooks as others write them: python-docx, odfpy, openpyxl, LibreOffice.

Tables in Markdown after the examples of GitHub Flavored Markdown 4.10 (from memory).
"""

import io
import unittest
import zipfile
from pathlib import Path

import docx
from docx.enum.text import WD_COLOR_INDEX
from odf.opendocument import OpenDocumentSpreadsheet, OpenDocumentText
from odf.style import Style, TextProperties
from odf.table import Table, TableCell, TableRow
from odf.text import List as OdfList
from odf.text import ListItem, ListLevelStyleNumber, ListStyle, P, Span
from openpyxl import Workbook

from dicetrail.files import Contents, FileProblem, Format, ImportOptions, guess, read_questions

ASKED = (
    ("Which is a root?", ("Pea", "Carrot", "Bean"), 1),
    ("Which is a leaf?", ("Cabbage", "Beet", "Swede"), 0),
)
EXPECTED = [("Which is a root?", ("Carrot",)), ("Which is a leaf?", ("Cabbage",))]


def saved(document):
    made = io.BytesIO()
    document.save(made)
    return made.getvalue()


def plain(_run):
    """Nothing is marked."""


def found(content):
    reading = read_questions(content)
    return [(q.prompt, q.right) for q in reading.questions], reading


class TestDocx(unittest.TestCase):
    def marked(self, mark, styles=("List Number", "List Bullet")):
        document = docx.Document()
        document.add_heading("Quillbrook spring quiz", 1)
        for prompt, options, right in ASKED:
            document.add_paragraph(prompt, style=styles[0])
            for place, option in enumerate(options):
                run = document.add_paragraph(style=styles[1]).add_run(option)
                if place == right:
                    mark(run)
        return saved(document)

    def test_the_right_one_is_told_by_what_stands_out(self):
        def bold(run):
            run.bold = True

        def underlined(run):
            run.underline = True

        def highlighted(run):
            run.font.highlight_color = WD_COLOR_INDEX.YELLOW

        for mark in (bold, underlined, highlighted):
            with self.subTest(mark.__name__):
                questions, reading = found(self.marked(mark))
                self.assertEqual((questions, reading.refused), (EXPECTED, ()))

    def test_what_nothing_tells_apart_is_a_refused_block_with_its_line(self):
        _, reading = found(self.marked(plain))
        self.assertEqual([row.line for row in reading.refused], [2, 6])
        self.assertIn("nothing tells which", reading.refused[0].what)

    def test_lines_and_a_table_with_merged_cells(self):
        document = docx.Document()
        document.add_paragraph("For the supper.")
        table = document.add_table(rows=0, cols=4)
        for row in (("Question", "Right", "Wrong", "Wrong"), *_rows()):
            cells = table.add_row().cells
            for cell, text in zip(cells, row, strict=True):
                cell.text = text
        questions, reading = found(saved(document))
        self.assertEqual((questions, reading.plan.format), (EXPECTED, Format.DRAWN))
        document = docx.Document()
        for prompt, options, right in ASKED:
            document.add_paragraph(prompt)
            for letter, option in zip("ABC", options, strict=True):
                document.add_paragraph(f"{letter}) {option}")
            document.add_paragraph(f"Answer: {'ABC'[right]}")
        self.assertEqual(found(saved(document))[0], EXPECTED)

    def test_tables_that_frame_or_stand_in_others_are_read(self):
        framed = docx.Document()
        cell = framed.add_table(rows=1, cols=1).rows[0].cells[0]
        for prompt, options, right in ASKED:
            cell.add_paragraph(prompt)
            for letter, option in zip("ABC", options, strict=True):
                cell.add_paragraph(f"{letter}) {option}")
            cell.add_paragraph(f"Answer: {'ABC'[right]}")
        self.assertEqual(found(saved(framed))[0], EXPECTED)
        nested = docx.Document()
        cells = nested.add_table(rows=1, cols=2).rows[0].cells
        cells[0].text = "Spring quiz"
        table = cells[1].add_table(rows=0, cols=4)
        for row in (("Question", "Right", "Wrong", "Wrong"), *_rows()):
            for cell, text in zip(table.add_row().cells, row, strict=True):
                cell.text = text
        self.assertEqual(found(saved(nested))[0], EXPECTED)

    def test_a_document_of_ten_thousand_pages_is_told_so_at_once(self):
        document = docx.Document()
        for text in ("Which is a root?", "a) Carrot *", "b) Pea"):
            document.add_paragraph(text)
        content = saved(document)

        def repeated(times):
            return rewritten(content, lambda name, held: _with_more(name, held, times))

        with self.assertRaises(FileProblem) as told:
            guess(repeated(10_000 * 12))
        self.assertIn("more than 200,000 lines", told.exception.problem.what)
        self.assertEqual(len(read_questions(repeated(3_000)).questions), 3_000)

    def test_macros_objects_and_pictures_are_said_to_be_left_out(self):
        document = docx.Document()
        document.add_paragraph("Which is a root? Carrot")
        extra = ("word/vbaProject.bin", "word/embeddings/sheet.xlsx", "word/media/leaf.png")
        notes = read_questions(rewritten(saved(document), more=extra)).notes
        self.assertEqual(len(notes), 3)
        self.assertIn("Its macros are left out, and never run.", notes)
        self.assertEqual(read_questions(saved(document)).notes, ())


def rewritten(content, change=lambda _, held: held, more=()):
    """An archive with its files changed, and with more of them."""
    made = io.BytesIO()
    with (
        zipfile.ZipFile(io.BytesIO(content)) as old,
        zipfile.ZipFile(made, "w", zipfile.ZIP_DEFLATED) as new,
    ):
        for entry in old.infolist():
            new.writestr(entry, change(entry.filename, old.read(entry)))
        for name in more:
            new.writestr(name, b"\0")
    return made.getvalue()


def _with_more(name, held, times):
    """The paragraphs of a document so many times over."""
    if name != "word/document.xml":
        return held
    start, end = held.index(b"<w:p>"), held.rindex(b"</w:p>") + len(b"</w:p>")
    return held[:start] + held[start:end] * times + held[end:]


def _rows():
    for prompt, options, right in ASKED:
        yield prompt, options[right], *(one for one in options if one != options[right])


class TestOpenDocument(unittest.TestCase):
    def test_a_table_in_a_table_is_one_of_its_own(self):
        document = OpenDocumentText()
        outer, inner = Table(name="Outer"), Table(name="Inner")
        for row in _rows():
            made = TableRow()
            for text in row:
                cell = TableCell()
                cell.addElement(P(text=text))
                made.addElement(cell)
            inner.addElement(made)
        row, first, second = TableRow(), TableCell(), TableCell()
        first.addElement(P(text="Spring quiz"))
        second.addElement(inner)
        row.addElement(first)
        row.addElement(second)
        outer.addElement(row)
        document.text.addElement(outer)
        questions, reading = found(saved(document))
        self.assertEqual((questions, reading.plan.format), (EXPECTED, Format.DRAWN))

    def test_a_text_with_lists_and_bold(self):
        document = OpenDocumentText()
        bold = Style(name="Strong", family="text")
        bold.addElement(TextProperties(fontweight="bold"))
        letters = ListStyle(name="Letters")
        letters.addElement(ListLevelStyleNumber(level=1, numformat="a", numsuffix=")"))
        document.automaticstyles.addElement(bold)
        document.automaticstyles.addElement(letters)
        for prompt, options, right in ASKED:
            document.text.addElement(P(text=prompt))
            listed = OdfList(stylename=letters)
            for place, option in enumerate(options):
                item, words = ListItem(), P()
                words.addElement(
                    Span(stylename=bold, text=option) if place == right else Span(text=option)
                )
                item.addElement(words)
                listed.addElement(item)
            document.text.addElement(listed)
        questions, reading = found(saved(document))
        self.assertEqual((questions, reading.refused), (EXPECTED, ()))

    def test_a_spreadsheet_with_a_sheet_to_choose(self):
        document = OpenDocumentSpreadsheet()
        for name, rows in (
            ("Empty", ()),
            ("Roots", list(_rows())),
            ("Other", [("Who?", "a", "b")]),
        ):
            table = Table(name=name)
            for row in rows:
                made = TableRow()
                for text in row:
                    cell = TableCell(valuetype="string")
                    cell.addElement(P(text=text))
                    made.addElement(cell)
                table.addElement(made)
            document.spreadsheet.addElement(table)
        content = saved(document)
        questions, reading = found(content)
        self.assertEqual((questions, reading.plan.sheet), (EXPECTED, "Roots"))
        self.assertEqual(reading.sheets, ("Empty", "Roots", "Other"))
        other = read_questions(content, guess(content, ImportOptions(sheet="Other")))
        self.assertEqual([q.prompt for q in other.questions], ["Who?"])


class TestLibreOffice(unittest.TestCase):
    """What LibreOffice 7.4.7 (Debian 4:7.4.7-1+deb12u14) made of `list.csv` and `quiz.html`, with
    ``soffice --headless --convert-to``: workbooks and documents of another hand than any here.
    """

    FILES = Path(__file__).parent / "libreoffice"

    def test_its_workbooks_are_read_at_the_first_guess(self):
        for ending in ("xlsx", "ods", "xls"):
            with self.subTest(ending):
                content = (self.FILES / f"list.{ending}").read_bytes()
                questions, reading = found(content)
                expected = [("Was ist eine Wurzel?", ("Möhre",)), ("Was ist ein Blatt?", ("Kohl",))]
                self.assertEqual((questions, reading.refused), (expected, ()))
                self.assertIn("Days are read as", reading.notes[0])
                facts = read_questions(
                    content, guess(content, ImportOptions(contents=Contents.FACTS))
                ).facts
                self.assertEqual(facts.columns, ("Frage", "Richtig", "Falsch 1", "Falsch 2", "Tag"))
                self.assertEqual(facts.rows[1][-1], "2026-04-01")

    def test_a_password_a_failed_formula_and_merged_cells_are_told(self):
        for ending in ("ods", "xls"):
            with self.subTest(ending), self.assertRaises(FileProblem) as told:
                read_questions((self.FILES / f"locked.{ending}").read_bytes())
            self.assertIn("locked with a password", told.exception.problem.what)
        notes = " ".join(read_questions((self.FILES / "odd.xlsx").read_bytes()).notes)
        self.assertIn("Cells whose formula failed are read as empty.", notes)
        self.assertIn("Merged cells count once", notes)
        plain = read_questions((self.FILES / "list.ods").read_bytes()).notes
        self.assertEqual(len(plain), 1)

    def test_its_documents_are_read_at_the_first_guess(self):
        for ending in ("docx", "odt"):
            with self.subTest(ending):
                questions, reading = found((self.FILES / f"quiz.{ending}").read_bytes())
                self.assertEqual((questions, reading.refused), (EXPECTED, ()))


class TestOthers(unittest.TestCase):
    def test_a_workbook_that_begins_lower_and_further_right(self):
        book = Workbook()
        sheet = book.active
        for row, cells in enumerate((("Frage", "Richtig", "Falsch", "Falsch"), *_rows()), 4):
            for column, cell in enumerate(cells, 3):
                sheet.cell(row, column, cell)
        questions, reading = found(saved(book))
        self.assertEqual((questions, reading.refused), (EXPECTED, ()))

    def test_a_large_workbook_is_looked_at_by_its_first_rows_and_taken_whole(self):
        book = Workbook()
        for row in range(30_000):
            book.active.append((f"Which one is number {row}?", f"right {row}", "x" * 90, "y"))
        book.create_sheet("Other").append(("Only?", "a", "b"))
        content = saved(book)
        look = read_questions(content, guess(content), most=5_000)
        self.assertEqual((len(look.questions), look.is_whole), (5_000, False))
        whole = read_questions(content, look.plan)
        self.assertEqual((len(whole.questions), whole.is_whole), (30_000, True))
        self.assertEqual(whole.questions[:5_000], look.questions)
        self.assertEqual(whole.questions[-1].right, ("right 29999",))
        self.assertEqual(look.sheets, ("Sheet", "Other"))

    def test_tables_of_markdown(self):
        for text in (
            "| Question | Right | Wrong |\n| --- | --- | --- |\n| Which? | a \\| b | c |\n",
            "Question | Right | Wrong\n:-|-:|:-:\nWhich? | a \\| b | c\n",
        ):
            questions, _ = found(f"Some words.\n\n{text}\nMore.\n".encode())
            self.assertEqual(questions, [("Which?", ("a | b",))])

    def test_what_is_copied_from_a_page_or_a_spreadsheet(self):
        rows = "".join(f"<tr><td>{'</td><td>'.join(row)}</td></tr>" for row in _rows())
        head = "<meta charset='utf-8'><style>td { color: red }</style><table><tbody>"
        questions, reading = found(f"{head}{rows}</tbody></table>".encode())
        self.assertEqual((questions, reading.plan.format), (EXPECTED, Format.DRAWN))
        inner = f"<table>{rows}</table>"
        outer = f"<table><tr><td>Spring</td><td>{inner}</td></tr><tr><td>x</td></tr></table>"
        self.assertEqual(found(outer.encode())[0], EXPECTED, "a table in a table")
        listed = "".join(
            f"<p>{number}. {prompt}</p><ol style='list-style-type: lower-alpha'>"
            + "".join(f"<li>{'<b>' * (n == right)}{one}</li>" for n, one in enumerate(options))
            + "</ol>"
            for number, (prompt, options, right) in enumerate(ASKED, 1)
        )
        questions, reading = found(f"<html><body><h1>Supper</h1>{listed}".encode())
        self.assertEqual((questions, reading.refused), (EXPECTED, ()))

    def test_damaged_documents_are_told_in_a_sentence(self):
        whole = TestDocx().marked(plain)
        for content in (
            whole[: len(whole) // 2],
            whole.replace(b"word/document", b"word/dokument"),
        ):
            with self.assertRaises(FileProblem):
                read_questions(content)
