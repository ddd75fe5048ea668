"""Lining hung by hand."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, minutes
from rowanseed.core.make.caught import EDGES, free_edges
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.hung_linings import ID, KEY, WAIST, ends_at_seam, felled_at_bands, from_facing
from rowanseed.core.make.families.linings_drawn_in import drawn, drawn_in
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.operation import Act, Bench, EdgeShown, Need, On, Operation
from rowanseed.core.make.runs import edge_name
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.making import DetailKind, EdgePart, Join
from rowanseed.core.pattern.pieces import Panel

BELOW_LATER = (
    "Not where it ends at a cuff or at the band below: there it hangs loose until it is felled to that band's seam."
)
SLEEVES_IN = (
    "Reach through each sleeve from its end, take hold of the lining's and draw it in; tack the two underarm seams "
    "together just below the armhole, loosely."
)


def finds(bench: Workbench) -> Iterator[Duty]:
    if bench.hung:
        yield single(KEY)


def _waits(bench: Workbench) -> Iterator[Need]:
    for join in bench.joins.values():
        if pieces_of((*join.a, *join.b)) <= bench.hung:
            yield Need(facts.join(Fact.PRESSED, join.id), "the lining is made up first")
        if bench.holds_sleeve(join) and bench.panels((*join.a, *join.b)) != {Panel.SLEEVE}:
            yield Need(facts.join(Fact.PRESSED, join.id), "the sleeves are set", where_given=True)
    for join, _ in drawn_in(bench):
        yield Need(drawn(join), "its edge is as short as the one it goes to")
        yield Need(facts.join(Fact.DRAWN_UP, join.id), "the garment's edge is drawn up first", where_given=True)
    for piece in sorted(bench.hung):
        yield Need(facts.layer(Fact.SHAPED, piece), "its pleat is folded", where_given=True)
    for detail in bench.details_of(DetailKind.BONING, DetailKind.ELASTIC, DetailKind.DRAWSTRING):
        # What stands along a band's seam goes in after the lining, which that seam catches.
        if not any(Panel.BAND in bench.panels(bench.parts(id)) for id in detail.along):
            yield Need(facts.detail(Fact.FINISHED, detail.id), "the lining lies over it", where_given=True)
    for closure in bench.openings.zips:
        yield Need(facts.closure(Fact.CLOSED, closure.id), "it is felled to the zip tape")
    yield Need(facts.gate(Fact.SETTLED, "shell"), "the fit can still be changed", where_given=True)
    yield Need(facts.layer(Fact.ATTACHED, "pads"), "the lining lies over the pads", where_given=True)


def _edges(bench: Workbench) -> tuple[EdgeShown, ...]:
    return tuple(EdgeShown(piece, edge) for piece, edge in sorted(free_edges(bench)))


def sews(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    yield from _hung(bench)
    yield from _waist(bench)


def _hung(bench: Workbench) -> Iterator[Operation]:
    hangs_from = from_facing(bench)
    felled = f"Along the zip turn the lining in {bench.fine(5)} clear of the coil and fell it to the tape."
    zipped = (felled,) if bench.openings.zips else ()
    lined_sleeves = any(bench.panel(x.of) is Panel.SLEEVE for x in bench.pattern.making.layers if x.piece in bench.hung)
    above_waist = not any(e.name == "hem" for id in bench.hung for e in bench.piece(id).edges)
    if hangs_from:
        faced = [j for j in bench.joins.values() if bench.is_faced(j) and not pieces_of((*j.a, *j.b)) & bench.linings]
        if _edges(bench):
            yield _basted_along(bench, faced)
        yield Operation(
            id="lay-in-lining",
            technique=ID,
            act=Act.TACK,
            title="Hang the lining in the shell",
            how=(
                "Inside out, nothing twisted; match the lining's seams with the shell's and tack them together, "
                f"loosely, {bench.length(100)} above {'its lower edge' if above_waist else 'the hem'}.",
                *((SLEEVES_IN,) if lined_sleeves else ()),
                *zipped,
            ),
            bench=Bench.HAND,
            minutes=minutes.each(15),
            on=On(joins=tuple(j.id for j in hangs_from), edges=shown(hangs_from[0].a)),
            requires=(
                *(
                    Need(facts.join(Fact.TURNED, j.id), "facing and lining are turned in", where_given=True)
                    for j in faced
                ),
                *(n for n in _waits(bench) if not n.where_given or n.state == facts.layer(Fact.ATTACHED, "pads")),
            ),
            gives=(facts.layer(Fact.BASTED, f"{KEY} hung"), facts.layer(Fact.ATTACHED, KEY)),
            look="The lining neither pulls the shell up nor hangs below it.",
        )
        return
    if not _edges(bench):
        yield _hung_below(bench, zipped)
        return
    places = "underarm and shoulder" if bench.has_caps else "the underarm"
    sleeves = (f"Catch the armhole allowances together at {places} with a loose stitch.",) if bench.has_sleeves else ()
    yield Operation(
        id="lay-in-lining",
        technique=ID,
        act=Act.BASTE,
        title="Hang the lining in the shell",
        how=(
            "Shell inside out, lining over it, wrong sides together and nothing twisted; match seams, centres and "
            "notches.",
            f"Baste the two together at every edge that a facing, band or seam will finish, {bench.fine(5)} outside "
            "the stitching line, in the allowance, where it stays.",
            *((BELOW_LATER,) if any(felled_at_bands(bench)) else ()),
            *zipped,
            *sleeves,
        ),
        bench=Bench.HAND,
        minutes=minutes.each(20),
        on=On(edges=_edges(bench)),
        requires=tuple(_waits(bench)),
        gives=(facts.layer(Fact.BASTED, KEY), facts.layer(Fact.ATTACHED, KEY)),
        look="The lining is a little longer than the shell everywhere, and nothing is twisted.",
    )


def _called(bench: Workbench, edge: EdgeShown) -> str:
    return edge_name(bench, edge.edge)


def _basted_along(bench: Workbench, faced: list[Join]) -> Operation:
    """The edges of a lining that no facing holds, basted to the garment's before these are closed."""
    edges = _edges(bench)
    names = ", ".join(dict.fromkeys(_called(bench, edge) for edge in edges))
    lining = {x.of: x.piece for x in bench.pattern.making.layers if x.piece in bench.hung}
    near = {(lining[e.piece], beside) for e in edges for beside in bench.neighbours(EdgePart(lining[e.piece], e.edge))}
    return Operation(
        id="baste-lining-edges",
        technique=ID,
        act=Act.BASTE,
        title=f"Baste the lining to the garment: {names}",
        how=(
            "Facings turned in, the lining hanging in the garment, wrong sides together and nothing twisted; match "
            "seams and centres.",
            f"Baste the two together {bench.fine(5)} outside the stitching line, in the allowance, where it stays: "
            "what closes the edge catches both.",
        ),
        bench=Bench.HAND,
        minutes=minutes.each(6),
        on=On(edges=edges),
        requires=(
            *(Need(facts.join(Fact.TURNED, j.id), "the facing lies in its place", where_given=True) for j in faced),
            *(
                Need(facts.join(Fact.PRESSED, j.id), "the lining is made up that far")
                for j in bench.joins.values()
                if pieces_of((*j.a, *j.b)) <= bench.hung and near & {(p.piece, p.edge) for p in (*j.a, *j.b)}
            ),
        ),
        gives=(facts.layer(Fact.BASTED, EDGES),),
        look="Both edges are level, and the lining is not pulled.",
    )


def _hung_below(bench: Workbench, zipped: tuple[str, ...]) -> Operation:
    """A lining below a waist seam, which is felled over that seam by its own upper edge."""
    edges = [p for f in bench.finishes.values() if ends_at_seam(f) for p in f.parts]
    return Operation(
        id="lay-in-lining",
        technique=ID,
        act=Act.TACK,
        title="Hang the lining in the garment",
        how=(
            "Inside out, wrong sides together and nothing twisted; match the lining's seams with the garment's and "
            "tack them together, loosely, on the allowances.",
            *zipped,
        ),
        bench=Bench.HAND,
        minutes=minutes.each(10),
        on=On(edges=shown(edges)),
        requires=tuple(_waits(bench)),
        gives=(facts.layer(Fact.BASTED, KEY), facts.layer(Fact.ATTACHED, KEY)),
        look="The lining neither pulls the garment up nor hangs below it.",
    )


def _waists(bench: Workbench) -> tuple[list[Join], list[Join]]:
    """The waist seams of the garment, and those of its lining, where both have one."""
    at_waist = [j for j in bench.joins.values() if all(p.edge == "waist" for p in (*j.a, *j.b))]
    shell = [j for j in at_waist if bench.joins_shell(j) and not pieces_of((*j.a, *j.b)) & bench.inner]
    return shell, [j for j in at_waist if pieces_of((*j.a, *j.b)) <= bench.hung]


def _caught_at_waist(bench: Workbench, shell: list[Join]) -> tuple[str, ...]:
    """How the two waist seams are held to each other: all along, or here and there where the garment's is a tunnel."""
    meet = (
        "Reach in from below between garment and lining: lay the allowances of both waist seams on each other, the "
        "lining's on the garment's; match side seams, centres and notches, and pin."
    )
    if any(set(d.along) & {j.id for j in shell} for d in bench.details_of(DetailKind.ELASTIC, DetailKind.DRAWSTRING)):
        return (
            meet,
            "Tack the lining's to the garment's at the side seams and the centres alone, a few loose stitches each: "
            "what draws the waist in has to move.",
        )
    run = bench.runs.over(shell[0].a)
    return (
        meet,
        f"Sew allowance to allowance, {bench.margin(5)} from the seam, "
        f"{'all round' if run.ring else 'from opening to opening'}, by machine or with a loose running stitch; nothing "
        "else is caught. At the sides leave a little ease.",
    )


def _waist(bench: Workbench) -> Iterator[Operation]:
    shell, lining = _waists(bench)
    if not shell or not lining:
        return
    yield Operation(
        id="catch-lining-waist",
        technique=ID,
        act=Act.TACK,
        title="Sew the lining in at the waist",
        how=_caught_at_waist(bench, shell),
        bench=Bench.HAND,
        minutes=minutes.hand(bench.around([j.id for j in lining]) / 2),
        on=On(joins=tuple(j.id for j in (*shell, *lining)), edges=shown(p for j in shell for p in j.a)),
        requires=(
            Need(facts.layer(Fact.ATTACHED, KEY), "it hangs in the shell"),
            *(Need(facts.join(Fact.PRESSED, j.id), "both waists are whole") for j in (*shell, *lining)),
        ),
        gives=(facts.layer(Fact.ATTACHED, WAIST),),
        look="Worn, the bodice of the lining neither blouses over the waist nor pulls it up.",
    )


TECHNIQUE = Technique(
    id="lining-hung-by-hand",
    name="Lining hung by hand",
    chapter="layers",
    finds=finds,
    sews=sews,
    rank=20,
    words={"lining": "a smooth inner garment that hides the inside and lets the outer one slide"},
    draw="lining hung",
)
