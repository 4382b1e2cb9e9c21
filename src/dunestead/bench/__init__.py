"""How quick is it? Each figure beside a floor measured in the same run, so that machines can be compared."""

from typing import Any

from dunestead.bench.answering import measure_answers
from dunestead.bench.checking import measure_checks
from dunestead.bench.pieces import measure_growth, measure_looks

__all__ = ["run_bench"]


def run_bench() -> dict[str, Any]:
    """Return checks of three sizes, answers of a full workshop, and plans and looks of many pieces.

    Each with its floor and its ratio to it, and a line to read.
    """
    sizes, answers, growth, looks = measure_checks(), measure_answers(), measure_growth(), measure_looks()
    lines = [
        f"{name}: {m['vertices']} vertices, {m['loose']} loose; check {m['check_ms']:.1f} ms, "
        f"floor {m['floor_ms']:.2f} ms, ratio {m['ratio']:.1f}"
        for name, m in sizes.items()
    ]
    lines += [
        f"{name}: {m['answer_ms']:.1f} ms, floor {m['floor_ms']:.2f} ms, ratio {m['ratio']:.1f}"
        for name, m in (answers | looks).items()
    ]
    lines += [
        f"{name}: {m['answer_ms']:.0f} ms, floor {m['floor_ms']:.2f} ms, ratio {m['ratio']:.1f}; "
        f"a piece takes {m['growth']:.2f} times as long as with the fewest"
        for name, m in growth.items()
    ]
    return {"sizes": sizes, "answers": answers, "growth": growth, "looks": looks, "lines": lines}
