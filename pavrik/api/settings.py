"""What one server is made with."""

from dataclasses import dataclass, field
from os import getuid
from pathlib import Path
from tempfile import gettempdir

from argon2 import PasswordHasher

from pavrik.errors import OperationError
from pavrik.settings import Environment

FILMS = "films"
"""Folder of films in the state folder."""


def usual_films_folder() -> Path:
    """Where films wait when no folder of the installation is named."""
    return Path(gettempdir()) / f"pavrik-films-{getuid()}"


@dataclass(frozen=True)
class Settings:
    """Where the database is, where the built page is, whether cookies need HTTPS, the address under
    which others reach this server (None: this machine only), where processes share their counts, by
    which token others than this machine read them, which server takes mail."""

    database_url: str
    page_folder: Path | None
    secure_cookies: bool = False
    public_url: str | None = None
    metrics_folder: Path | None = None
    metrics_token: str | None = None
    smtp_url: str | None = None
    mail_from: str = "pavrik@localhost"
    films_folder: Path = field(default_factory=usual_films_folder)
    """Where films wait to be tracked: a folder that all processes of one server share."""
    jobs_apart: bool = False
    """Background computations in processes of their own."""
    hasher: PasswordHasher = field(default_factory=PasswordHasher)

    def as_environment(self) -> dict[str, str]:
        """The same as variables, for processes of one server."""
        told = {
            "PAVRIK_DATABASE_URL": self.database_url,
            "PAVRIK_PAGE": str(self.page_folder or ""),
            "PAVRIK_SECURE_COOKIES": "1" if self.secure_cookies else "0",
            "PAVRIK_PUBLIC_URL": self.public_url or "",
            "PAVRIK_METRICS_TOKEN": self.metrics_token or "",
            "PAVRIK_SMTP_URL": self.smtp_url or "",
            "PAVRIK_MAIL_FROM": self.mail_from,
        }
        if self.films_folder.name == FILMS:
            told["PAVRIK_STATE"] = str(self.films_folder.parent)
        return told

    @staticmethod
    def from_environment() -> "Settings":
        """What ``PAVRIK_…`` variables say. Raises OperationError where no database is named."""
        told = Environment()
        if not told.database_url:
            raise OperationError(
                "PAVRIK_DATABASE_URL is not set: use ./start, or set it to a database"
            )
        return Settings(
            told.database_url,
            told.page,
            told.secure_cookies,
            told.public_url,
            told.metrics_folder,
            told.metrics_token,
            told.smtp_url,
            told.mail_from,
            films_folder=told.state / FILMS if told.state else usual_films_folder(),
            jobs_apart=True,
        )
