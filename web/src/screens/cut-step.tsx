import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import {
  ask,
  type Cloth,
  type CutAnswer,
  type Problem,
  type ReadySpec,
  type SectionSpec,
  type Thing,
} from "../api/client";
import { CutPlan, offcutKey } from "../parts/cloth/cut-plan";
import { Aside } from "../parts/controls/aside";
import { Faults } from "../parts/controls/faults";
import { Choose, Text, TickBox } from "../parts/controls/fields";
import { Figure } from "../parts/controls/figure";
import { clothStyle } from "../ribbon/cloth-style";
import { called, rolesOf } from "../state/cloths";
import { type Fault, faultsOf, sameFault } from "../state/faults";
import { begin } from "../state/habit";
import { inOrder } from "../state/in-order";
import { saysWhy, whyNot } from "../state/sentence";
import { useAsked } from "../state/use-asked";
import { useBetter } from "../state/use-better";

interface Props {
  cloths: Record<string, Cloth>;
  /** What the work is, whose band or yoke is cut beside its edges; null of a free set of edges. */
  thing: Thing | null;
  /** The same as they are drawn. */
  painted: Record<string, Cloth>;
  /** Every piece as it is cut, so many times. */
  sections: { key: string; name: string; spec: ReadySpec; times: number }[];
  /** The piece that is chosen; null of a thing without any edge. */
  spec: SectionSpec | null;
  /** Which of the work's pieces it is. */
  here: number;
  /** The key of the work. */
  work: string;
  /** What is said above the step. */
  told: Fault[];
  /** Leads to the field where something wrong was typed. */
  onGo: (fault: Fault) => void;
  onChange: (spec: SectionSpec, field: string) => void;
  onSaid: (text: string) => void;
}
type Laid = CutAnswer["plans"][number];
type Cutting = NonNullable<SectionSpec["cutting"]>;
type CutPiece = NonNullable<Cutting["pieces"]>[number];

/** The step Cut: every piece of the work on its cloth, and the shopping slip. */
export function CutStep({ cloths, sections, spec, here, work, told, onGo, onChange, onSaid, painted, thing }: Props) {
  // The first plan at once; then one that takes less, if there is one, unless that is not waited for.
  const first = useAsked("/cut", { cloths, sections, thing, quick: true }, work);
  const [stopped, setStopped] = useState("");
  const asked = inOrder([sections, cloths, thing]);
  const better = first.answer?.plans.some((plan) => !plan.best) && stopped !== asked;
  const looked = useBetter(better ? { cloths, sections, thing } : null, asked);
  const answer = (better || stopped === asked ? looked.answer : null) ?? first.answer;
  const { problems } = first;
  const client = useQueryClient();
  const [kept, setKept] = useState<ReadonlySet<string>>(new Set());
  const keep = async (plan: Laid, one: Laid["offcuts"][number]) => {
    const { key: _, step: __, selvedge: ___, usable: ____, sheets: _____, ...cloth } = cloths[plan.role] ?? {};
    const [width, length] = one.typed;
    const unit = spec?.unit ?? thing?.unit ?? "cm";
    try {
      // A piece by itself: all there is of it is what is at hand, and no selvedge is left on it.
      await ask("POST", "/cloths", {
        name: `${plan.cloth}, left over`.slice(0, 120),
        unit,
        spec: { ...cloth, name: "", unit, width, length, rectangle: true },
      });
      setKept(new Set([...kept, offcutKey(plan, one)]));
      void client.invalidateQueries({ queryKey: ["cloths"] });
      onSaid(`${one.wide.text} × ${one.long.text} of ${plan.cloth} lies on the shelf.`);
    } catch (error) {
      onSaid(whyNot(error));
    }
  };
  const prefix = `sections.${here}.spec.`;
  const mine = problems
    .filter((one) => one.path.startsWith(prefix))
    .map((one) => ({ ...one, path: one.path.slice(prefix.length) }));
  // What is told above every step already, and what stands at a field of this one, is not said again.
  const elsewhere = faultsOf(problems, [], here).filter(
    (one) =>
      !(one.steps[0] === "cut" && one.piece === here) &&
      !(one.piece !== null && sections[one.piece]?.spec.mirrors) &&
      !told.some((other) => sameFault(one, other)),
  );
  const others = problems.filter((one) => !one.path);
  return (
    <div className="mt-1 grid grid-cols-1 gap-4 xl:grid-cols-[minmax(0,1fr)_18rem]">
      <div className="min-w-0">
        <Faults faults={elsewhere} stale={answer !== null && elsewhere.length > 0} onGo={onGo} />
        {others.map((problem) => (
          <p key={problem.path + problem.message} role="alert" className="my-1 border-l-[6px] border-weld-line pl-3">
            {saysWhy(problem)}
          </p>
        ))}
        {answer?.lacking.map((line) => (
          <p key={line} className="my-1 border-l-[6px] border-weld-line pl-3">
            {line}, under Cloth.
          </p>
        ))}
        {better && looked.busy && !first.busy && (
          <p role="status" className="m-0 flex items-center gap-3">
            <progress aria-label="Looking for a plan that takes less" className="w-32" />
            Looking for a plan that takes less…
            <button type="button" className="press" onClick={() => setStopped(asked)}>
              Stop
            </button>
          </p>
        )}
        {answer?.plans.map((plan) => (
          <CutPlan
            key={plan.role}
            plan={plan}
            paint={clothStyle(painted[plan.role])}
            only={answer.plans.length === 1}
            kept={kept}
            onKeep={(one) => void keep(plan, one)}
          />
        ))}
        {spec && <OtherPieces spec={spec} problems={mine} onChange={onChange} cloths={cloths} />}
      </div>
      <Shopping answer={answer} />
    </div>
  );
}

function Shopping({ answer }: { answer: CutAnswer | null }) {
  if (!answer) return null;
  return (
    <Aside name="The shopping slip">
      <h2 className="m-0 text-sm font-semibold text-smoke">The shopping slip</h2>
      <ul className="m-0 list-none p-0">
        {answer.plans.map((plan) => (
          <li key={plan.role} className="my-2 font-semibold">
            <Figure>
              {plan.asked
                ? `${plan.asked.text} of ${plan.cloth}, ${plan.width.text} wide${plan.cost ? `: ${plan.cost}` : ""}`
                : `${plan.cloth}: nothing to buy, what is at hand ${plan.left.length ? "is all there is" : "is enough"}.`}
            </Figure>
            {plan.short && (
              <span className="block font-normal text-madder">
                <Figure>{`What is at hand is ${plan.short.text} short.`}</Figure>
              </span>
            )}
          </li>
        ))}
        {answer.totals.map((one) => (
          <li key={one.name} className="my-1">
            <Figure>{`${one.much} ${one.name}${one.cost ? `: ${one.cost}` : ""}`}</Figure>
            {one.parts.length > 0 && (
              <span className="block text-sm text-smoke">
                <Figure>{one.parts.map((part) => `${part.much} for ${part.piece}`).join(", ")}</Figure>
              </span>
            )}
          </li>
        ))}
      </ul>
      {answer.cost && <p className="mt-3 mb-0 font-semibold">Cloth in all: {answer.cost}</p>}
      <p className="mt-3 mb-0 text-sm text-smoke">
        A rotary cutter: guard closed between cuts, cut away from the hand that holds the rule.
      </p>
    </Aside>
  );
}

/** Bands, ties, pockets: what is cut beside the strip. */
function OtherPieces(props: {
  spec: SectionSpec;
  problems: Problem[];
  onChange: Props["onChange"];
  /** The cloths of the work, which a piece may be cut from. */
  cloths: Record<string, Cloth>;
}) {
  const { spec, problems, onChange } = props;
  const pieces = spec.cutting?.pieces ?? [];
  const put = (next: CutPiece[]) => onChange({ ...spec, cutting: { ...spec.cutting, pieces: next } }, "cutting.pieces");
  const set = (index: number, fields: Partial<CutPiece>) =>
    put(pieces.map((piece, i) => (i === index ? { ...piece, ...fields } : piece)));
  const [more, setMore] = useState(0);
  const offered = rolesOf(props.cloths).map((role): [string, string] => [role, called(role, props.cloths)]);
  return (
    <section aria-label="Other pieces" className="mt-4">
      <h2 className="m-0 text-base font-bold">Other pieces: bands, ties, pockets</h2>
      {pieces.map((piece, index) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a piece has no other name than its row
        <div key={`${index} ${more}`} className="flex flex-wrap items-end gap-x-4 gap-y-1">
          <Text
            wide
            name={`Piece ${index + 1}`}
            path={`cutting.pieces.${index}.name`}
            value={piece.name}
            problems={problems}
            onType={(name) => set(index, { name: name.slice(0, 60) })}
          />
          <Text
            name={piece.on_fold ? "Half its width" : "Width"}
            path={`cutting.pieces.${index}.width`}
            value={piece.width}
            problems={problems}
            onType={(width) => set(index, { width })}
          />
          <Text
            name="Length"
            path={`cutting.pieces.${index}.length`}
            value={piece.length}
            problems={problems}
            onType={(length) => set(index, { length })}
          />
          <Text
            name="How many"
            path={`cutting.pieces.${index}.count`}
            value={piece.count ?? 1}
            problems={problems}
            onType={(text) => set(index, { count: Math.max(1, Math.min(200, Number.parseInt(text, 10) || 1)) })}
          />
          <Choose
            name="Cut from"
            value={piece.cloth ?? ""}
            options={[["", "this piece’s cloth"], ...offered]}
            onPick={(role) => set(index, { cloth: role || null })}
          />
          <TickBox name="On the fold" on={piece.on_fold ?? false} onTick={(on_fold) => set(index, { on_fold })} />
          <TickBox name="May be turned" on={piece.may_turn ?? false} onTick={(may_turn) => set(index, { may_turn })} />
          <button
            type="button"
            className="press"
            aria-label={`Remove piece ${index + 1}`}
            onClick={() => {
              put(pieces.filter((_, i) => i !== index));
              setMore(more + 1);
            }}
          >
            Remove
          </button>
        </div>
      ))}
      <button
        type="button"
        className="press"
        onClick={() =>
          put([
            ...pieces,
            {
              name: "Band",
              width: begin(spec, "10 cm", "4 in"),
              length: begin(spec, "80 cm", "32 in"),
              count: 1,
              may_turn: true,
            },
          ])
        }
      >
        Add a piece to cut
      </button>
    </section>
  );
}
