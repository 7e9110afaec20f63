import { describe, expect, test } from "vitest";
import type { KeptSpec, ThingAnswer } from "../src/api/client";
import { isTied, keptAs, readySpecs, tiedAgain } from "../src/state/ties";

const KEPT = {
  edge: "left",
  kind: "pinch",
  pins: { finished: { tied: "left.finished" }, spacing: { tied: "left.spacing" }, count: { tied: "left.count" } },
  lead: { width: { tied: "left.lead" } },
  parts: [{ kind: "plain", width: { tied: "left.lead" } }],
} as unknown as KeptSpec;
const result = (typed: string, about = false) => ({ typed, about, says: "", length: null, number: null });
const MADE = {
  results: {
    "left.finished": result("89 cm"),
    "left.spacing": result("10 cm", true),
    "left.count": result(""),
    "left.lead": result("9 cm"),
  },
  edges: {},
} as unknown as ThingAnswer;

const ready = () => {
  const found = readySpecs([{ key: "p", spec: KEPT }], MADE).get("p");
  if (!found) throw new Error("it is not ready");
  return found;
};

describe("facts that follow from a thing", () => {
  test("stand there as they are typed, and what nothing settles is left out", () => {
    expect(ready().pins).toEqual({ finished: "89 cm", spacing: { about: "10 cm" } });
    expect(ready().lead).toEqual({ width: "9 cm" });
  });

  test("wait for the thing where it is not known yet", () => {
    expect(readySpecs([{ key: "p", spec: KEPT }], null).get("p")).toBeNull();
  });

  test("stay tied where they are left alone, and are one's own where they are typed over", () => {
    const edited = { ...ready(), pins: { ...ready().pins, spacing: "8 cm" } };
    const kept = keptAs(KEPT, ready(), edited, MADE);
    expect(kept.pins).toEqual({ finished: { tied: "left.finished" }, spacing: "8 cm", count: { tied: "left.count" } });
    expect(isTied(kept, "pins.finished")).toBe(true);
    expect(isTied(kept, "pins.spacing")).toBe(false);
    expect(tiedAgain(kept, "pins.spacing", "left.spacing")).toEqual(KEPT);
  });

  test("are let go of where they are taken away", () => {
    const { finished: _, ...pins } = ready().pins ?? {};
    expect(keptAs(KEPT, ready(), { ...ready(), pins }, MADE).pins).not.toHaveProperty("finished");
  });

  test("stay tied in the parts of an edge", () => {
    const edited = { ...ready(), facing: "left" as const };
    expect(keptAs(KEPT, ready(), edited, MADE).parts).toEqual(KEPT.parts);
  });
});
