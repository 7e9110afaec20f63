"""The cloth shelf: what is at hand, what goes out to works and comes back, what a supplier asks."""
