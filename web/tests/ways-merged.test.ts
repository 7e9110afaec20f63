import { expect, test } from "vitest";
import { mergedWays } from "../src/state/ways-merged";

test("what was typed here joins what was changed elsewhere, way by way", () => {
  const draft = { base: { seam: "1 cm", choices: { lining: "loose" } }, now: { currency: "£", choices: {} } };
  const kept = { seam: "1 cm", tape: "2 mm", choices: { lining: "loose", heading: "tape" } };
  expect(mergedWays(draft, kept)).toEqual({ ways: { tape: "2 mm", currency: "£", choices: { heading: "tape" } }, clashes: [] });
});

test("a way that both changed is told, and is as it was typed here", () => {
  const draft = { base: { currency: "$" }, now: { currency: "£" } };
  expect(mergedWays(draft, { currency: "€" })).toEqual({
    ways: { currency: "£" },
    clashes: [{ name: "currency", theirs: "€" }],
  });
  expect(mergedWays(draft, { currency: "£" }).clashes).toEqual([]);
});
