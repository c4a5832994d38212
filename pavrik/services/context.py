"""Who asks."""

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
