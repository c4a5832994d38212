"""A club: who is in it, its gym, its library, its board."""
