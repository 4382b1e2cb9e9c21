"""Entries nested by station, coatings in place of one paint, and a log beside the revisions."""

import json
from collections.abc import Iterator
from datetime import UTC, datetime
from typing import Any

import sqlalchemy as sa
from alembic import op

revision = "0004"
down_revision = "0003"

_ENTRIES = {
    "blank": ("surface", "copies", "due", "seen_through"),
    "design": ("elements", "last_element"),
    "mask": (
        *("material", "reverse", "field_colour", "masks", "mask_order", "whole_blank", "border", "bridge_width"),
        *("bridge_style", "bridges_per_piece", "spots", "fates", "roll"),
    ),
    "sheets": ("cutter", "stock", "cut", "overlap", "together", "says", "packing"),
    "tack": ("press",),
    "paint": ("dauber", "covered"),
}
# What a step was called, and the tasks that take its place; those a job's method has not are passed over.
_TASKS = {
    "blank-prepared": ("blank-prepared/k{copy}",),
    "blank-base-coat": ("blank-base-coat/k{copy}/c1/n1",),
    "sheets-test-cut": ("sheets-test-cut", "sheets-print"),
    "weed-windows": ("weed-windows/m{every}/k{copy}", "weed-guide/m{every}/k{copy}", "weed-field/m{every}/k{copy}"),
    "weed-lifted": (
        *("weed-mat-off/m{every}/k{copy}", "weed-tape-over/m{every}/k{copy}", "weed-burnish/m{every}/k{copy}"),
        *("weed-backing-off/m{every}/k{copy}", "weed-weaken-tape/m{every}/k{copy}"),
        *("weed-trim-tape/m{every}/k{copy}", "weed-tape-groups/m{every}/k{copy}", "weed-count/m{every}/k{copy}"),
    ),
    "weed-dish": ("weed-count/m{every}/k{copy}",),
    "tack-barrier": ("tack-barrier/m1/k{copy}", "tack-board/m1/k{copy}"),
    "tack-positioned": (
        *("tack-lay/m{mask}/k{copy}", "tack-lay-groups/m{mask}/k{copy}", "tack-seam/m{mask}/k{copy}"),
        *("tack-wipe/m{mask}/k{copy}", "tack-backing-off/m{mask}/k{copy}"),
    ),
    "tack-pressed": (
        *("tack-press/m{mask}/k{copy}", "tack-cool/m{mask}/k{copy}", "tack-rub/m{mask}/k{copy}"),
        *("tack-pin-corners/m{mask}/k{copy}", "tack-tape-off/m{mask}/k{copy}", "tack-test-peel/m{mask}/k{copy}"),
        *("tack-press-again/m{mask}/k{copy}", "tack-carrier-off/m{mask}/k{copy}", "tack-guide-in/m{mask}/k{copy}"),
        *("tack-guide-out/m{mask}/k{copy}", "tack-tape-edges/m{mask}/k{copy}"),
    ),
    "tack-laid": (
        *("tack-rub-down/m{mask}/k{copy}", "tack-smooth/m{mask}/k{copy}", "tack-roll/m{mask}/k{copy}"),
        *("tack-spray/m{mask}/k{copy}", "tack-rest/m{mask}/k{copy}", "tack-press-down/m{mask}/k{copy}"),
        *("tack-tape-off/m{mask}/k{copy}", "tack-hinge/m{mask}/k{copy}", "tack-warm-air/m{mask}/k{copy}"),
        "tack-backing-off-hinged/m{mask}/k{copy}",
    ),
    "tack-placed": ("tack-place/m{mask}/k{copy}",),
    "tack-pinned": ("tack-pins/m{mask}/k{copy}",),
    "tack-covered": ("tack-cover/m{mask}/k{copy}",),
    "paint-colours-apart": ("paint-colours-apart/m{mask}/k{copy}",),
    "peel-sheet": (
        *("peel-sheet/m{mask}/k{copy}", "peel-rewarm/m{mask}/k{copy}", "peel-lint/m{mask}/k{copy}"),
        "paint-look-over/m{mask}/k{copy}",
    ),
    "peel-lifted": ("peel-count/m{mask}/k{copy}",),
    "peel-pins": ("peel-pins/m{mask}/k{copy}",),
    "peel-touched-up": ("peel-touched-up/k{copy}",),
    "cure-dry": ("cure-dry/k{copy}",),
    "cure-set": ("cure-heat-set/k{copy}",),
    "cure-used": ("cure-use/k{copy}",),
    "cure-washed": ("cure-wash/k{copy}",),
    "record-written": ("record-written",),
}
_MOST_MASKS = 6
_CALLS = {"dish": "weed-count", "placed": "tack-place", "lifted": "peel-count"}


def upgrade() -> None:
    connection = op.get_bind()
    op.create_table(
        "log",
        sa.Column("id", sa.Integer, primary_key=True, autoincrement=True),
        sa.Column("job_id", sa.Integer, sa.ForeignKey("job.id", ondelete="CASCADE"), nullable=False, index=True),
        sa.Column("written_at", sa.DateTime, nullable=False),
        sa.Column("kind", sa.String(20), nullable=False),
        sa.Column("task", sa.String(120), nullable=False),
        sa.Column("at", sa.DateTime, nullable=False),
        sa.Column("state", sa.JSON, nullable=False),
    )
    op.add_column("job", sa.Column("version", sa.Integer, nullable=False, server_default="1"))
    op.add_column("job", sa.Column("board", sa.Text, nullable=True))
    op.add_column("job", sa.Column("board_key", sa.String(120), nullable=True))
    op.add_column("revision", sa.Column("version", sa.Integer, nullable=False, server_default="1"))
    for job_id, head in connection.execute(sa.text("SELECT id, head FROM job")).all():
        _carry_over(connection, job_id, head)


def _carry_over(connection: sa.Connection, job_id: int, head: int) -> None:
    """Nest a job's revisions, leave out those that only ticked something, and log what was ticked."""
    rows = connection.execute(
        sa.text("SELECT seq, at, label, state FROM revision WHERE job_id = :job ORDER BY seq"), {"job": job_id}
    ).all()
    kept: list[tuple[str, str, dict[str, Any]]] = []
    new_head = 1
    for seq, at, label, text in rows:
        state = json.loads(text)
        if seq == head:
            for entry in _logged(state):
                connection.execute(_INSERT, {"job": job_id, "written": at, **entry})
        nested = _nested(state)
        if not kept or kept[-1][2] != nested:
            kept.append((at, label, nested))
        if seq <= head:
            new_head = len(kept)
    connection.execute(sa.text("DELETE FROM revision WHERE job_id = :job"), {"job": job_id})
    for seq, (at, label, state) in enumerate(kept, start=1):
        connection.execute(
            sa.text(
                "INSERT INTO revision (job_id, seq, at, label, version, state) "
                "VALUES (:job, :seq, :at, :label, :seq, :state)"
            ),
            {"job": job_id, "seq": seq, "at": at, "label": label, "state": json.dumps(state)},
        )
    connection.execute(
        sa.text("UPDATE job SET head = :head, version = :version WHERE id = :job"),
        {"head": new_head, "version": len(kept), "job": job_id},
    )


_INSERT = sa.text(
    "INSERT INTO log (job_id, written_at, kind, task, at, state) VALUES (:job, :written, :kind, :task, :at, :state)"
)


def _nested(state: dict[str, Any]) -> dict[str, Any]:
    entries: dict[str, Any] = {
        name: {key: state[key] for key in keys if key in state} for name, keys in _ENTRIES.items()
    }
    blank = dict(state["blank"])
    where, colour = blank.pop("base_coat", "none"), blank.pop("base_colour", "#f3efe4")
    entries["blank"]["piece"] = blank
    coatings = [{"role": "colour", "paint": state["paint"], "coats": state.get("coats")}]
    if where != "none":
        coatings.insert(0, {"role": "base", "paint": state["paint"], "colour": colour, "coats": 1, "where": where})
    entries["paint"]["coatings"] = coatings
    if "room" in state:
        entries["paint"]["weather"] = state["room"]
    if "record" in state:
        entries["record"] = state["record"]
    return {"name": state["name"], **entries}


def _logged(state: dict[str, Any]) -> Iterator[dict[str, str]]:
    """Yield what was ticked and called, for every copy: until now a step was one for all of them."""
    copies = range(1, int(state.get("copies", 1)) + 1)
    base = state["blank"].get("base_coat", "none") != "none"
    for number, answered in state.get("calls", {}).items():
        for call, at in answered.items():
            for copy in copies:
                told = json.dumps({"numbers": [int(number)]})
                yield {"kind": "called", "task": f"{_CALLS[call]}/m1/k{copy}", "at": _plain(at), "state": told}
    for code, at in state.get("ticks", {}).items():
        for task in sorted({task for copy in copies for task in _tasks(code, copy, base=base)}):
            yield {"kind": "done", "task": task, "at": _plain(at), "state": "{}"}


def _tasks(code: str, copy: int, *, base: bool) -> Iterator[str]:
    plain, _, label = code.partition("-mask-")
    mask = int(label or 1)
    if plain.startswith("sheets-cut-"):
        yield f"sheets-cut/s{plain.rpartition('-')[2]}"
    elif plain.startswith("paint-coat-"):
        # Until now a coat was one for all colours through a mask.
        for coating in range(mask + base, mask + base + _MOST_MASKS):
            yield f"paint-coat/m{mask}/k{copy}/c{coating}/n{plain.rpartition('-')[2]}"
    else:
        for task in _TASKS.get(plain, ()):
            for every in range(1, _MOST_MASKS + 1) if "{every}" in task else (1,):
                yield task.format(mask=mask, copy=copy, every=every)


def _plain(at: str) -> str:
    """Return a moment in UTC as the tables keep it."""
    return datetime.fromisoformat(at).astimezone(UTC).replace(tzinfo=None).isoformat(sep=" ")


def downgrade() -> None:
    raise NotImplementedError("A log does not fit into ticks.")
