"""Pieces at their full size on sheets of paper: what is drawn of them, and on which sheet it comes."""
