"""Licences, against what the installed packages say of themselves."""

import unittest

from tests.outside.third_party import LIST, npm_packages, python_packages, written

MAY_COME_WITH_US = {
    "MIT",
    "BSD",
    "ISC",
    "Apache",
    "PSF",
    "Python Software Foundation",
    "OFL",
    "0BSD",
    # Binds those files alone that are under it (Mozilla's own questions and answers, from
    # memory): they come unchanged, and a folder's README says what they are and where from.
    "MPL-2.0",
}


class TestThirdParty(unittest.TestCase):
    def test_every_package_that_comes_with_the_app_is_listed(self):
        self.assertEqual(LIST.read_text(), written(), "run make third-party")

    def test_every_licence_lets_it_come_with_the_app(self):
        for name, licence in (python_packages() | npm_packages()).items():
            with self.subTest(package=name, licence=licence):
                self.assertTrue(any(known in licence for known in MAY_COME_WITH_US))
