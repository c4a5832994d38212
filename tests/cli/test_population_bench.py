"""The table of ``pavrik bench --population``, as docs/model.md shows it."""

from pavrik.cli.bench_population import run_population_bench
from pavrik.cli.main import main
from pavrik.core.calibration.outcomes import targets


def rows_of(text: str) -> list[list[str]]:
    """Cells of the table's rows, without its head."""
    lines = [line for line in text.splitlines() if line.startswith("| ")][1:]
    return [[cell.strip() for cell in line.strip("|").split("|")] for line in lines]


def test_every_target_has_a_row_with_its_band_and_both_seeds(capsys):
    run_population_bench(4)
    told = capsys.readouterr().out
    rows = rows_of(told)
    assert [row[0] for row in rows] == [target.what for target in targets()]
    for row, target in zip(rows, targets(), strict=True):
        assert row[1] == f"{target.low:g} to {target.high:g}"
        outside = any(target.missed(float(value)) > 0.05 for value in row[2:4])
        assert (row[4] != "") >= outside, row
        assert not (row[4] == "missed" and target.open)
    for target in targets():
        assert (f"*{target.what}*" in told) == bool(target.open)


def test_the_command_asks_for_the_population(monkeypatch):
    asked = []
    monkeypatch.setattr(
        "pavrik.cli.bench_population.run_population_bench", lambda: asked.append("population")
    )
    monkeypatch.setattr("pavrik.cli.bench.run_bench", lambda: asked.append("speed"))
    for words in (["bench", "--population"], ["bench"]):
        main(words)
    assert asked == ["population", "speed"]
