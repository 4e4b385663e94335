"""Which kinds of question a round can bring next, where only kinds can be told apart."""

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass
from typing import Generic, TypeVar

Used = tuple[int, ...]
"""How many questions of each kind a round has asked; empty before the first."""

K = TypeVar("K")


@dataclass(frozen=True, slots=True)
class Drawing(Generic[K]):
    """The kinds in a round's pool, and how they come."""

    kinds: tuple[K, ...]
    counts: tuple[int, ...]
    """How many questions there are of each kind."""
    order: tuple[int, ...] = ()
    """The kind at each place, where the order is written; else empty."""
    levels: tuple[int, ...] = ()
    """The level of each kind, where easy ones come first; else empty."""
    comes_back: bool = False
    """Whether a question can come again, in an order that is not known."""

    def next(
        self, used: Used, position: int, left: int | None
    ) -> Iterator[tuple[float, int, Used]]:
        """Each kind that can come at a position, its chance, and what is used up then.

        `left` is how many questions are asked from here on; None is without end. The chances are
        those of a shuffled pool.
        """
        if len(self.kinds) == 1:
            yield 1.0, 0, used
        elif self.order:
            yield 1.0, self.order[position % len(self.order)], used
        elif self.comes_back:
            whole = sum(self.counts)
            yield from ((count / whole, kind, used) for kind, count in enumerate(self.counts))
        else:
            used = used or (0,) * len(self.kinds)
            there = sum(self.counts) - sum(used)
            for kind, (taken, count) in enumerate(zip(used, self.counts, strict=True)):
                if taken < count and self._fits(used, kind, left):
                    after = (*used[:kind], taken + 1, *used[kind + 1 :])
                    yield (count - taken) / there, kind, after

    def _fits(self, used: Used, kind: int, left: int | None) -> bool:
        """Whether easy ones can come first: none follows a harder one, and enough are left."""
        if not self.levels:
            return True
        level = self.levels[kind]
        if any(taken and other > level for taken, other in zip(used, self.levels, strict=True)):
            return False
        there = sum(
            count - taken
            for count, taken, other in zip(self.counts, used, self.levels, strict=True)
            if other >= level
        )
        return left is None or there >= left


def drawing_of(pool: Mapping[K, int], order: Sequence[K] = ()) -> Drawing[K]:
    """A shuffled pool, by how many questions there are of each kind; or one in a written order.

    >>> list(drawing_of({"easy": 1, "hard": 1}).next((0, 1), 1, 1))
    [(1.0, 0, (1, 1))]
    """
    kinds = tuple(pool)
    places = {kind: place for place, kind in enumerate(kinds)}
    return Drawing(kinds, tuple(pool.values()), tuple(places[kind] for kind in order))
