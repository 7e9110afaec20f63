"""The swatch book: what was tried of each cloth, kept; what follows from it, and taken into a work."""
