"""``pavrik mail-stand-in``: takes every letter, sends none, and shows what it received."""

from collections.abc import Iterator
from contextlib import contextmanager
from email import message_from_bytes, policy
from email.message import EmailMessage
from threading import Event

from aiosmtpd.controller import Controller
from aiosmtpd.smtp import SMTP, Envelope, Session

from pavrik.cli.ports import LOOPBACK
from pavrik.cli.start import choose_port

TAKEN = "250 taken"


class Letterbox:
    """What came, oldest first."""

    def __init__(self) -> None:
        self.letters: list[EmailMessage] = []

    async def handle_DATA(self, _server: SMTP, _session: Session, envelope: Envelope) -> str:  # noqa: N802 (a name of aiosmtpd)
        letter = message_from_bytes(envelope.original_content or b"", policy=policy.default)
        assert isinstance(letter, EmailMessage)
        self.letters.append(letter)
        print(f"\nTo: {letter['To']}\nSubject: {letter['Subject']}\n\n{letter.get_content()}")
        return TAKEN


@contextmanager
def mail_stand_in(port: int) -> Iterator[tuple[Letterbox, int]]:
    """A letterbox on this machine and its port. Raises OperationError where the port is taken."""
    box = Letterbox()
    controller = Controller(box, hostname=LOOPBACK, port=choose_port(port))
    controller.start()
    try:
        yield box, port
    finally:
        controller.stop()


def run_mail_stand_in(port: int) -> None:
    """Show what comes until Ctrl-C."""
    with mail_stand_in(port) as (_, taken):
        print(f"PAVRIK_SMTP_URL=smtp://{LOOPBACK}:{taken}  Ctrl-C stops it.", flush=True)
        try:
            Event().wait()
        except KeyboardInterrupt:
            return
