"""Packs to be written out as templates to fill in: one with a question of every kind."""

from dicetrail.core import Details, Kind, Pack, Question

TEXT_TEMPLATE = Pack(
    "Questions",
    (
        Question("What do bees make?", ("Honey",), (), Kind.TYPED),
        Question("Which vegetable is carved in autumn?", ("Pumpkin",), (), Kind.TYPED),
    ),
)
"""The roles that fit into plain text of two columns."""

TEMPLATE = Pack(
    "Questions",
    (
        Question("Which of these grows underground?", ("Carrot",), ("Pea", "Courgette", "Plum")),
        Question(
            "Which of these climb?",
            ("Runner bean", "Pea"),
            ("Beetroot", "None of these"),
            details=Details(topic="beds", level=2, worth=5, pinned="None of these"),
        ),
        Question("A tomato is a fruit", ("true",), (), Kind.TRUTH, Details(seconds=10)),
        Question(
            "What do bees make?", ("Honey", "Wax"), (), Kind.TYPED, Details(hint="It is sweet.")
        ),
        Question(
            "How many grams are in half a kilogram?",
            ("500",),
            (),
            Kind.NUMBER,
            Details(tolerance="2%"),
        ),
        Question("A large striped vegetable", ("marrow",), (), Kind.LETTERS),
        Question(
            "How heavy was the marrow?",
            ("14",),
            (),
            Kind.ESTIMATE,
            Details(tolerance="1", least="0", most="40", unit="kg"),
        ),
        Question("Why is soil dug in autumn?", ("So that frost can break it.",), (), Kind.JUDGED),
        Question("A bee gives ___, a hen ___.", ("honey", "eggs | an egg"), (), Kind.GAPS),
        Question("Who gives what?", ("bee = honey", "hen = egg"), ("milk",), Kind.MATCH),
        Question("Put these in the order of the year.", ("sow", "hoe", "reap"), (), Kind.ORDER),
        Question("Beetroot", ("root",), ("leaf", "fruit"), Kind.SORT, Details(note="So is swede.")),
    ),
)
