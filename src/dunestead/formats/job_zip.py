"""A job file together with the files it names, in one zip."""

import io
import lzma
import struct
import zipfile
import zlib
from collections.abc import Callable, Sequence

from dunestead.core.errors import BadInput
from dunestead.core.job.job import Job
from dunestead.core.job.log import LogEntry
from dunestead.formats.job_file import write_job_file

__all__ = ["open_job_zip", "zip_job"]

_JOB = "job.json"
_WHEN = (2026, 1, 1, 0, 0, 0)
# Whatever the standard library's reader stumbles over in a zip that is none.
_NO_ZIP = (
    *(zipfile.BadZipFile, zlib.error, lzma.LZMAError, struct.error),
    *(EOFError, OSError, OverflowError, RuntimeError, ValueError),
)
_MOST_FILES, _MOST_BYTES = 80, 80_000_000


def zip_job(job: Job, file: Callable[[str], bytes], log: Sequence[LogEntry] = ()) -> bytes:
    """Return a zip of a job, its log and the files of its design, each once, by names that tell them apart."""
    names: dict[str, str] = {}

    def name_of(key: str, came_as: str) -> str:
        stem = came_as.rsplit("/", 1)[-1] or "artwork"
        names.setdefault(key, f"{len(names) + 1}-{stem}")
        return names[key]

    text = write_job_file(job, name_of, log)
    held = io.BytesIO()
    with zipfile.ZipFile(held, "w", zipfile.ZIP_DEFLATED) as archive:
        archive.writestr(zipfile.ZipInfo(_JOB, _WHEN), text, zipfile.ZIP_DEFLATED)
        for key, name in names.items():
            archive.writestr(zipfile.ZipInfo(name, _WHEN), file(key), zipfile.ZIP_DEFLATED)
    return held.getvalue()


def open_job_zip(data: bytes) -> tuple[str, dict[str, bytes]]:
    """Return the text of a job file and the files that came with it; a plain job file comes alone.

    Raises
    ------
    BadInput
        When it is no job, or holds more than a job does.
    """
    if not zipfile.is_zipfile(io.BytesIO(data)):
        return data.decode("utf-8", errors="replace"), {}
    try:
        with zipfile.ZipFile(io.BytesIO(data)) as archive:
            infos = [info for info in archive.infolist() if not info.is_dir()]
            if len(infos) > _MOST_FILES or sum(info.file_size for info in infos) > _MOST_BYTES:
                raise BadInput("This zip holds more than a job does.", "Send one job with its own files.")
            files = {info.filename: archive.read(info) for info in infos}
    except _NO_ZIP:
        raise BadInput("This zip cannot be opened.", "Export the job anew.") from None
    text = files.pop(_JOB, None)
    if text is None:
        raise BadInput(f"There is no {_JOB} in this zip.", "Send a job as it was exported.")
    return text.decode("utf-8", errors="replace"), files
