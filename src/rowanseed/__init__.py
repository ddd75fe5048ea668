"""Rowanseed: from tape measure to sewing order, for people who sew from commercial patterns."""

__version__ = "0.1.0"
