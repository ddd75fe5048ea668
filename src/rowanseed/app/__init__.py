"""Use cases: the one floor that knows core, store and jobs together."""
