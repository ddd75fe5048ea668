"""The body: measures and doubts."""
