"""What a lift is, whichever it is."""
