"""What is seen going wrong: the catalogue of faults, causes and remedies, and the schools."""
