"""Cloth: what it is, how much of it, what is left of it."""
