import type { View } from "../api/client";
import type { Fit } from "./shapes";

/** Where the tag of a tape stands: its left upper corner, and its size. */
export interface Tag {
  field: string;
  says: string;
  side: string;
  /** The ends of its tape on the screen. */
  ends: [number, number, number, number];
  left: number;
  top: number;
  wide: number;
}

export const TAG_HIGH = 42;
const GAP = 6;

/** Where every tag of a view stands, none over another nor outside the picture. */
export function tagsOf(view: View, fit: Fit, width: number, height: number, wide: (field: string) => number): Tag[] {
  const found = view.tapes.map((tape): Tag => {
    const [a = 0, b = 0, c = 0, d = 0] = tape.ends;
    const ends: Tag["ends"] = [fit.x(a), fit.y(b), fit.x(c), fit.y(d)];
    const [x, y] = [(ends[0] + ends[2]) / 2, (ends[1] + ends[3]) / 2];
    const w = wide(tape.field);
    const left =
      tape.side === "left"
        ? Math.min(ends[0], ends[2]) - w - 10
        : tape.side === "right"
          ? Math.max(ends[0], ends[2]) + 10
          : x - w / 2;
    const top = tape.side === "above" ? y - TAG_HIGH / 2 : tape.side === "below" ? y + 8 : y - TAG_HIGH / 2;
    return {
      field: tape.field,
      says: tape.says,
      side: tape.side,
      ends,
      left: Math.max(2, Math.min(width - w - 2, left)),
      top: Math.max(2, Math.min(height - TAG_HIGH - 2, top)),
      wide: w,
    };
  });
  const placed: Tag[] = [];
  for (const tag of found) {
    let now = tag;
    for (let tries = 0; tries < 20; tries += 1) {
      const over = placed.find((one) => overlap(one, now));
      if (!over) break;
      const below = over.top + TAG_HIGH + GAP;
      now =
        below + TAG_HIGH <= height ? { ...now, top: below } : { ...now, top: Math.max(2, over.top - TAG_HIGH - GAP) };
    }
    placed.push(now);
  }
  return placed;
}

function overlap(one: Tag, other: Tag): boolean {
  return (
    one.left < other.left + other.wide + GAP &&
    other.left < one.left + one.wide + GAP &&
    one.top < other.top + TAG_HIGH + 2 &&
    other.top < one.top + TAG_HIGH + 2
  );
}
