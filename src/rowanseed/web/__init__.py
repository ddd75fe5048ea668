"""The pages: FastAPI handlers, templates, and nothing that computes."""
