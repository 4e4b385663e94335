"""Getting questions in, and keeping them in order, through the interface."""

from selenium.webdriver.common.keys import Keys
from selenium.webdriver.support.ui import Select

from dicetrail.files import read_questions
from tests.browser.base import BrowserTest
from tests.exhaustive import exhaustive
from tests.files.samples import archive, svg, wav

KEYED = """What,one,two,three,right
Which is a root?,Pea,Carrot,Bean,B
Which is a leaf?,Kale,Beet,Leek,A
Which is a pod?,Kale,Beet,Pea,E
"""


class TestLoad(BrowserTest):
    def choose(self, label, option):
        found = self.found(
            f"//select[@id=//label[.='{label}']/@for or @aria-label='{label}']", label
        )
        self.wait(lambda: option in [one.text for one in Select(found).options], option)
        Select(found).select_by_visible_text(option)

    def packs(self):
        return self.server.http.get("/api/packs").json()

    def test_the_guess_is_seen_changed_mended_and_taken(self):
        before = len(self.packs())
        self.open("/")
        self.upload(self.write("keys.csv", KEYED))
        self.sees("2 questions", "aside")
        self.sees("column 5 has keys to choices under “right”", "[aria-label='The first row']")
        self.assert_accessible()
        self.button("It is a question").click()
        self.sees("4 questions", "aside")
        for place, role in enumerate(("option", "option", "option", "key"), 2):
            self.choose(f"Column {place} holds", role)
        self.sees("2 rows refused", "aside")
        self.button("It names the columns").click()
        self.sees("1 row refused", "aside")
        self.sees("Line 4, column 5: the key “E” points at none of the 3 options")
        self.sees("✓ Carrot", "aside")
        self.fill("Line 4, column 5", "c" + Keys.ENTER)
        self.sees("3 questions", "aside")
        self.wait(lambda: "refused" not in self.text(), "no refusals")
        self.assertEqual(len(self.packs()), before)
        self.fill("Title of the pack", "Roots and leaves")
        self.button("Load 3 questions").click()
        self.sees("3 questions, 1 pack", "nav")
        self.assertEqual(self.field("Title of the game").get_attribute("value"), "Roots and leaves")
        self.assertEqual(self.packs()[0]["question_count"], 3)

    @exhaustive
    def test_what_is_copied_keeps_its_marks_and_a_block_is_mended_in_place(self):
        self.open("/load/new")
        listed = "<p>1. Which is a root?</p><ol type=a><li>Pea</li><li><b>Carrot</b></li></ol>"
        unmarked = "<p>2. Which is a leaf?</p><ol type=a><li>Kale</li><li>Beet</li></ol>"
        self.one("#pasted")
        self.driver.execute_script(
            "const copied = new DataTransfer();"
            "copied.setData('text/plain', 'as plain text');"
            "copied.setData('text/html', arguments[0]);"
            "document.querySelector('#pasted').dispatchEvent(new ClipboardEvent('paste',"
            "{clipboardData: copied, bubbles: true, cancelable: true}))",
            f"<html><body>{listed}{unmarked}</body></html>",
        )
        self.sees("what stands out in it are kept")
        self.button("Look at them").click()
        self.sees("1 question, 1 block refused", "aside")
        self.sees("✓ Carrot", "aside")
        self.assert_accessible()
        told = "Line 7: nothing tells which of its options is right"
        self.field(told).send_keys("\nAnswer: a")
        self.button("Take it in").click()
        self.sees("2 questions", "aside")
        self.sees("✓ Kale", "aside")

    @exhaustive
    def test_a_file_dropped_anywhere_on_the_shelf_is_looked_at(self):
        self.open("/")
        self.sees("Games")
        self.driver.execute_script(
            "const carried = new DataTransfer();"
            "carried.items.add(new File(['Which?,a,b\\nWho?,c,d\\n'], 'dropped.csv'));"
            "for (const kind of ['dragover', 'drop']) document.body.dispatchEvent(new DragEvent("
            "kind, {dataTransfer: carried, bubbles: true, cancelable: true}))"
        )
        self.sees("dropped.csv", "h1")
        self.sees("2 questions", "aside")
        self.button("Give up").click()
        self.sees("Games")

    def test_pasted_rows_replace_a_pack_after_the_change_is_told(self):
        self.open("/")
        self.upload(self.write("first.tsv", "One?\ta\tb\nTwo?\ta\tb\n"))
        self.button("Load 2 questions").click()
        self.sees("2 questions, 1 pack", "nav")
        self.open("/load/new")
        self.one("#pasted").send_keys("Two?,a,c\nThree?,a,b\n")
        self.button("Look at them").click()
        self.sees("2 questions", "aside")
        self.choose("They go into", "replace First")
        self.sees("1 added, 1 changed, 1 gone, 0 the same")
        self.button("Give up").click()
        self.sees("Games")
        self.assertEqual(self.packs()[0]["revision"], 1)

    @exhaustive
    def test_a_pack_that_a_format_cannot_carry_says_so_and_others_are_saved(self):
        self.open("/game/harvest-supper/load")
        self.button("TXT").click()
        self.sees("two columns, question and answer, cannot carry all of it")
        downloads = str(self.folder)
        settings = {"behavior": "allow", "downloadPath": downloads}
        self.driver.execute_cdp_cmd("Browser.setDownloadBehavior", settings)
        self.button("CSV").click()
        saved = self.folder / "harvest-supper-questions.csv"
        self.wait(saved.exists, "the saved file")
        self.assertEqual(len(read_questions(saved.read_bytes()).questions), 30)

    def test_many_rows_are_taken_with_their_progress_told_and_can_be_stopped(self):
        before = len(self.packs())
        rows = "".join(f"Which is {number}?,this,that\n" for number in range(30_000))
        file = self.write("many.csv", rows)
        self.open("/")
        self.upload(file)
        self.sees("Looked at the first 5000 rows of about 30000")
        self.button("Load them all").click()
        self.button("Stop").click()
        self.sees("Games")
        self.upload(file)
        self.button("Load them all").click()
        self.one("progress")
        self.sees("30000 questions, 1 pack", "nav")
        self.assertEqual(len(self.packs()), before + 1)

    def test_an_archive_brings_its_pictures_and_the_player_sees_them(self):
        rows = "question,right answer,wrong 1,picture,sound\n"
        rows += "Which leaf?,Kale,Chard,leaf.svg,hush.wav\n"
        bundle = archive({"leaves.csv": rows, "leaf.svg": svg()})
        self.open("/")
        self.upload(self.write("leaves.zip", bundle))
        self.sees("there is no file “hush.wav”")
        self.all("input[type=file]")[0].send_keys(self.write("hush.wav", wav()))
        self.sees("hush.wav, leaf.svg")
        self.button("Load 1 question").click()
        self.sees("1 question, 1 pack", "nav")
        self.begin()
        width = "return document.querySelector('section img')?.naturalWidth ?? 0"
        self.wait(lambda: self.driver.execute_script(width) > 0, "the picture, drawn")
        self.one("button[aria-label='Hear it: the sound this question is about']")
        self.assert_accessible()


@exhaustive
class TestPackGrid(BrowserTest):
    PACK = "/api/packs/harvest-supper-questions"

    def cell(self, label):
        return self.one(f"input[aria-label='{label}']")

    def retype(self, label, text):
        self.cell(label).send_keys(Keys.CONTROL, "a", Keys.NULL, text)

    def prompts(self):
        return [
            question["prompt"] for question in self.server.http.get(self.PACK).json()["questions"]
        ]

    def test_editing_in_place_marks_faults_and_undoes_them(self):
        self.open("/")
        self.at("a[aria-label='Edit Harvest Supper questions']").click()
        self.sees("0 rows with faults")
        prompts = self.prompts()
        self.retype("Wrong 1, row 2", "The stalk")
        self.sees("1 row with faults")
        self.sees("wrong choice 1 is the same as the right answer, “The stalk”", "aside")
        self.retype("Level, row 3", "9")
        self.sees("2 rows with faults")
        self.retype("Question, row 4", prompts[0])
        self.sees("question 1 asks the same", "aside")
        self.assert_accessible()
        self.field("Only rows with faults").click()
        self.sees("3 shown")
        for _ in range(3):
            self.button("Undo").click()
        self.sees("0 rows with faults")
        self.field("Only rows with faults").click()
        self.wait(lambda: "Saved" in self.text("header"), "saved")
        self.assertEqual(self.prompts(), prompts)

    def test_the_keys_of_a_grid_lead_to_its_cells(self):
        self.open("/pack/harvest-supper-questions")
        self.sees("30 shown")
        heads = self.driver.find_elements("css selector", "[role=columnheader] button")
        columns = [head.text for head in heads]
        self.cell(f"{columns[0]}, row 2").click()
        for keys, column, row in (
            ((Keys.ARROW_DOWN,), 0, 3),
            ((Keys.CONTROL, Keys.ARROW_RIGHT), 1, 3),
            ((Keys.ARROW_LEFT,), 0, 3),
            ((Keys.END,), -1, 3),
            ((Keys.CONTROL, Keys.HOME), 0, 1),
            ((Keys.CONTROL, Keys.END), -1, 31),
            ((Keys.ARROW_UP,), -1, 30),
        ):
            self.driver.switch_to.active_element.send_keys(*keys)
            wanted = f"{columns[column]}, row {row}"
            self.wait(lambda at=wanted: self.focused() == at, wanted)
        self.driver.switch_to.active_element.send_keys(Keys.PAGE_UP)
        self.wait(lambda: int(self.focused().split()[-1]) < 25, "a page further up")

    def focused(self):
        return self.driver.switch_to.active_element.get_attribute("aria-label")

    def test_two_tabs_edit_one_pack_and_neither_is_refused_because_of_the_other(self):
        first = self.server.http.get(self.PACK).json()["questions"]
        wanted = [one["prompt"] for one in first]
        self.open("/pack/harvest-supper-questions")
        self.sees("30 shown")
        one = self.driver.current_window_handle
        self.driver.switch_to.new_window("tab")
        self.addCleanup(self.driver.switch_to.window, one)
        self.open("/pack/harvest-supper-questions")
        self.sees("30 shown")
        other = self.driver.current_window_handle
        self.retype("Question, row 3", "Changed in the other tab?")
        self.button("Add a question").click()
        self.sees("31 shown")
        self.wait(lambda: "Saved" in self.text("header"), "saved there")
        self.driver.switch_to.window(one)
        self.sees("This pack was changed elsewhere too")
        self.sees("31 shown")
        self.retype("Question, row 1", "Changed in this tab?")
        self.wait(lambda: self.prompts()[0] == "Changed in this tab?", "saved here")
        self.driver.switch_to.window(other)
        self.sees("This pack was changed elsewhere too")
        self.driver.close()
        self.driver.switch_to.window(one)
        wanted[0], wanted[2] = "Changed in this tab?", "Changed in the other tab?"
        self.assertEqual(self.prompts(), [*wanted, ""])
        edits = [{"row": 30, "remove": 1}]
        edits += [{"row": n, "remove": 1, "insert": [first[n]]} for n in (0, 2)]
        revision = self.server.http.get(self.PACK).json()["revision"]
        body = {"revision": revision, "edits": edits}
        self.server.http.post(f"{self.PACK}/edits", json=body)

    def test_rows_are_added_copied_found_sorted_chosen_and_deleted(self):
        self.open("/pack/harvest-supper-questions")
        self.sees("30 shown")
        self.button("Add a question").click()
        self.sees("there is no right answer", "aside")
        foot = "return arguments[0].getBoundingClientRect().bottom"
        self.wait(
            lambda: (
                self.driver.execute_script(foot, self.cell("Question, row 31"))
                <= self.driver.execute_script(foot, self.one("[role=grid]"))
            ),
            "the new row, in sight",
        )
        self.button("Delete").click()
        self.sees("30 shown")
        self.driver.execute_script("arguments[0].scrollTop = 0", self.one("[role=grid]"))
        self.cell("Question, row 1").click()
        self.press(Keys.ARROW_DOWN)
        self.sees("Question 2", "aside")
        self.button("Duplicate").click()
        self.sees("31 shown")
        self.fill("Find", "rhubarb plant")
        self.sees("2 shown")
        self.cell("Choose all rows shown").click()
        self.fill("To", "stalks")
        self.button("Set them all").click()
        self.fill("Find", "")
        self.sees("31 shown")
        self.button("Delete them").click()
        self.sees("29 shown")
        self.command("u")
        self.sees("31 shown")
        self.command("u")
        self.command("u")
        self.sees("30 shown")
        self.press("?")
        self.sees("go to the field above or below")
        self.press(Keys.ESCAPE)
        self.button("Question").send_keys(Keys.ENTER)
        self.wait(lambda: self.all("[role=row]")[1].get_attribute("aria-rowindex") == "2", "rows")
        first = self.all("[role=row]")[1].find_element("css selector", "[data-column=prompt]")
        self.assertEqual(first.get_attribute("value"), min(self.prompts(), key=str.lower))
        self.wait(lambda: "Saved" in self.text("header"), "saved")

    def new_pack(self, name, count):
        """A pack of plain questions, made without the interface; its address."""
        rows = "".join(f"Which is {number}?\tthis\tthat\n" for number in range(count))
        load = self.server.http.post("/api/loads", files={"file": (f"{name}.tsv", rows)}).json()
        address = f"/api/loads/{load['id']}"
        self.server.http.post(f"{address}/take", json={"target": {"into": "new"}})
        progress = f"{address}/progress"
        self.wait(lambda: self.server.http.get(progress).json()["stage"] == "done", "the pack")
        return f"/api/packs/{name}"

    def test_an_edit_made_elsewhere_is_told_and_nothing_is_overwritten(self):
        pack = self.new_pack("shared", 3)
        self.open("/pack/shared")
        self.sees("3 shown")
        theirs = {"prompt": "Theirs?", "right": ["this"], "wrong": ["that"]}
        edits = {"revision": 1, "edits": [{"row": 0, "remove": 1, "insert": [theirs]}]}
        self.server.http.post(f"{pack}/edits", json=edits)
        # Both changed one row: neither is taken for the other.
        self.retype("Question, row 1", "Mine?")
        self.sees("This pack was changed elsewhere")
        self.sees("Not saved", "header")
        self.assertEqual(self.server.http.get(pack).json()["questions"][0]["prompt"], "Theirs?")
        self.button("Show the newest, without my edit").click()
        self.wait(lambda: self.cell("Question, row 1").get_attribute("value") == "Theirs?", "it")
        self.retype("Question, row 1", "Mine?")
        self.wait(lambda: self.server.http.get(pack).json()["revision"] >= 3, "the edit, saved")

    def test_ten_thousand_questions_keep_only_those_in_sight_on_the_page(self):
        self.new_pack("ten-thousand", 10_000)
        self.open("/pack/ten-thousand")
        self.sees("10000 shown")
        self.assertLess(len(self.all("[role=row]")), 60)
        self.driver.execute_script("document.querySelector('[role=grid]').scrollTop = 38 * 9990")
        self.assertEqual(self.cell("Question, row 10000").get_attribute("value"), "Which is 9999?")
