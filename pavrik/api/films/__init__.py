"""Routes of the stage Watch."""
