"""Papers on the wire: what a work prints, seen before it is printed, and a stand-in for a plotter."""
