"""Set-ups: fitted, explored, settled, on the card."""
