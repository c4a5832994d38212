"""What was trained: the set, its reps in one table, and what they say of a fault and the load."""
