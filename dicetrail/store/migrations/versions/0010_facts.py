"""A pack can hold facts, is tagged and described, and can be taken off the shelf."""

import sqlalchemy as sa
from alembic import op

revision = "0010"
down_revision = "0009"
branch_labels = None
depends_on = None


def upgrade() -> None:
    with op.batch_alter_table("packs") as packs:
        packs.add_column(sa.Column("deleted_at", sa.DateTime, nullable=True))
    with op.batch_alter_table("pack_revisions") as packs:
        packs.add_column(sa.Column("tags", sa.JSON, nullable=True))
        packs.add_column(sa.Column("words", sa.Text, nullable=True))
        packs.add_column(sa.Column("columns", sa.JSON, nullable=True))
        packs.add_column(sa.Column("facts_edits", sa.JSON, nullable=True))
    with op.batch_alter_table("pack_questions") as questions:
        questions.add_column(sa.Column("rows", sa.JSON, nullable=True))


def downgrade() -> None:
    with op.batch_alter_table("pack_questions") as questions:
        questions.drop_column("rows")
    with op.batch_alter_table("pack_revisions") as packs:
        packs.drop_column("facts_edits")
        packs.drop_column("columns")
        packs.drop_column("words")
        packs.drop_column("tags")
    with op.batch_alter_table("packs") as packs:
        packs.drop_column("deleted_at")
