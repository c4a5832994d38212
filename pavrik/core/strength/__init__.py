"""Strength: capacities per muscle group, the use that a pose makes of them, estimated max."""
