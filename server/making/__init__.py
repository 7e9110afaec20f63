"""Things on the wire: read, tied to their edges, answered."""
