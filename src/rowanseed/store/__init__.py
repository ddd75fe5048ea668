"""What is kept: SQLite by plain SQL, one module a table family."""
