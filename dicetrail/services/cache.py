"""Caches of computed values."""

from collections.abc import Callable, Hashable, Iterator, MutableMapping
from threading import RLock
from typing import Any, TypeVar, overload

from cachetools import LRUCache

Key = TypeVar("Key", bound=Hashable)
Value = TypeVar("Value")
Other = TypeVar("Other")


class Cache(LRUCache[Key, Value]):
    """A thread-safe cache that drops the least recently used entries beyond a total weight.

    An entry weighs 1 unless `weigh` says otherwise; an entry heavier than the limit is not stored.
    """

    def __init__(self, maxsize: float, weigh: Callable[[Value], float] = lambda _: 1) -> None:
        super().__init__(maxsize, weigh)
        self._turn = RLock()

    def __getitem__(self, key: Key) -> Value:
        with self._turn:
            return super().__getitem__(key)

    @overload
    def get(self, key: Key) -> Value | None: ...

    @overload
    def get(self, key: Key, default: Value | Other) -> Value | Other: ...

    def get(self, key: Key, default: Any = None) -> Any:
        """The value of a key. This counts as a use of the value."""
        with self._turn:
            return super().get(key, default)

    def __setitem__(self, key: Key, value: Value) -> None:
        with self._turn:
            if self.getsizeof(value) <= self.maxsize:
                super().__setitem__(key, value)
            else:
                super().pop(key, None)

    def let_go(self, key: Key) -> None:
        """Remove a value, if it is in the cache."""
        with self._turn:
            super().pop(key, None)


class CachePart(MutableMapping[Hashable, Any]):
    """The part of a cache that belongs to one owner. It behaves like a separate cache."""

    def __init__(self, whole: Cache[tuple[Hashable, Hashable], Any], owner: Hashable) -> None:
        self._whole, self._owner = whole, owner

    def __getitem__(self, key: Hashable) -> Any:
        return self._whole[self._owner, key]

    def get(self, key: Hashable, default: Any = None) -> Any:
        """The value of a key. This counts as a use of the value."""
        return self._whole.get((self._owner, key), default)

    def __setitem__(self, key: Hashable, value: Any) -> None:
        self._whole[self._owner, key] = value

    def __delitem__(self, key: Hashable) -> None:
        del self._whole[self._owner, key]

    def __iter__(self) -> Iterator[Hashable]:
        return (key for owner, key in list(self._whole) if owner == self._owner)

    def __len__(self) -> int:
        return sum(1 for _ in self)
