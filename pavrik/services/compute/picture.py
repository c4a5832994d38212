"""The public computations ``pavrik picture`` and ``pavrik lengths``."""

from pavrik.core.tracking.picture_lengths import read_lengths
from pavrik.core.tracking.picture_screens import read_picture
from pavrik.formats.model.picture import (
    LengthOfPicture,
    LengthsAnswer,
    LengthsRequest,
    PictureAnswer,
    PictureRequest,
)


def picture(request: PictureRequest) -> PictureAnswer:
    """A screen's value from taps. Raises ValueError."""
    points = {str(name): at for name, at in request.points.items()}
    value, error = read_picture(request.kind, points, request.stature_m)
    unit, digits = ("m", 3) if request.kind == "hop" else ("deg", 1)
    return PictureAnswer(value=round(value, digits), error=round(error, digits), unit=unit)


def lengths(request: LengthsRequest) -> LengthsAnswer:
    """Limbs of a standing lifter from taps. Raises ValueError."""
    points = {str(name): at for name, at in request.points.items()}
    taped = request.taped_m
    return LengthsAnswer(
        lengths={
            name: LengthOfPicture(
                length_m=round(one.length_m, 4),
                error_m=round(one.error_m, 4),
                contradicts=name in taped and one.contradicts(taped[name]),
            )
            for name, one in read_lengths(points, request.stature_m).items()
        }
    )
