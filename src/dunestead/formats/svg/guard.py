"""XML in, under limits: no entity bombs, nothing from outside, no endless nesting."""

import gzip
import io
import re
import xml.etree.ElementTree as ET
import zlib
from typing import Any
from xml.parsers import expat

from dunestead.core.errors import ArtworkRefused, ArtworkUnreadable

__all__ = ["MOST_BYTES", "SVG", "XLINK", "parse_plain", "parse_xml"]

SVG = "{http://www.w3.org/2000/svg}"
XLINK = "{http://www.w3.org/1999/xlink}"
MOST_BYTES = 24_000_000
_MOST_ELEMENTS = 200_000
_DEEPEST = 200
_MOST_ENTITIES = 200
_LONGEST_ENTITY = 4096
_SAVE_AGAIN = "Open it in a drawing program and save it as plain SVG."


def parse_xml(data: bytes, *, mended: bool = False) -> ET.Element:
    """Return the root element of an XML file.

    Parameters
    ----------
    data
        The file, plain or gzipped; any encoding that XML declares.
    mended
        Whether prefixes that it does not declare have been declared; drawing programs forget them.

    Raises
    ------
    ArtworkRefused
        Too large, too deep, or with entities that reach outside or swell.
    ArtworkUnreadable
        Not XML.
    """
    data = _unpacked(data)
    if not data.strip():
        raise ArtworkUnreadable("The file is empty.", "Choose the file that holds the drawing.")
    builder = _GuardedBuilder()
    try:
        return builder.parse(data)
    except expat.ExpatError as error:
        if error.code == expat.errors.codes[expat.errors.XML_ERROR_AMPLIFICATION_LIMIT_BREACH]:
            raise _bomb() from None
        if error.code == expat.errors.codes[expat.errors.XML_ERROR_UNBOUND_PREFIX] and not mended:
            return parse_xml(_with_prefixes(data), mended=True)
        raise ArtworkUnreadable(
            f"This is not a readable SVG: {expat.ErrorString(error.code)} at line {error.lineno}.", _SAVE_AGAIN
        ) from None
    except (LookupError, UnicodeDecodeError, ValueError):
        raise ArtworkUnreadable("This file's text encoding cannot be read.", _SAVE_AGAIN) from None


def _unpacked(data: bytes) -> bytes:
    if data[:2] == b"\x1f\x8b":
        try:
            data = gzip.GzipFile(fileobj=io.BytesIO(data)).read(MOST_BYTES + 1)
        except (OSError, EOFError, zlib.error):
            raise ArtworkUnreadable("This compressed SVG is damaged.", _SAVE_AGAIN) from None
    if len(data) > MOST_BYTES:
        raise ArtworkRefused(
            f"The file holds over {MOST_BYTES // 1_000_000} MB, more than a drawing to cut has need of.",
            "Remove embedded pictures and simplify its paths, then save it again.",
        )
    return data


def parse_plain(text: str) -> ET.Element:
    """Return the root of XML that the normaliser wrote; it names prefixes of pictures that it does not declare."""
    try:
        return ET.fromstring(text)
    except ET.ParseError:
        return ET.fromstring(_with_prefixes(text.encode()))


def _with_prefixes(data: bytes) -> bytes:
    """Declare on the root every prefix that is used and not declared."""
    used = set(re.findall(rb"[<\s/]([A-Za-z_][\w.-]*):[A-Za-z_]", data))
    declared = set(re.findall(rb"xmlns:([A-Za-z_][\w.-]*)\s*=", data))
    missing = sorted(used - declared - {b"xml", b"xmlns"})
    names = b"".join(b' xmlns:%s="urn:undeclared:%s"' % (prefix, prefix) for prefix in missing)
    return re.sub(rb"<((?:[A-Za-z_][\w.-]*:)?svg)(?=[\s>/])", lambda match: match[0] + names, data, count=1)


def _bomb() -> ArtworkRefused:
    return ArtworkRefused("This file swells to many times its size when opened, as a trap does.", _SAVE_AGAIN)


class _GuardedBuilder:
    """Feeds a standard tree builder from expat, and stops at the first limit."""

    def __init__(self) -> None:
        self._tree = ET.TreeBuilder()
        self._elements = self._depth = self._entities = self._characters = 0
        self._parser = parser = expat.ParserCreate(namespace_separator="}")
        parser.buffer_text = True
        parser.ordered_attributes = True
        parser.StartElementHandler = self._start
        parser.EndElementHandler = self._end
        parser.CharacterDataHandler = self._data
        parser.EntityDeclHandler = self._entity
        parser.ExternalEntityRefHandler = self._outside
        parser.ProcessingInstructionHandler = self._instruction

    def parse(self, data: bytes) -> ET.Element:
        self._parser.Parse(data, True)
        return self._tree.close()

    def _start(self, name: str, attributes: list[str]) -> None:
        self._elements += 1
        self._depth += 1
        if self._depth > _DEEPEST:
            raise ArtworkRefused(f"The drawing is nested over {_DEEPEST} groups deep.", f"Ungroup it. {_SAVE_AGAIN}")
        if self._elements > _MOST_ELEMENTS:
            raise ArtworkRefused(f"The drawing has over {_MOST_ELEMENTS:,} parts.", "Simplify it and save it again.")
        pairs = {_clark(key): value for key, value in zip(attributes[::2], attributes[1::2], strict=True)}
        self._tree.start(_clark(name), pairs)

    def _end(self, name: str) -> None:
        self._depth -= 1
        self._tree.end(_clark(name))

    def _data(self, text: str) -> None:
        self._characters += len(text)
        if self._characters > MOST_BYTES:
            raise _bomb()
        self._tree.data(text)

    def _entity(self, _name: str, is_parameter: bool, value: str | None, *_outside: Any) -> None:
        self._entities += 1
        if value is None or is_parameter:
            self._outside()
        if self._entities > _MOST_ENTITIES or len(value or "") > _LONGEST_ENTITY or "&" in (value or ""):
            raise _bomb()

    def _outside(self, *_: Any) -> int:
        raise ArtworkRefused("This file asks for other files from outside itself.", _SAVE_AGAIN)

    def _instruction(self, target: str, content: str) -> None:
        if target == "xml-stylesheet" and "href" in content and 'href="#' not in content:
            raise ArtworkRefused("This file asks for a style sheet from outside itself.", _SAVE_AGAIN)


def _clark(name: str) -> str:
    return "{" + name if "}" in name else name
