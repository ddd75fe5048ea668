"""Bench sums: pieces cut to the measure."""
