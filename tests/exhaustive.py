"""Tests that go through everything there is: `make test-all` runs them, `make test` does not."""

from typing import TypeVar
from unittest import TestCase

Tested = TypeVar("Tested")


def exhaustive(tested: Tested) -> Tested:
    """Marks a test, or a class of tests, as one of those."""
    tested.is_exhaustive = True  # type: ignore[attr-defined]
    return tested


def is_exhaustive(test: TestCase) -> bool:
    """Whether a test is one of those, by itself or by its class."""
    method = getattr(test, test._testMethodName)
    return "is_exhaustive" in vars(type(test)) or hasattr(method, "is_exhaustive")
