"""What is said of an edge beyond its row: tapering, stops, swatches, match points, the way it faces."""

from __future__ import annotations

from ribbon.edge import Gathered, Inserted, Plan, Tapered
from ribbon.facts import Section
from ribbon.fraction import Fraction
from ribbon.gathers import stitch_text, tried, tuck_text
from ribbon.lengths import ZERO, Length, write_ratio
from ribbon.pleats import Facing, Look, Quantity
from ribbon.strip import LineKind

Q = Quantity


def facing_says(section: Section) -> str | None:
    """How the pleats face, from the right side and turned over; None where they have no hand.

    Turned over, the folds point to the same hand of whoever looks, so the other way along the edge.
    """
    if not section.kind.faces:
        return None
    if section.mirrored:
        towards = section.facing is Facing.TO_CENTRE
        at = "the middle" if section.mirror_at is None else section.scribe.write(section.mirror_at).text
        way, back = ("towards", "away from") if towards else ("away from", "towards")
        looks = "which draws the eye in and narrows" if towards else "which widens"
        return f"On the right side the folds point {way} the centre, turning at {at}, {looks}; turned over, they point {back} it."
    hand, ends = ("right", ("end", "start")) if section.facing is Facing.RIGHT else ("left", ("start", "end"))
    return (
        f"On the right side the folds point to your {hand}, towards the {ends[0]} of the edge; "
        f"turned over, they point to your {hand} again, and that is towards its {ends[1]}."
    )


def dressing_says(plan: Plan) -> str | None:
    """How pinch pleats are dressed, or cartridge pleats drawn up; None for other kinds."""
    section = plan.section
    if section.kind.rows:
        points = plan.count * 2
        return (
            f"Mark {points} stitch points on each of {section.rows} rows, straight below one another, and draw all the rows up together; "
            f"the folds stand {section.say(Q.DEPTH, plan.values[Q.DEPTH])} out from the band, at right angles to it."
        )
    if section.kind.look is not Look.PINCHED:
        return None
    where = (
        "at the foot of the heading, so that they fan out above it"
        if section.at_foot
        else "at the head, so that they open out below it"
    )
    if section.goblet:
        return "Sew each along its line, catch it at the foot of the heading, and open its head to a goblet; a roll of stiffener keeps it round."
    fingers = section.kind.fingers
    return (
        f"Sew each along its line, leave it single and catch it {where}."
        if fingers == 1
        else f"Sew each along its line, dress it into {fingers} even fingers and catch them {where}."
    )


def stops_say(section: Section, pleats: Fraction, width: Length | None = None) -> str | None:
    """Where the pleats are stitched down, and how much stitching that is; `width` is what a box or an opening covers."""
    stops, kind = section.stops, section.kind
    if stops is None or not (kind.faces or kind.halves):
        return None
    write = section.scribe.write
    run = stops.lower - (ZERO if stops.above else stops.upper) + stops.above
    if stops.above:
        where = f"from {write(stops.above).text} above the waistline down to {write(stops.lower).text} below it"
    elif stops.upper:
        where = f"from {write(stops.upper).text} down to {write(stops.lower).text}"
    else:
        where = f"from the edge down to {write(stops.lower).text}, and release them there"
    line = "its placement line" if kind.faces else "both its folds"
    if stops.crease is not None:
        line = f"a line {write(stops.crease).text} from {'its crease' if kind.faces else 'each of its creases'}"
    each, way = run * (2 if kind.halves else 1), ""
    if stops.across and kind.halves:
        beside = (stops.crease or ZERO) * 2
        across = (width or ZERO) + (beside if kind.width is Q.OPENING else ZERO - beside)
        each, way = each + max(across, ZERO), ", down one side, across and up the other,"
    return (
        f"Stitch each along {line}{way} {where}: {write(each).text} of stitching in each, "
        f"{write(each * pleats).text} in all. Tie the threads off at each stop."
    )


def taper_says(plan: Plan, upper: Tapered) -> str:
    """What the pleats become at the upper level and how their lines slant."""
    section = plan.section
    write, fine = section.scribe.write, section.fine
    extras = sorted(set(upper.extra))
    per = section.kind.take_up_per_depth
    says = f"{write(upper.height).text} higher the edge finishes {write(upper.comes_to).text}: each pleat is "
    if extras[-1] < ZERO:
        extras, way = [abs(extra) for extra in reversed(extras)], "shallower"
    else:
        way = "deeper"
    least, most_deep = (fine.write(extra / per).text for extra in (extras[0], extras[-1]))
    says += f"{least} {way} there." if least == most_deep else f"{least} to {most_deep} {way} there."
    moved = [slant for slant in upper.slants if slant.kind is LineKind.PLACEMENT and slant.shift]
    most = max((abs(slant.shift) for slant in (moved or upper.slants)), default=ZERO)
    edge = (
        f" The cut edge of the ring lies on a placement line and slants by {fine.write(abs(upper.start)).text} with it."
        if upper.start
        else ""
    )
    still = "outer folds stay" if section.kind.faces else "middles stay"
    return f"{says} The {still} on the straight grain; the other lines slant by up to {fine.write(most).text} over that height.{edge}"


def insert_says(plan: Plan, made: Inserted) -> str:
    """How the pattern piece is cut, spread and trued, and what it comes to."""
    section = plan.section
    fold = (
        " The pleat on the fold line takes half its allowance here." if any(one.on_fold for one in made.lines) else ""
    )
    totals = "; ".join(
        f"{_of(one.of)} {write_ratio(one.pleats).text} pleats, {section.scribe.write(one.take_up).text} of cloth"
        for one in made.totals
    )
    return (
        f"Cut the piece along {len(made.lines)} {'line' if len(made.lines) == 1 else 'lines'} and spread it from {section.scribe.write(plan.finished).text} to {section.scribe.write(made.lower).text} at its lower edge.{fold} "
        f"Fold every pleat in the paper, then cut the top across: that trues it. In {totals}."
    )


def _of(word: str) -> str:
    return {"half": "this half", "piece": "the piece", "garment": "the garment"}[word]


def lining_nests_says(section: Section) -> str:
    """How the lining is pleated so that it nests."""
    turned = {
        Facing.RIGHT: "facing left",
        Facing.LEFT: "facing right",
        Facing.TO_CENTRE: "away from the centre",
        Facing.FROM_CENTRE: "towards the centre",
    }[section.facing]
    facing = f", its pleats {turned} as you look at its own right side," if section.kind.faces else ""
    return f"Mark the lining as the mirror{facing} so that its folds lie into those of the face."


def gathers_say(plan: Plan, found: Gathered) -> list[str]:
    """The sentences on match points, thread, swatches and the attachment."""
    section, gathering = plan.section, plan.section.gathering
    write, fine = section.scribe.write, section.fine.write
    parts = len(found.points) - (not section.closed)
    says = [f"Mark both edges in {parts} {'part' if parts == 1 else 'parts'} and pin them point to point."]
    if found.least is not None and found.most is not None and found.least != found.most:
        says.append(
            f"By your swatches it may want {fine(found.least).text} to {fine(found.most).text} of cloth: cut the longer, gather what is left in."
        )
    if gathering.ruffler is None:
        sections = found.thread.sections
        rows = f"{gathering.rows} {'row' if gathering.rows == 1 else 'rows'}"
        split = "" if sections == 1 else f" in {sections} sections, so that no thread breaks"
        says.append(
            f"Stitch {rows}{split}: {write(found.thread.each).text} of thread to a row, {write(found.thread.total).text} in all."
        )
        return says
    ruffler = gathering.ruffler
    tuck, stitch = tuck_text(ruffler.tuck, section.unit), stitch_text(ruffler.stitch)
    every = "at every stitch" if ruffler.every == 1 else f"every {ruffler.every} stitches"
    says.append(
        f"The attachment tucks {tuck} {every} of {stitch}: {write_ratio(ruffler.ratio).text} times. "
        "A flat layer sewn in the same pass is as long as the finished edge. Turn the first two tucks by hand."
    )
    swatches = tried(gathering.swatches)
    if swatches is not None and swatches.mean != ruffler.ratio:
        says.append(
            f"Set so it should make {write_ratio(ruffler.ratio).text} times, and the swatches say {write_ratio(swatches.mean).text}: the swatches decide."
        )
    return says
