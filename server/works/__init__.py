"""Works: what is saved, and every change to it, so that all of it can be taken back."""
