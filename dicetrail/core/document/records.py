"""What is made by the thousand in a run: dataclasses frozen for those who write the code."""

from dataclasses import dataclass, field
from typing import TypeVar, dataclass_transform

T = TypeVar("T")


@dataclass_transform(frozen_default=True, field_specifiers=(field,))
def record(made: type[T]) -> type[T]:
    """A dataclass with slots that nobody may change, held by the type checker alone.

    To hold it at run time as well makes each of them three times as dear, and a run makes
    twenty of them for every answer.
    """
    return dataclass(slots=True, unsafe_hash=True)(made)
