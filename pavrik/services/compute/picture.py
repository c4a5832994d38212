"""The public computation ``pavrik picture``."""

from pavrik.core.tracking.picture_screens import read_picture
from pavrik.formats.model.picture import PictureAnswer, PictureRequest


def picture(request: PictureRequest) -> PictureAnswer:
    """A screen's value from taps. Raises ValueError."""
    points = {str(name): at for name, at in request.points.items()}
    value, error = read_picture(request.kind, points, request.stature_m)
    unit, digits = ("m", 3) if request.kind == "hop" else ("deg", 1)
    return PictureAnswer(value=round(value, digits), error=round(error, digits), unit=unit)
