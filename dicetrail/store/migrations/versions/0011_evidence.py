"""What runs show of their questions, remarks of players, answers brought from elsewhere, and
runs that are kept to be played again."""

import sqlalchemy as sa
from alembic import op

revision = "0011"
down_revision = "0010"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.add_column("runs", sa.Column("seen", sa.JSON, nullable=True))
    op.add_column("runs", sa.Column("remark", sa.Text, nullable=True))
    op.create_table(
        "brought_runs",
        sa.Column("game_id", sa.String(80), sa.ForeignKey("games.id"), primary_key=True),
        sa.Column("run", sa.String(80), primary_key=True),
        sa.Column("file_name", sa.String, nullable=False),
        sa.Column("revision", sa.Integer, nullable=False),
        sa.Column("players", sa.JSON, nullable=False),
        sa.Column("started_at", sa.DateTime, nullable=False),
        sa.Column("seen", sa.JSON, nullable=False),
        sa.Column("remark", sa.Text, nullable=True),
    )
    op.create_table(
        "kept_runs",
        sa.Column("id", sa.String(40), primary_key=True),
        sa.Column("game_id", sa.String(80), sa.ForeignKey("games.id"), nullable=False),
        sa.Column("game_revision", sa.Integer, nullable=False),
        sa.Column("run", sa.JSON, nullable=False),
        sa.Column("kept_at", sa.DateTime, nullable=False),
    )
    op.create_index("ix_kept_runs_game_id", "kept_runs", ["game_id"])


def downgrade() -> None:
    op.drop_index("ix_kept_runs_game_id", "kept_runs")
    op.drop_table("kept_runs")
    op.drop_table("brought_runs")
    op.drop_column("runs", "remark")
    op.drop_column("runs", "seen")
