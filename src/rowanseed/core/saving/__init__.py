"""Saving cloth: what can be done when it is short, what that costs, and how pieces and lay change with it."""
