"""A film of a lift measured: camera, linkage, reps, findings with their errors. NumPy and SciPy
only; what comes in are places in the picture, whoever tracked them."""
