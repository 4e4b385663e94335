"""What is sent: unknown fields are refused, files are counted and taken as files, and a full disk
is told in words."""

import errno
import json
import re
import unittest
from unittest.mock import patch

from dicetrail.limits import MAX_DOCUMENT, MAX_FILE
from tests.exhaustive import exhaustive
from tests.web.demo import DemoTest


class TestWhatIsSent(DemoTest):
    @classmethod
    def setUpClass(cls):
        super().setUpClass()
        cls.document = cls.app.openapi()
        cls.posts = [
            (address, operation)
            for address, ways in cls.document["paths"].items()
            for way, operation in ways.items()
            if way in ("post", "put", "patch", "delete")
        ]

    @exhaustive
    def test_the_document_says_that_unknown_fields_are_refused_and_they_are(self):
        schemas, seen = self.document["components"]["schemas"], set()

        def names_in(part):
            for name in re.findall(r"#/components/schemas/([\w-]+)", json.dumps(part)):
                if name not in seen:
                    seen.add(name)
                    names_in(schemas[name])

        bodies = 0
        for address, operation in self.posts:
            body = operation.get("requestBody", {}).get("content", {}).get("application/json")
            if body is None:
                continue
            bodies += 1
            names_in(body)
            if body["schema"].get("$ref", "").endswith("/GameSave"):
                continue
            path = re.sub(r"\{\w+\}", "1", address)
            way = "put" if "put" in self.document["paths"][address] else "post"
            answer = self.send(way, path, {"weather": "fine"})
            self.assertEqual(answer.status_code, 422, (address, answer.text))
            told = {one["where"]: one["mend"] for one in answer.json()["problems"]}
            self.assertEqual(told.get("weather"), "leave this field out", (address, told))
        self.assertGreater(bodies, 25)
        open_ones = [
            name
            for name in seen
            if schemas[name].get("type") == "object"
            and schemas[name].get("additionalProperties", True) is not False
        ]
        self.assertEqual(open_ones, ["GameSave"], "it takes a view of a game as it came")
        self.assertIs(schemas["GameSave"]["additionalProperties"], True)

    def test_every_address_of_files_takes_them_and_counts_them(self):
        addresses = [
            address
            for address, operation in self.posts
            if "multipart/form-data" in operation.get("requestBody", {}).get("content", {})
        ]
        self.assertGreater(len(addresses), 7)
        with patch("dicetrail.web.middleware.rates.monotonic", return_value=10.0**9):
            for address in addresses:
                path = re.sub(r"\{\w+\}", "harvest-supper", address)
                self.assertGreater(MAX_FILE, MAX_DOCUMENT)
                large = b"x" * (MAX_DOCUMENT + 10)
                answer = self.http.post(path, files={"file": ("a", large), "files": ("a", large)})
                self.assertNotEqual(answer.status_code, 413, (address, answer.text))
            counted = 0
            while self.http.post(addresses[0], files={"file": ("a", b"")}).status_code != 429:
                counted += 1
                self.assertLess(counted, 120)
        self.assertEqual(counted, 120 - len(addresses))

    def test_a_full_disk_is_told_in_words(self):
        full = OSError(errno.ENOSPC, "No space left on device")
        with patch("tempfile.SpooledTemporaryFile.write", side_effect=full):
            answer = self.http.post("/api/dropped", files={"file": ("a.tsv", b"Q\tA\n")})
        self.assertEqual(answer.status_code, 507, answer.text)
        self.assertIn("no room on the server's disk", answer.json()["detail"])
        with patch("dicetrail.web.backup.routes.copyfileobj", side_effect=full):
            answer = self.http.post("/api/backup", files={"file": ("a", b"x")})
        self.assertEqual(answer.status_code, 507, answer.text)


if __name__ == "__main__":
    unittest.main()
