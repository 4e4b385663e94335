"""A folder as a package for a course."""

import io
import tempfile
import zipfile
from pathlib import Path
from xml.etree import ElementTree

from typer.testing import CliRunner

from dicetrail.cli import app
from dicetrail.takeaway.course import ADL, IMS
from tests.web.demo import DemoTest

NAMES = {"ims": IMS, "adl": ADL}


class TestPackage(DemoTest):
    """Held against the SCORM Content Aggregation Model 1.2 (ADL, 1 October 2001), sections 2.3.2
    and 2.3.4, and against IMS Content Packaging 1.1.2 below it. No package of a registry carries
    their schemas; what they ask for is written down here from memory."""

    def package(self, name):
        answer = self.http.get(f"/api/games/{name}/package")
        self.assertEqual(answer.status_code, 200, answer.text[:200])
        return zipfile.ZipFile(io.BytesIO(answer.content))

    def test_its_manifest_has_what_the_standard_asks_for_in_its_order(self):
        game = self.http.get("/api/games/harvest-table").json()
        game["document"]["title"] = 'Beans & "peas" <for> all'
        self.http.put("/api/games/harvest-table", json=game).raise_for_status()
        for name in ("harvest-table", "leaf-shapes"):
            package = self.package(name)
            root = ElementTree.fromstring(package.read("imsmanifest.xml"))
            self.assertEqual(root.tag, f"{{{IMS}}}manifest")
            parts = [part.tag.split("}")[1] for part in root]
            self.assertEqual(parts, ["metadata", "organizations", "resources"])
            self.assertEqual(root.findtext("ims:metadata/ims:schema", "", NAMES), "ADL SCORM")
            self.assertEqual(root.findtext("ims:metadata/ims:schemaversion", "", NAMES), "1.2")
            (course,) = root.findall("ims:organizations/ims:organization", NAMES)
            chosen = root.find("ims:organizations", NAMES).get("default")
            self.assertEqual(course.get("identifier"), chosen)
            (item,) = course.findall("ims:item", NAMES)
            (resource,) = root.findall("ims:resources/ims:resource", NAMES)
            self.assertEqual(item.get("identifierref"), resource.get("identifier"))
            self.assertEqual(resource.get(f"{{{ADL}}}scormtype"), "sco")
            self.assertEqual(resource.get("type"), "webcontent")
            title = self.http.get(f"/api/games/{name}").json()["document"]["title"]
            for part in (course, item):
                self.assertEqual(part.findtext("ims:title", "", NAMES), title)
            named = [file.get("href") for file in resource.findall("ims:file", NAMES)]
            self.assertEqual(sorted(named), sorted(package.namelist()))
            self.assertIn(resource.get("href"), named)
            identifiers = [part.get("identifier") for part in root.iter() if part.get("identifier")]
            self.assertEqual(len(identifiers), len(set(identifiers)))
            for identifier in identifiers:
                self.assertRegex(identifier, r"^[A-Za-z_][\w.-]*$")  # an XML ID

    def test_the_command_writes_it_and_a_plain_folder_reports_to_no_course(self):
        with tempfile.TemporaryDirectory() as folder:
            path = Path(folder) / "supper.zip"
            command = ["take", "harvest-supper", "--data", str(self.path), "--package", str(path)]
            told = CliRunner().invoke(app, command)
            self.assertEqual(told.exit_code, 0, told.output)
            page = zipfile.ZipFile(path).read("game/page.json").decode()
        self.assertIn('"course":{"passes":["Golden Marrow","Best in Show"]}', page)
        plain = self.http.get("/api/games/harvest-supper/folder").content
        page = zipfile.ZipFile(io.BytesIO(plain)).read("harvest-supper/game/page.json").decode()
        self.assertNotIn('"course"', page)
