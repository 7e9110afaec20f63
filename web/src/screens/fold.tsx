import { useQuery } from "@tanstack/react-query";
import { type CSSProperties, useEffect, useMemo, useState } from "react";
import { Link } from "wouter";
import { ask, type FoldAnswer, type Plan, type ReadyWork, type ThingAnswer } from "../api/client";
import { BackAndNext } from "../parts/controls/back-and-next";
import { Choose } from "../parts/controls/fields";
import { Figure } from "../parts/controls/figure";
import { WhichEdge } from "../parts/table/which-edge";
import { StepClock } from "../parts/thing/step-clock";
import { clothStyle } from "../ribbon/cloth-style";
import { EdgeTrack, edgeHeight } from "../ribbon/edge-track";
import { FlatTrack } from "../ribbon/flat-track";
import { type Model, model as modelOf } from "../ribbon/model";
import { alone, paintedCloths, roleOf } from "../state/cloths";
import { looks } from "../state/look";
import { traits } from "../state/spec";
import { usePlace } from "../state/use-place";
import { speak, useAwake } from "../state/use-table";
import { thingAsked } from "../state/use-thing";

interface Fetched {
  work: ReadyWork;
  piece: string;
  plan: Plan;
  fold: FoldAnswer;
  model: Model;
  /** The colours of the cloth that is folded. */
  paint: CSSProperties | undefined;
}

/** The folding round at the table: each pleat with its picture, then pressing and basting; and the order of making. */
export function Fold({ name, piece }: { name: string; piece: string }) {
  const found = useQuery({
    queryKey: ["fold", name, piece],
    queryFn: async (): Promise<Fetched | null> => {
      const work = await ask<ReadyWork>("GET", `/works/${name}/ready`);
      const section = work.sections.find((one) => one.key === piece);
      if (!section) return null;
      const [plan, fold] = await Promise.all([
        ask<Plan>("POST", "/plan", alone(section.spec, work.cloths)),
        ask<FoldAnswer>("POST", "/fold", alone(section.spec, work.cloths)),
      ]);
      if (work.thing) fold.order = await orderOf(work);
      const spec = alone(section.spec, work.cloths);
      const paint = clothStyle(paintedCloths(work)[roleOf(section.spec)]);
      return { work, piece: section.name, plan, fold, model: modelOf(plan, looks(spec)), paint };
    },
    staleTime: Number.POSITIVE_INFINITY,
    retry: 2,
  });
  useAwake();
  if (!found.data)
    return (
      <main className="p-8 text-2xl">
        <h1 className="text-2xl font-bold">The folding round</h1>
        <p>
          {found.isPending
            ? "Fetching the pleats…"
            : "There is nothing to fold here yet: the step Pleat says what is lacking."}
        </p>
        <Link className="press" href={`/works/${name}`}>
          Back to the bench
        </Link>
      </main>
    );
  return <Round got={found.data} name={name} piece={piece} />;
}

/** The order of making as the sewist has it for the thing; what is done is said so. */
async function orderOf(work: ReadyWork): Promise<FoldAnswer["order"]> {
  const made = await ask<ThingAnswer>("POST", "/thing", thingAsked(work));
  return made.steps.map((step) => ({ name: step.done ? `${step.name}, done` : step.name, says: step.says }));
}

function Round({ got, name, piece }: { got: Fetched; name: string; piece: string }) {
  const { fold, plan } = got;
  const place = usePlace(name, piece, "start", "RS");
  const [fibre, setFibre] = useState("0");
  const [aloud, setAloud] = useState(false);
  const total = fold.pleats.length;
  const at = Math.min(place.folded, total);
  const now = fold.pleats[at];
  const { go: put } = place;
  const go = useMemo(() => (to: number) => put({ folded: Math.max(0, Math.min(total, to)) }), [put, total]);
  useEffect(() => {
    if (aloud && now) speak(`Pleat ${now.pleat}. ${now.says}`);
  }, [aloud, now]);
  useEffect(() => {
    const key = (event: KeyboardEvent) => {
      const by = { " ": 1, ArrowRight: 1, ArrowLeft: -1, Backspace: -1 }[event.key];
      if (by === undefined || (event.target instanceof HTMLElement && event.target.matches("button, select"))) return;
      event.preventDefault();
      go(at + by);
    };
    window.addEventListener("keydown", key);
    return () => window.removeEventListener("keydown", key);
  }, [at, go]);
  const out = fold.pleats.slice(0, at).reduce((sum, one) => sum + one.pins, 0);
  return (
    <main className="flex min-h-dvh flex-col px-4 py-3 sm:px-8" style={got.paint}>
      <header className="flex flex-wrap items-center gap-x-4">
        <Link className="press -ml-3" href={`/works/${name}`}>
          ‹ Bench
        </Link>
        <h1 className="m-0 min-w-0 grow text-xl font-bold max-sm:order-last max-sm:basis-40 max-sm:text-base">
          {got.work.name}, {got.piece}: folding
        </h1>
        <WhichEdge work={got.work} piece={piece} />
        <span className="grow sm:hidden" />
        <Link className="press" href={`/works/${name}/table/${piece}`}>
          Marks
        </Link>
        <button type="button" className="press" aria-pressed={aloud} onClick={() => setAloud(!aloud)}>
          {aloud ? "Spoken aloud" : "Speak"}
        </button>
      </header>
      {total > 0 && (
        <section aria-label="This fold" aria-live="polite" className="py-3 text-center">
          {now ? (
            <>
              <p className="m-0 text-3xl">
                Pleat <strong data-testid="fold">{now.pleat}</strong> of{" "}
                {new Set(fold.pleats.map((one) => one.pleat)).size}
              </p>
              <Picture model={got.model} start={now.start} end={now.end} pleat={now.pleat} />
              <p className="mx-auto my-2 max-w-4xl text-2xl leading-snug font-bold sm:text-3xl">
                <Figure>{now.says}</Figure>
              </p>
              <p className="m-0 text-xl">{now.holds}</p>
            </>
          ) : (
            <p className="m-0 text-4xl font-bold text-lichen">{fold.done}</p>
          )}
          <div className="sticky bottom-0 my-3 flex flex-wrap items-center justify-center gap-4 bg-calico py-2">
            <BackAndNext at={at} most={total} next="Folded" go={go} />
          </div>
          <p className="m-0 text-lg text-smoke" role="status">
            {at} of {total} done{fold.pins > 0 && `, ${out} pins out of ${fold.pins}`}
            {place.behind && ". The place is kept here and goes to the work when the program answers"}
          </p>
        </section>
      )}
      {fold.pressing.length > 0 && (
        <section aria-label="How to press" className="my-4 border-t border-thread pt-3">
          <Choose
            name="Pressing"
            value={fibre}
            options={fold.pressing.map((one, index) => [`${index}`, one.fibre] as const)}
            onPick={setFibre}
          />
          <p className="my-1 text-lg">{fold.pressing[Number(fibre)]?.says}</p>
        </section>
      )}
      <section aria-label="The order of making" className="border-t border-thread pt-3">
        <h2 className="m-0 text-lg font-bold">The order of making</h2>
        <ol className="m-0 list-decimal pl-7 text-lg">
          {fold.order.map((step) => (
            <li key={step.name} className="py-1">
              <strong className="inline-block first-letter:uppercase">{step.name}</strong>: <Figure>{step.says}</Figure>
              {got.work.thing && <StepClock work={name} step={step.name.replace(/, done$/, "")} says={step.says} />}
            </li>
          ))}
        </ol>
        <p className="text-smoke">
          {["packed", "gathered"].includes(traits(plan.kind)?.look ?? "")
            ? "Long threads break: draw up in sections."
            : ""}
        </p>
      </section>
    </main>
  );
}

/** Where a window of that `room` begins so that it lies on a strip `whole` long, a hair of its end with it; about its middle where it is larger. */
function within(from: number, room: number, whole: number): number {
  const edge = room * 0.04;
  if (room >= whole + 2 * edge) return (whole - room) / 2;
  return Math.max(-edge, Math.min(whole + edge - room, from));
}

/** This pleat flat with its marks and folded, as it lies. */
function Picture({ model, start, end, pleat }: { model: Model; start: number; end: number; pleat: number }) {
  const wide = 760;
  const beside = Math.max((end - start) * 0.5, 15);
  const room = end - start + 2 * beside;
  // At the ends of the strip the pleat stands where it lies, and nothing empty beside it.
  const low = within(start - beside, room, model.plan.flat.mm);
  const high = low + room;
  const scale = wide / room;
  const flat = (mm: number) => (mm - low) * scale;
  // The folded track stands below where the pleat's own marks come to lie, at the same scale.
  const own = model.plan.marks.map((mark, index) => (mark.pleat === pleat ? (model.markX[index] as number) : null));
  const lying = own.filter((x): x is number => x !== null);
  const middle = (Math.min(...lying) + Math.max(...lying)) / 2;
  const left = within(middle - room / 2, room, model.plan.finished.mm);
  const folded = (mm: number) => (mm - left) * scale;
  const tall = 62 + 40 + edgeHeight(model);
  return (
    <svg
      viewBox={`0 -4 ${wide} ${tall}`}
      className="mx-auto h-auto w-full max-w-3xl"
      role="img"
      aria-label={`Pleat ${pleat}, flat and folded`}
    >
      <FlatTrack model={model} px={flat} low={low} high={high} />
      <g transform="translate(0 92)">
        <EdgeTrack model={model} px={folded} low={left} high={left + room} />
      </g>
    </svg>
  );
}
