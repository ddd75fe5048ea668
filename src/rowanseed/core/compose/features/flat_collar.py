"""A flat collar: upper and under collar turned round their edge, caught between the neck and its facing."""

from __future__ import annotations

from rowanseed.core.compose.bands import along
from rowanseed.core.compose.build import Build, Edges, part
from rowanseed.core.compose.collars import FALL, has_collar, layers_of, neck_parts
from rowanseed.core.compose.description import CollarKind
from rowanseed.core.compose.drafting import straight
from rowanseed.core.compose.facing import face
from rowanseed.core.compose.feature import Body, Ended, Feature
from rowanseed.core.compose.figures import Size
from rowanseed.core.pattern.making import FinishKind, Press


def finish(build: Build, body: Body) -> None:
    parts = neck_parts(body)

    def draw(size: Size) -> Edges:
        long = along(build, parts, size)
        return {
            "fold": straight((0.0, 0.0), (FALL + 10.0, 0.0)),
            "outer": straight((FALL + 10.0, 0.0), (FALL + 10.0, long + 8.0)),
            "end": straight((FALL + 10.0, long + 8.0), (0.0, long)),
            "neck": straight((0.0, long), (0.0, 0.0)),
        }

    layers_of(build, ("collar", "under-collar"), ("Collar", "Under collar"), draw, "fold")
    build.join(
        "collar-edge",
        "Collar to under collar",
        (part("collar", "outer"), part("collar", "end")),
        (part("under-collar", "outer"), part("under-collar", "end")),
        press=Press.FACING,
    )
    build.join("collar-neck", "Collar to neck", parts, (part("under-collar", "neck"),), press=Press.DOWN)
    build.finish("collar-inside", "Neck edge of the upper collar", FinishKind.CAUGHT, (part("collar", "neck"),))
    face(build, "neck", "neck", parts)
    build.along["collar"] = ("collar-edge",)


FEATURES = (
    Feature(
        "flat-collar",
        asked=lambda d: has_collar(d, CollarKind.FLAT),
        ends=frozenset({Ended.NECK}),
        finish=finish,
    ),
)
