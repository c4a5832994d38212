import pytest

from pavrik.core.units import dorsiflexion_from_knee_to_wall, parse_length_m, parse_mass_kg


@pytest.mark.parametrize(
    ("text", "metres"),
    [
        ("180", 1.80), ("43,5 cm", 0.435), ("0.43 m", 0.43), ("435 mm", 0.435), ("71 in", 1.8034),
        ("5'11", 1.8034), ("5'11\"", 1.8034), ("6 ft", 1.8288), ('17"', 0.4318),
    ],
)  # fmt: skip
def test_lengths_are_read_as_coaches_write_them(text, metres):
    assert parse_length_m(text) == pytest.approx(metres)


def test_bare_numbers_take_the_coachs_unit():
    assert parse_length_m("71", "in") == pytest.approx(1.8034)
    assert parse_mass_kg("220", "lb") == pytest.approx(99.790, abs=1e-3)


@pytest.mark.parametrize(("text", "kg"), [("82.5", 82.5), ("182 lb", 82.554), ("100 kg", 100)])
def test_masses_are_read_as_coaches_write_them(text, kg):
    assert parse_mass_kg(text) == pytest.approx(kg, abs=1e-3)


@pytest.mark.parametrize("text", ["tall", "", "-5", "5 stone"])
def test_what_is_no_number_says_how_to_write_it(text):
    with pytest.raises(ValueError, match="write it like"):
        parse_length_m(text)
    with pytest.raises(ValueError, match="write it like"):
        parse_mass_kg(text)


def test_knee_to_wall():
    """Bennell et al. (1998), from memory: about 3.6 deg per cm, so 10 cm are about 36 deg."""
    assert dorsiflexion_from_knee_to_wall(10.0) == pytest.approx(0.628, abs=0.001)
