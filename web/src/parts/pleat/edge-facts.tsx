import { useState } from "react";
import type { Problem, SectionSpec } from "../../api/client";
import { TAPES } from "../../api/kinds";
import { begin, inInches } from "../../state/habit";
import { sentence } from "../../state/sentence";
import { asKind, changed, isParted, KIND_WORDS, type KindName, traits } from "../../state/spec";
import { Choose, Text, TickBox } from "../controls/fields";

interface Props {
  spec: SectionSpec;
  problems: Problem[];
  onChange: (spec: SectionSpec, field: string) => void;
  /** True for a part of a mixed edge, whose allowances, cloth and tape are the whole's. */
  inner?: boolean;
}

const FACINGS: [NonNullable<SectionSpec["facing"]>, string][] = [
  ["right", "Right"],
  ["left", "Left"],
  ["to_centre", "Towards the centre"],
  ["from_centre", "Away from the centre"],
];
/** What is known of the edge itself: the kind of pleat, its facing, how the edge ends, its allowances, the tape. */
export function EdgeFacts({ spec, problems, onChange, inner = false }: Props) {
  const set = (fields: Record<string, unknown>) => onChange(changed(spec, fields), Object.keys(fields)[0] ?? "");
  const kind = traits(spec.kind);
  const mixed = isParted(spec.kind);
  const placed = Boolean(spec.placed?.length);
  const metric = !inInches(spec.unit);
  return (
    <fieldset className="m-0 flex flex-wrap items-end gap-x-5 gap-y-3 border-0 p-0">
      <legend className="sr-only">The edge</legend>
      <Choose
        name="Kind"
        value={spec.kind}
        options={KIND_WORDS.filter(([name]) => !inner || !isParted(name))}
        onPick={(name) => onChange(asKind(spec, name as KindName), "kind")}
      />
      {kind?.faces && (
        <Choose name="Facing" value={spec.facing ?? "right"} options={FACINGS} onPick={(facing) => set({ facing })} />
      )}
      {kind?.faces && spec.facing?.endsWith("centre") && (
        <Text
          name="The facing turns at"
          path="mirror_at"
          value={spec.mirror_at}
          problems={problems}
          onType={(text) => set({ mirror_at: text.trim() ? text : null })}
        />
      )}
      {kind?.dressed && (
        <Choose
          name="Fingers"
          value={String(spec.fingers ?? 3)}
          options={["1", "2", "3", "4"].map((n) => [n, n === "1" ? "1 (single)" : n])}
          onPick={(n) => set({ fingers: Number(n), goblet: false })}
        />
      )}
      {kind?.dressed && (
        <Choose
          name="Caught"
          value={spec.goblet ? "goblet" : (spec.pinched_at ?? "head")}
          options={[
            ["head", "At the head"],
            ["foot", "At the foot"],
            ["goblet", "At the foot, as a goblet"],
          ]}
          onPick={(where) =>
            set(
              where === "goblet"
                ? { goblet: true, pinched_at: "foot", fingers: 1 }
                : { goblet: false, pinched_at: where },
            )
          }
        />
      )}
      {kind?.rows && (
        <Choose
          name="Rows of stitches"
          value={String(spec.rows ?? 2)}
          options={["2", "3", "4", "5"].map((n) => [n, n])}
          onPick={(n) => set({ rows: Number(n) })}
        />
      )}
      {kind?.meets && (
        <Choose
          name="Do they meet?"
          value={spec.meet === true ? "meet" : spec.meet === false ? "apart" : "follows"}
          options={[
            ["follows", "As it follows"],
            ["meet", "They meet"],
            ["apart", "They need not"],
          ]}
          onPick={(value) => set({ meet: value === "follows" ? null : value === "meet" })}
        />
      )}
      {!mixed && (
        <Choose
          name="The edge"
          value={spec.closed ? "ring" : "open"}
          options={[
            ["open", "Has two ends"],
            ["ring", "Is a closed ring"],
          ]}
          onPick={(value) => set(value === "ring" ? { closed: true, remainder: "spacing" } : { closed: false })}
        />
      )}
      {!spec.closed && !mixed && (
        <>
          <End side="lead" name={placed ? "The start" : "Before the first pleat"} {...{ spec, problems, onChange }} />
          <End side="tail" name={placed ? "The end" : "After the last pleat"} {...{ spec, problems, onChange }} />
          {kind?.folded && !placed && (
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
      {(spec.lead?.width || spec.tail?.width) && !spec.closed && !mixed && (
        <Choose
          name="Fullness of"
          value={spec.fullness_of ?? "pleated"}
          options={[
            ["pleated", "The pleated part alone"],
            ["all", "The whole edge"],
          ]}
          onPick={(part) => set({ fullness_of: part })}
        />
      )}
      {!inner && <Whole {...{ spec, problems, set, metric }} />}
      {!mixed && !inner && (
        <TickBox name="A lining too, as the mirror" on={spec.lining ?? false} onTick={(lining) => set({ lining })} />
      )}
    </fieldset>
  );
}

/** What holds for the whole edge: allowances, the cloth, the tape. */
function Whole({
  spec,
  problems,
  set,
  metric,
}: Omit<Props, "onChange" | "inner"> & { set: (fields: Record<string, unknown>) => void; metric: boolean }) {
  return (
    <>
      <Allowances {...{ spec, problems, set }} />
      <Text
        name="Cloth, usable width"
        path="cloth.usable"
        value={spec.cloth?.usable ?? ""}
        problems={problems}
        onType={(text) => set({ "cloth.usable": text || null })}
      />
      <Text
        name="Cloth, thickness"
        path="cloth.thickness"
        value={spec.cloth?.thickness ?? ""}
        problems={problems}
        onType={(text) => set({ "cloth.thickness": text || null })}
      />
      {spec.cloth?.thickness && (
        <Text
          name="The machine sews up to, mm"
          path="machine"
          value={spec.machine ?? ""}
          problems={problems}
          onType={(text) => set({ machine: text || null })}
        />
      )}
      <Choose
        name="Marks to the nearest"
        value={spec.tape === null ? "exact" : String(spec.tape || "") || TAPES[metric ? "metric" : "inches"][0]}
        options={[
          ...TAPES[metric ? "metric" : "inches"].map((tape): [string, string] => [tape, tape]),
          ["exact", "Exact"],
        ]}
        onPick={(tape) => set({ tape: tape === "exact" ? null : tape })}
      />
    </>
  );
}

/** What an end or the joins of this edge take that is not the seam allowance of the work; empty, they take that. */
export function Allowances({
  spec,
  problems,
  set,
}: Pick<Props, "spec" | "problems"> & { set: (fields: Record<string, unknown>) => void }) {
  const said = spec.allowance?.seam;
  const field = (name: string, key: "start" | "end" | "join") => (
    <Text
      name={name}
      path={`allowance.${key}`}
      value={spec.allowance?.[key] ?? ""}
      assumed={said ? undefined : begin(spec, "1.5 cm", "1/2 in")}
      taken={said ? `${said}, as the work` : undefined}
      problems={problems}
      onType={(text) => set({ [`allowance.${key}`]: text.trim() ? text : null })}
    />
  );
  return (
    <>
      {field("Allowance at the start", "start")}
      {field("Allowance at the end", "end")}
      {field("Allowance at a join", "join")}
    </>
  );
}

const TIMES: [string, string][] = [
  ["0", "A pleat at the very end"],
  ["1/2", "Half a space"],
  ["1", "A whole space"],
  ["width", "A width…"],
];
const ON_FOLD: [string, string] = ["fold", "Half a pleat on the cloth’s fold"];

function End({ side, name, spec, problems, onChange }: Omit<Props, "inner"> & { side: "lead" | "tail"; name: string }) {
  const end = spec[side] ?? {};
  const kind = traits(spec.kind);
  const spaced = kind?.look === "lying" || kind?.look === "pinched"; // others are drawn in from end to end
  const [asWidth, setAsWidth] = useState(end.width !== undefined && end.width !== null);
  const wide = end.width !== undefined && end.width !== null;
  const set = (value: Record<string, string | boolean>) => onChange({ ...spec, [side]: value }, side);
  const problem = problems.find((one) => one.path === side || one.path.startsWith(`${side}.`));
  return (
    <span className="flex items-end gap-2">
      {spaced && (
        <Choose
          name={name}
          value={end.fold ? "fold" : wide || asWidth ? "width" : String(end.times ?? "1/2")}
          options={kind?.halves ? [...TIMES, ON_FOLD] : TIMES}
          onPick={(value) => {
            setAsWidth(value === "width");
            if (value === "fold") set({ fold: true });
            else if (value !== "width") set({ times: value });
          }}
        />
      )}
      {(wide || asWidth || !spaced) && (
        <Text
          name={!spaced ? `Flat, ${side === "lead" ? "at the start" : "at the end"}` : "Width"}
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
