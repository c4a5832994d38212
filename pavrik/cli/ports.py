"""Where things are served unless told otherwise."""

LOOPBACK = "127.0.0.1"
FIRST_PORT = 8460
MAIL_PORT = 8525
