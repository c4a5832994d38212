"""Answers that a browser keeps as a file."""

from fastapi import Response


def file_answer(data: bytes, media_type: str, name: str) -> Response:
    """A file to be kept by the browser."""
    return Response(
        data,
        media_type=media_type,
        headers={"Content-Disposition": f'attachment; filename="{name}"'},
    )
