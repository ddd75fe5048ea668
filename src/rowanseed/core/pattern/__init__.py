"""A commercial pattern: pieces, making graph, envelope; what makes it hold together."""
