"""Open formats, read and written: patterns, drawings, layout problems and plans, projects."""
