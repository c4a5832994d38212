"""The simulated camera: films of lifters that do not exist, with the truth beside them. It stands
in for a phone in the demo and in the tests."""
