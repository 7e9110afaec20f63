"""Pictures that people send: drawn anew so that nothing hidden stays in them, kept in the data folder by what is in them."""
