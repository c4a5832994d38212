"""The public JSON of the model: requests, answers, set-ups."""
