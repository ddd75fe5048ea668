"""One file a technique. Each has a `TECHNIQUES` tuple; the registry finds them all."""
