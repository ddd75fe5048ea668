"""Waistband on first, the zip up into it."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from rowanseed.core.make import facts
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families import band_insides, bands, crotches, invisible_zips, waistbands
from rowanseed.core.make.families.bands_and_zips import WHY
from rowanseed.core.make.operation import Act, Need, Operation
from rowanseed.core.make.run import ZIP, Run
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import Closure, ClosureKind, LayerKind


def finds(bench: Workbench) -> Iterator[Duty]:
    """A folded band without an underlap on a waist whose opening has an invisible zip: band, its inside and the zip."""
    for found in waistbands.finds(bench):
        join = bench.joins[found.id]
        piece = bands.band_of(bench, join) or ""
        inside = bands.inside_of(bench, piece)
        closure = _zip(bench, found.id)
        laps = any(p.piece == piece and (p.from_mark or p.to_mark) for p in (*join.a, *join.b))
        if inside is None or closure is None or laps or _in_crotch(bench, closure) or _hangs_a_lining(bench, found.id):
            continue
        if any(p.edge == "waist" for p in join.a):
            yield Duty((found.id, inside.id, closure.id))


def _why_not(bench: Workbench, id: str) -> str | None:
    if any(id in duty.ids for duty in finds(bench)):
        return ""
    if not any(id in duty.ids for duty in waistbands.finds(bench)):
        return None
    zip_ = _zip(bench, id)
    if zip_ is None:
        return "no invisible zip ends at the band"
    if _in_crotch(bench, zip_):
        return "the seam of the zip goes on round the crotch, which is whole before a band goes on"
    if _hangs_a_lining(bench, id):
        return "the lining is caught in the band's seam, felled to the zip's tape before"
    return "the band has an underlap, which the zip does not run up into"


def _zip(bench: Workbench, band: str) -> Closure | None:
    kinds = (ClosureKind.INVISIBLE_ZIP,)
    return next((c for c in bench.openings.zips_at(bench.joins[band]) if c.kind in kinds), None)


def _in_crotch(bench: Workbench, closure: Closure) -> bool:
    zipped, plain = crotches.crotch_join(bench)
    return bool(plain) and any(join.id == closure.join for join in zipped)


def _hangs_a_lining(bench: Workbench, band: str) -> bool:
    lined = {layer.of for layer in bench.pattern.making.layers if layer.kind is LayerKind.LINING}
    return any(part.piece in lined for part in bench.joins[band].a)


ACROSS = Run(ZIP, ZIP, said="from one edge of the opening to the other")


def sews(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    band, inside, zip_ = duty.ids
    closure = bench.closures[zip_]
    opening = closure.join
    # The seam below the zip is sewn after it, and the zip after the band: the band does not wait for either.
    not_yet = {facts.closure(Fact.CLOSED, zip_), *(facts.join(f, opening) for f in (Fact.JOINED, Fact.PRESSED))}
    for op in waistbands.sews(bench, single(band)):
        needs = tuple(need for need in op.requires if need.state not in not_yet)
        if op.act is Act.BAND:
            yield replace(
                op,
                requires=needs,
                run=ACROSS,
                how=(
                    op.how[0],
                    f"Sew {ACROSS.words}, over the whole allowance of both edges; backstitch "
                    "both ends. The band's ends lie even with the raw edges of the opening.",
                ),
            )
        else:
            yield replace(op, requires=needs)
    on_band = Need(facts.join(Fact.PRESSED, band), WHY)
    for op in invisible_zips.invisible(bench, single(zip_)):
        if op.act is Act.BASTE:
            yield replace(
                op,
                requires=(*op.requires, on_band),
                how=(
                    "The band is opened out flat, upwards: what is called the upper stitching line here is the band's "
                    "fold line. The seam of the band has to meet on both tapes.",
                    *op.how,
                ),
            )
        else:
            yield op
    in_place = Need(facts.closure(Fact.CLOSED, zip_), WHY)
    for op in band_insides.closes(bench, single(inside)):
        if op.act is Act.TURN and facts.finish(Fact.PREPARED, inside) in op.gives:
            over = (
                "Zip open. Fold the band back on its fold line, right sides together, over the tape of the zip; with "
                "the zip foot sew beside the coil from the fold to the band's seam, the pressed inner edge staying "
                "turned up."
            )
            yield replace(op, requires=(*op.requires, in_place), how=(over, *op.how[1:]))
        else:
            yield replace(op, requires=(*op.requires, in_place))


TECHNIQUE = Technique(
    id="band-first",
    name="Waistband on first, the zip up into it",
    chapter="waists, collars and cuffs",
    finds=finds,
    why_not=_why_not,
    sews=sews,
    rank=29,
    usual=False,
    draw="band closed",
)
