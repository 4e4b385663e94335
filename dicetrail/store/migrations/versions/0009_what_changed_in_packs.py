"""A revision of a pack holds what it changed; all its questions stand apart."""

import sqlalchemy as sa
from alembic import op

revision = "0009"
down_revision = "0008"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "pack_questions",
        sa.Column("pack_id", sa.String(80), primary_key=True),
        sa.Column("number", sa.Integer, primary_key=True),
        sa.Column("questions", sa.Text, nullable=False),
        sa.ForeignKeyConstraint(
            ["pack_id", "number"], ["pack_revisions.pack_id", "pack_revisions.number"]
        ),
    )
    op.execute("INSERT INTO pack_questions SELECT pack_id, number, questions FROM pack_revisions")
    with op.batch_alter_table("pack_revisions") as packs:
        packs.drop_column("questions")
        packs.add_column(sa.Column("edits", sa.JSON, nullable=True))
        packs.alter_column("source", existing_type=sa.JSON, nullable=True)
        packs.alter_column("media", existing_type=sa.JSON, nullable=True)


def downgrade() -> None:
    raise NotImplementedError("revisions that hold only what they changed cannot go back")
