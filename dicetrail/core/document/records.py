"""Fast dataclasses for values that a run creates by the thousand."""

from dataclasses import dataclass, field
from typing import TypeVar, dataclass_transform

T = TypeVar("T")


@dataclass_transform(frozen_default=True, field_specifiers=(field,))
def record(made: type[T]) -> type[T]:
    """A dataclass with slots that only the type checker freezes.

    Freezing at run time triples the cost of creating one, and a run creates twenty for every
    answer.
    """
    return dataclass(slots=True, unsafe_hash=True)(made)
