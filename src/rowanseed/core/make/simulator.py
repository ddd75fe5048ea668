"""Play an order of work on the garment and report what cannot be done: every state required is there when it is needed.

It shares no code with the compiler or the sequencer: it knows the making graph, and what an operation says it does,
requires and gives. Any order may be played, and any part of one: what the pages can reach by ticking.
"""

from __future__ import annotations

from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass, field

from rowanseed.core.make.facts import Fact, State, layer
from rowanseed.core.make.operation import Act, Meant, Operation
from rowanseed.core.pattern.making import ClosureKind, DifferenceKind, FinishKind, Join, LayerKind, Press
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Panel

Edge = tuple[str, str]
DONE_WITHOUT_WORK = (FinishKind.SELVEDGE, FinishKind.RAW)
IN_FIRST = (ClosureKind.INVISIBLE_ZIP,)
"""Zips that are in before the seam below them is sewn."""
COMPLETES = frozenset(
    {Act.HEM, Act.BIND, Act.NEATEN, Act.TURN, Act.FASTEN, Act.ATTACH, Act.TACK, Act.FACE, Act.BAND, Act.LINE}
)
HIDES = frozenset({Act.FACE, Act.BAND, Act.LINE, Act.BIND})
"""Seams whose edges lie inside what is sewn on."""
DRAWN_UP = 12.0


@dataclass(frozen=True)
class Fault:
    """What is wrong at an operation, or at the end (`at` empty): in words."""

    at: str
    said: str


@dataclass
class _Table:
    """What is true so far."""

    states: set[State] = field(default_factory=set)
    sewn: dict[str, Operation] = field(default_factory=dict)
    pressed: set[str] = field(default_factory=set)
    neatened: dict[Edge, str] = field(default_factory=dict)
    """How each edge was neatened: apart, or together with its neighbour."""
    drawn_up: set[str] = field(default_factory=set)
    stiff: set[str] = field(default_factory=set)
    shaped: set[str] = field(default_factory=set)
    closed: set[str] = field(default_factory=set)
    holed: set[str] = field(default_factory=set)
    finished: set[str] = field(default_factory=set)
    gaps: set[str] = field(default_factory=set)
    lying: Counter[str] = field(default_factory=Counter)
    machines: Counter[str] = field(default_factory=Counter)


def play(pattern: Pattern, operations: Sequence[Operation], *, whole: bool = True) -> tuple[Fault, ...]:
    """What is wrong with doing these operations in this order; `whole`: nothing may be missing at the end."""
    game = _Game(pattern, frozenset(state for op in operations for state in op.gives))
    for op in operations:
        game.do(op, may_lack=not whole)
    if whole:
        game.end(operations)
    return tuple(game.faults)


def _sews_hands(join: Join) -> bool:
    """Whether a seam sews the two hands of one piece to each other, a crotch left out."""
    return len(join.a) == 1 and bool(join.a[0].hand) and _is_one(join) and join.a[0].edge != "crotch"


def _is_one(join: Join) -> bool:
    return {part.piece for part in join.a} == {part.piece for part in join.b}


class _Game:
    def __init__(self, pattern: Pattern, known: frozenset[State]) -> None:
        making = pattern.making
        self.joins = {j.id: j for j in making.joins}
        self.finishes = {f.id: f for f in making.finishes}
        self.closures = {c.id: c for c in making.closures}
        self.rings = {p.id: [e.name for e in p.edges] for p in pattern.pieces}
        self.panels = {p.id: p.panel for p in pattern.pieces}
        self.darts = {p.id: {d.edge for d in p.darts} for p in pattern.pieces if p.darts and p.cuts}
        kinds = (LayerKind.LINING, LayerKind.FACING)
        self.inner = {x.piece for x in making.layers if x.kind in kinds}
        self.lined = {x.of for x in making.layers if x.kind is LayerKind.LINING}
        opened = {closure.join for closure in making.closures}
        self.halves = {j.id: j.a[0].piece for j in making.joins if _sews_hands(j) and j.id not in opened}
        self.folded = {p.id for p in pattern.pieces if any(cut.fold for cut in p.cuts)}
        self.known = known
        self.table = _Table()
        self.faults: list[Fault] = []

    def wrong(self, op: Operation | None, said: str) -> None:
        self.faults.append(Fault(op.id if op else "", said))

    # ---------------------------------------------------------------- one operation

    def do(self, op: Operation, *, may_lack: bool) -> None:
        table = self.table
        for need in op.requires:
            if need.state.fact is Fact.TEMPORARY:
                continue
            if need.must and need.state not in table.states and need.state in self.known:
                self.wrong(op, f"{need.state.of.id} is not {need.state.fact.words} yet: {need.why}")
            elif need.must and not need.where_given and need.state not in self.known and not may_lack:
                self.wrong(op, f"nothing makes {need.state.of.id} {need.state.fact.words}")
        self._materials(op)
        if op.act.sews_join:
            for id in op.on.joins:
                self._sew(op, self.joins[id])
        self._edges(op)
        if op.act in (Act.DART, Act.FOLD):
            self._dart(op)
        if op.act in (Act.FUSE, Act.BACK):
            for piece in op.on.pieces:
                if self._joined(piece) and Meant.AFTER_JOINING not in op.meant:
                    self.wrong(op, f"{piece} is joined already")
                table.stiff.add(piece)
        if op.act in (Act.EASE, Act.GATHER, Act.SHIRR, Act.FOLD):
            table.drawn_up |= set(op.on.joins)
        if op.act in (Act.PRESS, Act.TRIM, Act.TURN):
            table.pressed |= {id for id in op.on.joins if id in table.sewn}
            table.shaped |= set(op.on.pieces)
        if op.act is Act.CLOSE:
            for id in op.on.joins:
                if id not in table.gaps:
                    self.wrong(op, f"no gap was left in {id}")
                table.gaps.discard(id)
        self._closures(op)
        self._finish(op)
        table.states |= set(op.gives)

    def _materials(self, op: Operation) -> None:
        table = self.table
        for thing in op.removes:
            if not table.lying[thing]:
                self.wrong(op, f"there is no {thing} to take out")
            table.lying[thing] = 0
        table.lying.update(op.leaves)
        for machine in op.sets_back:
            table.machines[machine] -= 1
        table.machines.update(op.sets)

    def _joined(self, piece: str) -> bool:
        return any(piece in _pieces(self.joins[id]) for id in self.table.sewn)

    def _sew(self, op: Operation, join: Join) -> None:
        table, own = self.table, _edges(join)
        if join.id in table.sewn:
            self.wrong(op, f"{join.id} is sewn already")
        for other in self._crossing(own):
            before = table.sewn.get(other.id)
            round_corner = before is not None and {op.act, before.act} <= {Act.FACE, Act.LINE}
            if (
                before is not None
                and other.id not in table.pressed
                and not round_corner
                and other.id not in op.on.joins
            ):
                self.wrong(op, f"it crosses {other.id}, which is not pressed")
        if _pieces(join) & self.folded:
            for half, piece in self.halves.items():
                if piece in _pieces(join) and half not in table.sewn and self.joins[half] in self._crossing(own):
                    self.wrong(op, f"both hands of {piece} are not one piece yet")
        kind, amount = join.difference.kind, join.difference.amount
        gathered = kind is DifferenceKind.GATHERS or (kind is DifferenceKind.EASE and amount >= DRAWN_UP)
        among_bands = {self.panels[p] for p in _pieces(join)} == {Panel.BAND}
        # An edge between two layers is drawn up once for both of its seams.
        same_edge = {other.id for other in self.joins.values() if other.a == join.a}
        if gathered and not same_edge & table.drawn_up and not among_bands:
            self.wrong(op, f"the fullness of {join.id} is not drawn up")
        for piece in _pieces(join):
            if self.darts.get(piece, set()) & {edge for p, edge in own if p == piece} and piece not in table.shaped:
                self.wrong(op, f"the darts of {piece} that end on it are not sewn and pressed")
        for closure in self.closures.values():
            if closure.join == join.id and closure.kind in IN_FIRST and closure.id not in table.closed:
                self.wrong(op, f"its {closure.kind.words} is not in yet")
        table.sewn[join.id] = op
        if Meant.LEAVES_OPEN in op.meant:
            table.gaps.add(join.id)

    def _would_be_raw(self, op: Operation, join: Join) -> bool:
        """Whether nothing hides the edges of a seam, so that they have to be finished."""
        waived = {Meant.ENCLOSES, Meant.CHOSEN_RAW} & op.meant
        return not waived and op.act not in HIDES and not _pieces(join) <= self.inner | self.lined

    def _crossing(self, edges: frozenset[Edge]) -> list[Join]:
        near = set()
        for piece, edge in edges:
            ring = self.rings[piece]
            k = ring.index(edge)
            near |= {(piece, ring[k - 1]), (piece, ring[(k + 1) % len(ring)])}
        return [j for j in self.joins.values() if _edges(j) & near and not _edges(j) & edges]

    def _edges(self, op: Operation) -> None:
        if op.act not in (Act.NEATEN, Act.BIND):
            return
        how = "together" if Meant.TOGETHER in op.meant else "apart"
        edges = {edge for id in op.on.joins for edge in _edges(self.joins[id])}
        edges |= {(shown.piece, shown.edge) for shown in op.on.edges}
        for id in op.on.joins:
            if how == "together" and id not in self.table.sewn:
                self.wrong(op, f"{id} is neatened together before it is sewn")
            late = how == "apart" and id in self.table.sewn and Meant.AFTER_PRESSING not in op.meant
            if late and self.joins[id].press is Press.OPEN:
                self.wrong(op, f"{id} is sewn already, its edges cannot be reached one by one")
        self.table.neatened |= dict.fromkeys(edges, how)

    def _dart(self, op: Operation) -> None:
        pleated = {piece for piece in op.on.pieces if layer(Fact.SHAPED, piece) in op.gives}
        for piece in (piece for piece in op.on.pieces if piece not in pleated):
            for id, by in self.table.sewn.items():
                ends = {edge for p, edge in _edges(self.joins[id]) if p == piece}
                if self.darts.get(piece, set()) & ends:
                    self.wrong(op, f"the darts of {piece} end on {id}, which {by.id} sews before")

    def _closures(self, op: Operation) -> None:
        table = self.table
        if op.act is Act.BUTTONHOLE:
            table.holed |= set(op.on.closures)
        if op.act is Act.BUTTON and not set(op.on.closures) <= table.holed:
            self.wrong(op, "buttons are marked through holes that are not there")
        if op.act in (Act.INSERT_CLOSURE, Act.BUTTON, Act.FASTEN):
            for id in op.on.closures:
                kind = self.closures[id].kind
                after = kind in (ClosureKind.CENTRED_ZIP, ClosureKind.LAPPED_ZIP)
                if after and self.closures[id].join not in table.sewn:
                    self.wrong(op, f"the seam below the {kind.words} is not sewn yet")
            table.closed |= set(op.on.closures)

    def _finish(self, op: Operation) -> None:
        if op.act not in COMPLETES:
            return
        for id in op.on.finishes:
            finish = self.finishes[id]
            own = frozenset((p.piece, p.edge) for p in finish.parts)
            if finish.kind is FinishKind.HEM and Meant.FLAT not in op.meant:
                for join in self._crossing(own):
                    if join.id not in self.table.sewn:
                        self.wrong(op, f"{join.id}, which ends on it, is not sewn yet")
            self.table.finished.add(id)

    # ---------------------------------------------------------------- the end

    def end(self, operations: Sequence[Operation]) -> None:
        table = self.table
        for id, join in self.joins.items():
            if id not in table.sewn:
                self.wrong(None, f"nothing sews {id}")
            elif not any(edge in table.neatened for edge in _edges(join)) and self._would_be_raw(table.sewn[id], join):
                self.wrong(None, f"the edges of {id} are left raw")
        for id, finish in self.finishes.items():
            if finish.kind not in DONE_WITHOUT_WORK and id not in table.finished:
                self.wrong(None, f"nothing finishes {id}")
        for id in self.closures:
            if id not in table.closed:
                self.wrong(None, f"nothing closes {id}")
        for piece in self.darts:
            if piece not in table.shaped:
                self.wrong(None, f"the darts of {piece} are not sewn and pressed")
        for id in table.gaps:
            self.wrong(None, f"a gap in {id} is never closed")
        for thing, number in table.lying.items():
            if number:
                self.wrong(None, f"{thing} is never taken out")
        for machine, number in table.machines.items():
            if number:
                self.wrong(None, f"{machine} is never set back")
        if operations and operations[-1].act is not Act.FINISH:
            self.wrong(None, "the last step is not the last press")


def _pieces(join: Join) -> frozenset[str]:
    return frozenset(part.piece for part in (*join.a, *join.b))


def _edges(join: Join) -> frozenset[Edge]:
    return frozenset((part.piece, part.edge) for part in (*join.a, *join.b))
