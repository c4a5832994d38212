"""Routes of lifters and their facts."""
