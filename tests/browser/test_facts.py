"""Facts through the interface: loaded, asked about both ways round, played, edited."""

from selenium.webdriver.common.keys import Keys

from dicetrail.demo import DATA
from tests.browser.base import BrowserTest
from tests.exhaustive import exhaustive


class TestFacts(BrowserTest):
    def preview(self):
        return self.text("[aria-label='What comes of it']")

    @exhaustive
    def test_a_table_becomes_a_game_whose_questions_are_seen_as_they_are_programmed(self):
        self.open("/")
        self.upload(str((DATA / "plants.tsv").resolve()))
        self.sees("questions", "aside")
        self.choose("Load it as", "Facts")
        self.sees("14 rows", "aside")
        self.sees("names of the columns", "[aria-label='The first row']")
        self.assert_accessible()
        self.fill("Title of the pack", "Beds")
        self.button("Load 14 rows").click()
        self.sees("1 pattern", "nav")
        self.button("Load").click()
        self.sees("From the facts “Beds”")
        self.sees("14 questions", "[aria-label='What comes of it']")
        # A place is completed as it is typed, and the questions follow.
        self.fill("The question", "Where does the {pl" + Keys.ENTER)
        self.choose("The answer is in", "bed")
        self.sees("Where does the", "[aria-label='What comes of it']")
        self.wait(lambda: "Bed" in self.preview(), "beds as answers")
        self.fill("The question", "Is it in the {bed}?")
        self.sees("{bed} in the question gives the answer away")
        self.fill("The question", "Where does the {flower} grow?")
        self.sees("there is no column “flower”")
        self.fill("The question", "Where does the {plant} grow?")
        self.wait(lambda: "no column" not in self.text(), "the fault gone")
        self.fill("Choices", "3")
        self.button("Ask it the other way round").click()
        self.sees("2 patterns", "nav")
        self.sees("This round can draw from 18 questions.")
        self.assert_accessible()
        self.begin()
        self.assertRegex(self.prompt(), "^(Where does the|Which plant goes with)")
        self.command("g")
        self.sees("Go on")

    def test_facts_are_edited_in_their_grid_and_never_lost(self):
        self.open("/pack/plants-of-the-beds")
        self.sees("14 rows of facts, 6 columns")
        self.assert_accessible()
        self.fill("plant, row 1", "Purple carrot")
        self.at("summary").click()
        self.button("QTI 3.0").click()
        self.sees("facts are a table, and no items. To mend it, save it as TSV or CSV.")
        self.button("Add a row").click()
        self.fill("plant, row 15", "Chard")
        self.sees("Saved", "header")
        self.fill("Column 2", "eaten part")
        self.button("Add a column").click()
        self.button("Change the columns").click()
        self.sees("15 rows of facts, 7 columns")
        self.assertEqual(
            self.field("plant, row 1").get_attribute("value"), "Purple carrot", "no edit is lost"
        )
        self.assertEqual(self.field("eaten part, row 1").get_attribute("value"), "root")
        # The patterns of Bed by Bed name the column by what it was called.
        self.open("/game/bed-by-bed/load")
        self.choose("Round 1 of 2", "Beds")
        self.sees("there is no column “part we eat”")


@exhaustive
class TestPacksKept(BrowserTest):
    def packs(self):
        return {pack["title"]: pack for pack in self.server.http.get("/api/packs").json()}

    def test_packs_are_found_joined_split_deleted_and_put_back(self):
        self.open("/pack/harvest-supper-questions")
        self.sees("30 questions")
        self.at("summary").click()
        self.fill("Tags, with commas between", "supper, autumn")
        self.button("Keep this").click()
        self.wait(lambda: self.packs()["Harvest Supper questions"]["tags"], "the tags kept")
        self.field("Choose row 2").click()
        self.field("Choose row 4").click()
        self.fill("Title of the new pack", "Two of them")
        self.button("Move them there").click()
        self.sees("28 questions")
        self.fill("Question, row 2", "Which of these grows under the ground here?")
        self.fill("Right answer, row 2", "Carrot")
        self.sees("Saved", "header")
        self.button("Find alike").click()
        self.sees("1 pair")
        self.assert_accessible()
        self.button("Delete row 2").click()
        self.sees("27 questions")
        self.sees("No two questions are alike.")
        self.sees("Saved", "header")
        self.open("/")
        self.sees("Two of them")
        self.fill("Find by name or tag", "autumn")
        self.wait(lambda: "Shed words" not in self.text("main"), "the others left out")
        self.field("Choose Harvest Supper questions").click()
        self.fill("Find by name or tag", "")
        self.field("Choose Two of them").click()
        self.assert_accessible()
        self.fill("Title of the joined pack", "All again")
        self.button("Join 2 packs").click()
        self.wait(lambda: "All again" in self.packs(), "the joined pack")
        self.assertEqual(self.packs()["All again"]["question_count"], 29)
        self.at("[aria-label='Delete Two of them']").click()
        self.sees("Two of them is off the shelf")
        self.assertNotIn("Two of them", self.packs())
        self.button("Put it back").click()
        self.wait(lambda: "Two of them" in self.packs(), "it is back")
