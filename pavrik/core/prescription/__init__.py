"""What the lifter does next, with a reason on every line."""
