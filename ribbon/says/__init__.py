"""Sentences: the slip, notes, cautions, the reckoning."""
