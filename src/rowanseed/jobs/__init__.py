"""Long work in processes of its own: a task queue, embedded on SQLite, or on Redis by configuration alone."""
