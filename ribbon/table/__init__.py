"""At the table: the chalk list, the gauge, the folding round, the order of making, checks."""
