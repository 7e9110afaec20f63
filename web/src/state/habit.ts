import type { SectionSpec } from "../api/client";

/** Does a sewist who measures in this unit think in inches? */
export function inInches(unit: string | undefined): boolean {
  return unit === "in" || unit === "ft" || unit === "yd";
}

/** One of two things to begin with, by what the work is measured in. */
export function begin(spec: Pick<SectionSpec, "unit">, metric: string, inches: string): string {
  return inInches(spec.unit) ? inches : metric;
}
