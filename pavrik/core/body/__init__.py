"""The lifter's body: segments, masses, measurements and whether they can be right."""
