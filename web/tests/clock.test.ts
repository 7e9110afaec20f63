import { beforeEach, expect, test } from "vitest";
import { startClock, stopClock, takeTimed, withMinutes } from "../src/state/clock";

const kept = new Map<string, string>();

beforeEach(() => {
  kept.clear();
  Object.assign(globalThis, {
    localStorage: {
      getItem: (name: string) => kept.get(name) ?? null,
      setItem: (name: string, value: string) => void kept.set(name, value),
    },
  });
});

test("a step that is timed is written down once, to whole minutes", () => {
  startClock("w", "fold", 0);
  stopClock("w", 90 * 60_000);
  expect(takeTimed("w")).toEqual([{ step: "fold", minutes: 90 }]);
  expect(takeTimed("w")).toEqual([]);
});

test("another step that is begun ends the first, and each work has a clock of its own", () => {
  startClock("w", "wash", 0);
  startClock("other", "cut", 0);
  startClock("w", "cut", 5 * 60_000);
  stopClock("w", 5 * 60_000 + 1000);
  expect(takeTimed("w")).toEqual([
    { step: "wash", minutes: 5 },
    { step: "cut", minutes: 1 },
  ]);
  expect(takeTimed("other")).toEqual([]);
});

test("minutes are added to bare minutes and hours, and stand beside other words", () => {
  expect(withMinutes("40", 12)).toBe("52");
  expect(withMinutes("", 12)).toBe("12");
  expect(withMinutes("1 h", 12)).toBe("72");
  expect(withMinutes("1 h 5", 12)).toBe("77");
  expect(withMinutes("an age", 12)).toBe("an age + 12");
});
