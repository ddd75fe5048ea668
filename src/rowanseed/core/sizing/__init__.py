"""Choosing a size: the schools, the ease each gives, and which one to recommend."""
