"""The lay engine on the sample problems: time to the first plan, and density after two seconds."""

from __future__ import annotations

from collections.abc import Iterator
from pathlib import Path

from benchmarks.figures import Figure
from rowanseed.core.lay.engine import Budget, Progress, solve
from rowanseed.formats.layout_json import read_problem

PROBLEMS = Path(__file__).parent.parent / "tests" / "outside" / "problems"


def figures() -> Iterator[Figure]:
    for path in sorted(PROBLEMS.glob("*.json")):
        problem = read_problem(path.read_bytes())
        seen: list[Progress] = []
        plan = solve(problem, Budget(seconds=2.0), seen.append)
        yield Figure("lay", f"{path.stem}-first-plan-seconds", seen[0].elapsed, 1.0)
        yield Figure("lay", f"{path.stem}-density-at-2s", plan.density(problem), 0.55, at_least=True)
