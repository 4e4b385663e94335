"""A secret of the store's own; dice of players' runs that are too long for a number."""

import sqlalchemy as sa
from alembic import op

revision = "0008"
down_revision = "0007"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "secrets",
        sa.Column("name", sa.String(40), primary_key=True),
        sa.Column("value", sa.LargeBinary, nullable=False),
    )
    with op.batch_alter_table("runs") as runs:
        runs.alter_column("dice", existing_type=sa.Integer, type_=sa.String(40))


def downgrade() -> None:
    raise NotImplementedError("dice that are too long for a number cannot go back")
