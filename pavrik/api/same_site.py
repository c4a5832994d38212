"""What changes anything is asked for by Pavrik's own page or by a program, by no foreign page.

Browsers say where a request comes from (``Sec-Fetch-Site``, ``Origin``); programs say nothing.
"""

from urllib.parse import urlsplit

from starlette.datastructures import Headers
from starlette.types import ASGIApp, Receive, Scope, Send

from pavrik.api.problems import problem
from pavrik.words import say

READING = frozenset({"GET", "HEAD", "OPTIONS"})
OWN = frozenset({"same-origin", "none"})


class SameSite:
    """ASGI middleware: a writing request of another site's page is refused, signed in or not."""

    def __init__(self, app: ASGIApp, public_url: str | None) -> None:
        self._app = app
        self._public = urlsplit(public_url).netloc if public_url else None

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        if scope["type"] == "http" and scope["method"] not in READING and self._is_foreign(scope):
            told = say("api.asked_page_another_site")
            await problem(403, say("api.not_allowed"), told)(scope, receive, send)
            return
        await self._app(scope, receive, send)

    def _is_foreign(self, scope: Scope) -> bool:
        headers = Headers(scope=scope)
        site, origin = headers.get("sec-fetch-site"), headers.get("origin")
        if site is not None and site not in OWN:
            return True
        if origin is None:
            return False
        return urlsplit(origin).netloc not in {headers.get("host"), self._public}
