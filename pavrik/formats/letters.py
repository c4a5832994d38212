"""Letters that go out by mail, as plain text."""

from email.message import EmailMessage

from pavrik.formats.wire.people import JoinAnswer

ROLE_WORDS = {"owner": "an owner", "coach": "a coach", "read_only": "a reader"}


def link_letter(opens: JoinAnswer, address: str, days: int) -> EmailMessage:
    """A one-time link for whom it was made: an invitation, or the choice of another password."""
    letter = EmailMessage()
    letter["To"] = opens.email
    if opens.kind == "invitation":
        letter["Subject"] = f"{opens.club}: your place in Pavrik"
        opening = f"{opens.club} invites you to Pavrik as {ROLE_WORDS[opens.role]}."
        does = "It asks for your name and a password of your own"
        unasked = "If you do not know the club, leave the link alone: nothing happens without it."
    else:
        letter["Subject"] = f"{opens.club}: choose another password"
        opening = f"An owner of {opens.club} made you a link to choose another password."
        does = "Your password of today holds until you do"
        unasked = "If you did not ask for it, tell an owner of the club."
    letter.set_content(
        f"{opening}\n\n{address}\n\nThe link works once, within {days} days. {does}.\n{unasked}\n"
    )
    return letter
