"""Gathers: cloth drawn up by a ratio, with match points instead of folds."""

from ribbon.gathers.gather import GATHER, gathered_strip

__all__ = ["GATHER", "gathered_strip"]
