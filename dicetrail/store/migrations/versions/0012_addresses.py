"""The addresses of games, which follow their titles."""

import sqlalchemy as sa
from alembic import op

revision = "0012"
down_revision = "0011"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "game_addresses",
        sa.Column("address", sa.String(80), primary_key=True),
        sa.Column("game_id", sa.String(80), sa.ForeignKey("games.id"), nullable=False),
        sa.Column("made_at", sa.DateTime, nullable=False),
    )
    op.create_index("ix_game_addresses_game_id", "game_addresses", ["game_id"])


def downgrade() -> None:
    op.drop_index("ix_game_addresses_game_id", "game_addresses")
    op.drop_table("game_addresses")
