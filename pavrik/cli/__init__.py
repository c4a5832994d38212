"""The command line: the same services from the shell."""
