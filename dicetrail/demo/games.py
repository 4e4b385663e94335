"""Eight games of the Quillbrook Allotment Society, and one of its twin society; all are invented.

Together they use every feature.
"""

from dicetrail.core import (
    After,
    Ask,
    Check,
    Cue,
    Details,
    Draw,
    DrawOrder,
    Ending,
    Game,
    ItemList,
    Lists,
    Occasion,
    Opening,
    Pack,
    Pattern,
    Question,
    Refill,
    Round,
    Shows,
    Sound,
    Sums,
)
from dicetrail.core.document import (
    Badge,
    Effect,
    EstimateShare,
    Language,
    Leaves,
    Made,
    Note,
    Operator,
    OrderShare,
    PartlyRight,
    Span,
    Wave,
)

SUPPER_PACK = "harvest-supper-questions"
WORDS_PACK = "shed-words"
LEAVES_PACK = "leaf-shapes"
SLUGS_PACK = "slug-patrol-questions"
PLANTS = "plants-of-the-beds"
TABLE_PACK = "harvest-table-questions"
YEAR_PACK = "garden-year-questions"

HARVEST_SUPPER = Game(
    title="Harvest Supper",
    opening=Opening(
        "Welcome to the Harvest Supper of the Quillbrook Allotment Society. Ten questions, three "
        "lives, and quick answers are worth more."
    ),
    rounds=(Round("Supper questions", (SUPPER_PACK,), draw=Draw(count=10), ask=Ask(seconds=20)),),
    script="""\
score = 0
lives = 3

def right():
    score += 3 + seconds_left // 5

def wrong():
    lives -= 1
""",
    cues=(
        Cue("ripe", (Occasion.RIGHT,), sound="ripe", effect=Effect.MARK),
        Cue("bruised", (Occasion.WRONG,), sound="bump", effect=Effect.MARK),
        Cue("frost", (Occasion.LATE,), sound="frost", effect=Effect.FACE),
        Cue(
            "a life lost",
            (Occasion.LIFE_LOST,),
            "That cost a life: {lives} left.",
            sound="dropped pot",
            effect=Effect.HEART,
        ),
        Cue(
            "three in a row",
            (Occasion.STREAK,),
            "Three in a row!",
            sound="in a row",
            effect=Effect.LEAVES,
        ),
        Cue("dripping tap", (Occasion.TICK,), sound="drip"),
        Cue("the bell", (Occasion.ENDING,), sound="supper bell", effect=Effect.TOKEN),
        Cue(
            "best yet",
            (Occasion.BEST,),
            "The best supper score so far!",
            sound="first prize",
            effect=Effect.LEAVES,
        ),
    ),
    endings=(
        Ending(
            "Slug's Friend",
            "The slugs of Quillbrook send their thanks.",
            None,
            0,
            "lives",
            at_once=True,
            badge=Badge.SLUG,
        ),
        Ending(
            "Golden Marrow",
            "A perfect basket. The Society rises from its benches.",
            60,
            badge=Badge.MARROW,
            passes=True,
        ),
        Ending(
            "Best in Show",
            "A fine table. Only the judge's own onions beat you.",
            45,
            59,
            badge=Badge.ROSETTE,
            passes=True,
        ),
        Ending(
            "Good Neighbour", "You know your beds. Come and weed ours.", 25, 44, badge=Badge.BASKET
        ),
        Ending(
            "New Plot", "You have the ground; now for some seeds.", None, 24, badge=Badge.SPROUT
        ),
    ),
)

SEED_SUMS = Game(
    title="Seed Sums",
    opening=Opening(
        "One minute, as many sums as you can. Three rows of seeds a packet.", asks_names=True
    ),
    rounds=(
        Round(
            "One minute",
            sums=(
                Sums(Operator.TIMES, Span(2, 12), Span(2, 12), count=60),
                Sums(Operator.PLUS, Span(1, 50), Span(1, 50), cap=100, choices=4, count=60),
                Sums(Operator.OVER, Span(1, 99), Span(2, 12), count=40),
                Sums(Operator.PLUS, Span(1, 9), Span(1, 9), denominators=Span(5, 8), count=20),
            ),
            draw=Draw(None, refill=Refill.WHEN_EMPTY),
            after=After(hold_ms=700),
            seconds=60,
        ),
    ),
    script="""\
score = 0

def right():
    score += 1

def wrong():
    score -= 1
""",
    cues=(
        Cue("sown", (Occasion.RIGHT,), sound="leaf", effect=Effect.COUNT),
        Cue("spilt", (Occasion.WRONG,), sound="bump", effect=Effect.FLASH),
        Cue("last grains", (Occasion.TICK,), sound="drip", last_seconds=10),
        Cue("time is up", (Occasion.ENDING,), sound="supper bell"),
        Cue(
            "best yet",
            (Occasion.BEST,),
            "The best minute so far!",
            sound="first prize",
            effect=Effect.LEAVES,
        ),
    ),
    endings=(
        Ending(
            "Head Gardener",
            "{score} in a minute. The packets are counted.",
            20,
            badge=Badge.ROSETTE,
        ),
        Ending(
            "Steady Sower",
            "{score} in a minute, {percent} % of them right.",
            8,
            19,
            badge=Badge.SPROUT,
        ),
        Ending(
            "Thinning Out",
            "{score} in a minute. Some rows came up double.",
            None,
            7,
            badge=Badge.TROWEL,
        ),
    ),
)

ROOT_LEAF_OR_FRUIT = Game(
    title="Root, Leaf or Fruit?",
    opening=Opening("Which part of it do we eat? The first mistake ends it."),
    rounds=(
        Round(
            "The sorting table",
            lists=(
                Lists(
                    (
                        ItemList("Root", ("carrot", "beetroot", "parsnip", "radish", "swede")),
                        ItemList("Leaf", ("kale", "chard", "spinach", "lettuce", "sorrel")),
                        ItemList("Fruit", ("plum", "pear", "quince", "medlar", "gooseberry")),
                    ),
                    prompt="{item}: root, leaf or fruit?",
                ),
            ),
            draw=Draw(None),
            after=After(hold_ms=900),
        ),
    ),
    script="""\
score = 0

def right():
    score += 10

def wrong():
    finish("First mistake")
""",
    cues=(
        Cue("sorted", (Occasion.RIGHT,), sound="ripe", effect=Effect.TOKEN),
        Cue("dropped", (Occasion.WRONG,), sound="dropped pot", effect=Effect.SEED),
    ),
    endings=(
        Ending(
            "Whole Harvest", "Every one of them. The table is cleared.", 150, badge=Badge.BASKET
        ),
        Ending("First mistake", "{score} points up to there."),
    ),
)

SHED_WORDS = Game(
    title="Shed Words",
    opening=Opening("Find the words of the tool shed, letter by letter. Four misses a word."),
    rounds=(Round("In the shed", (WORDS_PACK,), draw=Draw(6), ask=Ask(misses=4)),),
    script="""\
score = 0

def letter_hit():
    score += 1

def right():
    score += 5

def hinted():
    score -= 2
""",
    cues=(
        Cue("a letter", (Occasion.LETTER_HIT,), sound="leaf"),
        Cue("no such letter", (Occasion.LETTER_MISS,), sound="bump", effect=Effect.FACE),
        Cue("a whisper", (Occasion.HINT,), sound="whisper"),
        Cue("the word", (Occasion.RIGHT,), sound="new shoot", effect=Effect.LEAVES),
    ),
    endings=(
        Ending(
            "Keeper of the Key", "Every word found.", 100, counts="percent", badge=Badge.ROSETTE
        ),
        Ending(
            "Handy with a Trowel",
            "{right_count} words found.",
            50,
            99,
            counts="percent",
            badge=Badge.TROWEL,
        ),
        Ending("Lost in the Cobwebs", "{right_count} words found.", None, 49, counts="percent"),
    ),
)

LEAF_SHAPES = Game(
    title="Leaf Shapes",
    opening=Opening("Five turns. Quick is worth more, and a wrong pick costs as much."),
    rounds=(
        Round(
            "Look and listen",
            (LEAVES_PACK,),
            draw=Draw(5),
            ask=Ask(seconds=15, spread=True, shown=3, passing=True),
            after=After(hold_ms=1800),
        ),
    ),
    script="""\
score = 0

def right():
    score += 10 * seconds_left // seconds_allowed

def wrong():
    score -= 10 * seconds_left // seconds_allowed

def timeout():
    pass
""",
    cues=(
        Cue("known", (Occasion.RIGHT,), sound="ripe", effect=Effect.MARK),
        Cue("mistaken", (Occasion.WRONG,), sound="bump", effect=Effect.SHAKE),
        Cue("withered", (Occasion.LATE,), sound="frost", effect=Effect.SEED),
        Cue("left aside", (Occasion.PASSED,), sound="skip"),
    ),
    endings=(
        Ending(
            "Sharp Eyes",
            "{score} points. You know your leaves and your noises.",
            30,
            badge=Badge.ROSETTE,
        ),
        Ending("Leaf Gatherer", "{score} points.", 0, 29, badge=Badge.SPROUT),
        Ending(
            "Compost Heap",
            "{score} points. It all rots down in the end.",
            None,
            -1,
            badge=Badge.TROWEL,
        ),
    ),
)

SLUG_PATROL = Game(
    title="Slug Patrol",
    opening=Opening(
        "Type your answers. Each one moves the fence by five: thirty and the slugs are out, "
        "nothing and the lettuces are gone.",
        asks_names=True,
        most_players=2,
    ),
    rounds=(
        Round(
            "Patrol",
            (SLUGS_PACK,),
            draw=Draw(None, refill=Refill.WHEN_EMPTY),
            check=Check(typos=1, ignore_accents=True, ignore_punctuation=True, articles="a an the"),
        ),
        Round(
            "Bonus bed",
            (SLUGS_PACK,),
            draw=Draw(2),
            ask=Ask(tries=3),
            check=Check(typos=1, ignore_punctuation=True, articles="a an the"),
        ),
    ),
    script="""\
score = 15

def right():
    if round_number == 1:
        score += 5
        if score >= 30:
            go("Bonus bed")
    else:
        score += [3, 2, 1][tries_used - 1]

def wrong():
    if round_number == 1:
        score -= 5
        if score <= 0:
            finish("Lettuces gone")
""",
    cues=(
        Cue("fence out", (Occasion.RIGHT,), sound="ripe", effect=Effect.FACE),
        Cue("nearly", (Occasion.CLOSE,), "A slip of the finger, forgiven.", sound="nearly ripe"),
        Cue("munching", (Occasion.WRONG,), sound="slug", effect=Effect.SHAKE),
        Cue("bonus", (Occasion.ROUND_OVER,), sound="spade down"),
        Cue("driven off", (), sound="first prize", effect=Effect.LEAVES),
    ),
    sounds=(
        Sound(
            "slug",
            (Note("E3", 120), Note("Eb3", 120), Note("D3", 120), Note("C#3", 260)),
            Wave.SAWTOOTH,
            30,
            220,
            55,
        ),
    ),
    endings=(
        Ending("Lettuces gone", "The slugs ate well, {name}.", None, 0, badge=Badge.SLUG),
        Ending("A tie", "Both patrols stand at {score}.", when="leaders > 1"),
        Ending(
            "Slugs out",
            "{name} drove them off with {score} points.",
            1,
            badge=Badge.ROSETTE,
            cue="driven off",
        ),
    ),
)

BED_BY_BED = Game(
    title="Bed by Bed",
    opening=Opening("First the leaves, then the beds. Every question is made from one table."),
    rounds=(
        Round(
            "Leaves",
            patterns=(
                Pattern(
                    PLANTS,
                    "Which of these is a {plant} leaf?",
                    "leaf",
                    choices=3,
                    shows=Shows.PICTURE,
                    leaves=Leaves.RIGHT,
                ),
                Pattern(
                    PLANTS,
                    "Which plant has this leaf?",
                    "plant",
                    choices=3,
                    picture="leaf",
                    leaves=Leaves.RIGHT,
                ),
            ),
            draw=Draw(5),
        ),
        Round(
            "Beds",
            patterns=(
                Pattern(PLANTS, "In which bed does {plant} grow?", "bed", level="level"),
                Pattern(
                    PLANTS,
                    "Name a plant of the {bed} of which we eat the {part we eat}.",
                    "plant",
                    Made.TYPED,
                    level="level",
                ),
            ),
            draw=Draw(5, DrawOrder.EASY_FIRST),
            check=Check(typos=1, ignore_accents=True, articles="a an the"),
        ),
    ),
    script="""\
score = 0

def right():
    score += round_number
""",
    cues=(
        Cue("it grows there", (Occasion.RIGHT,), sound="new shoot", effect=Effect.MARK),
        Cue("another bed", (Occasion.WRONG,), sound="bump", effect=Effect.MARK),
    ),
    endings=(
        Ending("Head Gardener", "{score} points: you know every bed.", 12, badge=Badge.ROSETTE),
        Ending("Good Neighbour", "{score} points.", 6, 11, badge=Badge.BASKET),
        Ending(
            "Lost among the Beds", "{score} points. Come and look.", None, 5, badge=Badge.SPROUT
        ),
    ),
)


GARDEN_YEAR = Game(
    title="The Garden Year",
    opening=Opening(
        "Put the year in order, match, estimate, fill gaps, point, and find all there is. "
        "What is partly right counts too."
    ),
    rounds=(
        Round(
            "The garden year",
            (YEAR_PACK,),
            draw=Draw(12),
            ask=Ask(tries=2, typing=True),
            check=Check(
                partly=PartlyRight.LESS_WRONG,
                order_share=OrderShare.PAIRS,
                estimate_share=EstimateShare.STRAIGHT,
            ),
        ),
    ),
    script="""\
score = 0

def right():
    score += 10

def partly():
    if tries_left == 0:
        score += share // 10
""",
    cues=(
        Cue("in its place", (Occasion.RIGHT,), sound="ripe", effect=Effect.LEAVES),
        Cue("on the way", (Occasion.PARTLY,), sound="nearly ripe", effect=Effect.MARK),
        Cue("out of season", (Occasion.WRONG,), sound="bump", effect=Effect.MARK),
    ),
    endings=(
        Ending(
            "Keeper of the Year",
            "{score} points, {percent} %.",
            85,
            None,
            "percent",
            badge=Badge.ROSETTE,
        ),
        Ending(
            "Through the Year",
            "{score} points, {percent} %.",
            50,
            84,
            "percent",
            badge=Badge.BASKET,
        ),
        Ending(
            "A Late Spring",
            "{score} points, {percent} %.",
            None,
            49,
            "percent",
            badge=Badge.SPROUT,
        ),
    ),
)


def leaf_pack() -> Pack:
    """Which of these leaves, and what makes this sound."""
    names = ("oak", "willow", "holly", "lime", "maple", "ash")
    leaves = tuple(
        Question(
            f"Which is the {name} leaf?",
            (f"{name}.svg",),
            tuple(f"{other}.svg" for other in names if other != name),
            details=Details(shows=Shows.PICTURE),
        )
        for name in names
    )
    sounds = {"bell": "A bell", "whistle": "A whistle", "drum": "A drum", "frog": "A frog"}
    heard = tuple(
        Question(
            f"What makes this sound? Number {number}",
            (right,),
            tuple(other for other in sounds.values() if other != right),
            details=Details(sound=f"{name}.wav"),
        )
        for number, (name, right) in enumerate(sounds.items(), 1)
    )
    return Pack("Leaf shapes and noises", (*leaves, *heard))


HARVEST_TABLE = Game(
    title="مائدة الحصاد",
    language=Language.ARABIC,
    opening=Opening(
        "أهلًا بكم إلى مائدة الحصاد التي تقيمها جمعية بساتين وادي النعناع، توأم جمعية كويلبروك. "
        "ثمانية أسئلة، وثلاث أرواح."
    ),
    rounds=(Round("أسئلة المائدة", (TABLE_PACK,), draw=Draw(count=8), ask=Ask(seconds=30)),),
    script="""\
score = 0
lives = 3

def right():
    score += 10

def wrong():
    lives -= 1
""",
    cues=(
        Cue("ناضج", (Occasion.RIGHT,), sound="ripe", effect=Effect.MARK),
        Cue("مخدوش", (Occasion.WRONG, Occasion.LATE), sound="bump", effect=Effect.MARK),
        Cue(
            "ثلاثة",
            (Occasion.STREAK,),
            "ثلاث إجابات متتالية!",
            sound="in a row",
            effect=Effect.LEAVES,
        ),
        Cue("الجرس", (Occasion.ENDING,), sound="supper bell", effect=Effect.TOKEN),
    ),
    endings=(
        Ending(
            "صديق الحلزون",
            "حلزونات الوادي تشكرك.",
            None,
            0,
            "lives",
            at_once=True,
            badge=Badge.SLUG,
        ),
        Ending("السلة الذهبية", "سلة كاملة! الجمعية كلها تصفق لك.", 80, badge=Badge.BASKET),
        Ending("جار طيب", "تعرف بستانك جيدًا. تعال وساعدنا.", 70, 79, badge=Badge.ROSETTE),
        Ending("بستان جديد", "عندك الأرض، وبقيت البذور.", None, 69, badge=Badge.SPROUT),
    ),
)
"""Of the twin society of Mint Valley, in Arabic."""
