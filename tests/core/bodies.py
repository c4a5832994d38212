"""Bodies for the tests: the default man, and hypothesis strategies from small to large adults."""

from hypothesis import strategies as st

from pavrik.core.body.plausibility import SPREAD_SHARE
from pavrik.core.body.segments import STATURE_FRACTION, Body, make_body

DEFAULT_MAN = make_body("male", 83, 1.75)
DEFAULT_WOMAN = make_body("female", 63, 1.65)
SQUAT_SEGMENTS = ("foot_m", "ankle_height_m", "shank_m", "thigh_m", "trunk_m", "head_neck_m")


@st.composite
def adults(draw: st.DrawFn) -> Body:
    """Adults from about the 1st to the 99th percentile, both sexes, each length of its own."""
    sex = draw(st.sampled_from(["male", "female"]))
    stature = draw(st.floats(1.60, 1.95) if sex == "male" else st.floats(1.48, 1.80))
    mass = draw(st.floats(20.0, 40.0)) * stature**2
    segments = {
        name: STATURE_FRACTION[name]
        * stature
        * (1 + SPREAD_SHARE[name] * draw(st.floats(-2.3, 2.3)))
        for name in SQUAT_SEGMENTS
    }
    return make_body(sex, mass, stature, segments)
