import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "wouter";
import {
  ask,
  type ClothAnswer,
  type ClothRow,
  type Plan,
  type Problem,
  Refused,
  type SectionSpec,
} from "../api/client";
import { ClothFacts, fromShelf } from "../parts/cloth-facts";
import { Choose, Text, Tick } from "../parts/fields";
import { Figure } from "../parts/figure";
import { sentence } from "../parts/pin-tile";
import { changed } from "../state/spec";
import { useAsked } from "../state/use-asked";

interface Props {
  spec: SectionSpec;
  plan: Plan | null;
  work: string;
  onChange: (spec: SectionSpec, field: string) => void;
  onSaid: (text: string) => void;
}
type Cutting = NonNullable<SectionSpec["cutting"]>;

/** The step Cloth: what a section is cut from, how its joins are shared, which way it lies, what to buy. */
export function ClothStep({ spec, plan, work, onChange, onSaid }: Props) {
  const { answer, problems } = useAsked<ClothAnswer>("/cloth", spec);
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
        <ClothFacts
          cloth={spec.cloth ?? {}}
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
              answer={answer}
              chosen={cutting.way ?? "best"}
              onPick={(way) => put({ way: way as NonNullable<Cutting["way"]> }, "cutting.way")}
            />
            <Offers name="Pleats to the repeat" offers={answer.repeats} onMend={mend} />
            <Offers name="A small change saves cloth" offers={answer.offers} onMend={mend} />
            <Offers name="What the cloth at hand will make" offers={answer.makes} onMend={mend} />
            <Offers name="What would help" offers={answer.mends} onMend={mend} />
          </>
        )}
        <LiningFacts spec={spec} problems={problems} put={put} />
      </div>
      <section aria-label="The cloth slip" className="self-start bg-linen px-5 py-4">
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
      </section>
    </div>
  );
}

/** A cloth taken from the shelf: chosen, then its length taken for this work and what is left given back. */
function Shelf({ spec, work, asked, onChange, onSaid }: Omit<Props, "plan"> & { asked: ClothAnswer | null }) {
  const shelf = useQuery({
    queryKey: ["cloths"],
    queryFn: ({ signal }) => ask<{ cloths: ClothRow[] }>("GET", "/cloths", undefined, { signal }),
  });
  const [length, setLength] = useState<string | null>(null);
  const rows = shelf.data?.cloths ?? [];
  const row = rows.find((one) => one.key === spec.cloth?.key);
  const wanted = length ?? asked?.buy?.needed.text.replace("≈", "") ?? "";
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
      onChange({ ...spec, cloth: { ...spec.cloth, ...fromShelf(now) } }, "cloth");
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

/** Plain overlapping front pieces cut in one length with the pleats. */
function Front(props: { spec: SectionSpec; problems: Problem[]; put: (fields: Partial<Cutting>) => void }) {
  const front = props.spec.cutting?.front ?? null;
  return (
    <section aria-label="Front pieces" className="flex flex-wrap items-end gap-x-5">
      <Tick
        name="Plain front pieces in the same length, an outer over an inner"
        on={front !== null}
        onTick={(on) => props.put({ front: on ? { shows: "30 cm" } : null })}
      />
      {front && (
        <>
          <Text
            name="Each shows"
            path="cutting.front.shows"
            value={front.shows}
            problems={props.problems}
            onType={(shows) => props.put({ front: { ...front, shows } })}
          />
          <Text
            name="Fold inside its edge"
            path="cutting.front.fold"
            value={front.fold}
            problems={props.problems}
            onType={(text) => props.put({ front: { ...front, fold: text.trim() ? text : null } })}
          />
        </>
      )}
    </section>
  );
}

/** The front as it would look for each stripe, to choose by eye. */
function Looks(props: { looks: ClothAnswer["looks"]; spec: SectionSpec; put: (fields: Partial<Cutting>) => void }) {
  const { cutting } = props.spec;
  return (
    <ul className="m-0 mt-2 grid list-none grid-cols-2 gap-2 p-0 lg:grid-cols-3">
      {props.looks.map((look) => {
        const here = cutting?.stripe === look.stripe && (cutting.stripe_where ?? "fold") === look.where;
        const whole = look.front.at(-1)?.to ?? 1;
        return (
          <li key={`${look.stripe} ${look.where}`}>
            <button
              type="button"
              aria-pressed={here}
              className={`w-full border-t-4 bg-linen px-2 py-1 text-left text-sm ${here ? "border-madder" : "border-thread hover:border-woad"}`}
              onClick={() => props.put({ stripe: look.stripe, stripe_where: look.where as "fold" | "face" })}
            >
              Stripe {look.stripe} {look.where === "fold" ? "at the fold" : "mid-face"}
              <svg
                viewBox={`0 0 ${whole} 10`}
                preserveAspectRatio="none"
                className="block h-8 w-full"
                aria-hidden="true"
              >
                {look.front.map((seen) => (
                  <rect
                    key={`${seen.from} ${seen.to}`}
                    x={seen.from}
                    width={seen.to - seen.from}
                    height={10}
                    fill={seen.colour}
                  />
                ))}
              </svg>
            </button>
          </li>
        );
      })}
    </ul>
  );
}

function Stripes({
  spec,
  answer,
  put,
}: {
  spec: SectionSpec;
  answer: ClothAnswer | null;
  put: (fields: Partial<Cutting>) => void;
}) {
  const stripes = spec.cloth?.stripes ?? [];
  const cutting = spec.cutting ?? {};
  return (
    <section aria-label="Where the stripes stand" className="flex flex-wrap items-end gap-x-5 gap-y-3">
      <Choose
        name="This stripe"
        value={String(cutting.stripe ?? "")}
        options={[
          ["", "As they come"],
          ...stripes.map((stripe, i): [string, string] => [String(i + 1), `Stripe ${i + 1}, ${stripe.width} wide`]),
        ]}
        onPick={(n) => put({ stripe: n ? Number(n) : null })}
      />
      {cutting.stripe && (
        <>
          <Choose
            name="stands"
            value={cutting.stripe_where ?? "fold"}
            options={[
              ["fold", "at the outer fold"],
              ["face", "in the middle of a face"],
            ]}
            onPick={(where) => put({ stripe_where: where as "fold" | "face" })}
          />
          <Choose
            name="by its"
            value={cutting.stripe_at ?? "middle"}
            options={[
              ["middle", "middle"],
              ["edge", "left edge"],
            ]}
            onPick={(at) => put({ stripe_at: at as "edge" | "middle" })}
          />
        </>
      )}
      {answer && <Looks looks={answer.looks} spec={spec} put={put} />}
      {answer?.pleats_at_hand ? (
        <p className="m-0 w-full">The cloth at hand allows {answer.pleats_at_hand} pleats of this pitch.</p>
      ) : null}
    </section>
  );
}

function Strategies(props: { answer: ClothAnswer; chosen: string; onPick: (name: string) => void }) {
  const { strategies } = props.answer;
  if (strategies.length === 0) return null;
  const widest = Math.max(...strategies.flatMap((one) => one.widths.map((width) => width.mm)));
  return (
    <fieldset className="m-0 border-0 p-0">
      <legend className="mb-1 text-base font-bold">How the widths are shared</legend>
      {strategies.map((one) => (
        <label
          key={one.name}
          className={`flex min-h-11 flex-wrap items-center gap-3 border-l-[6px] bg-linen px-3 py-2 ${one.name === props.chosen ? "border-madder" : "border-transparent"}`}
        >
          <input
            type="radio"
            name="strategy"
            className="size-5 accent-[var(--madder)]"
            checked={one.name === props.chosen}
            onChange={() => props.onPick(one.name)}
          />
          <span className="w-72">{sentence(one.says)}</span>
          <span className="flex min-w-40 grow gap-1" aria-hidden="true">
            {one.widths.map((width, index) => (
              <span
                // biome-ignore lint/suspicious/noArrayIndexKey: a width has no other name than its place
                key={index}
                className="h-4 bg-[var(--cloth)]"
                style={{ width: `${(width.mm / widest) * (92 / one.widths.length)}%` }}
              />
            ))}
          </span>
          <span className="w-full text-sm text-smoke sm:w-auto">
            <Figure>
              {`${one.widths.length} ${one.widths.length === 1 ? "width" : "widths"}: ${listed(one.widths.map((width) => width.text))}${one.shown ? `; ${one.shown} would show` : ""}`}
            </Figure>
          </span>
        </label>
      ))}
    </fieldset>
  );
}

function listed(texts: string[]): string {
  const alike = new Map<string, number>();
  for (const text of texts) alike.set(text, (alike.get(text) ?? 0) + 1);
  return [...alike].map(([text, count]) => (count > 1 ? `${count} of ${text}` : text)).join(", ");
}

function Ways(props: { answer: ClothAnswer; chosen: string; onPick: (name: string) => void }) {
  const { ways } = props.answer;
  if (ways.length === 0) return null;
  const longest = Math.max(1, ...ways.map((way) => way.length.mm));
  return (
    <fieldset className="m-0 border-0 p-0">
      <legend className="mb-1 text-base font-bold">Which way it lies on the cloth</legend>
      {ways.map((way) => (
        <label
          key={way.name}
          className={`flex min-h-11 flex-wrap items-center gap-3 border-l-[6px] bg-linen px-3 py-2 ${way.taken ? "border-madder" : "border-transparent"} ${way.why_not ? "text-smoke" : ""}`}
        >
          <input
            type="radio"
            name="way"
            className="size-5 accent-[var(--madder)]"
            disabled={way.why_not !== ""}
            checked={way.taken}
            onChange={() => props.onPick(way.name)}
          />
          <span className="w-72">{sentence(way.says)}</span>
          {way.why_not ? (
            <span>Not this way: {way.why_not}.</span>
          ) : (
            <>
              <span className="flex min-w-40 grow" aria-hidden="true">
                <span className="h-4 bg-[var(--cloth)]" style={{ width: `${(way.length.mm / longest) * 92}%` }} />
              </span>
              <span className="text-sm text-smoke">
                <Figure>{`${way.length.text}${way.cost ? `, ${way.cost}` : ""}, ${way.joins} ${way.joins === 1 ? "join" : "joins"}`}</Figure>
              </span>
            </>
          )}
        </label>
      ))}
      {props.chosen !== "best" && (
        <button type="button" className="press" onClick={() => props.onPick("best")}>
          Take whichever needs least cloth
        </button>
      )}
    </fieldset>
  );
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

function LiningFacts(props: { spec: SectionSpec; problems: Problem[]; put: (fields: Partial<Cutting>) => void }) {
  const lining = props.spec.cutting?.lining ?? null;
  const set = (fields: Partial<NonNullable<Cutting["lining"]>>) => props.put({ lining: { ...lining, ...fields } });
  const field = (
    name: string,
    key: "shorter" | "narrower" | "hem" | "heading" | "allowance" | "usable" | "price" | "weight",
  ) => (
    <Text
      name={name}
      path={`cutting.lining.${key}`}
      value={lining?.[key]}
      problems={props.problems}
      onType={(text) => set({ [key]: text.trim() ? text : null })}
    />
  );
  return (
    <section aria-label="The lining">
      <Tick
        name="It is lined"
        on={lining !== null}
        onTick={(on) => props.put({ lining: on ? { shorter: "2 cm", hem: "3 cm", hem_turns: 2 } : null })}
      />
      {lining && (
        <div className="flex flex-wrap items-end gap-x-5 gap-y-3">
          {field("Shorter than the face by", "shorter")}
          {field("Narrower in all by", "narrower")}
          {field("Its hem", "hem")}
          <Choose
            name="Hem turned"
            value={String(lining.hem_turns ?? 2)}
            options={[
              ["1", "once"],
              ["2", "twice"],
            ]}
            onPick={(n) => set({ hem_turns: Number(n) as 1 | 2 })}
          />
          {field("Its heading", "heading")}
          {field("Seam allowance", "allowance")}
          {field("Usable width of lining", "usable")}
          {field("Its price", "price")}
          {field("Its weight, g/m²", "weight")}
          <Tick
            name="Sewn to the face as a tube, and turned"
            on={lining.tube ?? false}
            onTick={(tube) => set({ tube })}
          />
        </div>
      )}
    </section>
  );
}
