"""From afar: what a lifter sends by his own link, and what a coach says to it."""
