"""What both lifts share: the lifter, the screens, drawing bodies, how sure, what decides."""
