"""Who asks."""

from dataclasses import dataclass
from uuid import UUID

from pavrik.errors import ForbiddenError
from pavrik.words import say


@dataclass(frozen=True)
class Who:
    """The signed-in coach."""

    club_id: UUID
    coach_id: UUID
    role: str

    @property
    def may_write(self) -> bool:
        return self.role != "read_only"

    def must_write(self) -> None:
        """Raises ForbiddenError for who may only read."""
        if not self.may_write:
            raise ForbiddenError(say("services.your_role_may_read"))
