"""Whether a run can be among the best: not one that was given up."""

import sqlalchemy as sa
from alembic import op

revision = "0007"
down_revision = "0006"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.add_column("runs", sa.Column("counts", sa.Boolean, nullable=True))
    op.execute("UPDATE runs SET counts = 1 WHERE ended_at IS NOT NULL")


def downgrade() -> None:
    op.drop_column("runs", "counts")
