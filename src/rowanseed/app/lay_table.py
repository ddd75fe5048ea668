"""The cutting table: a lay taken from those that were found, changed by hand, kept once it is right."""

from __future__ import annotations

from collections.abc import Collection, Sequence
from dataclasses import dataclass, replace
from functools import cached_property

from rowanseed.app.cloth_plan import ClothPlan
from rowanseed.app.open_project import OpenProject
from rowanseed.app.table_deeds import DEEDS, MOVING, OF_A_PIECE, Asked, Here, State
from rowanseed.core.base.errors import NotThere, RowanseedError
from rowanseed.core.base.lay_errors import FlawInCut
from rowanseed.core.base.words import plural
from rowanseed.core.cutting import CutItem
from rowanseed.core.geometry.outline import Point
from rowanseed.core.lay import edit
from rowanseed.core.lay.choice import piece_names
from rowanseed.core.lay.edit import Fault, FaultKind, NotAllowed, Parked
from rowanseed.core.lay.on_cloth import Spot, at_least, every_spot, on_upper_layer, still_there, uncut
from rowanseed.core.lay.opening import opened
from rowanseed.core.lay.problem import LayKind, Placement, Plan, laid
from rowanseed.core.pattern.pieces import Piece
from rowanseed.store import cloths
from rowanseed.store import lay_table as store
from rowanseed.store.lay_table import OnTable
from rowanseed.store.lays import KeptLay, keep_lay
from rowanseed.store.named_lays import NamedLay, forget_lay, name_lay, named_lays

FLAW = 30.0
"""A flaw that is only tapped is a square of so many mm."""


@dataclass(frozen=True, eq=False)
class LayTable:
    """A cloth of a project on the table."""

    project: OpenProject
    found: ClothPlan

    @property
    def key(self) -> str:
        """What the steps of this table are kept by."""
        return str(self.found.role.value)

    @cached_property
    def _known(self) -> OnTable | None:
        return store.on_table(self.project.desk.db, self.project.record.id, self.key)

    @property
    def has_begun(self) -> bool:
        """Whether a lay is on the table already."""
        return self._known is not None

    @property
    def was_for_other_pieces(self) -> bool:
        """Whether size, length or cloth have changed since it was worked on."""
        return self._known is not None and self._known.question != self.found.question

    @cached_property
    def lay(self) -> OnTable:
        """What is on the table: at first the lay in use; what was laid for other pieces is carried over."""
        if self._known is None:
            return self.put_on(None)
        return self._known if not self.was_for_other_pieces else self.carry_over(self._known.plan)

    @property
    def state(self) -> State:
        return State(self.lay.plan, self.lay.pinned, self.lay.parked)

    def put_on(self, name: str | None) -> OnTable:
        """Begin anew with one of the lays that were found or kept by a name."""
        by_name = {f"named:{one.id}": one for one in self.named}
        if name in by_name:
            one = by_name[name]
            return self.begin(one.plan, one.name) if one.question == self.found.question else self.carry_over(one.plan)
        plan = self.found.plans.get(name) if name else self.found.plan
        if plan is None:
            return self.begin_unlaid()
        return self.begin(plan, "as it was found")

    def begin_unlaid(self) -> OnTable:
        """Begin where no lay was found yet."""
        raise NotThere("lay")

    def carry_over(self, plan: Plan) -> OnTable:
        """Begin with a lay made for other pieces or another cloth: each where it lay, the rest beside the cloth."""
        problem = self.found.problem
        if any(stretch.lay not in problem.lays for stretch in plan.stretches) and LayKind.OPEN in problem.lays:
            known = {piece.id for piece in problem.pieces}
            if all(p.piece in known for _, p in edit.ids(plan)):
                plan = opened(plan, replace(problem, forbidden=(), matches=())) or plan
        carried, parked = edit.carried_over(problem, plan)
        return self.begin(carried, "carried over", parked)

    def begin(self, plan: Plan, words: str, parked: Sequence[Parked] = ()) -> OnTable:
        db, id = self.project.desk.db, self.project.record.id
        store.put_on_table(db, id, self.key, self.found.question, plan, words=words, parked=parked)
        known = store.on_table(db, id, self.key)
        if known is None:
            raise NotThere("lay")
        return known

    # ------------------------------------------------------------ what it says

    @cached_property
    def names(self) -> dict[str, str]:
        """The pieces' names; in a batch with whose they are."""
        pattern = self.project.core.cut_pattern
        names = piece_names(pattern)
        owners = {piece.id: piece.garment for piece in pattern.pieces}
        if len(set(owners.values())) == 1:
            return dict(names)
        return {id: f"{name}, garment {owners[id]}" for id, name in names.items()}

    @property
    def company_names(self) -> tuple[str, ...]:
        """The projects that lie on this table, where they are several."""
        return ()

    @cached_property
    def pieces(self) -> dict[str, Piece]:
        """The pieces of the pattern, by the ids that they have on this table."""
        return {piece.id: piece for piece in self.project.core.cut_pattern.pieces}

    @cached_property
    def sizes(self) -> dict[str, str]:
        """The size that each piece is cut in."""
        return dict.fromkeys(self.pieces, self.project.core.size or "")

    @cached_property
    def owners(self) -> dict[str, int]:
        """Which garment of a batch each piece belongs to."""
        return {id: piece.garment for id, piece in self.pieces.items()}

    @cached_property
    def numbers(self) -> dict[str, int]:
        """Every piece's number on this cloth, in the order of the problem: what a small piece is called by."""
        return {piece.id: k for k, piece in enumerate(self.found.problem.pieces, start=1)}

    @cached_property
    def faults(self) -> tuple[Fault, ...]:
        return edit.faults(self.found.problem, self.lay.plan)

    @cached_property
    def cut(self) -> frozenset[str]:
        """The placements that are cut already, where they lie as they were cut."""
        done = self.project.ticked("cut")
        if not done:
            return frozenset()
        cut = [i for i in self.project.cut_items if i.role is self.found.role and i.key in done]
        if not cut or self.found.plan is None:
            return frozenset()
        return frozenset(id for id, p in edit.ids(self.lay.plan) if any(is_same_place(item, p) for item in cut))

    def said(self, fault: Fault) -> str:
        """A fault in words, with the pieces it is wrong with."""
        if fault.piece:
            beside = sum(one.piece == fault.piece for one in self.lay.parked)
            more = f"; {plural(beside, 'piece')} beside the cloth" if beside and fault.kind is FaultKind.TOO_FEW else ""
            return f"{self.names.get(fault.piece, fault.piece)} {fault.kind.words}{more}"
        pieces = [edit.placement(self.lay.plan, id).piece for id in fault.ids]
        names = list(dict.fromkeys(f"{self.numbers[p]} {self.names[p]}" for p in pieces))
        joined = " and ".join(names)
        if fault.kind is FaultKind.UNMATCHED and len(names) > 1:
            return f"{joined} do not match the print"
        if len(names) == 1 and len(pieces) > 1:
            joined = f"Both {names[0]}"
        return f"{joined} {fault.kind.words}"

    def what_changed(self) -> str:
        """In words, what is not as it was when the lay on the table was made."""
        if self._known is None:
            return ""
        other, new, gone = edit.changed_pieces(self.found.problem, self._known.plan)
        told = [
            f"{', '.join(self.names.get(id, id) for id in ids)} {words}"
            for ids, words in ((other, "changed"), (new, "came in"), (gone, "went out"))
            if ids
        ]
        return "; ".join(told) or "the cloth, or what is matched on it, changed"

    # ------------------------------------------------------------ changing it

    def change(self, asked: Asked) -> str:
        """Do one thing to the lay on the table; why not, in words, where a rule forbids it."""
        known = dict(edit.ids(self.lay.plan))
        if asked.do in OF_A_PIECE:
            if asked.id not in known:
                raise NotThere("piece")
            name = self.names[known[asked.id].piece]
            if asked.id in self.lay.pinned and asked.do in MOVING:
                return f"{name} is pinned: take the pin out first."
            if asked.id in self.cut and asked.do in MOVING and not asked.differently:
                return f"{name} is cut already: say “I cut it differently” first, and lay it where it was cut."
        else:
            name = ""
        does = DEEDS.get(asked.do)
        if does is None:
            raise NotThere("change")
        here = Here(self.found.problem, self.state, self.cut, self.names, self.said)
        try:
            after, words = does(here, asked, name)
        except NotAllowed as refused:
            return f"{name}: {refused.rule.words}.".removeprefix(": ")
        except NotThere:
            raise
        except RowanseedError as error:
            return str(error)
        except KeyError:
            raise NotThere("place") from None
        if after == self.state and asked.do in ("rest", "part"):
            return "No shorter layout was found so quickly: yours stays."
        if after != self.state:
            db, id = self.project.desk.db, self.project.record.id
            store.add_step(db, id, self.key, words, after.plan, after.pinned, after.parked)
        return ""

    def mend(self, number: int) -> None:
        """Put one of the faults right, the nearest way."""
        if not 0 <= number < len(self.faults):
            raise NotThere("fault")
        fault = self.faults[number]
        if not fault.can_be_mended:
            return
        plan = edit.mend(self.found.problem, self.lay.plan, fault)
        if plan != self.lay.plan:
            words = f"Put right: {self.said(fault)}"
            db, id = self.project.desk.db, self.project.record.id
            store.add_step(db, id, self.key, words, plan, self.lay.pinned, self.lay.parked)

    def flaw(self, stretch: int, a: Point, b: Point) -> tuple[Spot, ...]:
        """There is a flaw between these two points of a stretch, on the layer that is seen: nothing is cut there.

        Where pieces were cut already is given back, for the table of the cloth as it is then.
        """
        cut = every_spot(self.found.problem, self.lay.plan, self.cut)
        if not 0 <= stretch < len(self.lay.plan.stretches):
            raise NotThere("place")
        cloth, problem = self.found.entry.cloth, self.found.problem
        patch = at_least(on_upper_layer(problem, self.lay.plan.stretches[stretch], a, b), FLAW)
        left = uncut(problem, self.lay.plan, self.cut, patch)
        if not left:
            raise FlawInCut()
        # The cloth keeps its flaws as it was bought.
        gone = tuple(tuple((x / cloth.along, y / cloth.across) for x, y in part.exterior.coords[:-1]) for part in left)
        cloths.save_cloth(self.project.desk.db, self.found.entry.id, replace(cloth, gone=(*cloth.gone, *gone)))
        return cut

    def pin_cut(self, cut: Collection[Spot]) -> None:
        """What was cut stays pinned where it was cut, however the cloth lies now."""
        pinned = still_there(self.found.problem, self.lay.plan, cut)
        if pinned - self.lay.pinned:
            db, id = self.project.desk.db, self.project.record.id
            pins = self.lay.pinned | pinned
            store.add_step(db, id, self.key, "What is cut is pinned", self.lay.plan, pins, self.lay.parked)

    def step(self, by: int) -> None:
        store.go_to(self.project.desk.db, self.project.record.id, self.key, by)

    def put_by(self) -> str:
        """Keep what was changed by hand and not kept by a name, before the table is begun anew; that name."""
        if self._known is None or not self._known.n or edit.without_empty(self._known.plan) == self.found.plan:
            return ""
        known = {one.name for one in self.named}
        names = ("as it lay before the flaw", *(f"as it lay before flaw {n}" for n in range(2, len(known) + 3)))
        name = next(one for one in names if one not in known)
        db, id = self.project.desk.db, self.project.record.id
        name_lay(db, id, self.key, name, self._known.question, edit.without_empty(self._known.plan))
        return name

    # ------------------------------------------------------------ keeping it

    def keep(self) -> bool:
        """Keep the lay on the table as *the* lay of this cloth; not while anything is wrong with it."""
        if self.faults or self.lay.parked:
            return False
        self.use(edit.without_empty(self.lay.plan))
        return True

    def use(self, plan: Plan) -> None:
        """Keep a lay as *the* lay."""
        kept = KeptLay(self.found.question, laid(plan), plan)
        keep_lay(self.project.desk.db, self.project.record.id, self.found.role, kept)

    @cached_property
    def named(self) -> tuple[NamedLay, ...]:
        """The lays kept by a name."""
        return named_lays(self.project.desk.db, self.project.record.id, self.key)

    def keep_by_name(self, name: str) -> None:
        """Beside the one in use, whether it is right yet or not."""
        db, id = self.project.desk.db, self.project.record.id
        name_lay(db, id, self.key, name, self.found.question, edit.without_empty(self.lay.plan))

    def forget(self, id: int) -> None:
        forget_lay(self.project.desk.db, self.project.record.id, id)


def is_same_place(item: CutItem, laid: Placement) -> bool:
    """Whether a placement lies where a piece was cut; a tissue may lie there turned over, on the same outline."""
    if item.piece.id != laid.piece:
        return False
    one, other = item.placement.box, laid.box
    return all(abs(a - b) < 0.5 for a, b in zip(one, other, strict=True))
