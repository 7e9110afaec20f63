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
      {/* Over the picture, so that nothing moves once what is pinned takes its place. */}
      <p
        className={`m-0 bg-calico/90 px-3 py-1 leading-snug ${tracks === "front" ? "" : "absolute inset-x-[6%] top-[104px] z-10 text-center max-sm:inset-x-0 max-sm:text-sm"}`}
      >
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
