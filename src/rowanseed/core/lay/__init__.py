"""Laying pieces on cloth: the problem, its admissible places, the search and the exact check."""
