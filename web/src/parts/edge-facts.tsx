import { useState } from "react";
import type { Problem, SectionSpec } from "../api/client";
import { asKind, changed, KIND_WORDS } from "../state/spec";
import { sentence } from "./pin-tile";

interface Props {
  spec: SectionSpec;
  problems: Problem[];
  onChange: (spec: SectionSpec, field: string) => void;
}

const FACINGS: [NonNullable<SectionSpec["facing"]>, string][] = [
  ["right", "Right"],
  ["left", "Left"],
  ["to_centre", "Towards the centre"],
  ["from_centre", "Away from the centre"],
];
const TAPES: Record<string, string[]> = {
  metric: ["1 mm", "2 mm", "5 mm", "1 cm"],
  inches: ["1/16 in", "1/8 in", "1/4 in", "1/2 in"],
};

/** What is known of the edge itself: the kind of pleat, its facing, how the edge ends, its allowances, the tape. */
export function EdgeFacts({ spec, problems, onChange }: Props) {
  const set = (fields: Record<string, unknown>) => onChange(changed(spec, fields), Object.keys(fields)[0] ?? "");
  const folded = spec.kind === "knife" || spec.kind === "box" || spec.kind === "inverted";
  const metric = spec.unit !== "in" && spec.unit !== "ft" && spec.unit !== "yd";
  return (
    <fieldset className="m-0 flex flex-wrap items-end gap-x-5 gap-y-3 border-0 p-0">
      <legend className="sr-only">The edge</legend>
      <Choose
        name="Kind"
        value={spec.kind}
        options={Object.entries(KIND_WORDS)}
        onPick={(kind) => onChange(asKind(spec, kind as SectionSpec["kind"]), "kind")}
      />
      {spec.kind === "knife" && (
        <Choose name="Facing" value={spec.facing ?? "right"} options={FACINGS} onPick={(facing) => set({ facing })} />
      )}
      {spec.kind === "pinch" && (
        <Choose
          name="Fingers"
          value={String(spec.fingers ?? 3)}
          options={["1", "2", "3", "4"].map((n) => [n, n === "1" ? "1 (single)" : n])}
          onPick={(n) => set({ fingers: Number(n) })}
        />
      )}
      {folded && (
        <Choose
          name="Depth"
          value={spec.meet === true ? "meet" : spec.meet === false ? "apart" : "follows"}
          options={[
            ["follows", "As it follows"],
            ["meet", "Pleats meet"],
            ["apart", "Need not meet"],
          ]}
          onPick={(value) => set({ meet: value === "follows" ? null : value === "meet" })}
        />
      )}
      <Choose
        name="The edge"
        value={spec.closed ? "ring" : "open"}
        options={[
          ["open", "Has two ends"],
          ["ring", "Is a closed ring"],
        ]}
        onPick={(value) => set(value === "ring" ? { closed: true, remainder: "spacing" } : { closed: false })}
      />
      {!spec.closed && (
        <>
          <End side="lead" name="Before the first pleat" {...{ spec, problems, onChange }} />
          <End side="tail" name="After the last pleat" {...{ spec, problems, onChange }} />
          {spec.kind !== "gather" && (
            <Choose
              name="What is left over goes"
              value={spec.remainder ?? "spacing"}
              options={[
                ["spacing", "Into every spacing"],
                ["ends", "Half to each end"],
                ["lead", "Before the first"],
                ["tail", "After the last"],
              ]}
              onPick={(remainder) => set({ remainder })}
            />
          )}
        </>
      )}
      <Text
        name="Allowance at the start"
        path="allowance.start"
        value={spec.allowance?.start ?? ""}
        problems={problems}
        onType={(text) => set({ "allowance.start": text || "0" })}
      />
      <Text
        name="Allowance at the end"
        path="allowance.end"
        value={spec.allowance?.end ?? ""}
        problems={problems}
        onType={(text) => set({ "allowance.end": text || "0" })}
      />
      <Text
        name="Cloth, usable width"
        path="cloth.usable"
        value={spec.cloth?.usable ?? ""}
        problems={problems}
        onType={(text) => set({ "cloth.usable": text || null })}
      />
      {spec.cloth?.usable && (
        <Text
          name="Allowance at a join"
          path="allowance.join"
          value={spec.allowance?.join ?? ""}
          problems={problems}
          onType={(text) => set({ "allowance.join": text || "0" })}
        />
      )}
      <Text
        name="Cloth, thickness"
        path="cloth.thickness"
        value={spec.cloth?.thickness ?? ""}
        problems={problems}
        onType={(text) => set({ "cloth.thickness": text || null })}
      />
      <Choose
        name="Marks to the nearest"
        value={spec.tape === null ? "exact" : String(spec.tape || "") || (metric ? "1 mm" : "1/16 in")}
        options={[
          ...(TAPES[metric ? "metric" : "inches"] ?? []).map((tape): [string, string] => [tape, tape]),
          ["exact", "Exact"],
        ]}
        onPick={(tape) => set({ tape: tape === "exact" ? null : tape })}
      />
    </fieldset>
  );
}

function Choose(props: {
  name: string;
  value: string;
  options: readonly (readonly [string, string])[];
  onPick: (value: string) => void;
}) {
  const known = props.options.some(([value]) => value === props.value);
  return (
    <label className="flex flex-col text-sm font-semibold text-smoke">
      {props.name}
      <select
        className="field text-base font-normal"
        value={props.value}
        onChange={(event) => props.onPick(event.currentTarget.value)}
      >
        {!known && <option value={props.value}>{props.value}</option>}
        {props.options.map(([value, word]) => (
          <option key={value} value={value}>
            {word}
          </option>
        ))}
      </select>
    </label>
  );
}

function Text(props: {
  name: string;
  path: string;
  value: string | number;
  problems: Problem[];
  onType: (text: string) => void;
}) {
  const problem = props.problems.find((one) => one.path === props.path);
  return (
    <label className="flex flex-col text-sm font-semibold text-smoke">
      {props.name}
      <input
        className="field w-36 text-base font-normal"
        value={props.value}
        aria-invalid={problem ? true : undefined}
        onChange={(event) => props.onType(event.currentTarget.value)}
        autoComplete="off"
      />
      {problem && (
        <span className="max-w-56 text-madder">{`${sentence(problem.message)} ${sentence(problem.way_out)}`}</span>
      )}
    </label>
  );
}

const TIMES: [string, string][] = [
  ["0", "A pleat at the very end"],
  ["1/2", "Half a space"],
  ["1", "A whole space"],
  ["width", "A width…"],
];

function End({ side, name, spec, problems, onChange }: Props & { side: "lead" | "tail"; name: string }) {
  const end = spec[side] ?? {};
  const [asWidth, setAsWidth] = useState(end.width !== undefined && end.width !== null);
  const wide = end.width !== undefined && end.width !== null;
  const set = (value: Record<string, string>) => onChange({ ...spec, [side]: value }, side);
  const problem = problems.find((one) => one.path === side || one.path.startsWith(`${side}.`));
  return (
    <span className="flex items-end gap-2">
      {spec.kind !== "gather" && spec.kind !== "cartridge" && (
        <Choose
          name={name}
          value={wide || asWidth ? "width" : String(end.times ?? "1/2")}
          options={TIMES}
          onPick={(value) => {
            setAsWidth(value === "width");
            if (value !== "width") set({ times: value });
          }}
        />
      )}
      {(wide || asWidth || spec.kind === "gather" || spec.kind === "cartridge") && (
        <Text
          name={
            spec.kind === "gather" || spec.kind === "cartridge"
              ? `Flat, ${side === "lead" ? "at the start" : "at the end"}`
              : "Width"
          }
          path={problem?.path ?? `${side}.width`}
          value={end.width ?? ""}
          problems={problems}
          onType={(text) => (text.trim() ? set({ width: text }) : set({ times: "1/2" }))}
        />
      )}
      {problem && !wide && (
        <span className="max-w-56 text-sm font-semibold text-madder">{sentence(problem.message)}</span>
      )}
    </span>
  );
}
