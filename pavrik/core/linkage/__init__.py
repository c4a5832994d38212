"""The linkage: foot, legs, upper body, balance, moments, path. Closed forms over NumPy arrays."""
