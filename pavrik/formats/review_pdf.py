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
from pavrik.words import say

Place = tuple[float, float]
_GHOST, _BAR = colors.HexColor("#1f7a70"), colors.HexColor("#c3421c")
_TALL, _WIDE, _MOST = 46 * mm, 34 * mm, 5
_CHAINS = {
    "side": (("ankle", "knee", "hip", "shoulder"),),
    "front": (("left ankle", "left knee"), ("right ankle", "right knee"),
              ("left plate", "right plate")),
    "rear": (("left plate", "right plate"),),
}  # fmt: skip
_WORDS = {
    "holds": say("formats.holds"), "slight": say("formats.slight"),
    "fails": say("formats.fails"), "cannot tell": say("formats.cannot_tell"),
}  # fmt: skip
_MARK = {**_WORDS, "fails": say("formats.fails_loudly")}
CAUTION = say("formats.measurement_film_errors_no")


def write_review_pdf(reading: ClipReading, name: str, club: str) -> bytes:
    """The review as PDF."""
    where = {"side": "", "front": say("formats.from_front"), "rear": say("formats.from_behind")}[
        reading.view
    ]
    verdict = reading.verdict
    story: list[Flowable] = [
        written(name, TITLE),
        written(
            say(
                "formats.lift_told_kg_filmed",
                lift=reading.lift,
                told_kg=told_kg(reading.load_kg),
                filmed_on=reading.filmed_on,
                where=where,
                reps=len(reading.reps),
                setup_words=reading.setup_words,
            ),
            SMALL,
        ),
        Spacer(0, 3 * mm),
        written(verdict.overall.capitalize(), HEAD),
        *([written(verdict.said)] if verdict.said else []),
        *(
            [written(say("formats.next", said_cue=verdict.said_cue or verdict.cue), STRONG)]
            if verdict.said_cue or verdict.cue
            else []
        ),
        Spacer(0, 3 * mm),
        _figures(reading),
        Spacer(0, 2 * mm),
        _phases(reading),
        Spacer(0, 3 * mm),
        written(say("formats.what_film_shows"), HEAD),
        *[written(_told(one), TEXT) for one in reading.findings if one.word != "dismissed"],
        Spacer(0, 3 * mm),
        _reps(reading),
        Spacer(0, 3 * mm),
        written(say("formats.what_cannot_show"), HEAD),
        *[written(text, SMALL) for text in (*reading.camera.words, *reading.cannot_tell)],
        Spacer(0, 3 * mm),
        written(CAUTION, SMALL),
    ]
    return on_paper(story, say("formats.review_of", name=name), name, club)


def _told(one: FindingOut) -> str:
    seen = {"confirmed": say("formats.coach_sees_too")}.get(one.word, "")
    cost = say("formats.costs_cost_words", cost_words=one.cost_words) if one.cost_words else ""
    size = f" {size_text(one, one.value)} {one.says} ± {size_text(one, one.error_sd)}"
    return f"{whose(one)}: {_WORDS[one.state]},{size}{cost}{seen}"


NOT_TOLD = (_WORDS["cannot tell"], "")
_PHASE_HEADS = (
    say("formats.head_phase"), "", say("formats.head_measured"), say("formats.head_computed"),
    say("formats.what_stands_out"),
)  # fmt: skip


def _phases(reading: ClipReading) -> Flowable:
    named = {one.detector: one for one in reading.findings}
    rows: list[list[Paragraph]] = [[written(head, SMALL) for head in _PHASE_HEADS]]
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
        cells = (say("formats.tapped_s", time_s=time_s), "", measured, computed, "")
        rows.append([written(cell) for cell in cells])
    widths = (28 * mm, 18 * mm, 46 * mm, 46 * mm, 42 * mm)
    return Table(rows, widths, style=RULES, hAlign="LEFT")


def _side_words(lean_deg: float, bar_x_m: float, hip_z_m: float) -> str:
    ahead = round(bar_x_m * 100)
    if ahead == 0:
        bar = say("setups.bar_over_mid_foot")
    elif ahead > 0:
        bar = say("formats.bar_cm_mid_foot", ahead=ahead)
    else:
        bar = say("formats.bar_cm_behind", ahead=-ahead)
    return say("formats.leans_hip_cm_high", lean_deg=lean_deg, bar=bar, hip_z_m=hip_z_m * 100)


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
        parts.append(say("formats.bar_cm_left", tilt_m=front.tilt_m * 100))
    if front.hips_off_m is not None:
        parts.append(say("formats.hips_cm_left", hips_off_m=front.hips_off_m * 100))
    if front.knee_left_out_m is None or front.knee_right_out_m is None:
        return ", ".join(parts), ""
    knees = say(
        "formats.and_cm",
        knee_left_out_m=front.knee_left_out_m * 100,
        knee_right_out_m=front.knee_right_out_m * 100,
    )
    seen = ", ".join([say("formats.knees_out", knees=knees), *parts])
    return seen, say("formats.knees_out_cm", expected_out_m=front.expected_out_m * 100)


_REP_HEADS = (
    say("formats.head_rep"), say("formats.head_down"), say("formats.head_up"),
    say("formats.mean_speed"),
)  # fmt: skip


def _reps(reading: ClipReading) -> Flowable:
    rows = [[written(head, SMALL) for head in _REP_HEADS]]
    for rep in reading.reps:
        speed = NOT_TOLD[0] if rep.mean_m_s is None else f"{rep.mean_m_s:.2f} m/s"
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
