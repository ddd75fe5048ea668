"""From a garment as its envelope describes it to a whole pattern: pieces in every size, joins, finishes, closures."""
