"""Keeping: backups by hand and by the day, bringing one back whole or not at all, and what is looked at before a start."""
