import { type ReactNode, useState } from "react";
import type { Plan, Problem, SectionSpec } from "../../api/client";
import { begin } from "../../state/habit";
import { hasHand, traits } from "../../state/spec";
import { Text, TickBox } from "../controls/fields";
import { FromBook } from "../swatch/from-book";
import { Draped } from "./draped";
import { GatheringFacts } from "./gathering";
import { Levels } from "./levels";
import { PatternPiece } from "./pattern-piece";
import { Places } from "./places";

interface Props {
  /** What the piece, or the part of it, is known by. */
  piece: string;
  spec: SectionSpec;
  plan: Plan | null;
  problems: Problem[];
  onChange: (spec: SectionSpec, field: string) => void;
}

/** What an edge can have beyond an even row: places, levels, a pattern piece, stops, gathers. Each opens by its name. */
export function Shaping(props: Props) {
  const { spec, piece, problems, onChange } = props;
  const look = traits(spec.kind)?.look;
  const lying = look === "lying";
  const wrong = (...paths: string[]) => problems.some((one) => paths.some((path) => one.path.startsWith(path)));
  return (
    <section aria-label="Shaping">
      {(lying || look === "pinched") && (
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
          <Draped spec={spec} piece={piece} onChange={onChange} />
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
      {lying && (
        <Fold name="Stitched down" says={spec.stops ? "on" : ""} open={wrong("stops")}>
          <Stops spec={spec} problems={problems} onChange={onChange} />
        </Fold>
      )}
      {look !== "gathered" && (
        <Fold name="What was tried of its cloth" says={spec.swatch ? "a swatch decides" : ""}>
          <FromBook kinds={look === "packed" ? ["cartridge"] : ["fold"]} spec={spec} onChange={onChange} />
        </Fold>
      )}
      {look === "gathered" && (
        <Fold name="How it is gathered" says="" open={wrong("gathering")}>
          <GatheringFacts spec={spec} plan={props.plan} problems={problems} onChange={onChange} />
        </Fold>
      )}
    </section>
  );
}

/** Where pleats are stitched down, along which line, and how. */
function Stops({ spec, problems, onChange }: Omit<Props, "plan" | "piece">) {
  const stops = spec.stops ?? null;
  const put = (fields: Partial<NonNullable<SectionSpec["stops"]>>) =>
    onChange({ ...spec, stops: { lower: "", ...stops, ...fields } }, "stops");
  const field = (name: string, key: "upper" | "lower" | "above" | "crease", assumed?: string) => (
    <Text
      name={name}
      path={`stops.${key}`}
      value={stops?.[key]}
      problems={problems}
      assumed={assumed}
      onType={(text) => put({ [key]: text.trim() || key === "lower" ? text : key === "upper" ? "0" : null })}
    />
  );
  const hand = hasHand(spec.kind);
  return (
    <>
      <TickBox
        name={hand ? "Each is stitched down" : "Each is stitched down at both its folds"}
        on={stops !== null}
        onTick={(on) =>
          onChange({ ...spec, stops: on ? { lower: begin(spec, "12 cm", "5 in"), upper: "0" } : null }, "stops")
        }
      />
      {stops && (
        <div className="flex flex-wrap items-end gap-x-5 gap-y-2">
          {field("From, below the edge", "upper")}
          {field("Down to", "lower")}
          {field("Above a waistline too", "above", "not at all")}
          {field("From the crease", "crease", hand ? "at the placement line" : "on the fold")}
          {!hand && (
            <TickBox name="Down, across and up again" on={stops.across ?? false} onTick={(across) => put({ across })} />
          )}
        </div>
      )}
    </>
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
