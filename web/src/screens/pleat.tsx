import { useState } from "react";
import type { SectionSpec } from "../api/client";
import { Band } from "../parts/pleat/band";
import { EdgeFacts } from "../parts/pleat/edge-facts";
import { Meanings } from "../parts/pleat/meanings";
import { Shaping } from "../parts/pleat/shaping";
import { Slip } from "../parts/pleat/slip";
import { MirrorLine, TiedFacts, type Tying } from "../parts/pleat/tying";
import { partPlan, partProblems, partSpec, withPart } from "../state/part";
import { sentence } from "../state/sentence";
import { changed, type Quantity } from "../state/spec";
import { useMoves } from "../state/use-moves";
import type { Planned } from "../state/use-plan";
import { Pins } from "./pins";

const KEPT = new Set(["finished", "flat"]);

interface Props {
  spec: SectionSpec;
  /** The key of the piece. */
  piece: string;
  /** What of it follows from the thing; null of a free edge. */
  ties: Tying | null;
  planned: Planned;
  /** Which part of a mixed edge the pins show. */
  part: number;
  onPart: (part: number) => void;
  onChange: (spec: SectionSpec, field: string) => void;
  onSaid: (text: string) => void;
  lit: Quantity | null;
  onLight: (quantity: Quantity | null) => void;
  refused: { quantity: Quantity; times: number } | null;
}

/** The step Pleat: the pins, the slip, the facts of the edge, and how it is shaped. */
export function Pleat({ spec, piece, ties, planned, part, onPart, onChange, onSaid, lit, onLight, refused }: Props) {
  const { plan } = planned;
  const [meaning, setMeaning] = useState(false);
  const mixed = spec.kind === "mixed";
  const here = Math.min(part, Math.max(0, (spec.parts?.length ?? 1) - 1));
  // What the pins show: the edge itself, or the chosen part of a mixed one.
  const shown = mixed ? partSpec(spec, here) : spec;
  const problems = mixed ? partProblems(planned.problems, here) : planned.problems;
  const change = (edge: SectionSpec, field: string) =>
    onChange(mixed ? withPart(spec, here, edge) : edge, mixed ? `parts.${here}.${field}` : field);
  const moves = useMoves(shown ?? undefined, change, (says) => onSaid(sentence(says)));
  const inches = spec.unit === "in" || spec.unit === "ft" || spec.unit === "yd";
  return (
    <div className="mt-3 grid grid-cols-1 gap-4 xl:grid-cols-[minmax(0,1fr)_18.5rem] xl:grid-rows-[auto_1fr]">
      <div className="min-w-0">
        {mixed && (
          <>
            <Pins
              spec={spec}
              planned={planned}
              onChange={onChange}
              onNudge={() => undefined}
              lit={lit}
              onLight={onLight}
              refused={null}
            />
            <Band
              spec={spec}
              plan={plan}
              problems={planned.problems}
              chosen={here}
              onChoose={onPart}
              onChange={onChange}
            />
          </>
        )}
        {ties && <MirrorLine ties={ties} />}
        {shown && (
          <Pins
            key={here}
            ties={mixed ? null : ties}
            spec={shown}
            inner={mixed}
            planned={mixed ? { ...planned, plan: partPlan(plan, here), problems } : planned}
            onChange={change}
            onNudge={moves.nudge}
            {...(mixed ? {} : { onPick: (count: number) => moves.pick(() => count) })}
            lit={mixed ? null : lit}
            onLight={mixed ? () => undefined : onLight}
            refused={mixed ? null : refused}
          />
        )}
        {shown && shown.kind !== "gather" && (
          <button type="button" className="press -ml-3" onClick={() => setMeaning(true)}>
            “A {inches ? "one-inch" : "three-centimetre"} pleat”: which measure is that?
          </button>
        )}
      </div>
      {/* Beside both the pins and the facts, so that a long slip pushes neither down. */}
      <div className="xl:row-span-2">
        <Slip plan={plan} onMend={(fields) => onChange(changed(spec, fields), Object.keys(fields)[0] ?? "")} />
      </div>
      <div className="min-w-0">
        {ties && <TiedFacts ties={ties} />}
        <EdgeFacts spec={spec} problems={planned.problems} onChange={onChange} />
        {mixed && shown && (
          <div className="mt-3">
            <h3 className="m-0 mb-1 text-base font-semibold">Part {here + 1}</h3>
            <EdgeFacts key={here} inner spec={shown} problems={problems} onChange={change} />
          </div>
        )}
        {shown && (
          <div className="mt-4">
            <Shaping
              key={here}
              piece={mixed ? `${piece}/${here}` : piece}
              spec={shown}
              plan={mixed ? null : plan}
              problems={problems}
              onChange={change}
            />
          </div>
        )}
      </div>
      {shown && (
        <Meanings
          spec={shown}
          open={meaning}
          onClose={() => setMeaning(false)}
          onPick={(meant) => {
            // What is meant settles the size: other sizes, and how many there are, follow from it; pleats that meet
            // settle the fullness too.
            const kept = Object.fromEntries(
              Object.entries(shown.pins ?? {}).filter(
                ([name]) => KEPT.has(name) || (name === "fullness" && !meant.meet),
              ),
            );
            change(changed({ ...shown, pins: kept, meet: null }, meant), "pins");
          }}
        />
      )}
    </div>
  );
}
