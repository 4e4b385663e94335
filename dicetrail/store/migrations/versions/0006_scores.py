"""What runs came to, so that scores are found without playing them again; voices made once."""

from typing import Any

import sqlalchemy as sa
from alembic import op

revision = "0006"
down_revision = "0005"
branch_labels = None
depends_on = None


def _columns() -> tuple[sa.Column[Any], ...]:
    return (
        sa.Column("best", sa.Double, nullable=True),
        sa.Column("player_key", sa.String(64), nullable=True),
        sa.Column("ended_at", sa.DateTime, nullable=True),
        sa.Column("leader", sa.String(80), nullable=True),
        sa.Column("score", sa.Double, nullable=True),
        sa.Column("ending", sa.String, nullable=True),
        sa.Column("right_count", sa.Integer, nullable=True),
        sa.Column("asked_count", sa.Integer, nullable=True),
        sa.Column("length_ms", sa.Integer, nullable=True),
    )


def upgrade() -> None:
    for column in _columns():
        op.add_column("runs", column)
    op.create_index("ix_runs_scores", "runs", ["game_id", "game_revision", "score"])
    op.create_index("ix_runs_player_key", "runs", ["player_key"])
    op.create_table(
        "voices",
        sa.Column("text_digest", sa.String(64), primary_key=True),
        sa.Column("digest", sa.String(64), sa.ForeignKey("media.digest"), nullable=False),
    )


def downgrade() -> None:
    op.drop_table("voices")
    op.drop_index("ix_runs_player_key", "runs")
    op.drop_index("ix_runs_scores", "runs")
    for column in _columns():
        op.drop_column("runs", column.name)
