"""Edits that say what they are of: ETag, If-Match and merge patches."""

import unittest

from dicetrail.web.http_format.revisions import MERGE_PATCH, merged
from tests.web.demo import DemoTest

MERGES = (
    ({"a": "b"}, {"a": "c"}, {"a": "c"}),
    ({"a": "b"}, {"b": "c"}, {"a": "b", "b": "c"}),
    ({"a": "b"}, {"a": None}, {}),
    ({"a": "b", "b": "c"}, {"a": None}, {"b": "c"}),
    ({"a": ["b"]}, {"a": "c"}, {"a": "c"}),
    ({"a": "c"}, {"a": ["b"]}, {"a": ["b"]}),
    ({"a": {"b": "c"}}, {"a": {"b": "d", "c": None}}, {"a": {"b": "d"}}),
    ({"a": [{"b": "c"}]}, {"a": [1]}, {"a": [1]}),
    (["a", "b"], ["c", "d"], ["c", "d"]),
    ({"a": "b"}, ["c"], ["c"]),
    ({"a": "foo"}, None, None),
    ({"a": "foo"}, "bar", "bar"),
    ({"e": None}, {"a": 1}, {"e": None, "a": 1}),
    ([1, 2], {"a": "b", "c": None}, {"a": "b"}),
    ({}, {"a": {"bb": {"ccc": None}}}, {"a": {"bb": {}}}),
)
"""The test cases of RFC 7396, appendix A (from memory)."""


class TestMergePatch(unittest.TestCase):
    def test_it_does_what_the_standard_shows(self):
        for target, patch, result in MERGES:
            with self.subTest(target=target, patch=patch):
                self.assertEqual(merged(target, patch), result)


class TestEdits(DemoTest):
    def patch(self, address, changes, if_match=None):
        headers = {"content-type": MERGE_PATCH}
        if if_match is not None:
            headers["if-match"] = if_match
        return self.http.patch(address, json=changes, headers=headers)

    def test_a_game_is_changed_in_part_and_no_edit_is_lost(self):
        address = "/api/games/shed-words"
        shown = self.http.get(address)
        tag, before = shown.headers["etag"], shown.json()["document"]
        saved = self.patch(address, {"title": "Words of the shed", "seconds": 90}, tag)
        self.assertEqual(saved.status_code, 200, saved.text)
        self.assertEqual(saved.headers["etag"], f'"{shown.json()["revision"] + 1}"')
        self.assertEqual(
            saved.json()["document"], before | {"title": "Words of the shed", "seconds": 90}
        )
        late = self.patch(address, {"title": "Mine"}, tag)
        self.assertEqual(late.status_code, 412, late.text)
        self.assertIn("Your edit was not saved", late.json()["detail"])
        either = f"{tag}, {saved.headers['etag']}"
        again = self.patch(address, {"seconds": None}, either)
        self.assertIsNone(again.json()["document"]["seconds"])
        self.assertEqual(self.http.get(address).headers["etag"], again.headers["etag"])
        anyway = self.patch(address, {"title": "Mine"}, "*")
        self.assertEqual(anyway.json()["document"]["title"], "Mine")

    def test_what_cannot_be_told_apart_or_read_changes_nothing(self):
        address = "/api/games/leaf-shapes"
        shown = self.http.get(address)
        tag = shown.headers["etag"]
        self.assertEqual(self.patch(address, {"title": "x"}).status_code, 428)
        for odd in ("7", '"x"', 'W/"1"', '"888", "999"', '"' + "9" * 40 + '"'):
            with self.subTest(odd):
                self.assertEqual(self.patch(address, {"title": "x"}, odd).status_code, 412)
        faulty = self.patch(address, {"opening": {"most_players": "many"}}, tag)
        self.assertEqual(faulty.status_code, 422)
        self.assertEqual(faulty.json()["problems"][0]["where"], "opening.most_players")
        unknown = self.patch(address, {"titel": "x"}, tag)
        self.assertEqual(unknown.json()["problems"][0]["where"], "titel")
        self.assertEqual(self.patch("/api/games/none", {"title": "x"}, tag).status_code, 404)
        self.assertEqual(self.http.get(address).json(), shown.json())

    def test_a_pack_is_described_in_part(self):
        name = self.http.get("/api/packs").json()[0]["id"]
        shown = self.http.get(f"/api/packs/{name}")
        tag, before = shown.headers["etag"], shown.json()
        saved = self.patch(f"/api/packs/{name}", {"words": " For the supper. "}, tag)
        self.assertEqual(saved.status_code, 200, saved.text)
        now = self.http.get(f"/api/packs/{name}")
        self.assertEqual(now.headers["etag"], saved.headers["etag"])
        told = ("title", "tags", "words")
        self.assertEqual(
            [now.json()[one] for one in told], [before["title"], before["tags"], "For the supper."]
        )
        self.patch(f"/api/packs/{name}", {"title": "Beds", "tags": ["a"]}, saved.headers["etag"])
        no_title = self.patch(f"/api/packs/{name}", {"title": None}, "*")
        self.assertEqual(no_title.json()["problems"][0]["where"], "title")
        late = self.patch(f"/api/packs/{name}", {"title": "Mine"}, tag)
        self.assertEqual(late.status_code, 412)
        bare = self.patch(f"/api/packs/{name}", {"tags": None, "words": None}, "*")
        self.assertEqual(bare.status_code, 200, bare.text)
        now = self.http.get(f"/api/packs/{name}").json()
        self.assertEqual([now[one] for one in told], ["Beds", [], ""])

    def test_the_description_of_the_interface_tells_these_refusals(self):
        described = self.app.openapi()["paths"]["/api/games/{game_id}"]["patch"]
        self.assertLessEqual({"404", "412", "422", "428"}, set(described["responses"]))
        self.assertIn(MERGE_PATCH, described["requestBody"]["content"])
