"""The squat: bar positions, depth, screens that gate it, the pose, the search and the fit."""
