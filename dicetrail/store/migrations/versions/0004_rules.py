"""Points of a round become the rule script of its game; a run can have several players."""

import sqlalchemy as sa
from alembic import op

revision = "0004"
down_revision = "0003"
branch_labels = None
depends_on = None

games = sa.table(
    "game_revisions",
    sa.column("game_id", sa.String),
    sa.column("number", sa.Integer),
    sa.column("document", sa.JSON),
)
runs = sa.table("runs", sa.column("id", sa.String), sa.column("player", sa.String), sa.column("players", sa.JSON))

SCRIPT = """\
score = 0

def right():
    score += {right}

def wrong():
    score += {wrong}
"""


def upgrade() -> None:
    connection = op.get_bind()
    for row in connection.execute(sa.select(games)).mappings().all():
        document = dict(row["document"])
        points = [round_.pop("score", None) for round_ in document["rounds"]]
        given: dict[str, int] = next((score for score in points if score), {})
        script = SCRIPT.format(right=given.get("right", 1), wrong=given.get("wrong", 0))
        connection.execute(
            games.update()
            .where(games.c.game_id == row["game_id"], games.c.number == row["number"])
            .values(document=document | {"script": script.replace("+= -", "-= ")})
        )
    op.add_column("runs", sa.Column("players", sa.JSON, nullable=False, server_default="[]"))
    for row in connection.execute(sa.select(runs.c.id, runs.c.player)).mappings().all():
        connection.execute(
            runs.update().where(runs.c.id == row["id"]).values(players=[row["player"]])
        )
    op.drop_column("runs", "player")


def downgrade() -> None:
    raise NotImplementedError("a rule script cannot go back to points")
