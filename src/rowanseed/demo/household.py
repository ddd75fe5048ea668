"""Fill a database with the demo household: three singers, their cloths, projects at different stations."""

from __future__ import annotations

from dataclasses import replace
from datetime import date
from pathlib import Path
from typing import Any

from rowanseed.app.desk import Desk
from rowanseed.app.open_project import load
from rowanseed.core.alter.change import Alteration
from rowanseed.core.base.ids import ReadyKey
from rowanseed.core.body.measures import Age
from rowanseed.core.choices import ClothChoices, FitChoices
from rowanseed.core.cloth.cloth import Cloth, Direction, Fibre, Repeat, Stripe, Stripes, Surface, Use
from rowanseed.core.cloth.matching import BOTH
from rowanseed.core.derive.choice import Layers, LiningSchool
from rowanseed.core.lay.engine import Budget, solve_each
from rowanseed.core.make.own_times import Timed
from rowanseed.core.pattern.pieces import Role
from rowanseed.core.sizing.schools import School
from rowanseed.demo import overshirt, six_gore_skirt, trousers, waistcoat
from rowanseed.demo.described import apron, dress
from rowanseed.formats.description_json import compose_pattern, write_description
from rowanseed.store.cloths import save_cloth
from rowanseed.store.database import Connection, connect, migrate, transaction
from rowanseed.store.household import habits, set_habits
from rowanseed.store.lays import KeptLay, keep_answers, keep_lay
from rowanseed.store.lessons import add_lesson
from rowanseed.store.patterns import add_pattern
from rowanseed.store.people import person, save_person
from rowanseed.store.projects import add_note, decide, set_tick, start_project
from rowanseed.store.sewing import Sample, keep_sample, keep_time

TAKEN = date(2026, 10, 4)
STARTED = date(2026, 10, 11)

CLOTHS = {
    "sprigs": Cloth(
        name="Rowan sprigs, viscose",
        width=1400,
        length=2600,
        selvedge=12,
        direction=Direction.ONE_WAY,
        fibre=Fibre.VISCOSE,
        shrink_along=0.05,
        shrink_across=0.02,
        colour="#8c2f4f",
        surface=Surface.SPRIGS,
        weight=120,
        repeat=Repeat(96, 96, half_drop=True),
        price=169,
        care="30 °C, hang to dry",
    ),
    "cord": Cloth(
        name="Pine needlecord",
        width=1120,
        length=2110,
        selvedge=10,
        direction=Direction.ONE_WAY,
        fibre=Fibre.COTTON,
        shrink_along=0.04,
        shrink_across=0.02,
        washed=True,
        colour="#2f5d4e",
        surface=Surface.CORD,
        weight=270,
        price=149,
        care="40 °C, inside out",
    ),
    "wool": Cloth(
        name="Heather checked wool",
        width=1500,
        length=1600,
        selvedge=15,
        direction=Direction.TWO_WAY,
        fibre=Fibre.WOOL,
        shrink_along=0.03,
        shrink_across=0.02,
        washed=True,
        colour="#6b4f7d",
        surface=Surface.CHECK,
        weight=310,
        repeat=Repeat(92, 84),
        price=395,
        care="dry clean",
        lines=Stripes((Stripe(12, 12), Stripe(58, 4)), (Stripe(14, 13), Stripe(66, 5))),
    ),
    "linen": Cloth(
        name="Slate linen",
        width=1450,
        length=None,
        selvedge=10,
        direction=Direction.TWO_WAY,
        fibre=Fibre.LINEN,
        shrink_along=0.06,
        shrink_across=0.02,
        washed=False,
        colour="#4a6078",
    ),
    "fieldfares": Cloth(
        name="Fieldfare print, cotton",
        width=1120,
        length=3000,
        selvedge=10,
        direction=Direction.TWO_WAY,
        fibre=Fibre.COTTON,
        shrink_along=0.04,
        shrink_across=0.02,
        washed=True,
        colour="#8a5a2b",
        surface=Surface.TOSSED,
        weight=140,
        price=129,
        care="60 °C",
    ),
    "lining": Cloth(
        name="Wine viscose lining",
        use=Use.LINING,
        width=1400,
        length=1500,
        selvedge=10,
        direction=Direction.TWO_WAY,
        fibre=Fibre.VISCOSE,
        shrink_along=0.04,
        shrink_across=0.02,
        washed=False,
        colour="#6d2438",
    ),
    "fusible": Cloth(
        name="Light fusible interfacing",
        use=Use.FUSIBLE,
        width=900,
        length=1000,
        selvedge=0,
        direction=Direction.TWO_WAY,
        fibre=Fibre.POLYESTER,
        shrink_along=0.01,
        shrink_across=0.0,
        washed=True,
        colour="#b9b2a2",
    ),
}


YSOLDE = {
    "bust": 980.0,
    "high_bust": 888.0,
    "waist": 768.0,
    "hip": 1015.0,
    "back_waist": 412.0,
    "waist_to_hip": 205.0,
    "height": 1710.0,
}
NERYS = {
    "bust": 880.0,
    "high_bust": 835.0,
    "waist": 668.0,
    "hip": 918.0,
    "inseam": 730.0,
    "crotch_depth": 262.0,
    "height": 1620.0,
}
BERTIL = {
    "bust": 1080.0,
    "waist": 960.0,
    "hip": 1040.0,
    "neck": 415.0,
    "arm": 655.0,
    "upper_arm": 350.0,
    "height": 1830.0,
}


def fill(path: Path) -> None:
    """Make the demo database at `path`."""
    db = connect(path)
    migrate(db)
    set_habits(db, replace(habits(db), money="crowns", stand_in_shop=True))
    ysolde = save_person(
        connection=db,
        id=None,
        name="Ysolde Marrick, alto",
        age=Age.ADULT,
        body={**YSOLDE, "waist": 752.0, "hip": 1008.0, "bust": 966.0},
        today=date(2026, 3, 14),
    )
    save_person(connection=db, id=ysolde, name="Ysolde Marrick, alto", age=Age.ADULT, body=YSOLDE, today=TAKEN)
    nerys = save_person(
        connection=db, id=None, name="Nerys Thistlewood, soprano", age=Age.ADULT, body=NERYS, today=TAKEN
    )
    bertil = save_person(connection=db, id=None, name="Bertil Oakhanger, bass", age=Age.ADULT, body=BERTIL, today=TAKEN)
    shelf = {key: save_cloth(db, None, item) for key, item in CLOTHS.items()}
    skirt = add_pattern(db, six_gore_skirt.draft(), STARTED)
    patterns = {m: add_pattern(db, m.draft(), STARTED) for m in (waistcoat, trousers, overshirt)}
    described = [add_pattern(db, compose_pattern(write_description(one)), STARTED) for one in (dress(), apron())]
    first = start_project(
        connection=db,
        name="Concert skirt for the alto",
        person_id=ysolde,
        pattern_id=skirt,
        view="A",
        cloths={Role.MAIN: shelf["sprigs"], Role.INTERFACING: shelf["fusible"]},
        today=STARTED,
    )
    longer = FitChoices(School.CHART, alterations=(Alteration("hem", 20.0),))
    _choose(db, first, ysolde, "14", longer)
    _keep_lays(db, first, cut=True, sewn=9)
    _sewn_with(db, first, shelf["sprigs"])
    add_note(
        db, first, "The waist could be 1 cm closer; take in at the side seams, not at the back.", date(2026, 11, 8)
    )
    add_lesson(
        db,
        first,
        Alteration(kind="seam", by=-10.0, at="side-seams", level="waist"),
        "gapes a little at the back",
        date(2026, 11, 8),
    )
    second = start_project(
        connection=db,
        name="Cord skirt for the soprano",
        person_id=nerys,
        pattern_id=skirt,
        view="A",
        cloths={Role.MAIN: shelf["cord"], Role.INTERFACING: shelf["fusible"]},
        today=date(2026, 11, 1),
    )
    _choose(db, second, nerys, "10", FitChoices(School.CHART))
    _keep_lays(db, second, cut=False, sewn=0)
    third = start_project(
        connection=db,
        name="Linen skirt for spring",
        person_id=ysolde,
        pattern_id=skirt,
        view="A",
        cloths={},
        today=date(2026, 11, 15),
    )
    lined = ClothChoices(Layers(LiningSchool.DEDUCT))
    _decide(db, third, cloths={Role.MAIN: shelf["linen"], Role.LINING: shelf["lining"]}, cloth_choices=lined)
    fourth = start_project(
        connection=db,
        name="Checked waistcoat for the alto",
        person_id=ysolde,
        pattern_id=patterns[waistcoat],
        view="A",
        cloths={Role.MAIN: shelf["wool"], Role.INTERFACING: shelf["fusible"], Role.LINING: shelf["lining"]},
        today=date(2026, 11, 16),
    )
    fuller = FitChoices(
        School.HIGH_BUST,
        "neck and shoulders fit her at the smaller size",
        alterations=(Alteration("bust", 50.0), Alteration("length", 15.0, "body-length")),
    )
    _choose(db, fourth, ysolde, "14", fuller)
    _decide(db, fourth, cloth_choices=ClothChoices(matching=((Role.MAIN, BOTH),)))
    start_project(
        connection=db,
        name="Wide trousers for the soprano",
        person_id=nerys,
        pattern_id=patterns[trousers],
        view="A",
        cloths={Role.MAIN: shelf["cord"]},
        today=date(2026, 11, 18),
    )
    start_project(
        connection=db,
        name="Overshirt for the bass",
        person_id=bertil,
        pattern_id=patterns[overshirt],
        view="A",
        cloths={Role.MAIN: shelf["fieldfares"]},
        today=date(2026, 11, 20),
    )
    start_project(
        connection=db,
        name="Yoked dress for the soprano",
        person_id=nerys,
        pattern_id=described[0],
        view="A",
        cloths={Role.MAIN: shelf["linen"]},
        today=date(2026, 10, 10),
    )
    with transaction(db, recorded=False):
        # What the demo begins with was not changed by anybody just now.
        db.execute("DELETE FROM undo")
        db.execute("DELETE FROM change")
    db.close()


def _choose(db: Connection, project: int, person_id: int, size: str, fit: FitChoices) -> None:
    """Keep a size with the measurements it was chosen by."""
    found = person(db, person_id)
    named = tuple(replace(one, id=f"demo-{k}") for k, one in enumerate(fit.alterations, start=1))
    _decide(
        db,
        project,
        size=size,
        fit=replace(fit, alterations=named),
        measuring_id=found.measuring_id if found else None,
    )


def _decide(db: Connection, project: int, **changes: Any) -> None:
    decide(db, project, lambda record: replace(record, **changes))


def _sewn_with(db: Connection, project: int, cloth: int) -> None:
    """A sample on the skirt's cloth, and how long the first steps took."""
    tried = Sample(
        sample="stitch",
        layers="2",
        needle="universal 70/10, new",
        thread="polyester, one shade darker",
        stitch="straight",
        length="2.2 on the dial",
        tension="3.5",
        foot="ordinary foot",
        result="Flat and even; at 2.5 it puckered.",
        made_on=date(2026, 11, 9).isoformat(),
    )
    keep_sample(db, project, cloth, tried, None)
    for step, minutes in (("neaten-side-seams", 9.0), ("neaten-back-seams", 8.0)):
        keep_time(db, project, step, Timed("plain seam", "neaten", 6.5, minutes), date(2026, 11, 10))


def _keep_lays(db: Connection, project: int, *, cut: bool, sewn: int) -> None:
    """Lay the main cloth and the interfacing of a project and keep the easier lays; tick what is done."""
    desk = Desk(db=db, habits=habits(db), today=STARTED)
    for plan in load(desk, project).cloth_plans.values():
        if plan.role in (Role.MAIN, Role.INTERFACING):
            keep_answers(db, plan.question, solve_each(plan.problem, Budget(sweeps=600)))
    laid_out = load(desk, project)
    for role, plan in laid_out.cloth_plans.items():
        if cut and plan.kind is not None and plan.plan is not None:
            keep_lay(db, project, role, KeptLay(plan.question, plan.kind, plan.plan))
    if cut:
        set_tick(db, project, "cut", str(ReadyKey(Role.MAIN.value, "waved")), True)
        for item in laid_out.cut_items:
            set_tick(db, project, "cut", item.key, True, what=item.what, words=laid_out.as_cut)
    for step in laid_out.core.steps[:sewn]:
        set_tick(db, project, "sew", step.id, True)
