"""A ruffling attachment: a strip of samples planned and read, and how to set it for a wanted ratio."""

from __future__ import annotations

from dataclasses import replace

from ribbon.errors import Refusal, refuse
from ribbon.gathers import (
    EVERY,
    LONGEST_STITCH,
    SHORTEST_STITCH,
    USUAL_TUCK,
    Sample,
    SwatchKind,
    Trial,
    sampler,
    settings_for,
    stitch_text,
    usual_sample,
)
from ribbon.lengths import UNITS, ZERO, Length, Unreadable, read_length, read_ratio
from server.swatches.models import BookSwatch
from server.swatches.schema import BookSpec, SampleOut, SamplerIn, SamplerOut, WantedIn, WantedOut, WantedRow
from server.swatches.services import fine, trial_of
from server.wire.texts import Texts
from server.wire.told import told_length, told_ratio

CAUTIONS = (
    "Turn the wheel by hand for two tucks before each sample.",
    "See that the attachment fits the machine, and that its screws have not worked loose.",
)


def sampler_of(said: SamplerIn) -> SamplerOut:
    """The samples of a strip.  Raises `Refusal` with everything in it that cannot be."""
    unit = UNITS[said.unit]
    texts = Texts(unit)
    long, apart = usual_sample(imperial=unit.binary)
    each, gap = texts.given("each", said.each) or long, texts.given("gap", said.gap) or apart
    tuck = texts.given("tuck", said.tuck) or USUAL_TUCK
    settings: list[tuple[int, Length]] = []
    for number, one in enumerate(said.settings):
        stitch = texts.read(f"settings.{number}.stitch", one.stitch, lambda text: read_length(text, UNITS["mm"]))
        if one.every not in EVERY:
            texts.add(
                "every",
                f"settings.{number}.every",
                one.every,
                f"an attachment does not tuck every {one.every} stitches",
                "use 1, 6 or 12, or 0 for none",
            )
        elif stitch is not None and not SHORTEST_STITCH <= stitch <= LONGEST_STITCH:
            texts.add(
                "stitch",
                f"settings.{number}.stitch",
                one.stitch,
                f"no machine makes stitches of {stitch_text(stitch)}",
                f"use {stitch_text(SHORTEST_STITCH)} to {stitch_text(LONGEST_STITCH)}",
            )
        elif stitch is not None:
            settings.append((one.every, stitch))
    measured = [texts.length_or_none(f"measured.{number}", text) for number, text in enumerate(said.measured)]
    if texts.problems:
        raise Refusal(texts.problems)
    samples = sampler(settings, each, gap, tuck)
    trials = [
        _tried(one, each, measured[number] if number < len(measured) else None, number)
        for number, one in enumerate(samples)
    ]
    scribe = fine(said.unit)
    long = samples[-1].end + gap
    tucks = [one.tuck for one in trials if one is not None and one.tuck is not None]
    says = [f"Cut a strip {scribe.write(long).text} long; mark each sample at both its ends and number it."]
    if tucks:
        mean = sum(tucks, ZERO) / len(tucks)
        says.append(f"By {len(tucks)} of them it tucks {scribe.write(mean).text} each time.")
    return {
        "samples": [_told(said.unit, one, trial) for one, trial in zip(samples, trials, strict=True)],
        "each": told_length(scribe, each),
        "long": told_length(scribe, long),
        "tuck": told_length(scribe, tuck),
        "says": [*says, *CAUTIONS],
    }


def _tried(one: Sample, each: Length, measured: Length | None, number: int) -> Trial | None:
    """What a sample made; None of one that is not measured.  Raises `Refusal`, at the field that it was measured into."""
    if measured is None:
        return None
    setting = one.setting
    try:
        return Trial(SwatchKind.ATTACHMENT, each, (measured,), every=setting.every, stitch=setting.stitch)
    except Refusal as refused:
        raise Refusal([replace(problem, path=f"measured.{number}") for problem in refused.problems]) from None


def _told(unit: str, one: Sample, trial: Trial | None) -> SampleOut:
    scribe, setting = fine(unit), one.setting
    made = trial.ratios if trial is not None else None
    return {
        "number": one.number,
        "every": setting.every,
        "stitch": stitch_text(setting.stitch),
        "says": setting.says,
        "start": told_length(scribe, one.start),
        "end": told_length(scribe, one.end),
        "expected": told_length(scribe, one.expected),
        "ratio": told_ratio(setting.ratio),
        "made": told_ratio(made.mean) if made is not None else None,
        "tuck": told_length(scribe, trial.tuck) if trial is not None and trial.tuck is not None else None,
        "ok": made is not None,
    }


def wanted_of(swatch: BookSwatch, said: WantedIn) -> WantedOut:
    """How to set the attachment of a swatch for a wanted ratio.  Raises `Refusal`."""
    trial = trial_of(swatch.kind, swatch.unit, BookSpec.model_validate(swatch.spec))
    if trial.tuck is None or trial.tuck <= ZERO:
        raise refuse(
            "no_tuck", "ratio", said.ratio, "this swatch shows no tuck", "measure one that was sewn with the attachment"
        )
    try:
        ratio = read_ratio(said.ratio)
    except Unreadable as error:
        raise refuse("unreadable", "ratio", said.ratio, error.message, error.way_out) from None
    if ratio <= 1:
        raise refuse(
            "too_small",
            "ratio",
            said.ratio,
            "an attachment that tucks always takes more than once the length",
            "want more than 1",
        )
    rows: list[WantedRow] = [
        {"every": one.every, "stitch": stitch_text(one.stitch), "says": one.says}
        for one in settings_for(trial.tuck, ratio)
    ]
    tucks = fine(swatch.unit).write(trial.tuck).text
    if not rows:
        return {
            "settings": [],
            "says": f"With tucks of {tucks} no stitch from {stitch_text(SHORTEST_STITCH)} to {stitch_text(LONGEST_STITCH)} makes {told_ratio(ratio)['text']} times: turn the screw for another tuck, and try it again.",
        }
    return {"settings": rows, "says": f"With tucks of {tucks}, {told_ratio(ratio)['text']} times:"}  # fmt: skip
