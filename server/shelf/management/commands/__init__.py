"""Commands of the shelf."""
