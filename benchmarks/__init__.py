"""Speed and tightness, measured: `make bench`, or `make bench ONLY=area` for one area."""
