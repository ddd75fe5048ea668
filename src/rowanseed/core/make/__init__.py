"""Making: a garment's graph and the sewist's choices become operations over facts, and these an order of work."""
