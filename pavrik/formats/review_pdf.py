"""The review of a clip for print: what was seen phase by phase, drawn and in numbers, with the
coach's own words where he said it otherwise. Drawings, never the film."""

from collections.abc import Mapping

from reportlab.graphics.shapes import Circle, Drawing, Line, PolyLine, String
from reportlab.lib import colors
from reportlab.lib.units import mm
from reportlab.platypus import Flowable, Paragraph, Spacer, Table

from pavrik.core.tracking.review import HeadOnInstant, Instant
from pavrik.core.units import told_kg
from pavrik.formats.clip_words import size_text, whose
from pavrik.formats.paper import (
    HEAD,
    INK,
    RULES,
    SMALL,
    SOFT,
    STRONG,
    TEXT,
    TITLE,
    on_paper,
    written,
)
from pavrik.formats.wire.watch import ClipReading, FindingOut

Place = tuple[float, float]
_GHOST, _BAR = colors.HexColor("#1f7a70"), colors.HexColor("#c3421c")
_TALL, _WIDE, _MOST = 46 * mm, 34 * mm, 5
_CHAINS = {
    "side": (("ankle", "knee", "hip", "shoulder"),),
    "front": (("left ankle", "left knee"), ("right ankle", "right knee"),
              ("left plate", "right plate")),
    "rear": (("left plate", "right plate"),),
}  # fmt: skip
_MARK = {"holds": "holds", "slight": "slight", "fails": "FAILS", "cannot tell": "cannot tell"}
CAUTION = (
    "A measurement of one film with its errors, no referee's light and no diagnosis. Stop at "
    "sharp or new pain and see a licensed clinician; the rule book in force decides."
)


def write_review_pdf(reading: ClipReading, name: str, club: str) -> bytes:
    """The review as PDF."""
    where = {"side": "", "front": ", from the front", "rear": ", from behind"}[reading.view]
    verdict = reading.verdict
    story: list[Flowable] = [
        written(name, TITLE),
        written(
            f"{reading.lift} {told_kg(reading.load_kg)}, {reading.filmed_on:%d %B %Y}{where}; "
            f"{len(reading.reps)} reps, {reading.setup_words}", SMALL,
        ),
        Spacer(0, 3 * mm),
        written(verdict.overall.capitalize(), HEAD),
        *([written(verdict.said)] if verdict.said else []),
        *([written(f"Next: {verdict.said_cue or verdict.cue}", STRONG)]
          if verdict.said_cue or verdict.cue else []),
        Spacer(0, 3 * mm),
        _figures(reading),
        Spacer(0, 2 * mm),
        _phases(reading),
        Spacer(0, 3 * mm),
        written("What the film shows", HEAD),
        *[written(_told(one), TEXT) for one in reading.findings if one.word != "dismissed"],
        Spacer(0, 3 * mm),
        _reps(reading),
        Spacer(0, 3 * mm),
        written("What it cannot show", HEAD),
        *[written(text, SMALL) for text in (*reading.camera.words, *reading.cannot_tell)],
        Spacer(0, 3 * mm),
        written(CAUTION, SMALL),
    ]  # fmt: skip
    return on_paper(story, f"Review of {name}", name, club)


def _told(one: FindingOut) -> str:
    seen = {"confirmed": "; the coach sees it too"}.get(one.word, "")
    cost = f"; costs {one.cost_words}" if one.cost_words else ""
    size = f" {size_text(one, one.value)} {one.says} ± {size_text(one, one.error_sd)}"
    return f"{whose(one)}: {one.state},{size}{cost}{seen}"


NOT_TOLD = ("cannot tell", "")


def _phases(reading: ClipReading) -> Flowable:
    named = {one.detector: one for one in reading.findings}
    rows: list[list[Paragraph]] = [
        [written(head, SMALL) for head in ("Phase", "", "Measured", "Computed", "What stands out")]
    ]
    told_here = reading.camera.angles_told
    for row in reading.phases:
        measured, computed = _numbers(row.instant, row.head_on) if told_here else NOT_TOLD
        found = [
            f"{named[one].name}, {size_text(named[one], named[one].value)}"
            for one in row.findings
            if named[one].state in ("fails", "slight")
        ]
        told = row.said or "; ".join([*found, *filter(None, [row.says])])
        cells = (row.phase, _MARK[row.state], measured, computed, told)
        rows.append([written(cell) for cell in cells])
    pictures = [(at.time_s, _numbers(at, None)) for at in reading.instants]
    pictures += [(at.time_s, _numbers(None, at)) for at in reading.head_on_instants]
    for time_s, numbers in pictures:
        measured, computed = numbers if told_here else NOT_TOLD
        cells = (f"tapped at {time_s:.2f} s", "", measured, computed, "")
        rows.append([written(cell) for cell in cells])
    widths = (28 * mm, 18 * mm, 46 * mm, 46 * mm, 42 * mm)
    return Table(rows, widths, style=RULES, hAlign="LEFT")


def _side_words(lean_deg: float, bar_x_m: float, hip_z_m: float) -> str:
    ahead = round(bar_x_m * 100)
    way = "ahead of" if ahead >= 0 else "behind"
    bar = f"bar {abs(ahead)} cm {way} mid-foot" if ahead else "bar over mid-foot"
    return f"leans {lean_deg:.0f}°, {bar}, hip {hip_z_m * 100:.0f} cm high"


def _numbers(at: Instant | None, front: HeadOnInstant | None) -> tuple[str, str]:
    if at is not None:
        return (
            _side_words(at.lean_deg, at.bar_x_m, at.hip_z_m),
            _side_words(at.expected_lean_deg, at.expected_bar_x_m, at.expected_hip_z_m),
        )
    if front is None:
        return "", ""
    parts = []
    if front.tilt_m is not None:
        parts.append(f"bar {front.tilt_m * 100:+.1f} cm to the left")
    if front.hips_off_m is not None:
        parts.append(f"hips {front.hips_off_m * 100:+.1f} cm to the left")
    if front.knee_left_out_m is None or front.knee_right_out_m is None:
        return ", ".join(parts), ""
    knees = f"{front.knee_left_out_m * 100:.0f} and {front.knee_right_out_m * 100:.0f} cm"
    seen = ", ".join([f"knees out {knees}", *parts])
    return seen, f"knees out {front.expected_out_m * 100:.0f} cm"


def _reps(reading: ClipReading) -> Flowable:
    rows = [[written(head, SMALL) for head in ("Rep", "Down", "Up", "Mean speed")]]
    for rep in reading.reps:
        speed = "cannot tell" if rep.mean_m_s is None else f"{rep.mean_m_s:.2f} m/s"
        cells = (str(rep.number), f"{rep.down_s:.2f} s", f"{rep.up_s:.2f} s", speed)
        rows.append([written(cell) for cell in cells])
    return Table(rows, (20 * mm, 26 * mm, 26 * mm, 30 * mm), style=RULES, hAlign="LEFT")


def _figures(reading: ClipReading) -> Flowable:
    """A drawing of each phase: what was measured, and dashed what was computed."""
    told = [(row.phase, at.time_s) for row in reading.phases[:_MOST]
            if (at := row.instant or row.head_on) is not None]  # fmt: skip
    if not told:
        return Spacer(0, 0)
    times = reading.frames.times_s
    drawn = []
    for phase, time_s in told:
        frame = min(range(len(times)), key=lambda i: abs(times[i] - time_s))
        drawn.append(_figure(reading, frame, phase))
    return Table([drawn], [_WIDE] * len(drawn), hAlign="LEFT")


def _figure(reading: ClipReading, frame: int, phase: str) -> Drawing:
    frames = reading.frames
    every = [p for places in frames.pixels.values() for p in places if p is not None]
    left, right = min(p[0] for p in every), max(p[0] for p in every)
    top, low = min(p[1] for p in every), max(p[1] for p in every)
    scale = min((_WIDE - 4 * mm) / (right - left or 1), (_TALL - 8 * mm) / (low - top or 1))

    def at(place: Place) -> Place:
        return (place[0] - left) * scale + 2 * mm, (low - place[1]) * scale + 5 * mm

    picture = Drawing(_WIDE, _TALL)
    foot = at(frames.foot)
    picture.add(Line(foot[0], foot[1], foot[0], _TALL - 2 * mm, strokeColor=SOFT, strokeWidth=0.3,
                     strokeDashArray=[2, 2]))  # fmt: skip
    for chain in _CHAINS[reading.view]:
        for places, colour, dashes in (
            (frames.expected, _GHOST, [2, 1.5]), (frames.pixels, INK, [])
        ):  # fmt: skip
            points = [at(p) for name in chain if (p := _place(places, name, frame)) is not None]
            if len(points) > 1:
                picture.add(PolyLine([c for p in points for c in p], strokeColor=colour,
                                     strokeWidth=1.1, strokeDashArray=dashes))  # fmt: skip
    for name in ("bar_middle", "left plate", "right plate", "belt"):
        if (place := _place(frames.pixels, name, frame)) is not None:
            picture.add(Circle(*at(place), 1.6, fillColor=_BAR, strokeColor=None))
    picture.add(String(2 * mm, 1 * mm, phase, fontName="Archivo", fontSize=7, fillColor=SOFT))
    return picture


def _place(places: Mapping[str, list[Place | None]], name: str, frame: int) -> Place | None:
    found = places.get(name)
    return found[frame] if found else None
