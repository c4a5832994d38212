import pytest

from pavrik.core.units import dorsiflexion_from_knee_to_wall, told_kg


def test_knee_to_wall():
    """Bennell et al. (1998), from memory: about 3.6 deg per cm, so 10 cm are about 36 deg."""
    assert dorsiflexion_from_knee_to_wall(10.0) == pytest.approx(0.628, abs=0.001)


@pytest.mark.parametrize(
    ("kg", "told"), [(102.05828, "102.1 kg"), (100.0, "100 kg"), (62.5, "62.5 kg"), (0.04, "0 kg")]
)
def test_a_load_is_told_to_a_tenth_of_a_kilo(kg, told):
    assert told_kg(kg) == told
