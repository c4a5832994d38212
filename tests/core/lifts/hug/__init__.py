"""A third lift that nobody competes in: a squat with a stack of plates hugged to the chest. It is
here to show that a lift is one folder and one entry."""
