"""The lifter as a whole: body, strengths, mobility and schools. Knows no lift."""
