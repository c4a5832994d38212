"""Routes of plans."""
