"""Copies the shipped faces and their licences out of a folder of open-licence font packages.

Usage: python -m scripts.gather_faces NODE_MODULES; writes src/dunestead/catalogue/faces/.
Each face comes in several files, one a part of the alphabets it covers.
"""

import shutil
import sys
import tomllib
from pathlib import Path

ROOT = Path(__file__).resolve().parent.parent
CATALOGUE = ROOT / "src/dunestead/catalogue"
ALPHABETS = ("latin", "latin-ext", "cyrillic", "cyrillic-ext", "greek", "greek-ext", "hebrew", "arabic", "vietnamese")


def main(packages: Path) -> None:
    out = CATALOGUE / "faces"
    for key, row in tomllib.loads((CATALOGUE / "faces.toml").read_text())["face"].items():
        package, weight = packages / "@fontsource" / key, row.get("weight", 400)
        names = [f"{key}-{alphabet}-{weight}-normal.woff2" for alphabet in ALPHABETS]
        found = [name for name in names if (package / "files" / name).exists()]
        for number, name in enumerate(found, start=1):
            shutil.copy(package / "files" / name, out / f"{key}.{number}.woff2")
        shutil.copy(package / "LICENSE", out / f"{key}.licence.txt")
        print(f"{key}: {len(found)} files")


if __name__ == "__main__":
    main(Path(sys.argv[1]))
