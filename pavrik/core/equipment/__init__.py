"""Bars, plates and racks: what the gym owns, and what can be loaded with it."""
