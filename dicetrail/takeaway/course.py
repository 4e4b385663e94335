"""The manifest of a package for course platforms, after SCORM 1.2.

The structure is that of the SCORM Content Aggregation Model 1.2 (ADL, October 2001), which is
IMS Content Packaging 1.1.2 with ADL's additions; written down from memory.
"""

from collections.abc import Iterable
from xml.etree import ElementTree

from dicetrail.takeaway.leaving import Leaving

IMS = "http://www.imsproject.org/xsd/imscp_rootv1p1p2"
ADL = "http://www.adlnet.org/xsd/adlcp_rootv1p2"
_INSTANCE = "http://www.w3.org/2001/XMLSchema-instance"
_SCHEMAS = f"{IMS} imscp_rootv1p1p2.xsd {ADL} adlcp_rootv1p2.xsd"


def manifest_of_course(leaving: Leaving, files: Iterable[str]) -> bytes:
    """The manifest of a package with these files: one course of one item, the game."""
    title = leaving.title
    root = ElementTree.Element(
        "manifest",
        {
            "identifier": f"dicetrail-{leaving.game_id}",
            "version": str(leaving.revision),
            "xmlns": IMS,
            "xmlns:adlcp": ADL,
            "xmlns:xsi": _INSTANCE,
            "xsi:schemaLocation": _SCHEMAS,
        },
    )
    metadata = ElementTree.SubElement(root, "metadata")
    ElementTree.SubElement(metadata, "schema").text = "ADL SCORM"
    ElementTree.SubElement(metadata, "schemaversion").text = "1.2"
    courses = ElementTree.SubElement(root, "organizations", {"default": "course"})
    course = ElementTree.SubElement(courses, "organization", {"identifier": "course"})
    ElementTree.SubElement(course, "title").text = title
    item = ElementTree.SubElement(course, "item", {"identifier": "game", "identifierref": "page"})
    ElementTree.SubElement(item, "title").text = title
    resources = ElementTree.SubElement(root, "resources")
    page = {
        "identifier": "page",
        "type": "webcontent",
        "adlcp:scormtype": "sco",
        "href": "index.html",
    }
    resource = ElementTree.SubElement(resources, "resource", page)
    for name in sorted({*files, "imsmanifest.xml"}):
        ElementTree.SubElement(resource, "file", {"href": name})
    ElementTree.indent(root)
    made: bytes = ElementTree.tostring(root, "utf-8", xml_declaration=True)
    return made
