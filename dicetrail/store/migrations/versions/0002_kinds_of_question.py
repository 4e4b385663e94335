"""Kinds of question: right answers become a list; a pack tells how its file was read."""

import sqlalchemy as sa
from alembic import op

revision = "0002"
down_revision = "0001"
branch_labels = None
depends_on = None

revisions = sa.table(
    "pack_revisions",
    sa.column("pack_id", sa.String),
    sa.column("number", sa.Integer),
    sa.column("questions", sa.JSON),
    sa.column("source", sa.JSON),
)


def upgrade() -> None:
    connection = op.get_bind()
    for row in connection.execute(sa.select(revisions)).mappings().all():
        source = dict(row["source"])
        source["read_as"] = f"fields separated by {source.pop('separator')}s, utf-8"
        questions = [question | {"right": [question["right"]]} for question in row["questions"]]
        connection.execute(
            revisions.update()
            .where(revisions.c.pack_id == row["pack_id"], revisions.c.number == row["number"])
            .values(questions=questions, source=source)
        )


def downgrade() -> None:
    raise NotImplementedError("a question with several right answers cannot go back to one")
