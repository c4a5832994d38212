"""Who asks, and the errors that the services raise."""

from dataclasses import dataclass
from uuid import UUID


@dataclass(frozen=True)
class Who:
    """The signed-in coach."""

    club_id: UUID
    coach_id: UUID
    role: str

    @property
    def may_write(self) -> bool:
        return self.role != "read_only"


class ServiceError(Exception):
    """Anything that a service refuses to do; the text is shown to the coach."""


class ForbiddenError(ServiceError):
    """The role does not allow this."""


class WrongSignInError(ServiceError):
    """E-mail and password do not belong together."""


class TooManyAttemptsError(ServiceError):
    """Signing in is paused for this subject; try again after ``wait_s``."""

    def __init__(self, message: str, wait_s: int) -> None:
        super().__init__(message)
        self.wait_s = wait_s


class KeyReusedError(ServiceError):
    """An idempotency key came back with another request."""


class InvalidError(ServiceError):
    """Input that breaks a rule of the trade; ``field`` names it."""

    def __init__(self, message: str, field: str = "") -> None:
        super().__init__(message)
        self.field = field
