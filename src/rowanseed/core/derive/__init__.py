"""Pieces derived from the garment's own: lining, underlining, interfacing, facings, the under collar."""
