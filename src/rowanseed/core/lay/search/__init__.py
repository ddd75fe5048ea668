"""The search for a short lay: admissible places, tables, packing."""
