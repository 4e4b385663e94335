"""What is remembered for a while: what was used last stays, and no more than may weigh."""

import unittest
from concurrent.futures import ThreadPoolExecutor

from hypothesis import given
from hypothesis import strategies as st

from dicetrail.services.cache import Cache, CachePart

USES = st.lists(st.tuples(st.sampled_from(("set", "get", "let go")), st.integers(0, 9)))


class TestCache(unittest.TestCase):
    @given(USES, st.integers(1, 5))
    def test_it_keeps_what_was_used_last(self, uses, most):
        """Against a list of the keys in the order of their last use, kept by hand."""
        cache, used = Cache(most), []
        for use, key in uses:
            is_there = key in used
            if use == "set":
                cache[key] = key
            elif use == "let go":
                cache.let_go(key)
            else:
                self.assertEqual(cache.get(key), key if is_there else None)
            if is_there:
                used.remove(key)
            if use == "set" or (use == "get" and is_there):
                used = [*used, key][-most:]
            self.assertEqual(set(cache), set(used))

    def test_what_weighs_more_than_all_may_is_not_kept_and_takes_nothing_away(self):
        cache = Cache(10, weigh=len)
        cache["a"], cache["b"] = "1234", "123456"
        cache["c"] = "12345678901"
        self.assertEqual((sorted(cache), cache.get("c", "none")), (["a", "b"], "none"))
        cache["a"] = "12345678901"
        self.assertEqual(sorted(cache), ["b"], "an old value does not stand for a new one")

    def test_parts_of_a_cache_share_its_room_and_not_its_entries(self):
        whole = Cache(3)
        one, other = CachePart(whole, "one"), CachePart(whole, "other")
        one["a"], other["a"], one["b"] = 1, 2, 3
        self.assertEqual((dict(one), dict(other)), ({"a": 1, "b": 3}, {"a": 2}))
        one["c"] = 4
        self.assertEqual((len(one), len(other)), (2, 1))
        self.assertEqual(len(whole), 3)
        del one["c"]
        self.assertNotIn("c", one)

    def test_threads_share_it(self):
        cache = Cache(50)

        def use(thread):
            for number in range(3_000):
                cache[number % 70] = thread
                cache.get(number % 61)
                cache.let_go(number % 13)

        with ThreadPoolExecutor(8) as threads:
            list(threads.map(use, range(8)))
        self.assertLessEqual(len(cache), 50)
        self.assertEqual(cache.currsize, len(cache))
