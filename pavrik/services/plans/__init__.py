"""Plans: loads, weeks, files, the lifter's link."""
