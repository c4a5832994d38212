"""What the model comes to over a population, and what it should come to."""
