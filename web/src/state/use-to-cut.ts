import { useMemo } from "react";
import type { ReadySpec, Work } from "../api/client";
import { parted } from "./cloths";
import type { Planned } from "./use-plan";
import type { ThingMade } from "./use-thing";

/** The pieces of a work as they go to be cut, and its cloths; `chosen` is the key of the piece that is `planned`. */
export function useToCut(
  work: Work,
  chosen: string | undefined,
  own: ReadySpec | null,
  ready: Map<string, ReadySpec | null>,
  making: ThingMade,
  planned: Planned,
) {
  const { made } = making;
  // While something typed cannot be read, what was last good of it is cut: of the piece, of the thing, of the cloths.
  const good = useMemo(
    () => (own && planned.from ? parted(own, work.cloths, planned.from) : null),
    [own, planned.from, work.cloths],
  );
  const cloths = useMemo(
    () => ({ ...(making.from?.cloths ?? work.cloths), ...good?.cloths }),
    [making.from, work.cloths, good],
  );
  // Every piece as it goes to be cut: nothing tied, and as often as its thing is made.
  const pieces = useMemo(
    () =>
      work.sections.flatMap(({ key, name, spec: kept }) => {
        const spec = good && key === chosen ? good.spec : ready.get(key);
        return spec ? [{ key, name, spec, times: kept.edge ? (made?.times ?? 1) : 1 }] : [];
      }),
    [work.sections, chosen, ready, made, good],
  );
  return { cloths, pieces };
}
