"""Twenty-one small games, each built from an empty shelf through the pages alone and played.

Each press and each character typed by hand is counted; what is pasted counts as one press.
`docs/cookbook.md` tells each of them in steps.
"""

import re
from pathlib import Path
from tempfile import TemporaryDirectory

from selenium.webdriver.common.keys import Keys

from tests.browser.base import BrowserTest, Tab
from tests.exhaustive import exhaustive
from tests.files.samples import archive, png, wav
from tests.server import Server

TABLE = "section[aria-label=Table]"
BENCH = "section[aria-labelledby=bench]"
MAX_PRESSES = 60
COOKBOOK = Path("docs/cookbook.md")


@exhaustive
class TestCookbook(BrowserTest):
    @classmethod
    def setUpClass(cls):
        folder = TemporaryDirectory()
        cls.addClassCleanup(folder.cleanup)
        cls.folder = Path(folder.name)
        cls.server = Server(cls.folder / "store.sqlite")
        cls.addClassCleanup(cls.server.__exit__)
        tab = Tab()
        cls.addClassCleanup(tab.close)
        cls.driver = tab.driver

    def setUp(self):
        self.presses = self.typed = 0

    def tap(self, words):
        self.presses += 1
        self.button(words).click()

    def write_in(self, label, text):
        self.presses += 1
        self.typed += len(text)
        self.fill(label, text)

    def pick(self, label, words):
        self.presses += 2
        self.choose(label, words)

    def go_to(self, stop):
        def is_there():
            self.found(f"//nav//a[contains(., '{stop}')]", stop).click()
            return self.text("#bench") == stop

        self.presses += 1
        self.wait(is_there, f"the bench of {stop}")

    def new_game(self, title, recipe="one point each"):
        self.open("/")
        self.write_in("Title of the new game", title)
        if recipe != "one point each":
            self.presses += 2
            self.found(f"//option[.='{recipe}']", recipe).click()
        self.presses += 1
        self.at("form button[type=submit]").click()
        self.sees(title, "h1")

    def paste(self, text):
        self.tap("paste questions")
        self.presses += 1
        self.insert("#pasted", text)
        self.tap("Look at them")
        self.tap("Load ")
        self.wait(lambda: "/load?round=" in self.driver.current_url, "the bench")

    def built(self, number):
        """The game is whole: no fault, within the presses aimed at, and told in the cookbook."""
        self.sees("Saved", "header")
        self.wait(lambda: "fault" not in self.text("header").replace("No faults", ""), "no fault")
        self.assertLessEqual(self.presses, MAX_PRESSES)
        told = re.search(
            rf"^## {number}\. .*?\n\n(\d+) presses, (\d+) characters",
            COOKBOOK.read_text("utf-8"),
            re.M,
        )
        self.assertIsNotNone(told, f"game {number}: {self.presses} presses, {self.typed} typed")
        self.assertEqual((int(told[1]), int(told[2])), (self.presses, self.typed), number)

    def tap_summary(self, words):
        self.presses += 1
        self.found(f"//summary[starts-with(., '{words}')]", words).click()

    def tick(self, label):
        self.presses += 1
        self.field(label).click()

    def nth(self, number, label, words):
        """Choose in the list with this label that is so many down the page."""
        self.presses += 2
        named = f"(//label[.='{label}'])[{number}]/..//option[.='{words}']"
        self.found(named, f"{label} {number}").click()

    def write_nth(self, number, label, text):
        """Write into the field with this label that is so many down the page."""
        self.presses += 1
        self.typed += len(text)
        box = f"(//label[.='{label}'])[{number}]/../descendant::input[1]"

        def is_written():
            self.found(box, label).send_keys(Keys.CONTROL, "a", Keys.NULL, text or Keys.DELETE)
            return True

        self.wait(is_written, label)

    def rules(self, script):
        """Write the rule script."""
        self.go_to("Score")
        self.presses += 1
        self.typed += len(script)
        self.write_script(script)

    def one_ending(self, title, verdict):
        """Leave one ending alone, which says this."""
        self.go_to("End")
        while len(self.all(f"{BENCH} button[aria-label^='Remove ']")) > 1:
            before = len(self.all(f"{BENCH} button[aria-label^='Remove ']"))
            self.presses += 1
            self.at(f"{BENCH} button[aria-label^='Remove ']").click()
            self.wait(
                lambda n=before: len(self.all(f"{BENCH} button[aria-label^='Remove ']")) < n,
                "an ending less",
            )
        self.write_nth(1, "Name", title)
        self.write_nth(1, "Verdict", verdict)

    def play_all(self, words, ending):
        self.at("[aria-label='More ways to play on']").click()
        self.button(words).click()
        self.press(Keys.ESCAPE)
        self.sees(ending, TABLE)

    def answers(self, keys, ending):
        """Answer question by question: `g` right, `b` wrong, `o` too late."""
        held = f"{TABLE} button[data-next]"
        for key in keys:
            self.wait(lambda: self.all("#prompt") and not self.all(held), "a question")
            self.command(key)
            self.button("Go on").click()
        self.sees(ending, TABLE)

    def again(self):
        self.button("Play again").click()

    def test_1_five_words_to_guess_with_a_badge_by_how_many(self):
        self.new_game("Five words")
        self.paste(
            "What do bees make?\thoney\nWhat grows underground and is orange?\tcarrot\n"
            "What holds water for the garden?\twell\nWhat eats lettuce at night?\tslug\n"
            "What is a young plant?\tseedling\n"
        )
        self.go_to("End")
        self.presses += 2
        self.found("(//select[option[@value='rosette']])[1]", "badge").click()
        self.found("(//option[@value='rosette'])[1]", "rosette").click()
        self.built(1)
        self.button("Begin").click()
        self.one("[data-typed]")
        self.play_all("All right, to the end", "All right")
        self.one(f"{TABLE} [data-badge=rosette]")
        self.sees("5 of 5 right, 100 %", TABLE)
        self.again()
        self.answers("gggbb", "Well done")
        self.again()
        self.play_all("All wrong, to the end", "A start")

    def test_5_three_questions_of_four_choices_answered_by_letter(self):
        self.new_game("Three of four")
        self.paste(
            "Which is a root?\tCarrot\tPea\tBean\tKale\n"
            "Which grows in a pod?\tPea\tLeek\tBeet\tSwede\n"
            "Which is a leaf?\tKale\tBeet\tPea\tCarrot\n"
        )
        self.built(5)
        self.button("Begin").click()
        for number in (1, 2, 3):
            self.sees(f"Question {number} of 3", TABLE)
            self.press("b")
            self.button("Go on").click()
        self.sees("of 3 right", TABLE)

    def test_6_pairs_in_a_new_order_each_time(self):
        self.new_game("Pairs")
        self.paste("spade\tdigging\nrake\tlevelling\nhoe\tweeding\nsieve\tsifting\n")
        self.built(6)
        self.button("Begin").click()
        self.play_all("All right, to the end", "4 of 4 right, 100 %")

    def test_11_from_15_by_5_up_or_down(self):
        self.new_game("Up and down", "up and down")
        self.paste("Is a tomato a fruit?\ttrue\nIs a carrot a leaf?\tfalse\n")
        self.built(11)
        self.button("Begin").click()
        self.play_all("All right, to the end", "Won")
        self.again()
        self.play_all("All wrong, to the end", "Lost")

    def test_15_sums_of_all_four_operations(self):
        self.new_game("Four operations", "ten sums")
        for number, operator in enumerate(
            ("− minus", "× times", "÷ divided by, whole quotients"), 2
        ):
            self.tap("Add sums")
            self.presses += 2
            self.found(
                f"(//label[.='Operator']/..//option[.='{operator}'])[{number}]", operator
            ).click()
        self.built(15)
        self.button("Begin").click()
        self.play_all("All right, to the end", "All right")

    def test_17_facts_true_or_false_on_and_on(self):
        self.new_game("True or false")
        self.paste("A pea grows in a pod\ttrue\nA beet is a leaf\tfalse\nA leek is a root\tfalse\n")
        self.go_to("Draw")
        self.write_in("How many questions", "")
        self.pick("When the pool is empty", "Fill it again")
        self.built(17)
        self.button("Begin").click()
        for number in range(1, 5):
            self.sees(f"Question {number}", TABLE)
            self.press("a")
            self.button("Go on").click()
        self.button("Stop here").click()
        self.sees("of 4 right", TABLE)

    def test_2_three_typed_questions_and_a_line_for_every_score(self):
        self.new_game("Three to type")
        self.paste(
            "What do bees make?\thoney\nWhat eats lettuce?\tslug\nHow many legs has a spider?\t8\n"
        )
        self.go_to("Cue")
        for event in ("right", "wrong"):
            self.tap(event)
            self.write_in(f"Words of {event}", "{points} so far")
        self.one_ending("Nought", "Not one this time.")
        for least, title in ((4, "Four"), (3, "Three"), (2, "Two"), (1, "One")):
            self.tap("Add an ending")
            self.presses += 1
            self.one("button[aria-label='Move New ending up']")
            number = len(self.all(f"{BENCH} button[aria-label^='Remove ']"))
            self.write_nth(number, "Name", title)
            self.write_nth(number, "At least", str(least))
            self.one(f"button[aria-label='Remove {title}']")
        self.presses += 1
        for _ in range(4):
            self.at("button[aria-label='Move Nought down']").click()
        self.tap("1 warning")
        self.sees("no run can reach “Four”")
        self.press(Keys.ESCAPE)
        self.presses += 1
        self.at("button[aria-label='Remove Four']").click()
        self.built(2)
        self.button("Begin").click()
        self.one("[data-typed]")
        self.play_all("All right, to the end", "Three")
        for keys, title in (("ggb", "Two"), ("gbb", "One"), ("bbb", "Nought")):
            self.again()
            self.answers(keys, title)

    def test_3_a_file_with_a_heading_and_three_wrong_choices(self):
        self.new_game("From a file")
        self.presses += 2
        self.upload(
            self.write(
                "beds.tsv",
                "Question\tRight\tWrong\tWrong\tWrong\n"
                "Which is a root?\tCarrot\tPea\tBean\tKale\n"
                "Which is a nut?\tHazel\tHazel\tOak\tYew\n"
                "Which is a leaf?\tKale\tBeet\tPea\tCarrot\n",
            )
        )
        self.sees("2 questions, 1 row refused", "aside")
        self.sees("Line 3, column 3")
        self.write_in("Line 3, column 3", "Ash")
        self.tap("Take it in")
        self.tap("Load 3 questions")
        self.wait(lambda: "/load?round=" in self.driver.current_url, "the bench")
        self.built(3)
        self.button("Begin").click()
        self.play_all("All right, to the end", "3 of 3 right, 100 %")
        self.again()
        self.play_all("All wrong, to the end", "0 of 3 right, 0 %")

    def test_4_a_minute_of_sums_for_two(self):
        self.new_game("A minute", "sprint")
        for number, operator in enumerate(
            ("+ plus", "− minus", "÷ divided by, whole quotients"), 2
        ):
            self.tap("Add sums")
            self.nth(number, "Operator", operator)
        self.go_to("Open")
        self.write_in("Players at most", "2")
        self.built(4)
        self.button("Begin").click()
        self.play_all("All right, to the end", "Time")

    def test_7_which_of_three_pictures(self):
        self.new_game("Three pictures")
        names = ("bean", "pea", "leek", "beet", "kale")
        rows = "".join(f"{name}\t{name}.png\n" for name in names)
        self.presses += 2
        self.upload(
            self.write(
                "plants.zip",
                archive(
                    {"plants.tsv": "plant\tpicture\n" + rows}
                    | {f"{name}.png": png() for name in names}
                ),
            )
        )
        self.pick("Load it as", "Facts")
        self.tap("Load 5 rows")
        self.wait(lambda: "/load?round=" in self.driver.current_url, "the bench")
        self.write_in("The question", "Which is a {plant}?")
        self.pick("The answer is in", "picture")
        self.pick("The choices are", "picture")
        self.write_in("Choices", "3")
        self.go_to("Draw")
        self.write_in("How many questions", "")
        self.pick("When the pool is empty", "Fill it again")
        self.go_to("Cue")
        self.tap("right")
        self.write_in("Words of right", "{points} so far")
        self.built(7)
        self.button("Begin").click()
        for number in range(1, 7):
            self.sees(f"Question {number}", TABLE)
            self.press("a")
            self.button("Go on").click()
        self.button("Stop here").click()
        self.sees("of 6 right", TABLE)

    def test_8_the_same_question_until_it_is_right(self):
        self.new_game("Until it is right")
        self.paste("What do bees make?\thoney\nWhat eats lettuce?\tslug\n")
        self.go_to("Ask")
        self.write_in("Tries for a question", "")
        self.built(8)
        self.button("Begin").click()
        for number in (1, 2):
            self.sees(f"Question {number} of 2", TABLE)
            self.command("b")
            self.sees("Not this time", TABLE)
            self.command("g")
            self.button("Go on").click()
        self.sees("2 of 2 right", TABLE)

    def test_9_products_by_name_and_number_with_three_tries(self):
        self.new_game("Products", "three tries")
        self.tap("Add sums")
        self.pick("Operator", "× times")
        self.write_in("Left number from", "0")
        self.write_nth(1, "to", "10")
        self.write_in("Right number from", "0")
        self.write_nth(2, "to", "10")
        self.go_to("Open")
        self.tick("Ask for names")
        self.go_to("Draw")
        self.tick("The player says how many")
        self.go_to("Cue")
        self.tap("cheerful")
        self.built(9)
        self.button("Begin").click()
        self.play_all("All right, to the end", "At the first try")
        self.again()
        self.play_all("All wrong, to the end", "None of them")

    def test_10_a_key_of_answers_and_percent(self):
        self.new_game("A key")
        self.paste(
            "Which is a root?\tCarrot\tPea\tBean\n"
            "Which grows in a pod?\tPea\tLeek\tBeet\n"
            "Which is a leaf?\tKale\tBeet\tPea\n"
        )
        self.one_ending("Marked", "{right_count} of {asked}: {percent} %")
        self.built(10)
        self.button("Begin").click()
        self.answers("ggb", "2 of 3: 67 %")

    def test_12_one_of_four_operations_from_a_menu(self):
        self.new_game("A menu of sums", "ten sums")
        self.go_to("Open")
        for title in ("Minus", "Times", "Divided by"):
            self.presses += 1
            self.at("button[aria-label='Copy Plus'], button[aria-label^='Copy Round']").click()
            self.write_in("Title of round 2", title)
            self.one(f"button[aria-label='Copy {title}']")
        self.tap("All, from a menu")
        for number, title, operator in (
            (1, "Minus", "− minus"),
            (4, "Times", "× times"),
            (3, "Divided by", "÷ divided by, whole quotients"),
        ):
            self.pick(f"Round {number} of 4", title)
            self.go_to("Load")
            self.pick("Operator", operator)
        self.built(12)
        self.sees("Round 1 10 questions Divided by 10 questions", TABLE)
        for played, title in enumerate(("Round 1", "Divided by", "Times", "Minus")):
            self.wait(lambda n=played: self.text(TABLE).count("played") == n, "the menu of rounds")
            self.button(title).click()
            self.answers("g" * 10, f"Score {10 * played + 10}" if played < 3 else "40 of 40 right")

    def test_13_three_lives_and_a_clock_that_ticks(self):
        self.new_game("Three lives", "three lives")
        self.paste(
            "What do bees make?\thoney\nWhat eats lettuce?\tslug\nA young plant?\tseedling\n"
        )
        self.go_to("Ask")
        self.write_in("Clock of a question", "5")
        self.go_to("Cue")
        self.tap("tick")
        self.pick("Sound of tick", "drip")
        self.built(13)
        self.button("Begin").click()
        self.play_all("All right, to the end", "Through")
        self.again()
        self.play_all("All wrong, to the end", "Out of lives")

    def test_14_a_sound_and_the_picture_that_matches(self):
        self.new_game("Heard and seen")
        names = ("bee", "hen", "frog", "rain", "gate", "rake", "hoe", "cat")
        rows = "".join(f"{name}\t{name}.wav\t{name}.png\n" for name in names)
        files = {f"{name}.png": png() for name in names} | {f"{name}.wav": wav() for name in names}
        self.presses += 2
        self.upload(
            self.write(
                "heard.zip", archive({"heard.tsv": f"thing\tsound\tpicture\n{rows}"} | files)
            )
        )
        self.pick("Load it as", "Facts")
        self.tap("Load 8 rows")
        self.wait(lambda: "/load?round=" in self.driver.current_url, "the bench")
        self.write_in("The question", "What do you hear?")
        self.pick("The answer is in", "picture")
        self.pick("The choices are", "picture")
        self.tap_summary("More: near rows")
        self.pick("Sound from", "sound")
        self.pick("Not offered again", "rows that were right, and those picked")
        self.go_to("Draw")
        self.write_in("How many questions", "5")
        self.go_to("Ask")
        self.write_in("Clock of a question", "20")
        self.rules(
            "score = 0\n\ndef right():\n    score += percent_left\n\n"
            "def wrong():\n    score -= percent_left\n"
        )
        self.go_to("Cue")
        for event in ("right", "wrong"):
            self.tap(event)
            self.pick(f"Effect of {event}", "mark over the answer")
        self.built(14)
        self.button("Begin").click()
        self.play_all("All right, to the end", "All right")
        self.again()
        self.answers("gggbb", "Well done")
        self.again()
        self.play_all("All wrong, to the end", "A start")

    def test_16_a_word_letter_by_letter(self):
        self.new_game("Letter by letter")
        self.paste(
            "question\tanswer\tkind\tmisses\tseconds\n"
            "What carries earth?\twheelbarrow\tletters\t4\t90\n"
            "What eats lettuce?\tslug\tletters\t2\t30\n"
        )
        self.go_to("Cue")
        self.tap("cheerful")
        self.tap("press")
        self.pick("Sound of press", "spade down")
        self.presses += 2
        self.upload(self.write("tune.wav", wav()))
        self.sees("tune", "section[aria-labelledby=sounds]")
        self.go_to("Open")
        self.write_in("Opening words", "Every letter counts.")
        self.tick("Read by a made voice")
        self.tap("Look")
        self.presses += 2
        self.upload(self.write("gate.png", png()))
        self.one("[aria-label='Remove: Picture at the opening']")
        self.pick("At the opening", "tune")
        self.built(16)
        self.button("Begin").click()
        self.play_all("All right, to the end", "All right")
        self.again()
        self.play_all("All wrong, to the end", "A start")

    def test_18_which_list_and_then_the_odd_one_out(self):
        self.new_game("Lists", "first mistake")
        self.tap("Add lists to sort")
        for number, (title, items) in enumerate(
            (("roots", "carrot\nbeet\nradish\nswede"), ("leaves", "kale\nchard\ncress\nsorrel")), 1
        ):
            self.write_in(f"List {number}", title)
            self.write_in(f"Items of {title}, one a line", items)
        self.go_to("Open")
        self.tap("Add a round")
        self.pick("Round 1 of 2", "New round")
        self.go_to("Load")
        self.tap("Add lists to sort")
        self.pick("What is asked", "Which is the odd one out?")
        for number, (title, items) in enumerate(
            (("tools", "rake\nhoe\nspade\nfork"), ("birds", "wren\nrobin\nfinch\njay")), 1
        ):
            self.write_in(f"List {number}", title)
            self.write_in(f"Items of {title}, one a line", items)
        self.built(18)
        self.button("Begin").click()
        self.play_all("All right, to the end", "All of them")
        self.again()
        self.play_all("All wrong, to the end", "A mistake")

    def test_19_sums_up_to_a_cap_with_near_choices(self):
        self.new_game("Up to twelve")
        self.tap("Add sums")
        self.write_in("Largest result", "12")
        self.write_in("Choices", "4")
        self.write_in("Wrong choices at most this far off", "3")
        self.go_to("Draw")
        self.write_in("How many questions", "10")
        self.rules("score = 0\n\ndef right():\n    score += 1\n\ndef wrong():\n    score -= 1\n")
        self.one_ending("Over", "{points}")
        self.built(19)
        self.button("Begin").click()
        self.play_all("All right, to the end", "10 points")
        self.again()
        self.play_all("All wrong, to the end", "-10 points")

    def test_20_two_columns_and_the_first_time_out_ends_it(self):
        self.new_game("Two columns")
        self.presses += 1
        self.tap("paste questions")
        self.insert(
            "#pasted",
            "What do bees make?\thoney\nWhat eats lettuce?    slug\nA young plant?\tseedling\n",
        )
        self.tap("Look at them")
        self.sees("1 row refused", "aside")
        self.tap("Split at wide spaces")
        self.tap("Take it in")
        self.tap("Load 3 questions")
        self.wait(lambda: "/load?round=" in self.driver.current_url, "the bench")
        self.go_to("Ask")
        self.write_in("Clock of a question", "20")
        self.go_to("Move on")
        self.pick("When it is too late", "ending “A start”")
        self.built(20)
        self.button("Begin").click()
        self.play_all("All right, to the end", "3 of 3 right, 100 %")
        self.again()
        self.answers("ggb", "Well done")
        self.again()
        self.answers("go", "A start")

    def test_21_a_picture_and_words_of_its_own_for_each(self):
        self.new_game("Pictures and words")
        rows = "".join(
            f"Which is this?\t{right}\t{wrong}\t{right}.png\tWell seen.\tLook again: a {right}.\n"
            for right, wrong in (("bean", "pea"), ("leek", "onion"))
        )
        heads = "question\tright\twrong\tpicture\tsaid when right\tsaid when wrong\n"
        self.presses += 2
        self.upload(
            self.write(
                "plants.zip",
                archive({"plants.tsv": heads + rows, "bean.png": png(), "leek.png": png()}),
            )
        )
        self.tap("Load 2 questions")
        self.wait(lambda: "/load?round=" in self.driver.current_url, "the bench")
        self.go_to("Open")
        self.write_in("Opening words", "Welcome to the plot. What do you see?")
        self.go_to("Cue")
        self.tick("Questions’ own words alone")
        self.tap("opening")
        self.pick("Effect of opening", "a face that reacts")
        self.built(21)
        self.button("Begin").click()
        self.command("b")
        self.sees("Look again: a", TABLE)
        self.button("Go on").click()
        self.answers("g", "1 of 2 right, 50 %")
