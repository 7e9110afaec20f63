import type { SectionSpec } from "../api/client";
import { inInches } from "./habit";
import { quantitiesOf } from "./spec";

interface Start {
  name: string;
  says: string;
  piece: string;
  /** What its small picture is drawn in. */
  colour: string;
  spec: Omit<SectionSpec, "unit">;
}

/** The edge of a start in a unit, its places by what a sewist is used to. */
export function started({ spec }: Start, unit: "cm" | "in"): SectionSpec {
  const placed = unit === "in" ? spec.placed?.map((_, index) => ({ at: `${1.5 * (index + 1)} in` })) : spec.placed;
  return { ...spec, ...(placed ? { placed } : {}), unit };
}

/** What a new work can start from: what is being made, and the edge that goes with it. */
export const STARTS: Start[] = [
  {
    name: "A ring alone",
    colour: "#4d6f9e",
    says: "a closed ring of knife pleats",
    piece: "Skirt length",
    spec: { kind: "knife", meet: true, closed: true, pins: {} },
  },
  {
    name: "Yoked front",
    colour: "#b9963f",
    says: "pleats at stated places, mirrored from the centre",
    piece: "Front",
    spec: {
      kind: "knife",
      facing: "to_centre",
      placed_from: "centre",
      placed: [{ at: "4 cm" }, { at: "8 cm" }],
      pins: {},
    },
  },
  {
    name: "Frill or cuff",
    colour: "#a8484f",
    says: "gathers, by a ratio",
    piece: "Frill",
    spec: { kind: "gather", pins: {} },
  },
  {
    name: "An edge alone",
    colour: "#6e8fbc",
    says: "pins, as you know them",
    piece: "Edge",
    spec: { kind: "knife", pins: {} },
  },
];

/** A typical edge of that kind in place of what is not pinned yet; everything assumed gives way to what is pinned. */
export function typicalOf(spec: SectionSpec): SectionSpec {
  const inches = inInches(spec.unit);
  const assumed: NonNullable<SectionSpec["pins"]> = {
    finished: { about: inches ? "28 in" : "70 cm" },
    spacing: { about: inches ? "1 1/4 in" : "3 cm" },
    fullness: { about: "2 1/2" },
  };
  const known = new Set<string>(quantitiesOf(spec));
  const fits = Object.entries(assumed).filter(([name]) => known.has(name) && !(name in (spec.pins ?? {})));
  return { ...spec, pins: { ...Object.fromEntries(fits), ...spec.pins } };
}

/** What is assumed of a typical edge, as one would say it. */
export function assumedIn(typical: SectionSpec, spec: SectionSpec): string {
  const words: Record<string, string> = {
    finished: "finished",
    spacing: "from pleat to pleat",
    fullness: "times as full",
  };
  return Object.entries(typical.pins ?? {})
    .filter(([name]) => !(name in (spec.pins ?? {})))
    .map(([name, pin]) => `about ${typeof pin === "object" && pin ? pin.about : pin} ${words[name] ?? name}`)
    .join(", ");
}
