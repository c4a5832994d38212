"""Letters that go out by mail, as plain text."""

from email.message import EmailMessage

from pavrik.formats.wire.people import JoinAnswer
from pavrik.words import say

ROLE_WORDS = {"owner": say("formats.an_owner"), "coach": "a coach", "read_only": "a reader"}


def link_letter(opens: JoinAnswer, address: str, days: int) -> EmailMessage:
    """A one-time link for whom it was made: an invitation, or the choice of another password."""
    letter = EmailMessage()
    letter["To"] = opens.email
    if opens.kind == "invitation":
        letter["Subject"] = say("formats.your_place_pavrik", club=opens.club)
        opening = say(
            "formats.invites_you_pavrik", club=opens.club, role_words=ROLE_WORDS[opens.role]
        )
        does = say("formats.asks_your_name_password")
        unasked = say("formats.if_you_do_not")
    else:
        letter["Subject"] = say("formats.choose_another_password", club=opens.club)
        opening = say("formats.owner_made_you_link", club=opens.club)
        does = say("formats.your_password_today_holds")
        unasked = say("formats.if_you_did_not")
    letter.set_content(
        say(
            "formats.link_works_once_within",
            opening=opening,
            address=address,
            days=days,
            does=does,
            unasked=unasked,
        )
    )
    return letter
