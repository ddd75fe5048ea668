"""What skirts of every kind share from the waist down: how long they are, how they are cut at the centre and sewn."""

from __future__ import annotations

from rowanseed.core.compose.build import Build, Draw, part
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.figures import sewn_below
from rowanseed.core.compose.openings import is_wrapped_skirt
from rowanseed.core.compose.panels import Half, upper
from rowanseed.core.compose.sizes import Size
from rowanseed.core.compose.vocabulary import Centre, SkirtKind
from rowanseed.core.pattern.pieces import Panel

SHAPED = (SkirtKind.STRAIGHT, SkirtKind.A_LINE)
IN_GORES = (SkirtKind.GORED, SkirtKind.POINTED_PANELS)


def waist_of(build: Build, size: Size) -> float:
    """What the skirt's waist comes to all the way round, in mm."""
    return size.waist if size.waist is not None else size.body_waist + 20.0


def length_of(build: Build, size: Size) -> float:
    """From the waist to the hem, or to the ruffle that is sewn there."""
    above = size.seam if build.description.garment.has_bodice else 0.0
    return size.length - above - sewn_below(build.description)


def skirt_ids(build: Build) -> tuple[str, str]:
    """Under a bodice the skirt's pieces are called so."""
    return ("skirt-front", "skirt-back") if build.description.garment.has_bodice else ("front", "back")


def gores_of(description: Description) -> int:
    """How many gores or pointed panels a skirt has, six where nothing is said."""
    skirt = description.features.skirt
    return (skirt.panels if skirt and skirt.panels else None) or 6


def gores_meet_at_centre(description: Description) -> bool:
    """Whether front and back are each an even number of gores: then a seam runs down the centre, and not a gore."""
    skirt = description.features.skirt
    return skirt is not None and skirt.kind in IN_GORES and gores_of(description) // 2 % 2 == 0


def centre_cut(build: Build, half: Half) -> tuple[str, str | None, int, bool]:
    """(name of the centre edge, the fold, how many, whether paired)."""
    features = build.description.features
    centre = (features.front if half.is_front else features.back).centre
    if centre is Centre.FOLD and not gores_meet_at_centre(build.description):
        return "centre", "centre", 1, False
    return ("opening" if centre is Centre.OPEN else "centre"), None, 2, True


WRAPS = 0.8
"""A skirt that is wrapped reaches so far beyond the centre, as a share of a quarter of its waist: twice that much laps
(common practice, no source)."""


def beyond(build: Build, half: Half, size: Size) -> float:
    """How far a skirt that is open all the way reaches beyond the centre; with a bodice as far as that does."""
    if centre_cut(build, half)[0] != "opening":
        return 0.0
    if is_wrapped_skirt(build.description):
        return -WRAPS * waist_of(build, size) / 4
    return upper(build, size, half).centre


def sew_skirt(build: Build, halves: tuple[Half, Half]) -> None:
    front, back = halves
    under = build.description.garment.has_bodice
    prefix = "skirt-" if under else ""
    words = "Skirt side seams" if under else "Side seams"
    build.join(f"{prefix}sides", words, front.side, back.side, each_hand=True)
    for half in halves:
        edge, fold, _, _ = centre_cut(build, half)
        if fold is None and edge == "centre":
            build.join(
                f"{prefix}centre-{half.name}",
                f"{'Skirt, centre' if under else 'Centre'} {half.name} seam",
                (part(p.piece, p.edge, "left") for p in half.centre),
                (part(p.piece, p.edge, "right") for p in half.centre),
            )


def skirt_panel(build: Build, half: Half, id: str, draw: Draw, upper_edge: str = "waist") -> None:
    """One half of a skirt drafted: its piece, and its edges by what they are."""
    edge, fold, count, pair = centre_cut(build, half)
    name = f"Skirt {half.name}" if id.startswith("skirt") else half.name.capitalize()
    panel = Panel.FRONT if half.is_front else Panel.BACK
    build.piece(id, name, draw, panel=panel, count=count, pair=pair, fold=fold, hem=("hem",))
    half.side, half.lower, half.neck = [part(id, "side")], [part(id, "hem")], [part(id, upper_edge)]
    half.centre = [part(id, edge)]


def hip_depth_of(size: Size, long: float) -> float:
    """Where the hip lies below the waist; a skirt that ends above it is as wide at its lower part."""
    return min(size.seam_to_hip, 0.75 * long)
