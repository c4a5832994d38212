"""Routes of a club: sessions, gym, library."""
