"""The deadlift: styles, the start in closed form, the way to lockout, the bar's bend, the fit."""
