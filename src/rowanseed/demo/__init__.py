"""The demo household: an invented village choir sewing its winter concert clothes."""
