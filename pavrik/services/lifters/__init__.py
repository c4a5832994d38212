"""A lifter: facts, record, what the model is given."""
