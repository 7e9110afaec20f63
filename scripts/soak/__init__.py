"""Keeping at it: what is tried for as long as there is time, each run with other chances."""
