"""A hood of one layer: two halves sewn over the head, its lower edge to the neck, its edge round the face turned in.

Drafted round the head's girth: as high as six tenths of it, as deep as the neck asks or four tenths of it, whichever is
more; the shape of its lower edge from memory.
"""

from __future__ import annotations

from dataclasses import replace

from rowanseed.core.compose.bands import along
from rowanseed.core.compose.bodice import HEAD
from rowanseed.core.compose.build import Build, Edges, part
from rowanseed.core.compose.collars import has_collar, neck_parts, to_the_centre
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.drafting import IN, UP, curve, straight
from rowanseed.core.compose.feature import Body, Ended, Feature, Found
from rowanseed.core.compose.openings import is_half_placket
from rowanseed.core.compose.sizes import Size
from rowanseed.core.compose.vocabulary import Centre, CollarKind, NeckFinish, NeckShape, Where
from rowanseed.core.geometry.outline import Chain, chain_length
from rowanseed.core.geometry.solving import solve
from rowanseed.core.pattern.making import EdgePart, FinishKind, Press
from rowanseed.core.pattern.pieces import Panel

HIGH, DEEP = 0.6, 0.42
"""How high and how deep it is, as a share of the girth of the head."""
CHIN = 25.0
"""Its lower edge lies so far lower at the face than behind, in mm."""
LEVEL, ROUND = 0.45, 0.55
"""It is deepest at such a share of its height, and its top begins to round off at such a share of its depth."""
FACE = 25.0
"""So much is turned in round the face, in mm."""
SPREADS = (80.0, 700.0)
"""Between these its lower edge reaches back, in mm."""


def _draw(build: Build, parts: tuple[EdgePart, ...], size: Size) -> Edges:
    head = HEAD[build.description.figure] * size.tall
    high = -HIGH * head
    goal = along(build, parts, size)

    def neck(back: float) -> Chain:
        return (curve((CHIN, 0.0), (-0.1, 1.0), (0.0, back), (-0.35, 1.0), 0.3),)

    back = solve(lambda at: chain_length(neck(at)), goal, *SPREADS)
    widest, top = (LEVEL * high, max(back, DEEP * head)), (high, ROUND * max(back, DEEP * head))
    return {
        "face": straight((high, 0.0), (CHIN, 0.0)),
        "neck": neck(back),
        "crown": (
            curve((0.0, back), UP, widest, UP, 0.36),
            curve(widest, UP, top, IN, 0.42),
            *straight(top, (high, 0.0)),
        ),
    }


def finish(build: Build, body: Body) -> None:
    parts = neck_parts(body)
    if build.description.features.opening.double_breasted:
        # Its edges meet at the centre line, far from those of the fronts.
        parts, beyond = to_the_centre(build, parts)
        build.finish("lap-ends", "Upper ends of the edges that lap", FinishKind.TURNED, beyond)
    build.piece(
        "hood",
        "Hood",
        lambda size: _draw(build, parts, size),
        panel=Panel.HEAD,
        count=2,
        pair=True,
        allowances={"face": FACE},
    )
    build.join("hood-crown", "Seam of the hood", (part("hood", "crown", "left"),), (part("hood", "crown", "right"),))
    hands = ("left", "right")
    # Its halves are one by then: the neck is sewn from the centre front all round.
    whole = tuple(replace(p, hand=hand) for hand in hands for p in parts)
    build.join("neck", "Hood to neck", whole, (part("hood", "neck", hand) for hand in hands), press=Press.DOWN)
    build.finish("hood-face", "Edge of the hood round the face", FinishKind.TURNED, (part("hood", "face"),))
    build.along |= {"neck": ("neck",), "collar": ("hood-crown",)}


def asked(d: Description) -> bool:
    return has_collar(d, CollarKind.HOOD)


def forbids(d: Description) -> Found:
    f = d.features
    kind, where = f.opening.kind, f.opening.where
    if f.back.centre is Centre.OPEN:
        yield "features.back.centre", "A hood goes round from front to front: have the back closed."
    elif kind is not None and where is Where.BACK:
        yield "features.opening.where", "A hood closes the back of the neck: put the opening in the front or the side."
    elif kind is not None and where is Where.FRONT and f.front.centre is not Centre.OPEN and not is_half_placket(d):
        yield (
            "features.opening",
            "A hood closes the neck all round: open the front all the way, by a half placket, or the side.",
        )
    if f.neck.shape not in (NeckShape.ROUND, NeckShape.SCOOP, NeckShape.V):
        yield (
            "features.neck.shape",
            f"A hood is sewn to a round, a V or a scoop neck, not to a {f.neck.shape.words} one.",
        )
    if f.neck.finish not in (None, NeckFinish.COLLAR):
        yield "features.neck.finish", "The hood takes the neck in: leave its finish out."


FEATURES = (Feature("hood", asked=asked, forbids=forbids, ends=frozenset({Ended.NECK}), finish=finish),)
