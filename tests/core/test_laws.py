"""Laws that hold for every game, checked on many."""

import unittest
from dataclasses import replace
from itertools import pairwise

from hypothesis import given
from hypothesis import strategies as st
from pydantic import TypeAdapter

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
    GameProblems,
    Hint,
    Input,
    ItemList,
    Kind,
    Letter,
    Lists,
    Moves,
    Occasion,
    Opening,
    Order,
    Pack,
    Pass,
    Phase,
    Question,
    Quit,
    Refill,
    Reveal,
    Round,
    Severity,
    Sums,
    To,
    Wait,
    Way,
    build,
    look_over,
    replay,
    start,
    step,
    survey,
    table,
)
from dicetrail.core.answers import compare
from dicetrail.core.document import (
    Language,
    Leaves,
    Made,
    Needs,
    Operator,
    OrderShare,
    PartlyRight,
    Pattern,
    RoundOrder,
)
from dicetrail.core.play import Finish, Listen, Result, What, go_on
from dicetrail.core.play.program import made_ready
from dicetrail.core.play.state import State
from dicetrail.core.workbench import draw_list
from tests.core.examples import BEDS, VEGETABLES, in_bytes, play

MIXED = Pack(
    "Mixed",
    (
        Question("Kale is a leaf", ("true",), (), Kind.TRUTH),
        Question(
            "What do bees make?", ("Honey", "wax"), (), Kind.TYPED, details=Details(sound="hum.wav")
        ),
        Question("Half of five?", ("5/2",), (), Kind.NUMBER),
        Question("Say it", ("Marrow pie",), (), Kind.LETTERS),
        Question("Carrot", ("root",), ("leaf", "fruit"), Kind.SORT),
        Question("Order?", ("sow", "hoe", "reap"), (), Kind.ORDER),
        Question("Why?", ("It rains.", "It pours."), (), Kind.JUDGED),
        Question("A ___ gives ___.", ("bee", "honey | wax // milk"), (), Kind.GAPS),
        Question(
            "Where?",
            ("hive = rectangle 0 0 9 9",),
            ("pond = ellipse 20 20 50 50",),
            Kind.PLACE,
            Details(picture="plan.png"),
        ),
        Question("Weight?", ("3",), (), Kind.ESTIMATE, Details(least="0", most="9", step="0.5")),
        Question("Match?", ("kale = leaf", "beet = root", "chard = leaf"), (), Kind.MATCH),
        Question("Beds?", ("a", "pea", "bean"), ("b", "c"), details=Details(needs=Needs.ALL)),
    ),
)
PACKS = {"veg": VEGETABLES, "mix": MIXED, "beds": BEDS}
PATTERNS = (
    Pattern("beds", "Family of {plant}?", "family", leaves=Leaves.RIGHT),
    Pattern("beds", "Bed {bed}?", "plant", Made.TYPED, leaves=Leaves.PICKED),
    Pattern("beds", "Sown in month {sown}?", "plant", choices=3, leaves=Leaves.PICKED),
)
BOUNDS = st.none() | st.integers(-20, 30)
WAYS = st.sampled_from(
    [Way(), Way(To.AGAIN), Way(To.NEXT_ROUND), Way(To.ROUND, "1"), Way(To.ENDING, "E0")]
)
SCRIPTS = st.sampled_from(
    [
        "score = 0\ndef right():\n    score += 3\ndef wrong():\n    score -= 1\n",
        "lives = 2\ndef right():\n    score += worth + streak\ndef wrong():\n    lives -= 1\n",
        "score = 5\ndef right():\n    score += 6 // tries_used\ndef timeout():\n    score /= 2\n",
        "def right():\n    score += roll(6)\n    if score > 9:\n        go('1')\n"
        "def wrong():\n    if tries_left == 1:\n        skip()\ndef hinted():\n    score -= 1\n",
        "def partly():\n    score += worth * share / 100\n    if share > 40:\n        skip()\n",
        "def letter_miss():\n    score -= 1\ndef round_over():\n    tell('{score}')\n"
        "def passed():\n    again()\ndef asked():\n    add_time(1)\n",
    ]
)
ENDINGS = st.lists(
    st.builds(
        lambda least, most, once: Ending("", "", least, most, at_once=once),
        BOUNDS,
        BOUNDS,
        st.booleans(),
    ),
    max_size=3,
).map(lambda ends: tuple(replace(end, title=f"E{n}") for n, end in enumerate(ends)))
SECONDS = st.none() | st.integers(1, 30)
ROUNDS = st.builds(
    Round,
    title=st.just(""),
    packs=st.sampled_from([("veg",), ("mix",), ("mix", "veg")]),
    lists=st.sampled_from(
        [(), (Lists((ItemList("Root", ("beet", "carrot")), ItemList("Leaf", ("kale",)))),)]
    ),
    patterns=st.sampled_from([(), PATTERNS]),
    sums=st.sampled_from([(), (Sums(choices=4, count=3),), (Sums(Operator.OVER, count=2),)]),
    draw=st.builds(
        Draw,
        count=st.none() | st.integers(1, 14),
        order=st.sampled_from(DrawOrder),
        refill=st.sampled_from(Refill),
        player_chooses=st.booleans(),
    ),
    ask=st.builds(
        Ask,
        choice_order=st.sampled_from(Order),
        spread=st.booleans(),
        shown=st.none() | st.integers(2, 4),
        tries=st.none() | st.integers(1, 3),
        misses=st.integers(1, 4),
        seconds=SECONDS,
        passing=st.booleans(),
        waits_for_sound=st.booleans(),
    ),
    check=st.builds(
        Check,
        typos=st.integers(0, 3),
        ignore_accents=st.booleans(),
        partly=st.sampled_from(PartlyRight),
        order_share=st.sampled_from(OrderShare),
        right_from=st.sampled_from([1, 40, 100]),
    ),
    after=st.builds(After, st.sampled_from(Reveal), st.none() | st.integers(0, 3000)),
    moves=st.builds(Moves, WAYS, WAYS, WAYS, WAYS, WAYS),
    seconds=SECONDS,
)
GAMES = st.builds(
    lambda rounds, endings, script, order, cues, seconds, players, language: Game(
        "Any",
        tuple(replace(round_, title=str(n)) for n, round_ in enumerate(rounds)),
        (*endings, Ending("Rest", "")),
        script,
        Opening("{name}", most_players=players, rounds=order),
        cues,
        seconds,
        language=language,
    ),
    st.lists(ROUNDS, min_size=1, max_size=3),
    ENDINGS,
    SCRIPTS,
    st.sampled_from(RoundOrder),
    st.sampled_from([(), (Cue("c", tuple(Occasion), "{score}", 500),)]),
    SECONDS,
    st.integers(1, 2),
    st.sampled_from(Language),
)
ACTIONS = st.one_of(
    st.builds(Begin, st.none() | st.integers(-1, 3), st.none() | st.integers(-1, 9)),
    st.sampled_from(
        [Begin(), Continue(), Continue(), Wait(), Listen(), Hint(), Pass(), Quit(), Finish()]
    ),
    st.integers(-1, 9).map(Answer),
    st.lists(st.integers(1, 5), max_size=4, unique=True).map(tuple).map(Answer),
    st.sampled_from(["a", "b", "true", "honey", "homey", "2.5", "root", "11", ""]).map(Answer),
    st.text(max_size=4).map(Answer),
    st.sampled_from("maropie zé!").map(Letter),
    st.text(max_size=3).map(Letter),
)
INPUTS = st.lists(st.tuples(ACTIONS, st.integers(0, 9000)), max_size=40)
DICE = st.integers(0, 10**6)


def built(game):
    """The program of a game; None where it has a fault that keeps it from being played.

    What a survey says of its endings is left aside, so that the laws are soon checked.
    """
    if any(problem.severity is Severity.FAULT for problem in faults_besides_endings(game)):
        return None
    return made_ready(game, PACKS, recall={})


def faults_besides_endings(game):
    open_ = (Ending("E0", ""), Ending("Rest", ""))
    aside = replace(game, endings=open_, script="score = 0\n", opening=Opening())
    return survey(replace(aside, rounds=tuple(map(once, aside.rounds))), PACKS)


def once(round_):
    """The round with no way back, so that a survey soon has followed it."""
    return replace(round_, moves=Moves(), seconds=None)


def played(program, dice, actions):
    """A run of some actions, each so long after the one before; and its inputs."""
    players = ("Marjory", "Ted")[: program.game.opening.most_players]
    moments, inputs, at = [start(program, dice, players)], [], 0
    for action, pause in ((Begin(), 0), *actions):
        at += pause
        inputs.append(Input(action, at))
        moments.append(step(program, moments[-1].state, action, at))
    return moments, inputs, players


class TestRuns(unittest.TestCase):
    @given(GAMES, DICE, INPUTS)
    def test_replay_is_play_and_whatever_a_player_does_the_run_goes_on_or_ends(
        self, game, dice, actions
    ):
        program = built(game)
        if program is None:
            return
        moments, inputs, players = played(program, dice, actions)
        again = replay(made_ready(game, PACKS), dice, players, inputs)
        self.assertEqual(in_bytes(again), in_bytes(moments))
        self.assertEqual(again, tuple(moments))
        for moment in moments:
            shown = table(program, moment.state)
            self.assertEqual(shown.ending is not None, moment.state.phase is Phase.ENDED)
            hash(moment.state)
        for before, after in pairwise(moments):
            refused = [f for f in after.footprints if f.what == "refused"]
            if before.state.phase is Phase.ENDED:
                self.assertTrue(refused or not after.footprints)
                self.assertEqual(after.state._replace(at=0), before.state._replace(at=0))

    @given(GAMES, DICE, INPUTS)
    def test_a_footprint_carries_what_it_says_of_the_question(self, game, dice, actions):
        program = built(game)
        if program is None:
            return
        comes = {What.CHECKED: tuple(Result), What.LATE: (Result.LATE,)}
        comes[What.PASSED] = (Result.PASSED,)
        for moment in played(program, dice, actions)[0]:
            results = [f.result for f in moment.footprints if f.result]
            for footprint in moment.footprints:
                self.assertIn(footprint.result, comes.get(footprint.what, (None,)))
                if footprint.what is What.CHECKED:
                    self.assertTrue(footprint.why.startswith(f"{footprint.result}: "))
            if results and moment.state.question.result:
                whole = {Result.HIT: Result.RIGHT, Result.MISS: Result.WRONG}
                self.assertIn(moment.state.question.result, (results[-1], whole.get(results[-1])))

    @given(GAMES, DICE, INPUTS)
    def test_what_a_moment_tells_does_not_hang_on_when_it_is_asked(self, game, dice, actions):
        program = built(game)
        if program is None:
            return
        _, inputs, players = played(program, dice, actions)
        opening = start(program, dice, players)
        at_once = [moment.footprints for moment in go_on(program, opening, inputs)]
        moments = tuple(go_on(program, opening, inputs))
        late = [moment.footprints for moment in reversed(moments)]
        self.assertEqual(late[::-1], at_once)

    @given(GAMES, DICE, INPUTS)
    def test_a_state_goes_through_json_unchanged(self, game, dice, actions):
        program = built(game)
        if program is not None:
            state = played(program, dice, actions)[0][-1].state
            kept = TypeAdapter(State)
            found = kept.validate_json(kept.dump_json(state))
            self.assertEqual(found, state)
            self.assertEqual(found._replace(at=1), state._replace(at=1))

    @given(GAMES, DICE, INPUTS, st.lists(st.integers(0, 20_000), min_size=2, max_size=5))
    def test_waiting_in_pieces_is_waiting_at_once(self, game, dice, actions, pauses):
        program = built(game)
        if program is None:
            return
        state = pieces = played(program, dice, actions)[0][-1].state
        footprints = []
        for pause in pauses:
            moment = step(program, pieces, Wait(), pieces.at + pause)
            pieces = moment.state
            footprints += moment.footprints
        whole = step(program, state, Wait(), state.at + sum(pauses))
        self.assertEqual((pieces, tuple(footprints)), (whole.state, whole.footprints))

    @given(GAMES, DICE, INPUTS)
    def test_nothing_tells_the_right_answer_before_the_question_is_done_with(
        self, game, dice, actions
    ):
        program = built(game)
        if program is None:
            return
        for moment in played(program, dice, actions)[0]:
            shown = table(program, moment.state)
            if moment.state.phase is Phase.ASKING and not moment.state.question.is_revealed:
                feedback = shown.feedback
                self.assertFalse(feedback and (feedback.answer or feedback.right_places))

    @given(GAMES, DICE, st.integers(0, 2))
    def test_a_draw_asks_every_question_with_its_right_choice(self, game, dice, number):
        program = built(game)
        if program is None or number >= len(game.rounds):
            return
        round_ = game.rounds[number]
        drawn = draw_list(program, dice, number).questions
        named = [(drawn_.pack, drawn_.source_number, drawn_.prompt) for drawn_ in drawn]
        if round_.draw.refill is Refill.NEVER:
            self.assertEqual(len(set(named)), len(named))
        elif len(drawn) > 1 and round_.draw.order is DrawOrder.SHUFFLED:
            self.assertFalse(any(one == other for one, other in pairwise(named)))
        for question in drawn:
            if question.choices:
                self.assertTrue(question.right_letters)
                self.assertEqual(len(set(question.choices)), len(question.choices))
                if question.prompt == "Order?":
                    self.assertNotEqual(question.right_letters, "ABC")
                if round_.ask.shown and question.choices != ("true", "false"):
                    least = 4 if question.prompt in ("Beds?", "Order?") else 2  # none is left out
                    self.assertLessEqual(len(question.choices), max(least, round_.ask.shown))


class TestSurveys(unittest.TestCase):
    @given(GAMES)
    def test_a_game_is_refused_exactly_when_the_survey_finds_a_fault(self, game):
        problems = survey(game, PACKS)
        faults = [p for p in problems if p.severity is Severity.FAULT]
        try:
            build(game, PACKS)
            self.assertEqual(faults, [])
        except GameProblems as refused:
            self.assertTrue(faults)
            self.assertEqual(refused.problems, problems)
        self.assertEqual(look_over(game, PACKS).problems, problems)

    @given(
        st.integers(-5, 5),
        st.integers(-5, 5),
        st.integers(1, 12),
        ENDINGS,
        st.text("rw", min_size=12, max_size=12),
        DICE,
    )
    def test_every_score_leads_to_the_ending_its_span_tells(
        self, right, wrong, count, endings, outcomes, dice
    ):
        rules = f"def right():\n    score += {right}\ndef wrong():\n    score += {wrong}\n"
        ends = tuple(replace(end, at_once=False) for end in endings)
        rounds = (Round("R", ("veg",), draw=Draw(count)),)
        game = Game("G", rounds, (*ends, Ending("Rest", "")), rules)
        try:
            program = build(game, PACKS)
        except GameProblems:
            return
        _, moments, _ = play(outcomes[:count], game, PACKS, dice)
        end, told = moments[-1].state, look_over(game, PACKS)
        score = program.rules.score(end.tally)
        self.assertEqual(score, sum(right if o == "r" else wrong for o in outcomes[:count]))
        self.assertTrue(told.spans_are_whole)
        (span,) = (span for span in told.score_spans if span.lowest <= score <= span.highest)
        self.assertEqual(span.ending, end.ending)
        missed = [problem.where for problem in told.problems if "no run can reach" in problem.what]
        self.assertNotIn(f"endings[{end.ending}]", missed)

    @given(st.permutations(VEGETABLES.questions), st.integers(0, 12), st.integers(0, 12))
    def test_a_comparison_accounts_for_every_question(self, questions, old, new):
        before = Pack("Before", tuple(questions[:old]))
        changed = tuple(replace(question, wrong=("z",)) for question in questions[new:])
        after = Pack("After", (*questions[:new], *changed))
        told = compare(before, after)
        self.assertEqual(told.added + told.changed + told.same, 12)
        self.assertEqual(told.gone + told.changed + told.same, old)
        self.assertEqual(told.same, min(old, new))
        self.assertEqual(compare(before, before).same, old)

    def test_an_empty_pack_compares_with_anything(self):
        one = Pack("One", (Question("Q?", ("a",), ("b",)),))
        self.assertEqual(compare(Pack("None", ()), one).added, 1)
        self.assertEqual(compare(one, Pack("None", ())).gone, 1)
