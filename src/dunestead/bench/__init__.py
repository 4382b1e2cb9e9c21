"""How quick is it? Each figure beside a floor measured in the same run, so that machines can be compared."""

from typing import Any

from dunestead.bench.answering import measure_answers
from dunestead.bench.checking import measure_checks

__all__ = ["run_bench"]


def run_bench() -> dict[str, Any]:
    """Return the checks of three sizes and the answers of a full workshop, with their floors, ratios and lines."""
    sizes, answers = measure_checks(), measure_answers()
    lines = [
        f"{name}: {m['vertices']} vertices, {m['loose']} loose; check {m['check_ms']:.1f} ms, "
        f"floor {m['floor_ms']:.2f} ms, ratio {m['ratio']:.1f}"
        for name, m in sizes.items()
    ]
    lines += [
        f"{name}: {m['answer_ms']:.1f} ms, floor {m['floor_ms']:.2f} ms, ratio {m['ratio']:.1f}"
        for name, m in answers.items()
    ]
    return {"sizes": sizes, "answers": answers, "lines": lines}
