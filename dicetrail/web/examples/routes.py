"""The examples beside the benches, and putting one into a document that is being edited."""

from typing import Annotated

from pydantic import BaseModel, Field
from starlette.exceptions import HTTPException

from dicetrail.core import Game
from dicetrail.core.play import Stop
from dicetrail.core.workbench import WORKED_EXAMPLES
from dicetrail.web.http_format.bodies import Router
from dicetrail.web.http_format.shapes import Received

router = Router("/api/examples", "examples")


class ExampleShown(BaseModel):
    """What a stop decides, shown by one small thing that can be put in."""

    stop: Stop
    name: str
    words: str


class ExampleWanted(Received):
    """An example, by its name, and the document and round it is to be put into."""

    name: Annotated[str, Field(max_length=80)]
    document: Game
    round: Annotated[int, Field(ge=0)]


@router.get("")
def list_examples() -> list[ExampleShown]:
    """Every example, in the order of the trail."""
    return [ExampleShown(stop=it.stop, name=it.name, words=it.words) for it in WORKED_EXAMPLES]


@router.post("/put-in")
def put_example_in(wanted: ExampleWanted) -> Game:
    """The document with an example put in; nothing is kept."""
    example = next((one for one in WORKED_EXAMPLES if one.name == wanted.name), None)
    if example is None or wanted.round >= len(wanted.document.rounds):
        raise HTTPException(404, "There is no such example, or no such round.")
    return example.place_in(wanted.document, wanted.round)
