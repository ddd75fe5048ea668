"""The cutting table: a lay taken from those that were found, changed by hand, kept once it is right."""

from __future__ import annotations

from dataclasses import dataclass, replace
from functools import cached_property

from rowanseed.app.cloth_plan import ClothPlan
from rowanseed.app.open_project import OpenProject
from rowanseed.core.base.errors import NotThere, RowanseedError
from rowanseed.core.lay import edit
from rowanseed.core.lay.choice import piece_names
from rowanseed.core.lay.edit import Fault, FaultKind, NotAllowed
from rowanseed.core.lay.engine import Budget, solve
from rowanseed.core.lay.problem import Plan, laid
from rowanseed.store import lay_table as store
from rowanseed.store.lay_table import OnTable
from rowanseed.store.lays import KeptLay, keep_lay

SECONDS = 2.0
"""How long the rest is laid again."""


@dataclass(frozen=True, eq=False)
class LayTable:
    """A cloth of a project on the table."""

    project: OpenProject
    found: ClothPlan

    @cached_property
    def lay(self) -> OnTable:
        """What is on the table; the lay in use is put there where nothing is, or where it was laid for other pieces."""
        known = store.on_table(self.project.desk.db, self.project.record.id, self.found.role)
        if known is not None and known.question == self.found.question:
            return known
        return self.put_on(None)

    @property
    def was_for_other_pieces(self) -> bool:
        known = store.on_table(self.project.desk.db, self.project.record.id, self.found.role)
        return known is not None and known.question != self.found.question

    def put_on(self, name: str | None) -> OnTable:
        """Begin anew with one of the lays that were found."""
        plan = self.found.plans.get(name) if name else self.found.plan
        if plan is None:
            raise NotThere("lay")
        db, id = self.project.desk.db, self.project.record.id
        store.put_on_table(db, id, self.found.role, self.found.question, plan)
        known = store.on_table(db, id, self.found.role)
        if known is None:
            raise NotThere("lay")
        return known

    @cached_property
    def names(self) -> dict[str, str]:
        return dict(piece_names(self.project.core.cut_pattern))

    @cached_property
    def numbers(self) -> dict[str, int]:
        """Every piece's number on this cloth, in the order of the problem: what a small piece is called by."""
        return {piece.id: k for k, piece in enumerate(self.found.problem.pieces, start=1)}

    @cached_property
    def faults(self) -> tuple[Fault, ...]:
        return edit.faults(self.found.problem, self.lay.plan)

    def said(self, fault: Fault) -> str:
        """A fault in words, with the pieces it is wrong with."""
        if fault.piece:
            return f"{self.names.get(fault.piece, fault.piece)} {fault.kind.words}"
        pieces = [edit.placement(self.lay.plan, id).piece for id in fault.ids]
        names = list(dict.fromkeys(f"{self.numbers[p]} {self.names[p]}" for p in pieces))
        joined = " and ".join(names)
        if fault.kind is FaultKind.UNMATCHED and len(names) > 1:
            return f"{joined} do not match the print"
        if len(names) == 1 and len(pieces) > 1:
            joined = f"Both {names[0]}"
        return f"{joined} {fault.kind.words}"

    # ------------------------------------------------------------ changing it

    def change(self, do: str, id: str, at: tuple[float, float] | None) -> str:
        """Do one thing to the lay on the table; why not, in words, where a rule forbids it."""
        lay, problem = self.lay, self.found.problem
        known = dict(edit.ids(lay.plan))
        if do in ("move", "nudge", "turn", "mirror", "pin") and id not in known:
            raise NotThere("piece")
        name = self.names[known[id].piece] if id in known else ""
        pinned = lay.pinned
        if id in pinned and do in ("move", "nudge", "turn", "mirror"):
            return f"{name} is pinned: take the pin out first."
        try:
            match do:
                case "move" | "nudge" if at is not None:
                    plan = edit.move(problem, lay.plan, id, at, snap=do == "move")
                    words = f"{name} moved"
                case "turn":
                    plan, words = edit.turn(problem, lay.plan, id), f"{name} turned"
                case "mirror":
                    plan, words = edit.mirror(problem, lay.plan, id), f"{name} turned over"
                case "pin":
                    plan, pinned = lay.plan, lay.pinned ^ {id}
                    words = f"{name} {'pinned' if id in pinned else 'no longer pinned'}"
                case "push":
                    plan, words = edit.push_together(problem, lay.plan, pinned), "All pushed together"
                case "rest":
                    plan, pinned = self._laid_again(), frozenset()
                    words = "The rest laid again"
                case _:
                    raise NotThere("change")
        except NotAllowed as refused:
            return f"{name}: {refused.rule.words}."
        except RowanseedError as error:
            return str(error)
        if plan != lay.plan or pinned != lay.pinned:
            store.add_step(self.project.desk.db, self.project.record.id, self.found.role, words, plan, pinned)
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
            store.add_step(self.project.desk.db, self.project.record.id, self.found.role, words, plan, self.lay.pinned)

    def _laid_again(self) -> Plan:
        """Everything but what is pinned laid anew, each where the cloth lies as it does."""
        pins = edit.pins(self.lay.plan, self.lay.pinned)
        lays = tuple(dict.fromkeys(stretch.lay for stretch in self.lay.plan.stretches))
        return solve(replace(self.found.problem, pins=pins, lays=lays), Budget(seconds=SECONDS))

    def step(self, by: int) -> None:
        store.go_to(self.project.desk.db, self.project.record.id, self.found.role, by)

    def keep(self) -> bool:
        """Keep the lay on the table as *the* lay of this cloth; not while anything is wrong with it."""
        if self.faults:
            return False
        plan = self.lay.plan
        keep_lay(
            self.project.desk.db,
            self.project.record.id,
            self.found.role,
            KeptLay(self.found.question, laid(plan), plan),
        )
        return True
