"""What the techniques of one family share; each technique is a file of its own in `techniques`."""
