"""What is said of seams whose edges lie on the bias."""

from __future__ import annotations

from rowanseed.core.make.workbench import Workbench


def on_the_bias(bench: Workbench, duty: tuple[str, ...]) -> tuple[str, ...]:
    """What is said of a seam whose edges stretch on both sides (common practice, no source)."""
    parts = [part for id in duty for part in bench.parts(id)]
    if not all(bench.bends.is_cut_on_the_bias(p.piece) and bench.bends.is_off_grain(p) for p in parts):
        return ()
    gives = (
        "A zigzag 0.5 mm wide gives as the cloth does"
        if bench.household.equipment.sews_zigzag
        else "Stretch it a little as you sew, or its thread breaks when the cloth gives"
    )
    return (f"Both edges lie on the bias: pin them flat on the table, nothing hanging down. {gives}.",)
