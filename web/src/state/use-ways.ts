import { useQuery } from "@tanstack/react-query";
import { ask, type Cloth, type SectionSpec, type Thing, type ThingRow, type Ways, type WaysKept } from "../api/client";

/** What the sewist is used to, as it is kept. */
export function useWays() {
  return useQuery({
    queryKey: ["ways"],
    queryFn: ({ signal }) => ask<WaysKept>("GET", "/works/ways", undefined, { signal }),
    staleTime: 5000,
  });
}

/** The unit that whatever is begun anew is measured in. */
export function useUsualUnit(): "cm" | "in" {
  return useWays().data?.ways.unit === "in" ? "in" : "cm";
}

/** A new thing by the ways of the sewist: of its choices those that it has and that were said. */
export function thingBy(ways: Ways, row: ThingRow, unit: "cm" | "in"): Thing {
  const names = new Set(row.fields.filter((field) => !field.measure).map((field) => field.name));
  const fits = (name: string, value: string) => {
    const field = row.fields.find((one) => one.name === name);
    return !field?.options.length || field.options.some((one) => one.name === value);
  };
  const choices = Object.fromEntries(
    Object.entries(ways.choices ?? {}).filter(([name, value]) => names.has(name) && fits(name, String(value))),
  );
  return {
    kind: row.name,
    unit,
    measures: {},
    choices,
    ...(ways.seam ? { seam: ways.seam } : {}),
    ...(ways.machine ? { machine: ways.machine } : {}),
    ...(ways.tape === undefined || ways.tape === "" ? {} : { tape: ways.tape }),
  };
}

/** What of an edge alone a sewist's ways say. */
export function edgeBy(ways: Ways): Partial<SectionSpec> {
  return {
    ...(ways.tape === undefined || ways.tape === "" ? {} : { tape: ways.tape }),
    ...(ways.seam ? { allowance: { seam: ways.seam } } : {}),
    ...(ways.machine ? { machine: ways.machine } : {}),
  };
}

/** The cloth that a new thing begins with: nothing is known of it but the colour that it is drawn in. */
export function clothOf(row: ThingRow, unit: "cm" | "in"): Record<string, Cloth> {
  const colour = row.picture?.colours.face;
  return colour ? { face: { unit, colour } } : {};
}
