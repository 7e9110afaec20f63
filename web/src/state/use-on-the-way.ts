import { useMemo } from "react";
import type { Problem, Thing } from "../api/client";
import type { Saving } from "./saving";
import type { ThingMade } from "./use-thing";

/** Something measured of a thing on the way, and how it is typed. */
export interface Measured {
  field: string;
  title: string;
  where: string;
  value: string;
  onType: (text: string) => void;
  problems: Problem[];
  path: string;
}

/** What is measured of a thing while it is being made; nothing of a free set of edges. */
export function useOnTheWay(thing: Thing | null, { made, problems }: ThingMade, saver: Saving): Measured[] {
  return useMemo(() => {
    if (!thing || !made) return [];
    return made.fields
      .filter((field) => field.on_the_way && field.asked)
      .map((field) => ({
        field: field.name,
        title: field.title,
        where: field.where,
        value: String(thing.measures?.[field.name] ?? ""),
        onType: (text: string) => {
          const { [field.name]: _, ...others } = thing.measures ?? {};
          saver.thing(
            { ...thing, measures: text ? { ...others, [field.name]: text } : others },
            `measures.${field.name}`,
          );
        },
        problems,
        path: `measures.${field.name}`,
      }));
  }, [thing, made, problems, saver]);
}
