import { useState } from "react";
import type { Cloth, Plan, ReadySpec, SectionSpec, Thing, Work } from "../api/client";
import { ClothTags, MoreOfCloth, NameOfCloth } from "../parts/cloth/cloth-tags";
import { DropTags } from "../parts/cloth/drop-tags";
import { Shelf } from "../parts/cloth/from-shelf";
import { LiningFacts } from "../parts/cloth/lining-facts";
import { Offers } from "../parts/cloth/offers";
import { Front, Stripes } from "../parts/cloth/stripe-place";
import { Strategies, Ways } from "../parts/cloth/widths-compared";
import { Aside } from "../parts/controls/aside";
import { Choose, Text } from "../parts/controls/fields";
import { Figure } from "../parts/controls/figure";
import { Folded } from "../parts/controls/folded";
import { Allowances } from "../parts/pleat/edge-facts";
import { TiedFacts, type Tying } from "../parts/pleat/tying";
import { clothStyle } from "../ribbon/cloth-style";
import { called, rolesOf } from "../state/cloths";
import { saysWhy } from "../state/sentence";
import { changed } from "../state/spec";
import { useAsked } from "../state/use-asked";

interface Props {
  spec: SectionSpec;
  /** What of it follows from the thing; null of a free edge. */
  ties: Tying | null;
  plan: Plan | null;
  work: Pick<Work, "key" | "name">;
  /** The key of the piece; empty where there is none. */
  piece: string;
  onChange: (spec: SectionSpec, field: string) => void;
  onSaid: (text: string) => void;
  /** The seam allowance of the whole work. */
  onSeam: (text: string) => void;
  /** The cloths of the work by their roles, the one that this piece is cut from, and how either is changed. */
  cloths: Record<string, Cloth>;
  /** The same as pieces are laid on them. */
  lie: Record<string, Cloth>;
  role: string;
  onRole: (role: string) => void;
  onCloth: (role: string, cloth: Cloth | null, field: string) => void;
  /** What the work is; null of a free set of edges. */
  thing: Thing | null;
  /** The cloths as they are drawn. */
  painted: Record<string, Cloth>;
  /** The cloth that is looked at. */
  chosen: string;
  /** Every piece of the work as it is cut: what lies on each cloth. */
  sections: { key: string; name: string; spec: ReadySpec; times: number }[];
}
type Cutting = NonNullable<SectionSpec["cutting"]>;

/** The step Cloth: one cloth of the work on its bolt, the pieces that lie on it, one length, and the ways to join it. */
export function ClothStep(props: Props) {
  const { chosen, role } = props;
  const laid = useAsked(
    "/cut",
    { cloths: props.lie, sections: props.sections, thing: props.thing, quick: true },
    props.work.key,
  ).answer;
  const plan = laid?.plans.find((one) => one.role === chosen) ?? null;
  return (
    <div style={clothStyle(props.painted[chosen])}>
      {chosen === role ? <OfPiece {...props} laid={plan} /> : <OtherCloth key={chosen} {...props} laid={plan} />}
    </div>
  );
}

type LaidPlan = { laid: Parameters<typeof ClothTags>[0]["plan"] };

/** The cloth that the piece is cut from, with what the piece asks of it. */
function OfPiece(props: Props & LaidPlan) {
  const { spec, ties, plan, work, onChange, onSaid, onSeam } = props;
  const { answer, problems } = useAsked("/cloth", spec, props.piece);
  const [lit, setLit] = useState<string | null>(null);
  const cutting: Cutting = spec.cutting ?? {};
  const put = (fields: Partial<Cutting>, field = "cutting") =>
    onChange({ ...spec, cutting: { ...cutting, ...fields } }, field);
  const mend = (change: Record<string, unknown>) => onChange(changed(spec, change), Object.keys(change)[0] ?? "");
  const cloth = spec.cloth ?? {};
  const toCloth = (now: Cloth) => onChange({ ...spec, cloth: now }, "cloth");
  const general = problems.filter((one) => !/^(cloth|cutting|allowance)\./.test(one.path));
  const wrong = (pattern: RegExp) => problems.some((one) => pattern.test(one.path));
  const seam = spec.allowance?.seam || answer?.assumed["allowance.seam"] || "";
  const strategy = cutting.strategy ?? "fewest";
  return (
    <div className="mt-1 grid grid-cols-1 gap-4 xl:grid-cols-[minmax(0,1fr)_18rem]">
      <div className="flex min-w-0 flex-col gap-3">
        <div className="flex flex-wrap items-end gap-3">
          <NameOfCloth cloth={cloth} problems={problems} onChange={toCloth} />
          <Shelf spec={spec} work={work.name} need={props.laid?.take ?? ""} onChange={onChange} onSaid={onSaid} />
        </div>
        <section aria-label="The cloth" className="flex min-w-0 flex-col gap-2">
          <ClothTags
            cloth={cloth}
            unit={spec.unit}
            assumed={answer?.assumed ?? {}}
            problems={problems}
            plan={props.laid}
            along={answer?.along?.mm ?? 0}
            lit={lit}
            onLight={setLit}
            onChange={toCloth}
          />
          <DropTags spec={spec} answer={answer} problems={problems} lit={lit} onLight={setLit} put={put} />
        </section>
        {answer && (
          <>
            <Strategies
              answer={answer}
              chosen={strategy}
              onPick={(one) => put({ strategy: one as NonNullable<Cutting["strategy"]> }, "cutting.strategy")}
            />
            {answer.strategies.some((one) => one.joins > 0) && (
              <Choose
                name="Widths are laid from"
                value={cutting.joins_from ?? "start"}
                options={[
                  ["start", "its start"],
                  ["end", "its end"],
                ]}
                onPick={(end) => put({ joins_from: end as NonNullable<Cutting["joins_from"]> }, "cutting.joins_from")}
              />
            )}
            <Ways
              name="Which way it lies on the cloth"
              ways={answer.ways}
              chosen={cutting.way ?? "usual"}
              onPick={(way) => put({ way: way as NonNullable<Cutting["way"]> }, "cutting.way")}
            />
            <Offers name="Pleats to the repeat" offers={answer.repeats} onMend={mend} />
            <Offers name="A small change saves cloth" offers={answer.offers} onMend={mend} />
            <Offers name="What the cloth at hand will make" offers={answer.makes} onMend={mend} />
            <Offers name="What would help" offers={answer.mends} onMend={mend} />
          </>
        )}
        {answer?.lining && (
          <Ways
            name="Which way the lining lies"
            ways={answer.lining.ways}
            chosen={spec.cutting?.lining?.way ?? "usual"}
            onPick={(way) =>
              spec.cutting?.lining &&
              put({ lining: { ...spec.cutting.lining, way: way as NonNullable<Cutting["way"]> } }, "cutting.lining")
            }
          />
        )}
        {ties && <TiedFacts ties={ties} />}
        <div>
          <MoreOfCloth
            cloth={cloth}
            unit={spec.unit}
            assumed={answer?.assumed ?? {}}
            problems={problems}
            onChange={toCloth}
          />
          {spec.cloth?.stripes?.length ? <Stripes spec={spec} answer={answer} put={put} /> : null}
          <Folded
            name="Seam allowances"
            state={`${seam}${spec.allowance?.start || spec.allowance?.end || spec.allowance?.join ? "; others at the ends or the joins" : ", everywhere"}`}
            wrong={wrong(/^allowance\./)}
          >
            <Text
              name="Seam allowance of the work"
              path="allowance.seam"
              value={spec.allowance?.seam}
              assumed={answer?.assumed["allowance.seam"]}
              problems={problems}
              onType={onSeam}
            />
            <Allowances spec={spec} problems={problems} set={mend} />
          </Folded>
          <Folded name="Cut from" state={`the ${called(props.role, props.cloths)}`}>
            <Choose
              name="This piece is cut from the"
              value={props.role}
              options={rolesOf(props.cloths).map((one): [string, string] => [one, called(one, props.cloths)])}
              onPick={props.onRole}
            />
          </Folded>
          {spec.closed && (
            <Folded
              name="An opening in the closing join"
              state={cutting.opening ? `${cutting.opening} long` : "none"}
              wrong={wrong(/^cutting\.opening/)}
            >
              <Text
                name="The closing join stays open for"
                path="cutting.opening"
                value={cutting.opening}
                problems={problems}
                onType={(text) => put({ opening: text.trim() ? text : null })}
              />
            </Folded>
          )}
          <Folded
            name="Front pieces"
            state={cutting.front ? `each shows ${cutting.front.shows}` : "none"}
            wrong={wrong(/^cutting\.front/)}
          >
            <Front spec={spec} problems={problems} put={put} />
          </Folded>
          <Folded
            name="Lining"
            state={cutting.lining ? (cutting.lining.tube ? "sewn as a tube" : "loose") : "none"}
            wrong={wrong(/^cutting\.lining/)}
          >
            <LiningFacts spec={spec} problems={problems} assumed={answer?.assumed ?? {}} put={put} />
          </Folded>
        </div>
      </div>
      <Aside name="The cloth slip">
        <h2 className="m-0 text-sm font-semibold text-smoke">The slip of this piece</h2>
        {general.map((problem) => (
          <p key={problem.message} role="alert" className="my-2 font-semibold text-madder">
            {saysWhy(problem)}
          </p>
        ))}
        {plan && (
          <p className="my-2 font-semibold">
            <Figure>{plan.slip[0]?.text ?? ""}</Figure>
          </p>
        )}
        {answer?.slip.map((line) => (
          <p key={line} className={`my-2 ${line.startsWith("Buy") ? "font-semibold" : ""}`}>
            <Figure>{line}</Figure>
          </p>
        ))}
        {answer && answer.notions.length > 0 && (
          <>
            <h3 className="mt-3 mb-0 text-sm font-semibold text-smoke">Also wanted</h3>
            <ul className="m-0 list-none p-0">
              {answer.notions.map((one) => (
                <li key={one.name}>
                  <Figure>{`${one.count ?? one.length?.text ?? ""} ${one.name}`}</Figure>
                </li>
              ))}
            </ul>
          </>
        )}
      </Aside>
    </div>
  );
}

/** A cloth of the work that other pieces are cut from: a lining, a contrast, an interfacing. */
function OtherCloth({ spec, cloths, chosen, laid, onCloth }: Props & LaidPlan) {
  const own = cloths[chosen] ?? {};
  const [lit, setLit] = useState<string | null>(null);
  // Asked by itself: what is wrong with another cloth is no matter of this piece's plan.
  const read = useAsked("/cloth/read", { cloth: own, unit: spec.unit, habit: spec.habit }, chosen);
  const { answer } = read;
  const problems = read.problems.filter((one) => one.path.startsWith("cloth."));
  const change = (cloth: Cloth) => onCloth(chosen, { unit: spec.unit ?? "cm", ...cloth }, "cloth");
  const unit = own.unit ?? spec.unit;
  return (
    <div className="mt-1 grid grid-cols-1 gap-4 xl:grid-cols-[minmax(0,1fr)_18rem]">
      <section aria-label={`The ${chosen}`} className="flex min-w-0 flex-col gap-3">
        <div className="flex flex-wrap items-end gap-3">
          <NameOfCloth cloth={own} problems={problems} onChange={change} />
        </div>
        <ClothTags
          cloth={own}
          unit={unit}
          assumed={{}}
          problems={problems}
          plan={laid}
          along={answer?.along?.mm ?? 0}
          lit={lit}
          onLight={setLit}
          onChange={change}
        />
        <MoreOfCloth cloth={own} unit={unit} assumed={{}} problems={problems} onChange={change} />
      </section>
      <Aside name="The cloth slip">
        <h2 className="m-0 text-sm font-semibold text-smoke">The slip of this cloth</h2>
        {answer?.usable && (
          <p className="my-2 font-semibold">
            <Figure>{`${answer.usable.text} of its width can be used${answer.at_hand ? `; ${answer.at_hand.text} at hand${own.shrinkage ? ", once washed" : ""}` : ""}.`}</Figure>
          </p>
        )}
        {laid && (
          <p className="my-2">
            <Figure>{laid.says}</Figure>
          </p>
        )}
        <p className="my-2 text-smoke">Under Cut, a band or a pocket is cut from the {chosen} if you say so there.</p>
      </Aside>
    </div>
  );
}
