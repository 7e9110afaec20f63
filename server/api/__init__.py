"""The API: its routes, and errors in one shape."""

from server.api.main import api

__all__ = ["api"]
