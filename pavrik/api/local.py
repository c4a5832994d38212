"""Whether a request comes from the machine that Pavrik runs on.

Behind a proxy on the same machine every client looks local, so a forwarding header or a public
address closes what is open to this machine only. So does a foreign name in the address: a page from
elsewhere may let its own name lead here (DNS rebinding).
"""

from ipaddress import ip_address
from typing import Annotated

from fastapi import Depends, Request

FORWARDING = (
    "forwarded", "x-forwarded-for", "x-forwarded-host", "x-forwarded-proto", "x-real-ip", "via",
)  # fmt: skip


def _is_loopback(host: str) -> bool:
    if host == "localhost":
        return True
    try:
        return ip_address(host).is_loopback
    except ValueError:
        return False


def is_local(request: Request) -> bool:
    """True for a client on this machine, reached without a proxy and by this machine's name."""
    if request.app.state.settings.public_url:
        return False
    if any(name in request.headers for name in FORWARDING):
        return False
    if not _is_loopback(request.url.hostname or ""):
        return False
    return request.client is not None and _is_loopback(request.client.host)


LocalIn = Annotated[bool, Depends(is_local)]
