"""Games, packs and runs."""

import sqlalchemy as sa
from alembic import op

revision = "0001"
down_revision = None
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "games",
        sa.Column("id", sa.String(80), primary_key=True),
        sa.Column("made_at", sa.DateTime, nullable=False),
    )
    op.create_table(
        "game_revisions",
        sa.Column("game_id", sa.String(80), sa.ForeignKey("games.id"), primary_key=True),
        sa.Column("number", sa.Integer, primary_key=True),
        sa.Column("document", sa.JSON, nullable=False),
        sa.Column("saved_at", sa.DateTime, nullable=False),
    )
    op.create_table(
        "packs",
        sa.Column("id", sa.String(80), primary_key=True),
        sa.Column("made_at", sa.DateTime, nullable=False),
    )
    op.create_table(
        "pack_revisions",
        sa.Column("pack_id", sa.String(80), sa.ForeignKey("packs.id"), primary_key=True),
        sa.Column("number", sa.Integer, primary_key=True),
        sa.Column("title", sa.String, nullable=False),
        sa.Column("questions", sa.JSON, nullable=False),
        sa.Column("question_count", sa.Integer, nullable=False),
        sa.Column("source", sa.JSON, nullable=False),
        sa.Column("saved_at", sa.DateTime, nullable=False),
    )
    op.create_table(
        "runs",
        sa.Column("id", sa.String(40), primary_key=True),
        sa.Column("game_id", sa.String(80), nullable=False),
        sa.Column("game_revision", sa.Integer, nullable=False),
        sa.Column("pack_revisions", sa.JSON, nullable=False),
        sa.Column("dice", sa.Integer, nullable=False),
        sa.Column("player", sa.String, nullable=False),
        sa.Column("place", sa.String(8), nullable=False),
        sa.Column("started_at", sa.DateTime, nullable=False),
        sa.ForeignKeyConstraint(
            ["game_id", "game_revision"], ["game_revisions.game_id", "game_revisions.number"]
        ),
    )
    op.create_index("ix_runs_game_id", "runs", ["game_id"])
    op.create_table(
        "run_inputs",
        sa.Column("run_id", sa.String(40), sa.ForeignKey("runs.id"), primary_key=True),
        sa.Column("number", sa.Integer, primary_key=True),
        sa.Column("action", sa.JSON, nullable=False),
        sa.Column("at", sa.Integer, nullable=False),
    )


def downgrade() -> None:
    for table in ("run_inputs", "runs", "pack_revisions", "packs", "game_revisions", "games"):
        op.drop_table(table)
