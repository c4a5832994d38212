"""Files that come in whole, answers that a browser keeps as one, addresses drawn as QR."""

import io
from typing import Annotated

import segno
from fastapi import Body, Request, Response

from pavrik.api.body_limit import ARCHIVE_BYTES, FILE_BYTES
from pavrik.api.local import is_local

FileIn = Annotated[bytes, Body(media_type="application/octet-stream", max_length=FILE_BYTES)]

ArchiveIn = Annotated[bytes, Body(media_type="application/octet-stream", max_length=ARCHIVE_BYTES)]


def file_answer(data: bytes, media_type: str, name: str) -> Response:
    """A file to be kept by the browser."""
    return Response(
        data,
        media_type=media_type,
        headers={"Content-Disposition": f'attachment; filename="{name}"'},
    )


def address_of(request: Request, path: str) -> str:
    """A path under the address by which others reach this server; empty where it was not told. What
    a request calls the server is believed on this machine alone."""
    base = request.app.state.settings.public_url
    if base is None and not is_local(request):
        return ""
    return (base or str(request.base_url)).rstrip("/") + path


def qr_of(request: Request, path: str) -> str:
    """The QR code, as SVG, of a path's address; empty where that is not known."""
    address = address_of(request, path)
    if not address:
        return ""
    drawn = io.BytesIO()
    segno.make(address, error="m").save(drawn, kind="svg", scale=4, border=2, xmldecl=False)
    return drawn.getvalue().decode()
