"""Making: the garment's graph compiled into steps, and the steps put into an order."""
