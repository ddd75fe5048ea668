"""One file a technique, its `TECHNIQUE`; the registry finds them all. What several share is in `make/families/`."""
