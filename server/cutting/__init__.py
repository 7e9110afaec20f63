"""Cloth and cutting, stateless: what a strip takes, how it is laid out, what is bought."""
