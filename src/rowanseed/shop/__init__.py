"""A small simulated shop: a stand-in with invented goods and prices, so that a list can be priced."""
