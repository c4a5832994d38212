"""Every error that a user is told about. The text says the fact, the number and the remedy.

PavrikError
├── InvalidError           input that breaks a rule of the trade; ``field`` names it
├── NotFoundError          what was asked for is not in this club
├── RefusedError           a rule of the records does not allow this; ``field`` names the input
├── KeyReusedError         an idempotency key came back with another request
├── ForbiddenError         the role does not allow this
├── WrongSignInError       e-mail and password do not belong together
├── TooManyAttemptsError   signing in is paused; ``wait_s`` says how long
├── OutOfTimeError         a computation took longer than it may
├── BadInputError          a file or text given to the command line cannot be used
└── OperationError         the database or its tools cannot do what the operator asked for

The core raises ValueError for input that cannot be: the edges tell it like an InvalidError.
"""


class PavrikError(Exception):
    """What a user is told; ``field`` names the input that it belongs to, where there is one."""

    def __init__(self, message: str, field: str = "") -> None:
        super().__init__(message)
        self.field = field


class InvalidError(PavrikError):
    """Input that breaks a rule of the trade."""


class NotFoundError(PavrikError):
    """What was asked for is not in this club."""


class RefusedError(PavrikError):
    """A rule of the records does not allow this."""


class KeyReusedError(PavrikError):
    """An idempotency key came back with another request."""


class ForbiddenError(PavrikError):
    """The role does not allow this."""


class WrongSignInError(PavrikError):
    """E-mail and password do not belong together."""


class TooManyAttemptsError(PavrikError):
    """Signing in is paused for this subject; try again after ``wait_s``."""

    def __init__(self, message: str, wait_s: int) -> None:
        super().__init__(message)
        self.wait_s = wait_s


class OutOfTimeError(PavrikError):
    """A computation took longer than it may."""


class BadInputError(PavrikError):
    """A file or text given to the command line cannot be used."""


class OperationError(PavrikError):
    """The database or its tools cannot do what the operator asked for."""
