"""The craft itself: pure functions over frozen records, with no files, no web and no database."""
