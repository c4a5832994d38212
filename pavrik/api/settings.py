"""What the server is told by its environment."""

import os
from dataclasses import dataclass, field
from pathlib import Path

from argon2 import PasswordHasher


@dataclass(frozen=True)
class Settings:
    """Where the database is, where the built page is, whether cookies need HTTPS, and the address
    under which others reach this server (None: this machine only)."""

    database_url: str
    page_folder: Path | None
    secure_cookies: bool = False
    public_url: str | None = None
    hasher: PasswordHasher = field(default_factory=PasswordHasher)

    @staticmethod
    def from_environment() -> "Settings":
        """Read ``PAVRIK_DATABASE_URL``, ``PAVRIK_PAGE``, ``PAVRIK_SECURE_COOKIES`` and
        ``PAVRIK_PUBLIC_URL``."""
        url = os.environ.get("PAVRIK_DATABASE_URL")
        if not url:
            raise ValueError("PAVRIK_DATABASE_URL is not set: use ./start, or set it to a database")
        page = os.environ.get("PAVRIK_PAGE")
        return Settings(
            database_url=url,
            page_folder=Path(page) if page else None,
            secure_cookies=os.environ.get("PAVRIK_SECURE_COOKIES") == "1",
            public_url=os.environ.get("PAVRIK_PUBLIC_URL") or None,
        )
