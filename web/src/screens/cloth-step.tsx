import { useQuery } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { Link } from "wouter";
import { ask, type Cloth, type ClothAnswer, type ClothRow, type Plan, Refused, type SectionSpec } from "../api/client";
import { ClothFacts, fromShelf } from "../parts/cloth/cloth-facts";
import { LiningFacts } from "../parts/cloth/lining-facts";
import { Front, Stripes } from "../parts/cloth/stripe-place";
import { Strategies, Ways } from "../parts/cloth/widths-compared";
import { Aside } from "../parts/controls/aside";
import { Choose, Text } from "../parts/controls/fields";
import { Figure } from "../parts/controls/figure";
import { Allowances } from "../parts/pleat/edge-facts";
import { sentence } from "../parts/pleat/pin-tile";
import { TiedFacts, type Tying } from "../parts/pleat/tying";
import { called, rolesOf } from "../state/cloths";
import { changed } from "../state/spec";
import { useAsked } from "../state/use-asked";

interface Props {
  spec: SectionSpec;
  /** What of it follows from the thing; null of a free edge. */
  ties: Tying | null;
  plan: Plan | null;
  work: string;
  onChange: (spec: SectionSpec, field: string) => void;
  onSaid: (text: string) => void;
  /** The seam allowance of the whole work. */
  onSeam: (text: string) => void;
  /** The cloths of the work by their roles, the one that this piece is cut from, and how either is changed. */
  cloths: Record<string, Cloth>;
  role: string;
  onRole: (role: string) => void;
  onCloth: (role: string, cloth: Cloth | null, field: string) => void;
}
type Cutting = NonNullable<SectionSpec["cutting"]>;

/** The step Cloth: what a section is cut from, how its joins are shared, which way it lies, what to buy. */
export function ClothStep(props: Props) {
  const { spec, ties, plan, work, onChange, onSaid, onSeam } = props;
  const { answer, problems } = useAsked("/cloth", spec);
  const cutting: Cutting = spec.cutting ?? {};
  const drop = cutting.drop ?? {};
  const put = (fields: Partial<Cutting>, field = "cutting") =>
    onChange({ ...spec, cutting: { ...cutting, ...fields } }, field);
  const setDrop = (fields: Partial<NonNullable<Cutting["drop"]>>) =>
    put({ drop: { ...drop, ...fields } }, "cutting.drop");
  const mend = (change: Record<string, unknown>) => onChange(changed(spec, change), Object.keys(change)[0] ?? "");
  const length = (name: string, key: "finished" | "heading" | "hem" | "margin") => (
    <Text
      name={name}
      path={`cutting.drop.${key}`}
      value={drop[key]}
      problems={problems}
      onType={(text) => setDrop({ [key]: text.trim() ? text : null })}
    />
  );
  const general = problems.filter((one) => !/^(cloth|cutting)\./.test(one.path));
  return (
    <div className="mt-3 grid grid-cols-1 gap-4 xl:grid-cols-[minmax(0,1fr)_20rem]">
      <div className="flex min-w-0 flex-col gap-5">
        <Shelf spec={spec} work={work} asked={answer} onChange={onChange} onSaid={onSaid} />
        {ties && <TiedFacts ties={ties} />}
        <section aria-label="Seam allowances" className="flex flex-wrap items-end gap-x-5 gap-y-3">
          <Text
            name="Seam allowance of the work"
            path="allowance.seam"
            value={spec.allowance?.seam}
            assumed={answer?.assumed["allowance.seam"]}
            problems={problems}
            onType={onSeam}
          />
          <Allowances spec={spec} problems={problems} set={mend} />
        </section>
        <div className="self-start">
          <Choose
            name="This piece is cut from the"
            value={props.role}
            options={offered(props.cloths)}
            onPick={props.onRole}
          />
        </div>
        <ClothFacts
          cloth={spec.cloth ?? {}}
          unit={spec.unit}
          assumed={answer?.assumed}
          problems={problems}
          onChange={(cloth) => onChange({ ...spec, cloth }, "cloth")}
        />
        <section aria-label="The drop" className="flex flex-wrap items-end gap-x-5 gap-y-3">
          {length("It falls, finished", "finished")}
          {length("Heading", "heading")}
          {length("Hem", "hem")}
          <Choose
            name="Hem turned"
            value={String(drop.hem_turns ?? 2)}
            options={[
              ["1", "once"],
              ["2", "twice"],
            ]}
            onPick={(n) => setDrop({ hem_turns: Number(n) as 1 | 2 })}
          />
          {length("Trimmed away", "margin")}
          {spec.closed && (
            <Text
              name="The closing join stays open for"
              path="cutting.opening"
              value={cutting.opening}
              problems={problems}
              onType={(text) => put({ opening: text.trim() ? text : null })}
            />
          )}
        </section>
        {spec.cloth?.stripes?.length ? <Stripes spec={spec} answer={answer} put={put} /> : null}
        <Front spec={spec} problems={problems} put={put} />
        {answer && (
          <>
            <Strategies
              answer={answer}
              chosen={cutting.strategy ?? "fewest"}
              onPick={(strategy) => put({ strategy: strategy as NonNullable<Cutting["strategy"]> }, "cutting.strategy")}
            />
            <Ways
              name="Which way it lies on the cloth"
              ways={answer.ways}
              chosen={cutting.way ?? "best"}
              onPick={(way) => put({ way: way as NonNullable<Cutting["way"]> }, "cutting.way")}
            />
            <Offers name="Pleats to the repeat" offers={answer.repeats} onMend={mend} />
            <Offers name="A small change saves cloth" offers={answer.offers} onMend={mend} />
            <Offers name="What the cloth at hand will make" offers={answer.makes} onMend={mend} />
            <Offers name="What would help" offers={answer.mends} onMend={mend} />
          </>
        )}
        <LiningFacts spec={spec} problems={problems} assumed={answer?.assumed ?? {}} put={put} />
        {answer?.lining && (
          <Ways
            name="Which way the lining lies"
            ways={answer.lining.ways}
            chosen={spec.cutting?.lining?.way ?? "best"}
            onPick={(way) =>
              spec.cutting?.lining &&
              put({ lining: { ...spec.cutting.lining, way: way as NonNullable<Cutting["way"]> } }, "cutting.lining")
            }
          />
        )}
        <OtherCloth {...props} />
      </div>
      <Aside name="The cloth slip">
        <h2 className="m-0 text-sm font-semibold text-smoke">The slip</h2>
        {general.map((problem) => (
          <p key={problem.message} role="alert" className="my-2 font-semibold text-madder">
            {sentence(problem.message)} {sentence(problem.way_out)}
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

const offered = (cloths: Props["cloths"]) => rolesOf(cloths).map((one): [string, string] => [one, called(one, cloths)]);

/** The other cloths of the work, one at a time: a contrast, an interfacing. */
function OtherCloth({ spec, cloths, role, onCloth }: Props) {
  const [other, setOther] = useState("");
  const shown = other !== "" && other !== role;
  const own = cloths[other] ?? {};
  // Asked by itself: what is wrong with another cloth is no matter of this piece's plan.
  const { answer, problems } = useAsked(
    "/cloth/read",
    shown ? { cloth: own, unit: spec.unit, habit: spec.habit } : null,
    other,
  );
  return (
    <section aria-label="Another cloth of the work" className="flex flex-col gap-3">
      <div className="self-start">
        <Choose
          name="Another cloth of the work"
          value={other}
          options={[["", "choose one to see it"], ...offered(cloths).filter(([one]) => one !== role)]}
          onPick={setOther}
        />
      </div>
      {shown && (
        <div className="border-l-4 border-thread pl-4">
          <ClothFacts
            cloth={own}
            unit={own.unit ?? spec.unit}
            problems={problems.filter((one) => one.path.startsWith("cloth."))}
            onChange={(cloth) => onCloth(other, { unit: spec.unit ?? "cm", ...cloth }, "cloth")}
          />
          {answer?.usable && (
            <p className="mt-3 mb-0 font-semibold">
              <Figure>{`${answer.usable.text} of its width can be used${answer.at_hand ? `; ${answer.at_hand.text} at hand${own.shrinkage ? ", once washed" : ""}` : ""}.`}</Figure>
            </p>
          )}
          <p className="mt-3 mb-0 text-smoke">
            Under Cut, a band or a pocket is cut from the {other} if you say so there.
          </p>
        </div>
      )}
    </section>
  );
}

/** A cloth taken from the shelf: chosen, then its length taken for this work and what is left given back. */
function Shelf({
  spec,
  work,
  asked,
  onChange,
  onSaid,
}: Pick<Props, "spec" | "work" | "onChange" | "onSaid"> & { asked: ClothAnswer | null }) {
  const shelf = useQuery({
    queryKey: ["cloths"],
    queryFn: ({ signal }) => ask<{ cloths: ClothRow[] }>("GET", "/cloths", undefined, { signal }),
  });
  const [length, setLength] = useState<string | null>(null);
  const rows = shelf.data?.cloths ?? [];
  const row = rows.find((one) => one.key === spec.cloth?.key);
  const wanted = length ?? asked?.buy?.take ?? "";
  const newest = useRef({ spec, onChange });
  newest.current = { spec, onChange };
  const move = async (way: "take" | "give") => {
    if (!row) return;
    try {
      const now = await ask<ClothRow>("POST", `/cloths/${row.key}/${way}`, {
        revision: row.revision,
        length: wanted,
        work,
      });
      onSaid(
        `${wanted} of ${row.name} ${way === "take" ? "taken for this work" : "given back"}: ${now.left?.text ?? ""} left.`,
      );
      const { spec: typed, onChange } = newest.current;
      onChange({ ...typed, cloth: { ...typed.cloth, ...fromShelf(now) } }, "cloth");
      await shelf.refetch();
    } catch (error) {
      const problem = error instanceof Refused ? error.problems[0] : undefined;
      onSaid(problem ? `${sentence(problem.message)} ${sentence(problem.way_out)}` : "The program does not answer.");
    }
  };
  return (
    <div className="flex flex-wrap items-end gap-3">
      <Choose
        name="From the cloth shelf"
        value={row?.key ?? ""}
        options={[["", "Not from the shelf"], ...rows.map((one): [string, string] => [one.key, one.name])]}
        onPick={(key) => {
          const chosen = rows.find((one) => one.key === key);
          onChange({ ...spec, cloth: chosen ? fromShelf(chosen) : { ...spec.cloth, key: "" } }, "cloth");
        }}
      />
      {row && (
        <>
          <Text name="Length to move" path="" value={wanted} problems={[]} onType={setLength} />
          <button type="button" className="press" onClick={() => void move("take")}>
            Take for this work
          </button>
          <button type="button" className="press" onClick={() => void move("give")}>
            Give back
          </button>
          {differs(row, spec.cloth) && (
            <button
              type="button"
              className="press"
              onClick={() => onChange({ ...spec, cloth: { ...spec.cloth, ...fromShelf(row) } }, "cloth")}
            >
              The shelf says otherwise by now: take that over
            </button>
          )}
          <span className="pb-2 text-smoke">
            <Figure>{row.left ? `${row.left.text} left on the shelf` : ""}</Figure>
          </span>
        </>
      )}
      <Link href="/cloth" className="press">
        Open the shelf
      </Link>
    </div>
  );
}

/** Whether the shelf knows a cloth otherwise than the work that took it from there. */
function differs(row: ClothRow, cloth: Cloth | undefined): boolean {
  const there = fromShelf(row) as Record<string, unknown>;
  const here = (cloth ?? {}) as Record<string, unknown>;
  return Object.keys(there).some((name) => JSON.stringify(there[name]) !== JSON.stringify(here[name]));
}

function Offers(props: {
  name: string;
  offers: { says: string; change: Record<string, unknown> }[];
  onMend: (change: Record<string, unknown>) => void;
}) {
  if (props.offers.length === 0) return null;
  return (
    <section aria-label={props.name}>
      <h2 className="m-0 text-base font-bold">{props.name}</h2>
      <ul className="m-0 flex list-none flex-wrap gap-2 p-0">
        {props.offers.map((one) => (
          <li key={one.says}>
            <button
              type="button"
              className="min-h-11 border-t-4 border-thread bg-linen px-3 py-2 text-left hover:border-woad"
              onClick={() => props.onMend(one.change)}
            >
              <Figure>{sentence(one.says)}</Figure>
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
