"""Made-up lifters who train: the stand-in for training, in demo and proof."""
