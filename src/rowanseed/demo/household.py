"""Fill a database with the demo household: three singers, their cloths, projects at different stations."""

from __future__ import annotations

from datetime import date
from pathlib import Path

from rowanseed.core.body import Age
from rowanseed.core.cloth import Cloth, Direction, Fibre, Surface
from rowanseed.core.garment import Choices, altered, lay_problem
from rowanseed.core.lay.engine import Budget, solve_each
from rowanseed.core.lay.problem import Plan
from rowanseed.core.make.compiler import Household, compile_steps
from rowanseed.core.make.sequencer import sequence
from rowanseed.core.pattern import Role
from rowanseed.demo.six_gore_skirt import draft
from rowanseed.store.cloths import cloth, save_cloth
from rowanseed.store.database import Connection, connect, migrate
from rowanseed.store.lays import KeptLay, keep_answers, keep_lay, question_of
from rowanseed.store.patterns import add_pattern
from rowanseed.store.patterns import pattern as pattern_of_store
from rowanseed.store.people import save_person
from rowanseed.store.projects import add_note, choose_cloth, choose_fit, set_tick, start_project

TAKEN = date(2026, 10, 4)
STARTED = date(2026, 10, 11)

CLOTHS = {
    "sprigs": Cloth("Rowan sprigs, viscose", 1400, 2600, 12, Direction.ONE_WAY, Fibre.VISCOSE, 0.05, 0.02,
                    colour="#8c2f4f", surface=Surface.SPRIGS),
    "cord": Cloth("Pine needlecord", 1120, 2300, 10, Direction.ONE_WAY, Fibre.COTTON, 0.04, 0.02, True,
                  "#2f5d4e", Surface.CORD),
    "wool": Cloth("Heather checked wool", 1500, 1600, 15, Direction.TWO_WAY, Fibre.WOOL, 0.03, 0.02, True,
                  "#6b4f7d", Surface.CHECK),
    "linen": Cloth("Slate linen", 1450, None, 10, Direction.TWO_WAY, Fibre.LINEN, 0.06, 0.02, False, "#4a6078"),
    "fusible": Cloth("Light fusible interfacing", 900, 1000, 0, Direction.TWO_WAY, Fibre.POLYESTER, 0.01, 0.0,
                     True, "#b9b2a2"),
}  # fmt: skip


def fill(path: Path) -> None:
    """Make the demo database at `path`."""
    db = connect(path)
    migrate(db)
    ysolde = save_person(db, None, "Ysolde Marrick, alto", Age.ADULT,
                         {"waist": 768, "hip": 1015, "bust": 980, "height": 1710, "waist_to_hip": 205}, TAKEN)  # fmt: skip
    nerys = save_person(db, None, "Nerys Thistlewood, soprano", Age.ADULT,
                        {"waist": 668, "hip": 918, "bust": 880, "height": 1620}, TAKEN)  # fmt: skip
    save_person(
        db,
        None,
        "Bertil Oakhanger, bass",
        Age.ADULT,
        {"waist": 960, "hip": 1040, "bust": 1080, "height": 1830},
        TAKEN,
    )
    shelf = {key: save_cloth(db, None, item) for key, item in CLOTHS.items()}
    skirt = add_pattern(db, draft(), STARTED)
    first = start_project(db, "Concert skirt for the alto", ysolde, skirt, "A",
                          {Role.MAIN: shelf["sprigs"], Role.INTERFACING: shelf["fusible"]}, STARTED)  # fmt: skip
    choose_fit(db, first, "14", 20.0, ysolde)
    _keep_lays(db, skirt, first, "14", 20.0, shelf, "sprigs", cut=True, sewn=9)
    add_note(
        db,
        first,
        "The waist could be 1 cm closer; take in at the side seams, not at the back.",
        date(2026, 11, 8),
    )
    second = start_project(db, "Cord skirt for the soprano", nerys, skirt, "A",
                           {Role.MAIN: shelf["cord"], Role.INTERFACING: shelf["fusible"]}, date(2026, 11, 1))  # fmt: skip
    choose_fit(db, second, "10", 0.0, nerys)
    _keep_lays(db, skirt, second, "10", 0.0, shelf, "cord", cut=False, sewn=0)
    third = start_project(db, "Linen skirt for spring", ysolde, skirt, "A", {}, date(2026, 11, 15))
    choose_cloth(db, third, Role.MAIN, shelf["linen"])
    db.close()


def _keep_lays(
    db: Connection,
    skirt: int,
    project: int,
    size: str,
    change: float,
    shelf: dict[str, int],
    main: str,
    *,
    cut: bool,
    sewn: int,
) -> None:
    """Lay the main cloth and the interfacing of a project and keep the shorter lays; tick what is done."""
    choices = Choices("A", size, change)
    drawn = pattern_of_store(db, skirt)
    if drawn is None:
        return
    pattern = altered(drawn, choices).pattern
    for role, key in ((Role.MAIN, main), (Role.INTERFACING, "fusible")):
        entry = cloth(db, shelf[key])
        if entry is None:
            continue
        problem = lay_problem(pattern, choices, role, entry.cloth)
        question = question_of(problem)
        answers = solve_each(problem, Budget(sweeps=600))
        keep_answers(db, question, answers)
        plans = {kind: answer for kind, answer in answers.items() if isinstance(answer, Plan)}
        kind = min(plans, key=lambda k: (round(plans[k].length, -1), k != "folded"))
        if cut:
            keep_lay(db, project, role, KeptLay(question, kind, plans[kind]))
    if cut:
        _tick_cut(db, project)
    household = Household(fibre=CLOTHS[main].fibre)
    for step in sequence(compile_steps(pattern, "A", size, household))[:sewn]:
        set_tick(db, project, "sew", step.id, True)


def _tick_cut(db: Connection, project: int) -> None:
    """Everything of a project is cut: each placement's key is its piece and how many came before it."""
    for piece, count in (
        ("front", 1),
        ("side-front", 2),
        ("side-back", 2),
        ("back", 2),
        ("front-facing", 1),
        ("back-facing", 2),
    ):
        for role in (Role.MAIN, Role.INTERFACING):
            for before in range(count):
                set_tick(db, project, "cut", f"{role.value}:{piece}:{before}", True)
