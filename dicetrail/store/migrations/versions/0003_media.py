"""Pictures and sounds."""

import sqlalchemy as sa
from alembic import op

revision = "0003"
down_revision = "0002"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "media",
        sa.Column("digest", sa.String(64), primary_key=True),
        sa.Column("media_type", sa.String(40), nullable=False),
        sa.Column("content", sa.LargeBinary, nullable=False),
    )
    op.add_column(
        "pack_revisions", sa.Column("media", sa.JSON, nullable=False, server_default="{}")
    )


def downgrade() -> None:
    op.drop_column("pack_revisions", "media")
    op.drop_table("media")
