"""Pavrik fits squat and deadlift set-ups to a lifter's limbs, logs faults, prescribes loads."""
