"""What lies on what at a step, a chapter a file: each maps (technique, first word of the step's id) to its layers."""
