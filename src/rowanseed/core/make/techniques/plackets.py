"""Slashed openings: a continuous strip, a tower placket, a facing sewn round the slash before it is cut."""

from __future__ import annotations

from collections.abc import Callable, Iterator

from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.operation import Act, Bench, Need, On, Operation
from rowanseed.core.make.shared import iron_for
from rowanseed.core.make.steps import Steps, of_detail
from rowanseed.core.make.technique import Duty, Finds, Technique, single
from rowanseed.core.make.workbench import BLADES, NEEDLE, Workbench, shown
from rowanseed.core.pattern.making import Detail, DetailKind, EdgePart, Join
from rowanseed.core.pattern.pieces import Panel

KEYHOLE = 30.0
"""A keyhole is so wide, in mm (common practice, no source)."""
POINT = 25.0
"""Round the end of a slash the stitch is short for so much, in mm."""


def _finds(kind: DetailKind) -> Finds:
    def finds(bench: Workbench) -> Iterator[Duty]:
        for detail in bench.details_of(kind):
            if detail.on:
                yield single(detail.id, *bench.parts_of(detail))

    return finds


def _done(bench: Workbench, duty: Duty) -> tuple[Fact | facts.State, ...]:
    """What the last operation of a placket completes: its own edges, and the piece it is made on."""
    detail = bench.details[duty.id]
    return (
        Fact.FINISHED,
        *(facts.finish(Fact.FINISHED, id) for id in duty.ids if id in bench.finishes),
        *(facts.piece(Fact.ATTACHED, piece) for piece in detail.on),
    )


def _on(bench: Workbench, duty: Duty) -> On:
    detail = bench.details[duty.id]
    finishes = tuple(id for id in duty.ids if id in bench.finishes)
    pieces = (*detail.pieces, *detail.on)
    return On(
        pieces=pieces,
        finishes=finishes,
        edges=shown(EdgePart(id, edge.name) for id in detail.pieces for edge in bench.piece(id).edges),
    )


def _ready(bench: Workbench, duty: Duty) -> tuple[Need, ...]:
    detail = bench.details[duty.id]
    return tuple(
        Need(facts.piece(fact, id), why, where_given=True)
        for id in (*detail.pieces, *detail.on)
        for fact, why in (
            (Fact.STIFFENED, "interfacing goes on while it is flat"),
            (Fact.STAYED, "the edge is held before the piece is handled"),
            (Fact.MARKED, "the slash is marked again first"),
        )
    )


def _pair(bench: Workbench, duty: Duty) -> tuple[str, ...]:
    if any(bench.panel(id) is Panel.SLEEVE for id in bench.details[duty.id].on):
        return ("Both sleeves side by side, as mirror images: the slash lies towards the back of each.",)
    return ()


def _number(bench: Workbench, duty: Duty) -> int:
    return max((bench.number_cut(id) for id in bench.details[duty.id].on), default=1)


def continuous(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    step, number = of_detail(bench, "continuous placket", duty.id), _number(bench, duty)
    yield _reinforced(step, duty, number, cut=True)
    yield step(
        "strip",
        Act.TRIM,
        f"Sew the strip to the slash: {step.name}",
        f"A strip on the straight grain, {bench.margin(32)} wide and twice as long as the slash, one long edge pressed "
        f"in by {bench.margin(6)}.",
        "Spread the slash until it is one straight line and lay it on the strip, right sides together, garment up: the "
        f"raw edges even at both ends, at the middle of the slash the strip stands out by {bench.margin(5)}.",
        f"Stitch {bench.margin(6)} from the strip's edge, just below the reinforcing; at the middle needle down, foot "
        "up, and push the fold of the garment behind it. Press into the strip.",
        took=minutes.each(8, number),
        setting=settings.staystitch(bench.household),
        after={Fact.CLOSED: "the slash is reinforced and cut first"},
        gives=(Fact.JOINED,),
        on=_on_edges(bench, duty),
        rows=0,
        caution=NEEDLE,
        look="No pleat is caught at the end of the slash.",
    )
    yield step(
        "turn-in",
        Act.ATTACH,
        f"Stitch the strip down: {step.name}",
        "Fold the strip over the allowances, its pressed-in edge just past the row, and edgestitch it from the right "
        "side.",
        "Fold the placket right sides together, so that its edges lie on each other, and sew a short slanting row "
        "across the strip's upper end, in the strip only: it then stays inside.",
        "The front side is folded under, the back side stands out as the underlap; press and baste across the lower "
        "edge.",
        took=minutes.each(7, number),
        setting=settings.topstitch(bench.household, bench.margin(1)),
        after={Fact.JOINED: "it is sewn on first"},
        gives=_done(bench, duty),
        on=_on(bench, duty),
        rows=0,
        booklet=True,
        look="Closed, the strip cannot be seen from outside.",
    )


def _on_edges(bench: Workbench, duty: Duty) -> On:
    on = _on(bench, duty)
    return On(pieces=on.pieces, edges=on.edges)


def _reinforced(step: Steps, duty: Duty, number: int, *, cut: bool) -> Operation:
    bench = step.bench
    return step(
        "slash",
        Act.STAY,
        f"Reinforce {'and cut ' if cut else ''}the slash: {step.name}",
        f"Along both sides of the marked slash, {bench.margin(5)} beside it at the edge and running to its end; stitch "
        f"length 1.5 for {bench.margin(POINT)} before and after the point, one stitch across it.",
        *(("Cut from the edge to the point, up to the stitching and not through it.",) if cut else ()),
        *_pair(bench, duty),
        took=minutes.each(4, number),
        setting=settings.staystitch(bench.household),
        needs=_ready(bench, duty),
        gives=(Fact.CLOSED,),
        on=_on_edges(bench, duty),
        rows=0,
        caution=BLADES if cut else NEEDLE,
    )


def tower(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    step, number = of_detail(bench, "tower placket", duty.id), _number(bench, duty)
    name = bench.names(bench.details[duty.id].pieces)
    yield step(
        "fold",
        Act.PRESS,
        f"Press the placket's edges in: {step.name}",
        f"On the {name}: the long edges by their allowance to the wrong side, the point at the top over a card, then "
        f"both halves along their fold lines, the lower half {bench.margin(1)} wider, so that stitching on top catches "
        "it.",
        *_pair(bench, duty),
        iron_for(bench),
        at=Bench.IRON,
        took=minutes.each(6, number),
        needs=_ready(bench, duty),
        gives=(Fact.PREPARED,),
        on=_on_edges(bench, duty),
        look="Both plackets are mirror images with equal points.",
    )
    yield step(
        "box",
        Act.TRIM,
        f"Sew the box round the slash, and cut: {step.name}",
        "Unfold it. Right side of the placket to the WRONG side of the sleeve, the placket's slash line on the "
        "sleeve's, the wider, pointed half towards the back of the cap: look twice, it decides which side laps over.",
        f"Sew a box round the line, {bench.margin(6)} beside it and square across its end, stitch length 1.5 at the "
        "corners.",
        f"Cut along the line to {bench.margin(12)} from its end, then slanting into both corners, up to the stitching. "
        "Draw the placket through to the right side and press the seams away from the opening.",
        took=minutes.each(9, number),
        setting=settings.staystitch(bench.household),
        after={Fact.PREPARED: "its edges are pressed in first"},
        gives=(Fact.JOINED,),
        on=_on_edges(bench, duty),
        rows=0,
        caution=BLADES,
        look="The opening is a clean rectangle, and its corners do not pucker.",
    )
    yield step(
        "turn-in",
        Act.ATTACH,
        f"Stitch the placket down: {step.name}",
        "First the narrow half, the underlap: fold it over the seam's allowance and edgestitch its inner fold, up to "
        "the end of the slash.",
        "Then the pointed half over it: pin, underlap and little triangle at the end of the slash tucked below; "
        "edgestitch up the outer fold, round the point, down to just below the end of the slash, across in two rows, "
        "and back to the beginning. The lower part of its free edge stays open.",
        took=minutes.each(10, number),
        setting=settings.topstitch(bench.household, bench.margin(2)),
        after={Fact.JOINED: "it is boxed in and turned first"},
        gives=_done(bench, duty),
        on=_on(bench, duty),
        rows=0,
        booklet=True,
        look="Closed, the underlap is covered, and no raw edge looks out at the top.",
    )


def _neck_faced_with(bench: Workbench, detail: Detail) -> Join | None:
    """The seam of a facing that faces the slit and the edge above it in one."""
    own = set(detail.pieces)
    return next((j for j in bench.joins.values() if own and bench.is_faced(j) and own & pieces_of(j.b)), None)


def _cut_and_sewn(bench: Workbench, detail: Detail, *, at_edge: str) -> tuple[str, ...]:
    drawn = (
        f" The tissue draws only the keyhole's middle line: chalk a drop round it, {bench.margin(KEYHOLE)} wide at its "
        "widest and coming to a point at the edge, and sew round that."
        if "keyhole" in detail.name.lower()
        else ""
    )
    return (
        f"Right sides together, slit line on slit line. Down one side {bench.margin(5)} beside the line {at_edge}, "
        "running to its end; one or two short stitches straight across, and up the other side; stitch length 1.5 for "
        f"{bench.margin(POINT)} round the end.{drawn}",
        "Cut along the line to the stitches at its end, up to them and not through; trim the corners at the edge.",
    )


def faced_with_neck(bench: Workbench, duty: Duty, neck: Join) -> Iterator[Operation]:
    """The slit is sewn when the neck is, to the same facing, and both are turned at once."""
    detail = bench.details[duty.id]
    step = of_detail(bench, "faced slit", duty.id)
    on = On(pieces=(*detail.pieces, *detail.on), finishes=tuple(id for id in duty.ids if id in bench.finishes))
    yield step(
        "face",
        Act.TRIM,
        f"Sew round the slit, then cut it: {step.name}",
        "The facing lies as it was sewn to the neck.",
        *_cut_and_sewn(bench, detail, at_edge="from the neck's seam"),
        took=minutes.each(8),
        setting=settings.staystitch(bench.household),
        needs=(Need(facts.join(Fact.JOINED, neck.id), "the neck is sewn first, and the slit begins at its seam"),),
        gives=(Fact.JOINED,),
        on=on,
        rows=0,
        caution=BLADES,
        look="Cut open, the end of the slit spreads without a pucker.",
    )
    yield step(
        "turn",
        Act.ATTACH,
        f"Edgestitch round the slit: {step.name}",
        f"Facing turned in with the neck's, the seam rolled {bench.margin(1)} inwards and pressed: {bench.margin(2)} "
        "from the edge, down one side, across below the end and up the other. Where it is not to be seen, understitch "
        "as far as the foot goes instead.",
        took=minutes.each(5),
        setting=settings.topstitch(bench.household, bench.margin(2)),
        after={Fact.JOINED: "it is sewn and cut first"},
        needs=(Need(facts.join(Fact.TURNED, neck.id), "the facing is turned in first"),),
        gives=(Fact.FINISHED, *(facts.finish(Fact.FINISHED, id) for id in duty.ids if id in bench.finishes)),
        on=on,
        rows=0,
        booklet=True,
        look="From outside no facing shows, and the slit lies closed.",
    )


def faced(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    detail = bench.details[duty.id]
    neck = _neck_faced_with(bench, detail)
    if neck is not None:
        yield from faced_with_neck(bench, duty, neck)
        return
    step, number = of_detail(bench, "faced slit", duty.id), _number(bench, duty)
    name = bench.names(detail.pieces) if detail.pieces else "facing"
    own = [id for id in duty.ids if id in bench.finishes]
    yield step(
        "edge",
        Act.NEATEN,
        f"Neaten the {name}: {step.name}",
        "All edges but the one that the slit begins at, in one run.",
        took=minutes.each(3, number),
        setting=settings.neaten(bench.household)[1],
        at=settings.neaten(bench.household)[0],
        needs=_ready(bench, duty),
        gives=(Fact.NEATENED,),
        on=On(pieces=detail.pieces, finishes=tuple(own), edges=_on(bench, duty).edges),
        rows=0,
    )
    yield step(
        "face",
        Act.TRIM,
        f"Sew round the slit, then cut it: {step.name}",
        *_cut_and_sewn(bench, detail, at_edge="at the edge"),
        *_pair(bench, duty),
        took=minutes.each(8, number),
        setting=settings.staystitch(bench.household),
        after={Fact.NEATENED: "its free edge is easier to finish before it is on"},
        gives=(Fact.JOINED,),
        on=_on_edges(bench, duty),
        rows=0,
        caution=BLADES,
        look="Cut open, the end of the slit spreads without a pucker.",
    )
    yield step(
        "turn",
        Act.ATTACH,
        f"Turn the facing in: {step.name}",
        f"Facing to the wrong side, the seam rolled {bench.margin(1)} inwards, and press. Understitch as far as the "
        f"foot goes, or edgestitch round the slit {bench.margin(2)} from its edge. Tack the facing to the allowances "
        "it meets.",
        iron_for(bench),
        took=minutes.each(6, number),
        setting=settings.topstitch(bench.household, bench.margin(2)),
        after={Fact.JOINED: "it is sewn and cut first"},
        gives=_done(bench, duty),
        on=_on_edges(bench, duty),
        rows=0,
        booklet=True,
        look="From outside no facing shows, and the slit lies closed.",
    )


def _technique(kind: DetailKind, name: str, sews: Callable[..., Iterator[Operation]], **more: object) -> Technique:
    return Technique(
        id=kind.value,
        name=name,
        chapter="closures",
        finds=_finds(kind),
        sews=sews,
        rank=14,
        **more,  # type: ignore[arg-type]
    )


TECHNIQUES = (
    _technique(
        DetailKind.CONTINUOUS_PLACKET,
        "Continuous placket",
        continuous,
        also=("continuous lap",),
        words={"placket": "a finished opening in a piece, such as the one above a cuff"},
        draw="placket",
    ),
    _technique(DetailKind.TOWER_PLACKET, "Tower placket", tower, also=("shirt placket",), draw="placket"),
    _technique(DetailKind.FACED_SLIT, "Faced slit or keyhole", faced, draw="facing"),
)
