"""Routes of set-ups: squat, deadlift, analysis, card."""
