"""The public computations, from request to answer, without a database."""
