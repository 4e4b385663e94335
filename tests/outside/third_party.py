"""What others made that comes with the app, by licence, as the packages themselves say it.

`python -m tests.outside.third_party` writes `docs/third-party.md` anew.
"""

import json
import re
from collections import defaultdict
from importlib.metadata import PackageNotFoundError, metadata
from pathlib import Path

ROOT = Path(__file__).parents[2]
LIST = ROOT / "docs/third-party.md"
_SAME = {"License": "", "Apache Software License": "Apache-2.0", "ISC License (ISCL)": "ISC"}
_HEAD = """# What others made

The app is made with these packages, each under the licence it names. The Python packages are
installed beside it (`requirements.lock`); the npm packages, its fonts among them, are built
into its pages (`frontend/package-lock.json`). Packages used only to make and test it are not
listed. This page is written by `make third-party`, from what the packages say of themselves.
"""


def python_packages() -> dict[str, str]:
    """The packages the server runs with, and their licences; not those of other systems."""
    names = re.findall(r"^([\w.-]+)==", (ROOT / "requirements.lock").read_text(), re.MULTILINE)
    found = {}
    for name in names:
        try:
            found[name] = _licence(name)
        except PackageNotFoundError:
            continue
    return found


def _licence(name: str) -> str:
    said = metadata(name)
    if expression := said.get("License-Expression"):
        return expression
    kinds = [line.split("::")[-1].strip() for line in said.get_all("Classifier", [])]
    kinds = [kind for kind in kinds if "Licen" in kind] or [said.get("License", "").split("\n")[0]]
    plain = [_SAME.get(kind, kind.removesuffix(" License")) for kind in kinds]
    return " or ".join(plain)


def npm_packages() -> dict[str, str]:
    """The packages in the pages, and their licences."""
    lock = json.loads((ROOT / "frontend/package-lock.json").read_text())
    return {
        path.split("node_modules/")[-1]: package["license"]
        for path, package in sorted(lock["packages"].items())
        if path and not package.get("dev") and not package.get("devOptional")
    }


def written() -> str:
    """The page."""
    parts = [_HEAD]
    for title, packages in (("Python", python_packages()), ("npm", npm_packages())):
        by_licence = defaultdict(list)
        for name, licence in packages.items():
            by_licence[licence].append(name)
        lines = [
            f"- **{licence}**: {', '.join(by_licence[licence])}" for licence in sorted(by_licence)
        ]
        parts.append(f"## {title}\n\n" + "\n".join(lines) + "\n")
    return "\n".join(parts)


if __name__ == "__main__":
    LIST.write_text(written())
