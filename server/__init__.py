"""The web server: a thin layer over `ribbon` that reads requests, keeps works, and writes answers."""
