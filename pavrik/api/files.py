"""Files that come in whole, and answers that a browser keeps as one."""

from typing import Annotated

from fastapi import Body, Response

from pavrik.api.body_limit import FILE_BYTES

FileIn = Annotated[bytes, Body(media_type="application/octet-stream", max_length=FILE_BYTES)]


def file_answer(data: bytes, media_type: str, name: str) -> Response:
    """A file to be kept by the browser."""
    return Response(
        data,
        media_type=media_type,
        headers={"Content-Disposition": f'attachment; filename="{name}"'},
    )
