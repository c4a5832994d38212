"""Shapes of a season, one readable file each."""
