"""Training: the log, sessions, reviews, causes, cues."""
