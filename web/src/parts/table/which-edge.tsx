import { useQuery } from "@tanstack/react-query";
import { ask, type ReadyWork, type ThingAnswer } from "../../api/client";
import { thingAsked } from "../../state/use-thing";
import { fitted, Shapes } from "../../thing/shapes";

const WIDE = 96;
const TALL = 60;

/** The small picture of the thing, and which edge of which part is at the table; nothing of a free edge. */
export function WhichEdge({ work, piece }: { work: ReadyWork; piece: string }) {
  const section = work.sections.find((one) => one.key === piece);
  const made = useQuery({
    queryKey: ["thing of", work.name, piece, work.sections.length],
    queryFn: ({ signal }) => ask<ThingAnswer>("POST", "/thing", thingAsked(work), { signal }),
    enabled: Boolean(work.thing && section?.spec.edge),
    retry: 1,
    staleTime: Number.POSITIVE_INFINITY,
  }).data;
  const view = made?.picture?.views[0];
  const part = made?.parts.find((one) => one.edge && one.edge === section?.spec.edge);
  if (!view || !made?.picture) return null;
  return (
    <span className="flex items-center gap-2 max-sm:order-last">
      <svg width={WIDE} height={TALL} role="img" aria-label={`${made.title}: ${section?.name ?? ""}`}>
        <Shapes view={view} colours={made.picture.colours} fit={fitted(view, WIDE, TALL, { x: 2, y: 2 })} fine={0.4} />
      </svg>
      <span className="text-sm leading-tight text-smoke max-sm:hidden">
        {part ? `${part.name} of the ${made.title.toLowerCase()}` : section?.name}
        <span className="block">{part?.says}</span>
      </span>
    </span>
  );
}
