"""Run the benchmarks: `python -m benchmarks [AREA]`, a line a figure: area name value limit ok|short."""

from __future__ import annotations

import sys

from benchmarks import cloth, describe, fit, lay, line, make, sew, table, trust

AREAS = {
    "line": line.figures,
    "lay": lay.figures,
    "fit": fit.figures,
    "cloth": cloth.figures,
    "make": make.figures,
    "sew": sew.figures,
    "table": table.figures,
    "describe": describe.figures,
    "trust": trust.figures,
}


def main() -> int:
    wanted = sys.argv[1:] or list(AREAS)
    unknown = [name for name in wanted if name not in AREAS]
    if unknown:
        print(f"There is no area {unknown[0]}; there are {', '.join(AREAS)}.", file=sys.stderr)
        return 2
    for name in wanted:
        for figure in AREAS[name]():
            print(figure.line(), flush=True)
    return 0


if __name__ == "__main__":
    sys.exit(main())
