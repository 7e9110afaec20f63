import { useQuery } from "@tanstack/react-query";
import { ask, type Thing, type ThingRow } from "../api/client";
import { thingBy, useWays } from "../state/use-ways";
import { SmallPicture } from "../thing/shapes";

/** Everything that can be made, with a small picture of each. */
export function useThings() {
  return useQuery({
    queryKey: ["things"],
    queryFn: ({ signal }) => ask<ThingRow[]>("GET", "/things", undefined, { signal }),
    staleTime: Number.POSITIVE_INFINITY,
  });
}

/** One thing to begin with: its picture, its name, what it asks first. */
export function ThingTile({ row, onPick }: { row: ThingRow; onPick: () => void }) {
  return (
    <button
      type="button"
      className="border-l-4 border-thread px-4 py-2 text-left hover:border-madder hover:bg-linen focus-visible:bg-linen"
      onClick={onPick}
    >
      <span className="block h-32">
        {row.picture && <SmallPicture picture={row.picture} width={240} height={128} name="open" />}
      </span>
      <span className="block text-lg font-bold">{row.title}</span>
      <span className="text-smoke">{row.asks}</span>
    </button>
  );
}

/** A free set of edges can be given a thing: its edges come beside what is there. */
export function MakeAThing({ unit, onMake }: { unit: string; onMake: (thing: Thing) => void }) {
  const { data } = useThings();
  const ways = useWays().data?.ways ?? {};
  return (
    <section className="max-w-3xl">
      <h2 className="m-0 text-xl font-bold">This work is a free set of edges</h2>
      <p className="mt-1 text-smoke">
        Its facts stand under Pleat. Made a thing, it is measured from where it hangs or is worn, and its edges come
        beside those that are here.
      </p>
      <div className="grid grid-cols-2 gap-2 sm:grid-cols-3">
        {data?.map((row) => (
          <ThingTile key={row.name} row={row} onPick={() => onMake(thingBy(ways, row, unit === "in" ? "in" : "cm"))} />
        ))}
      </div>
    </section>
  );
}
