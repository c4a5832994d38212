"""Routes of training: log, sessions, reviews."""
