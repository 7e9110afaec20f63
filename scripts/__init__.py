"""Commands of the project that are not part of the program."""
