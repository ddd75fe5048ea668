"""Geometry on outlines: chains, offsets, mirrors, how folded cloth lies."""
