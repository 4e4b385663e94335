"""A game's flow against a second, naive interpreter, written from what the document says.

The interpreter below knows nothing of the engine. It follows the docstrings of `Round`, `Ask`,
`After`, `Moves` and `Opening` word for word, as one would at a table, with paper and a stopwatch.
"""

import unittest
from fractions import Fraction
from math import floor

from hypothesis import settings
from hypothesis import strategies as st
from hypothesis.stateful import RuleBasedStateMachine, initialize, invariant, precondition, rule

from dicetrail.core import (
    After,
    Answer,
    Ask,
    Begin,
    Check,
    Continue,
    Cue,
    Details,
    Draw,
    DrawOrder,
    Ending,
    Game,
    Hint,
    Kind,
    Letter,
    Moves,
    Occasion,
    Opening,
    Order,
    Pack,
    Pass,
    Question,
    Quit,
    Round,
    To,
    Wait,
    Way,
    start,
    step,
    table,
)
from dicetrail.core.document import Needs, PartlyRight
from dicetrail.core.play.program import made_ready

ALL = ("one", "two", "three")
HINTED = Details(hint="It is green.")
BEDS = Pack(
    "Beds",
    tuple(
        Question("Find it", ("pea",), (), Kind.LETTERS, details=HINTED if number % 2 else Details())
        if number % 3 == 1
        else Question(f"Bed {number}?", ("right",), ("wrong", "off"), details=HINTED)
        if number % 3 == 0
        else Question(f"All of {number}?", ALL, ("off", "bad"), details=Details(needs=Needs.ALL))
        for number in range(12)
    ),
)
POINTS = {
    "right": 10,
    "wrong": -1,
    "timeout": -3,
    "hinted": -100,
    "passed": -1_000,
    "letter_hit": 10_000,
    "letter_miss": -100_000,
    "round_over": 1_000_000,
    "partly": 10_000_000,
}
"""What each handler adds to the score: from the sum it is seen how often each has run."""


def script(has_partly):
    """Rules that add the points of each handler, with one for partly right answers or without."""
    handlers = [
        f"def {name}():\n    score += {points}\n"
        for name, points in POINTS.items()
        if name != "partly" or has_partly
    ]
    return "score = 0\n" + "".join(handlers)


ENDINGS = (Ending("High", "", at_least=15), Ending("Rest", ""), Ending("Named", ""))
WAYS = st.sampled_from([Way(), Way(), Way(To.AGAIN), Way(To.NEXT_ROUND), Way(To.ENDING, "Named")])
ROUNDS = st.builds(
    Round,
    title=st.just(""),
    packs=st.just(("beds",)),
    draw=st.builds(Draw, st.integers(1, 3), st.just(DrawOrder.WRITTEN)),
    ask=st.builds(
        Ask,
        choice_order=st.just(Order.WRITTEN),
        tries=st.none() | st.integers(1, 3),
        misses=st.integers(1, 3),
        seconds=st.none() | st.integers(1, 4),
        hints=st.booleans(),
        passing=st.booleans(),
    ),
    after=st.builds(After, hold_ms=st.sampled_from([None, 0, 700])),
    check=st.builds(
        Check, partly=st.sampled_from(PartlyRight), right_from=st.sampled_from([30, 67, 100])
    ),
    moves=st.builds(Moves, WAYS, WAYS, WAYS, WAYS, WAYS),
    seconds=st.none() | st.integers(3, 9),
)
BELLS = [(Cue("bell", (Occasion.WRONG,), hold_ms=hold),) for hold in (None, 0, 400)]
"""A cue that holds as the round says, not at all, or for a while."""
MOVES = ("begin", "press_on", "hint", "pass_", "answer", "letter")
TIMES = st.sampled_from([0, 0, 0, 0, 300, 300, 1_000, 2_500, 9_000])


class Naive:
    """A game played by hand."""

    def __init__(self, rounds, players, seconds, cues, has_partly):
        self.has_partly = has_partly
        self.rounds, self.players = rounds, players
        self.cue_hold = cues[0].hold_ms if cues else None
        self.scores = [0] * players
        self.game_left = None if seconds is None else seconds * 1000
        self.round_left = self.question_left = None
        self.phase, self.turn, self.round, self.place = "opening", 0, 0, 0
        self.asked, self.ending, self.hold, self.way = 0, None, None, None
        self.used, self.tried, self.hinted = 0, [], False

    @property
    def question(self):
        return BEDS.questions[self.dealt[self.place]]

    def run(self, name):
        self.scores[self.turn] += POINTS[name]

    def begin(self):
        if self.phase == "opening":
            self.dealt_before = set()
            self.enter(0)

    def enter(self, number):
        self.round, self.place = number, 0
        rules = self.rounds[number]
        # Questions not asked yet come first, each lot in the order written.
        fresh = [at for at in range(12) if at not in self.dealt_before]
        self.dealt = fresh + sorted(self.dealt_before)
        self.length = rules.draw.count * self.players
        self.round_left = None if rules.seconds is None else rules.seconds * 1000
        self.ask()

    def ask(self, again=False):
        self.phase = "asking"
        if self.game_left is not None and self.game_left <= 0:
            return self.end()
        if self.round_left is not None and self.round_left <= 0:
            return self.round_over(self.place + again)
        if not again and self.place >= self.length:
            return self.round_over(self.place)
        rules = self.rounds[self.round].ask
        self.asked += 1
        self.used, self.tried, self.hinted = 0, [], False
        self.question_left = None if rules.seconds is None else rules.seconds * 1000
        return None

    @property
    def is_word(self):
        return self.question.kind is Kind.LETTERS

    @property
    def wants_all(self):
        return self.phase == "asking" and self.question.details.needs is Needs.ALL

    @property
    def allowed(self):
        ask = self.rounds[self.round].ask
        return ask.misses if self.is_word else ask.tries

    def close(self, name, move, rings=False):
        """The question is done with, by a handler and a way; it rings if a cue is heard."""
        self.run(name)
        self.way = getattr(self.rounds[self.round].moves, move)
        self.hold_on(self.rounds[self.round].after.hold_ms, rings)

    def hold_on(self, hold, rings):
        """Hold for as long as a cue that rings says, or else for so long."""
        self.hold = self.cue_hold if rings and self.cue_hold is not None else hold
        self.phase = "holding"
        if self.hold == 0:
            self.go_on()

    def miss(self, name, rings=True):
        """An answer that is not right, or a letter that is not there."""
        self.used += 1
        if name == "letter_miss":
            self.run(name)
        if self.allowed is not None and self.used >= self.allowed:
            last = "wrong" if name == "letter_miss" else name
            self.close(last, last, rings)
        elif name != "letter_miss":
            self.run(name)
            self.way = None  # back to the question
            self.hold_on(0, rings)

    def share(self, picked):
        """The share of the right choices that are picked, with those wrong taken away or not."""
        right = sum(choice in ALL for choice in picked)
        wrong = len(picked) - right
        partly = self.rounds[self.round].check.partly
        if right == len(ALL) and not wrong:
            return 100
        if partly == "never":
            return 0
        counted = Fraction(100 * (right - (wrong if partly == "less wrong picks" else 0)), len(ALL))
        return 0 if counted <= 0 else min(99, floor(counted + Fraction(1, 2)))

    def answer_with(self, picked):
        """Some of the choices of a question that wants all that are right."""
        share = self.share(picked)
        if share in (0, 100):
            return self.answer(share == 100)
        if self.has_partly:
            return self.miss("partly", rings=False)
        if share >= self.rounds[self.round].check.right_from:
            return self.answer(True)
        return self.miss("wrong", rings=False)

    def answer(self, is_right):
        if self.phase == "asking":
            if is_right:
                if not self.is_word:
                    self.used += 1
                self.close("right", "right")
            else:
                self.miss("wrong")

    def letter(self, letter):
        if self.phase != "asking" or not self.is_word or letter in self.tried:
            return
        self.tried.append(letter)
        if letter not in "pea":
            self.miss("letter_miss")
        else:
            self.run("letter_hit")
            if set("pea") <= set(self.tried):
                self.close("right", "right")

    def hint(self):
        ask = self.rounds[self.round].ask
        can = self.phase == "asking" and ask.hints and self.question.details.hint
        if can and not self.hinted:
            self.hinted = True
            self.run("hinted")

    def pass_(self):
        if self.phase == "asking" and self.rounds[self.round].ask.passing:
            self.close("passed", "passed")

    def press_on(self):
        if self.phase == "holding" and self.hold is None:
            self.go_on()

    def go_on(self):
        way, self.hold = self.way, None
        if way is None:
            self.phase = "asking"
        elif way.to is To.AGAIN:
            self.ask(again=True)
        elif way.to is To.ENDING:
            self.end("Named")
        else:
            self.place, self.turn = self.place + 1, (self.turn + 1) % self.players
            if way.to is To.NEXT_ROUND:
                self.round_over(self.place)
            else:
                self.ask()

    def round_over(self, asked):
        turn = self.turn
        for player in range(self.players):
            self.turn = player
            self.run("round_over")
        self.turn = turn
        self.dealt_before |= set(self.dealt[:asked])
        self.round_left = self.question_left = None
        if self.round + 1 < len(self.rounds):
            self.enter(self.round + 1)
        else:
            self.end()

    def end(self, named=None):
        self.phase, self.hold = "ended", None
        self.ending = named or ("High" if max(self.scores) >= 15 else "Rest")

    def wait(self, ms):
        while True:
            if self.phase == "holding" and self.hold is not None:
                if self.hold > ms:
                    self.hold -= ms
                    return
                ms -= self.hold
                self.go_on()
                continue
            if self.phase != "asking":
                return
            clocks = [self.question_left, self.round_left, self.game_left]
            soonest = min((left for left in clocks if left is not None), default=None)
            passed = ms if soonest is None or soonest > ms else soonest
            self.question_left, self.round_left, self.game_left = (
                None if left is None else left - passed for left in clocks
            )
            if soonest is None or soonest > ms:
                return
            ms -= passed
            if self.question_left == 0:
                self.close("timeout", "timeout")
            elif self.game_left == 0:
                self.end()
            else:
                self.round_over(self.place + 1)


class Playing(RuleBasedStateMachine):
    """The engine and the naive interpreter, told the same."""

    @initialize(
        rounds=st.lists(ROUNDS, min_size=1, max_size=2),
        players=st.integers(1, 2),
        seconds=st.none() | st.integers(5, 20),
        cues=st.sampled_from([(), *BELLS]),
        has_begun=st.sampled_from([True, True, True, False]),
        has_partly=st.booleans(),
    )
    def sit_down(self, rounds, players, seconds, cues, has_begun, has_partly):
        opening = Opening(most_players=2)
        game = Game("Any", tuple(rounds), ENDINGS, script(has_partly), opening, cues, seconds)
        self.program = made_ready(game, {"beds": BEDS})
        self.state = start(self.program, 7, ("Ash", "Bay")[:players]).state
        self.naive = Naive(rounds, players, seconds, cues, has_partly)
        if has_begun:
            self.begin(0)

    def take(self, action, ms):
        self.state = step(self.program, self.state, action, self.state.at + ms).state
        self.naive.wait(ms)

    def begin(self, ms):
        self.take(Begin(), ms)
        self.naive.begin()

    @precondition(lambda self: self.naive.phase == "asking")
    @rule(ms=TIMES, is_right=st.booleans())
    def answer(self, ms, is_right):
        self.take(Wait(), ms)
        if self.naive.wants_all:
            self.answer_with(0, (1, 2, 3) if is_right else (4,))
            return
        is_word = self.naive.phase == "asking" and self.naive.is_word
        words = "pea" if is_right else "bean"
        self.take(Answer(words if is_word else 1 if is_right else 2), 0)
        self.naive.answer(is_right)

    @precondition(lambda self: self.naive.wants_all)
    @rule(ms=TIMES, picked=st.sets(st.integers(1, 5), min_size=1).map(tuple))
    def answer_with(self, ms, picked):
        self.take(Wait(), ms)
        if self.naive.wants_all:
            choices = self.naive.question.choices
            self.take(Answer(picked), 0)
            self.naive.answer_with([choices[place - 1] for place in picked])

    @precondition(lambda self: self.naive.phase == "asking" and self.naive.is_word)
    @rule(ms=TIMES, letter=st.sampled_from("peaxyz"))
    def letter(self, ms, letter):
        self.take(Letter(letter), ms)
        self.naive.letter(letter)

    @precondition(lambda self: self.naive.phase == "asking")
    @rule(ms=TIMES)
    def hint(self, ms):
        self.take(Hint(), ms)
        self.naive.hint()

    @precondition(lambda self: self.naive.phase == "asking")
    @rule(ms=TIMES)
    def pass_(self, ms):
        self.take(Pass(), ms)
        self.naive.pass_()

    @precondition(lambda self: self.naive.phase == "holding")
    @rule(ms=TIMES)
    def press_on(self, ms):
        self.take(Continue(), ms)
        self.naive.press_on()

    @precondition(lambda self: self.naive.phase != "ended")
    @rule(
        ms=TIMES, move=st.sampled_from(["begin", "press_on", "hint", "pass_", "answer", "letter"])
    )
    def make_any_move(self, ms, move):
        """Also one that is not to be made now, and is refused."""
        if move in ("answer", "letter"):
            getattr(self, move)(ms, True if move == "answer" else "p")
        else:
            getattr(self, move)(ms)

    @rule(ms=TIMES)
    def wait(self, ms):
        self.take(Wait(), ms)

    @precondition(lambda self: self.naive.phase == "holding")
    @rule(is_meant=st.sampled_from([False] * 9 + [True]))
    def give_up(self, is_meant):
        if is_meant:
            self.take(Quit(), 0)
            self.naive.phase, self.naive.ending, self.naive.hold = "ended", "Given up", None

    @invariant()
    def they_agree(self):
        if not hasattr(self, "naive"):
            return
        naive, shown = self.naive, table(self.program, self.state)
        assert shown.phase == naive.phase, (shown.phase, naive.phase)
        scores = [int(player.counters[0].value) for player in shown.players]
        assert scores == naive.scores, (scores, naive.scores)
        if naive.phase == "ended":
            assert shown.ending.title == naive.ending, (shown.ending, naive.ending)
        if naive.phase not in ("asking", "holding"):
            return
        assert [player.has_turn for player in shown.players].index(True) == naive.turn
        question = shown.question
        assert (question.number, question.in_run) == (naive.place + 1, naive.asked)
        assert question.prompt == naive.question.prompt
        assert list(question.tried) == naive.tried
        assert shown.hold == (naive.hold if naive.phase == "holding" else None)
        if naive.phase == "asking":
            left = None if naive.allowed is None else naive.allowed - naive.used
            assert question.tries_left == left, (question.tries_left, left)
            found = {str(clock.of): clock.left for clock in shown.clocks}
            wanted = {
                "question": naive.question_left,
                "round": naive.round_left,
                "game": naive.game_left,
            }
            assert found == {name: left for name, left in wanted.items() if left is not None}


class TestPlaying(Playing.TestCase):
    settings = settings(max_examples=4 * settings.default.max_examples, stateful_step_count=30)


if __name__ == "__main__":
    unittest.main()
