"""What every page shows: typed records, one a template."""
