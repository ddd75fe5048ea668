"""How deep a hem a lining bagged at it needs."""

from __future__ import annotations

LEAST_HEM = 20.0
"""A hem that is turned up less, in mm, has no allowance that a lining could be sewn to."""
