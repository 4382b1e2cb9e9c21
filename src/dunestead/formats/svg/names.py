"""Names of elements: those that the normaliser would write out as markup get plain ones while it works."""

import re
import xml.etree.ElementTree as ET

__all__ = ["plain_names"]

_PLAIN = re.compile(r"[\w.:-]+")
_LINKS = ("href", "{http://www.w3.org/1999/xlink}href")
_REFERENCE = re.compile(r"""url\(\s*(["']?)#(.*?)\1\s*\)""")


def plain_names(root: ET.Element) -> dict[str, str]:
    """Give every element whose name has a sign in it a plain one, in place, with all that refers to it.

    Returns
    -------
    :
        The names as they were, by the plain ones.

    Notes
    -----
    The normaliser writes names as they are read, entities resolved: ``Layer &amp; Co`` would come out as broken markup,
    and a name could be made to come out as an element of its own.
    """
    plain: dict[str, str] = {}
    for element in root.iter():
        name = element.get("id")
        if name and not _PLAIN.fullmatch(name) and name not in plain:
            plain[name] = f"dunestead-name-{len(plain) + 1}"
    if not plain:
        return {}
    for element in root.iter():
        for key, value in element.items():
            if key == "id" and value in plain:
                element.set(key, plain[value])
            elif key in _LINKS and value[:1] == "#" and value[1:] in plain:
                element.set(key, f"#{plain[value[1:]]}")
            elif "url(" in value:
                element.set(key, _REFERENCE.sub(lambda met: f"url(#{plain.get(met[2], met[2])})", value))
    return {new: old for old, new in plain.items()}
