"""Composed pieces drawn again to what a tape read on the tissue.

Each piece lies on a net of a few knots, which carries its outline. The nets of all pieces are moved as little as can
be (least squares of how much they are stretched) so that every figure that was measured is met, every seam that met
still meets, and layers that are drawn alike stay alike; figures that were not measured keep their usual value as far
as the others let them. Other sizes follow by the steps between the composed sizes. This is a Gauss-Newton solution of
a small constrained least-squares problem (a standard method of numerical analysis); lengths in mm.
"""

from rowanseed.core.compose.tissue.certainty import Certainty, Unknown, certainty
from rowanseed.core.compose.tissue.meeting import MET, fitted, scaled_marks, wrong
from rowanseed.core.compose.tissue.torn import torn

__all__ = ["MET", "Certainty", "Unknown", "certainty", "fitted", "scaled_marks", "torn", "wrong"]
