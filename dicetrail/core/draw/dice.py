"""All chance in a run comes from one number.

Each decision draws from its own stream, named by what it decides. So a change of one decision never
changes another. A stream is the 32-bit output of the Mersenne Twister (Matsumoto and Nishimura, ACM
TOMACS 8(1), 1998), keyed by the SHA-256 digest of the stream's name. Whole numbers below a bound
are taken by rejection, so none is favoured; a shuffle is Fisher and Yates's in Durstenfeld's form
(Knuth, TAOCP vol. 2, 3.4.2, algorithm P). None of this may change: a change would alter every kept
run.
"""

import hashlib
import re
from base64 import b32decode, b32encode
from collections.abc import Iterator, Sequence
from itertools import islice
from random import Random
from typing import TypeVar

T = TypeVar("T")

HIGHEST_DICE = 999_999_999
"""Dice that people type are whole numbers from 0 to this, short enough to read out and write
down."""

LONG_DICE_BITS = 128
"""The number of bits of dice that nobody should predict: too many to try them all (NIST SP 800-57
requires at least 112)."""


def name_of_dice(dice: int) -> int | str:
    """The written form of dice: the number, or for long dice a word of 26 letters and digits.

    >>> name_of_dice(4821), name_of_dice(2**128 - 1)
    (4821, '77777777777777777777777774')
    """
    if dice <= HIGHEST_DICE:
        return dice
    return b32encode(dice.to_bytes(LONG_DICE_BITS // 8, "big")).decode().rstrip("=").lower()


def dice_named(name: int | str) -> int:
    """The dice with this written form. Raises ValueError if the text is not one."""
    if isinstance(name, str) and re.fullmatch("[a-z2-7]{26}", name):
        return int.from_bytes(b32decode(name.upper() + "======"), "big")
    dice = int(name)
    if not 0 <= dice <= HIGHEST_DICE:
        raise ValueError(f"dice are from 0 to {HIGHEST_DICE:,}")
    return dice


class Stream:
    """An endless random stream for one key. Streams are not shared: each user creates its own."""

    __slots__ = ("_words",)

    def __init__(self, key: int) -> None:
        self._words = Random(key)

    def word(self) -> int:
        """The next 32 bits, as a whole number from 0 to 2**32 - 1."""
        return self._words.getrandbits(32)

    def below(self, bound: int) -> int:
        """A whole number from 0 to bound - 1, each as likely. bound: 1 to 2**64.

        Raises ValueError for a bound outside that range.
        """
        if not 1 <= bound <= 1 << 64:
            raise ValueError(f"a bound is from 1 to 2**64, not {bound}")
        wide = bound > 1 << 32
        shift = (64 if wide else 32) - (bound - 1).bit_length()
        value = bound
        while value >= bound:
            word = self.word()
            value = (word << 32 | self.word() if wide else word) >> shift
        return value

    def order(self, pool: int) -> Iterator[int]:
        """The numbers of range(pool) in a random order without repeats, computed lazily.

        Time and memory are proportional to how many are taken, however large the pool is.
        """
        moved: dict[int, int] = {}
        for place in range(pool):
            other = place + self.below(pool - place)
            yield moved.get(other, other)
            moved[other] = moved.get(place, place)

    def pick(self, pool: int, count: int) -> tuple[int, ...]:
        """The first `count` places of a random order of range(pool), none twice.

        A `count` beyond the pool gives the whole order.
        """
        return tuple(islice(self.order(pool), max(0, count)))

    def shuffled(self, items: Sequence[T]) -> tuple[T, ...]:
        """The items in a random order, each order as likely: `order`, for all of them at once."""
        left, words = list(items), self._words.getrandbits
        for place in range(len(left)):
            bound = len(left) - place
            shift = 32 - (bound - 1).bit_length()
            other = bound
            while other >= bound:
                other = words(32) >> shift
            other += place
            left[place], left[other] = left[other], left[place]
        return tuple(left)


def stream(dice: int, purpose: str, round_: int = 0, position: int = 0) -> Stream:
    """The stream for one decision: what it decides, in which round, at which position."""
    name = f"{dice}\0{purpose}\0{round_}\0{position}".encode()
    return Stream(int.from_bytes(hashlib.sha256(name).digest(), "big"))
