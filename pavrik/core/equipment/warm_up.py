"""The way up to the first work set: from the empty bar, jumps shrinking."""

from pavrik.core.equipment.plates import Loading, PlatePair, load_bar

SHARES = (0.40, 0.55, 0.70, 0.82, 0.92)
REPS = (5, 5, 3, 2, 1)


def warm_up(
    work_kg: float, bar_kg: float, collars_kg: float, stock: tuple[PlatePair, ...]
) -> list[tuple[int, Loading]]:
    """(reps, loading) of each warm-up set, rising strictly, all below the work set."""
    empty = bar_kg + collars_kg
    ladder = [(8, Loading((), empty, 0.0))] if work_kg > empty else []
    for share, reps in zip(SHARES, REPS, strict=True):
        loading = load_bar(max(share * work_kg, empty), bar_kg, collars_kg, stock, never_above=True)
        if ladder and ladder[-1][1].total_kg < loading.total_kg < work_kg:
            ladder.append((reps, loading))
    return ladder
