"""Print: A4 with the shipped fonts, a head, a foot with name and page."""

import io
from collections.abc import Callable, Sequence
from functools import cache
from html import escape
from importlib.resources import as_file, files

from reportlab.lib import colors
from reportlab.lib.pagesizes import A4
from reportlab.lib.styles import ParagraphStyle
from reportlab.lib.units import mm
from reportlab.pdfbase import pdfmetrics
from reportlab.pdfbase.ttfonts import TTFont
from reportlab.pdfgen.canvas import Canvas
from reportlab.platypus import BaseDocTemplate, Flowable, Paragraph, SimpleDocTemplate, TableStyle

_PLAIN, _BOLD = "Archivo", "Archivo-Bold"
INK, SOFT = colors.HexColor("#1d2126"), colors.HexColor("#5a626b")


@cache
def _fonts() -> None:
    """The shipped fonts (Archivo, SIL Open Font License): Latin with its extensions."""
    for name, file in ((_PLAIN, "archivo-regular.ttf"), (_BOLD, "archivo-bold.ttf")):
        with as_file(files("pavrik.formats").joinpath("fonts", file)) as path:
            pdfmetrics.registerFont(TTFont(name, str(path)))


TITLE = ParagraphStyle("title", fontName=_BOLD, fontSize=16, leading=20, textColor=INK)
HEAD = ParagraphStyle("head", fontName=_BOLD, fontSize=10.5, leading=14, textColor=INK)
TEXT = ParagraphStyle("text", fontName=_PLAIN, fontSize=9, leading=11.5, textColor=INK)
STRONG = ParagraphStyle("load", parent=TEXT, fontName=_BOLD)
SMALL = ParagraphStyle("small", fontName=_PLAIN, fontSize=7.6, leading=9.6, textColor=SOFT)
RULES = TableStyle(
    [
        ("LINEBELOW", (0, 0), (-1, -1), 0.3, colors.HexColor("#c9cdd2")),
        ("VALIGN", (0, 0), (-1, -1), "TOP"),
        ("LEFTPADDING", (0, 0), (-1, -1), 0),
        ("TOPPADDING", (0, 0), (-1, -1), 2),
        ("BOTTOMPADDING", (0, 0), (-1, -1), 2),
    ]
)


def written(text: str, style: ParagraphStyle = TEXT) -> Paragraph:
    """A piece of text as it is, whatever it holds."""
    _fonts()
    return Paragraph(escape(text), style)


def on_paper(story: Sequence[Flowable], title: str, name: str, author: str) -> bytes:
    """A document of parts, as PDF."""
    _fonts()
    out = io.BytesIO()
    document = SimpleDocTemplate(
        out, pagesize=A4, leftMargin=15 * mm, rightMargin=15 * mm, topMargin=14 * mm,
        bottomMargin=14 * mm, title=title, author=author,
    )  # fmt: skip
    document.build(list(story), onFirstPage=_foot(name), onLaterPages=_foot(name))
    return out.getvalue()


def _foot(name: str) -> Callable[[Canvas, BaseDocTemplate], None]:
    def draw(canvas: Canvas, document: BaseDocTemplate) -> None:
        canvas.setFont(_PLAIN, 7)
        canvas.setFillColor(SOFT)
        canvas.drawString(15 * mm, 8 * mm, name)
        canvas.drawRightString(195 * mm, 8 * mm, str(document.page))

    return draw
