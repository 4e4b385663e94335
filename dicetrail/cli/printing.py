"""Print files that the project generates from its own definitions: schemas and tables."""

import json
from pathlib import Path
from tempfile import TemporaryDirectory

from dicetrail.files import documented, game_schema, pack_schema
from dicetrail.store import Database
from dicetrail.web import create_app
from dicetrail.web.http_format.parts import written_parts


def openapi() -> None:
    """Print the description of the HTTP interface (OpenAPI, as JSON)."""
    with TemporaryDirectory() as folder:
        database = Database(Path(folder) / "empty.sqlite")
        print(json.dumps(create_app(database).openapi(), separators=(",", ":")))
        database.close()


def pack_form() -> None:
    """Print the form of a pack as JSON or YAML (a JSON Schema)."""
    print(json.dumps(pack_schema(), indent=2))


def game_form() -> None:
    """Print the form of a game file (a JSON Schema)."""
    print(json.dumps(game_schema(), indent=2))


def game_fields() -> None:
    """Print every field of a game file with its bounds and its meaning (Markdown)."""
    print(documented(game_schema()), end="")


def new_parts() -> None:
    """Print what pages show of a document's parts, fields and values, as TypeScript."""
    print(written_parts())
