"""Notions: what the garment asks for and what the sewist adds."""
