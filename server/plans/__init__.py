"""Plans, stateless: a section in, everything that follows from it out."""
