"""Variations: each lift with knobs that the model knows, its computed loading and its ratio."""
