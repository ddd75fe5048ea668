"""One module a station or a shelf."""
