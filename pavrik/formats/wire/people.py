"""Requests and answers about the people of a club and one's own account."""

from datetime import datetime
from typing import Annotated, Literal
from uuid import UUID

from pydantic import BaseModel, Field

from pavrik.formats.model.requests import Strict
from pavrik.formats.wire.lifters import Line, Text

Role = Literal["owner", "coach", "read_only"]
Email = Annotated[Text, Field(pattern=r"^[^@\s]+@[^@\s]+$", max_length=200)]
Password = Annotated[Text, Field(min_length=12, max_length=200)]
PersonName = Annotated[Line, Field(min_length=1, max_length=80)]


class PersonOut(BaseModel):
    """Somebody of the club."""

    coach_id: UUID
    name: str
    email: str
    role: Role
    left_at: datetime | None
    you: bool


class OpenLink(BaseModel):
    """A link that was not used yet."""

    link_id: UUID
    kind: Literal["invitation", "password"]
    email: str
    role: Role
    expires_at: datetime


class PeopleAnswer(BaseModel):
    """Everybody, and the links that are open (for owners)."""

    people: list[PersonOut]
    links: list[OpenLink]
    may_manage: bool
    by_mail: bool = False
    """Whether links also go out by mail."""


class InviteRequest(Strict):
    """Invite somebody by a one-time link."""

    link_id: UUID
    email: Email
    role: Role = "coach"


class PasswordLinkRequest(Strict):
    """A one-time link with which somebody chooses a password anew."""

    link_id: UUID


class NewLink(BaseModel):
    """A fresh link, shown once."""

    link_id: UUID
    path: str
    qr_svg: str
    days: int
    mailed_to: str = ""
    not_mailed: str = ""
    """Why no letter with it went out, where one should have."""


class RoleRequest(Strict):
    """Another role for somebody."""

    role: Role


class PersonRef(BaseModel):
    """Somebody who was touched."""

    coach_id: UUID


class LinkRef(BaseModel):
    """A link that was touched."""

    link_id: UUID


class JoinAnswer(BaseModel):
    """What a link opens."""

    club: str
    kind: Literal["invitation", "password"]
    email: str
    role: Role


class JoinRequest(Strict):
    """Use a link: choose a password, and for an invitation a name."""

    token: Annotated[Text, Field(min_length=10, max_length=100)]
    password: Password
    name: Annotated[Text, Field(max_length=80)] = ""


class BrowserOut(BaseModel):
    """A signed-in browser."""

    session_id: str
    since: datetime
    until: datetime
    here: bool


class OwnAccountAnswer(BaseModel):
    """One's own account."""

    name: str
    email: str
    role: Role
    browsers: list[BrowserOut]


class NameRequest(Strict):
    """Be called otherwise."""

    name: PersonName


class PasswordRequest(Strict):
    """Change one's password; other browsers are signed out."""

    old: Annotated[Text, Field(min_length=1, max_length=200)]
    new: Password


class DeedOut(BaseModel):
    """One line of the audit trail."""

    at: datetime
    who: str
    action: str
    subject: str


class ArrivedAnswer(BaseModel):
    """A club that was brought in; ``path`` is where its owner chooses a password, once."""

    club: str
    owner_email: str
    path: str
    facts: int
