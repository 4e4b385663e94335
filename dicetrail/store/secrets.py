"""What a store knows and nobody else."""

import secrets

from dicetrail.store.columns import StandIn
from dicetrail.store.database import Database
from dicetrail.store.models import SecretRow

_BYTES = 32


def secret_of(database: Database) -> bytes:
    """The secret from which what opens the maker's door is made. The same for a store's life."""
    with database.reading() as session:
        held = session.get(SecretRow, "maker")
    if held is None or isinstance(held.value, StandIn):
        with database.writing() as session:
            held = session.get(SecretRow, "maker")
            if held is None:
                held = SecretRow(name="maker", value=secrets.token_bytes(_BYTES))
                session.add(held)
            elif isinstance(held.value, StandIn):
                held.value = secrets.token_bytes(_BYTES)  # every browser shows its key once more
    return held.value
