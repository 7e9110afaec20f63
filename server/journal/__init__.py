"""What happened to a work: where its marking stands, its checks, its log, its photographs; the open file and the backup."""
