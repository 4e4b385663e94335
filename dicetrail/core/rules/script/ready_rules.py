"""Scripts to begin from, each whole and ready to run."""

from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class ScriptRecipe:
    """A script, what it does in a few words, and what to set beside it."""

    name: str
    words: str
    script: str


SCRIPT_RECIPES = (
    ScriptRecipe(
        "One point each",
        "nothing for a wrong answer",
        """\
score = 0

def right():
    score += 1
""",
    ),
    ScriptRecipe(
        "Three, two, one",
        "by the try; set three tries at Ask",
        """\
score = 0

def right():
    score += [3, 2, 1][min(tries_used, 3) - 1]
""",
    ),
    ScriptRecipe(
        "Quick is worth more",
        "a point for each second left; set a clock at Ask",
        """\
score = 0

def right():
    score += worth + seconds_left
""",
    ),
    ScriptRecipe(
        "Up and down",
        "from 15 by 5; end it at once at 30 and at 0",
        """\
score = 15

def right():
    score += 5

def wrong():
    score -= 5
""",
    ),
    ScriptRecipe(
        "Lives",
        "three of them; end it at once at lives 0",
        """\
score = 0
lives = 3

def right():
    score += 1

def wrong():
    if tries_left == 0:
        lives -= 1
""",
    ),
    ScriptRecipe(
        "Until the first mistake",
        "ten points each; end it at once at mistakes 1",
        """\
score = 0

def right():
    score += 10
""",
    ),
    ScriptRecipe(
        "Bonus for a streak",
        "five more for each third right answer in a row",
        """\
score = 0

def right():
    score += 1
    if streak % 3 == 0:
        score += 5
        tell("Three in a row")
""",
    ),
    ScriptRecipe(
        "Sprint",
        "three seconds more for each right answer; set a clock of the round at Ask",
        """\
score = 0

def right():
    score += 1
    add_time(3)
""",
    ),
    ScriptRecipe(
        "Turns of two",
        "each with a score; let two players play at Open",
        """\
score = 0

def asked():
    tell("{name} has the turn")

def right():
    score += 1
""",
    ),
)
