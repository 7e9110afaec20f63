import { type ReactNode, useState } from "react";
import type { Plan, Problem, SectionSpec } from "../api/client";
import { Draped } from "./draped";
import { Text, Tick } from "./fields";
import { GatheringFacts } from "./gathering";
import { Levels } from "./levels";
import { PatternPiece } from "./pattern-piece";
import { Places } from "./places";

interface Props {
  spec: SectionSpec;
  plan: Plan | null;
  problems: Problem[];
  onChange: (spec: SectionSpec, field: string) => void;
}

/** What an edge can have beyond an even row: places, levels, a pattern piece, stops, gathers. Each opens by its name. */
export function Shaping(props: Props) {
  const { spec, problems, onChange } = props;
  const { kind } = spec;
  const lying = kind === "knife" || kind === "box" || kind === "inverted" || kind === "tuck";
  const wrong = (...paths: string[]) => problems.some((one) => paths.some((path) => one.path.startsWith(path)));
  return (
    <section aria-label="Shaping">
      {(lying || kind === "pinch") && (
        <Fold
          name="Pleats at stated places"
          says={spec.placed?.length ? `${spec.placed.length} places` : ""}
          open={wrong("placed")}
        >
          <Places {...props} />
        </Fold>
      )}
      {lying && (
        <Fold name="Measured by eye, made even" says="">
          <Draped spec={spec} onChange={onChange} />
        </Fold>
      )}
      {lying && (
        <Fold name="Two levels, hip and waist" says={spec.taper ? "on" : ""} open={wrong("taper")}>
          <Levels {...props} />
        </Fold>
      )}
      {lying && (
        <Fold name="Let into a pattern piece" says={spec.piece ? "on" : ""} open={wrong("piece")}>
          <PatternPiece {...props} />
        </Fold>
      )}
      {(kind === "knife" || kind === "tuck") && (
        <Fold name="Stitched down" says={spec.stops ? "on" : ""} open={wrong("stops")}>
          <Tick
            name="Stitched along each placement line"
            on={Boolean(spec.stops)}
            onTick={(on) => onChange({ ...spec, stops: on ? { lower: "12 cm", upper: "0" } : null }, "stops")}
          />
          {spec.stops && (
            <div className="flex flex-wrap items-end gap-5">
              <Text
                name="From, below the edge"
                path="stops.upper"
                value={spec.stops.upper}
                problems={problems}
                onType={(upper) =>
                  onChange({ ...spec, stops: { lower: spec.stops?.lower ?? "", upper: upper || "0" } }, "stops")
                }
              />
              <Text
                name="Down to"
                path="stops.lower"
                value={spec.stops.lower}
                problems={problems}
                onType={(lower) => onChange({ ...spec, stops: { upper: spec.stops?.upper ?? "0", lower } }, "stops")}
              />
            </div>
          )}
        </Fold>
      )}
      {kind === "gather" && (
        <Fold name="How it is gathered" says="" open={wrong("gathering")}>
          <GatheringFacts {...props} />
        </Fold>
      )}
    </section>
  );
}

function Fold(props: { name: string; says: string; open?: boolean; children: ReactNode }) {
  // What was opened stays open; what is wrong within opens it, and mending that does not close it again.
  const [open, setOpen] = useState(false);
  return (
    <details
      className="border-t border-thread"
      open={open || props.open}
      onToggle={(event) => setOpen(event.currentTarget.open)}
    >
      <summary className="min-h-11 py-2 font-semibold text-woad">
        {props.name}
        {props.says && <span className="font-normal text-smoke">: {props.says}</span>}
      </summary>
      <div className="pb-3">{props.children}</div>
    </details>
  );
}
