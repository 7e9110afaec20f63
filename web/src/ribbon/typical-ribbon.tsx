import type { Plan } from "../api/client";
import type { Look } from "../state/look";
import { FrontStrip } from "./front-strip";
import { Ribbon } from "./ribbon";

const nothing = () => undefined;

/** A typical edge where nothing is known yet, shown as assumed: what is pinned takes its place. */
export function TypicalRibbon(props: {
  plan: Plan;
  looks: Look[];
  /** What of it is assumed, in words. */
  says: string;
  tracks: "three" | "two" | "front";
}) {
  const { plan, looks, says, tracks } = props;
  return (
    <div data-typical className="relative">
      <p className="m-0 border-l-[6px] border-dashed border-smoke py-1 pl-3">
        Pin what you know, such as the finished width: it takes the place of this typical edge, which is only assumed (
        {says}).
      </p>
      <div>
        {tracks === "front" ? (
          <FrontStrip plan={plan} looks={looks} />
        ) : (
          <Ribbon
            plan={plan}
            looks={looks}
            tracks={tracks}
            stale
            lit={null}
            holdOf={() => "firm"}
            onLight={nothing}
            onDrag={nothing}
            onRefused={nothing}
          />
        )}
      </div>
    </div>
  );
}
