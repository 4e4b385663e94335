"""How Alembic reaches the store: run by `dicetrail.store.database` when it opens a file."""

from alembic import context
from sqlalchemy import create_engine

from dicetrail.store.models import Base

engine = create_engine(context.config.get_main_option("sqlalchemy.url") or "sqlite://")
with engine.connect() as connection:
    context.configure(connection=connection, target_metadata=Base.metadata, render_as_batch=True)
    with context.begin_transaction():
        context.run_migrations()
engine.dispose()
