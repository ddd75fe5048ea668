"""How deep an edge is cut that is turned to a tunnel: as its elastic is wide, where the envelope says how wide."""

from __future__ import annotations

from rowanseed.core.compose.description import Description, Elastic
from rowanseed.core.compose.vocabulary import ElasticPlace
from rowanseed.core.make.casing import allowance_for

IN_A_SEAM = 6.0
"""A seam's allowances are so much wider than the elastic that lies in them, in mm."""
FOR_A_TUNNEL = 15.0
"""They are so wide at least where a cord lies in them, or elastic of a width that was not said, in mm."""


def elastic_at(description: Description, place: ElasticPlace) -> Elastic | None:
    """The elastic that the envelope gives for a place."""
    return next((one for one in description.features.elastic if one.where is place), None)


def casing_depth(description: Description, place: ElasticPlace, usual: float) -> float:
    """The allowance of an edge that is turned to a tunnel, in mm; `usual` where no width was said."""
    elastic = elastic_at(description, place)
    return usual if elastic is None else allowance_for(elastic.width)


def seam_depth(description: Description, place: ElasticPlace) -> float:
    """The allowance of a seam whose allowances are stitched down as a tunnel."""
    elastic = elastic_at(description, place)
    return max(description.allowance, elastic.width + IN_A_SEAM if elastic is not None else FOR_A_TUNNEL)
