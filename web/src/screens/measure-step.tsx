import { useEffect, useRef, useState } from "react";
import type { Cloth, Thing, ThingAnswer, ThingField, Work } from "../api/client";
import { Aside } from "../parts/controls/aside";
import { Faults } from "../parts/controls/faults";
import { ColourField, Text } from "../parts/controls/fields";
import { Figure } from "../parts/controls/figure";
import { MakingList } from "../parts/thing/making-list";
import { type Asks, choiceOf, placesOf } from "../parts/thing/thing-field";
import { FirstFields, FoldedFields, MEASURE_SAYS, WhereLine, WordsLine } from "../parts/thing/thing-fields";
import { WaysCompared } from "../parts/thing/ways-compared";
import { faultsOf, goToField } from "../state/faults";
import { saysWhy } from "../state/sentence";
import type { ThingMade } from "../state/use-thing";
import { ThingPicture } from "../thing/thing-picture";

interface Props {
  work: Work;
  thing: Thing;
  making: ThingMade;
  onThing: (thing: Thing, field: string) => void;
  onCloth: (role: string, spec: Cloth | null, field: string) => void;
}

/** The step Measure: the thing itself, drawn to scale, with its measures on it; what to buy and cut beside it. */
export function MeasureStep({ work, thing, making, onThing, onCloth }: Props) {
  const { made, problems } = making;
  const [lit, setLit] = useState<string | null>(null);
  const there = made !== null;
  const empty = useRef(!Object.keys(thing.measures ?? {}).length);
  useEffect(() => {
    // What was just begun is measured next; a keyboard on the glass would cover the picture.
    if (!there || !empty.current || !matchMedia("(pointer: fine)").matches) return;
    empty.current = false;
    document.querySelector<HTMLElement>("main [data-path^='measures.']")?.focus({ preventScroll: true });
  }, [there]);
  if (!made)
    return (
      <div role="status" className="py-6 text-smoke">
        {problems.length ? problems.map((one) => saysWhy(one)).join(" ") : "Drawing it…"}
      </div>
    );
  const measure = (field: string, typed: string | string[]) => {
    const { [field]: _, ...others } = thing.measures ?? {};
    const empty = typed === "" || (Array.isArray(typed) && typed.length === 0);
    onThing({ ...thing, measures: empty ? others : { ...others, [field]: typed } }, `measures.${field}`);
  };
  const choose = (field: string, value: string) => {
    const { [field]: _, ...others } = thing.choices ?? {};
    onThing({ ...thing, choices: value === "" ? others : { ...others, [field]: value } }, `choices.${field}`);
  };
  const asks: Asks = {
    fields: made.fields,
    thing,
    problems,
    lit,
    onLight: setLit,
    onMeasure: measure,
    onChoose: choose,
  };
  const face = work.cloths.face ?? {};
  const measured = (field: string) => made.fields.find((one) => one.name === field)?.measure ?? true;
  const onTag = (field: string, text: string) => {
    if (!measured(field)) return choose(field, text);
    const places = placesOf(thing, field);
    measure(field, places.length > 1 ? [text, ...places.slice(1)] : text);
  };
  return (
    <div className="grid grid-cols-1 gap-4 xl:grid-cols-[minmax(0,1fr)_18.5rem]">
      <div className="flex min-w-0 flex-col">
        <div className="flex flex-wrap items-start gap-x-3 gap-y-2">
          <FirstFields asks={asks} />
          <Text
            slim
            name="Cloth’s width"
            path="cloths.face.usable"
            value={face.usable ?? face.width}
            problems={problems}
            onType={(usable) => {
              const { width: _, selvedge: __, ...rest } = face;
              onCloth("face", { unit: thing.unit ?? "cm", ...rest, usable }, "usable");
            }}
          />
          {!face.stripes?.length && (
            <ColourField
              bare
              name="Its colour"
              value={face.colour}
              onPick={(colour) => onCloth("face", { unit: thing.unit ?? "cm", ...face, colour }, "colour")}
            />
          )}
        </div>
        <WhereLine
          asks={asks}
          otherwise={made.lacks.length ? `Still lacking: ${made.lacks.map((one) => one.says).join("; ")}.` : ""}
        />
        <WordsLine asks={asks} />
        {made.picture && (
          // On a phone the picture stands above the fields.
          <div className="max-sm:order-first">
            <ThingPicture
              picture={made.picture}
              fields={made.fields}
              typed={(field) => (measured(field) ? (placesOf(thing, field)[0] ?? "") : choiceOf(thing, field))}
              problems={problems}
              lit={lit}
              onLight={setLit}
              onType={onTag}
              height={350}
              described={MEASURE_SAYS}
            />
            {problems.length > 0 && (
              <p className="m-0 text-sm text-smoke">Drawn as it was before, without what cannot be read now.</p>
            )}
            {made.lacks.some((one) => !one.field.startsWith("cloths.")) && (
              <p className="m-0 text-sm text-smoke">Drawn from usual measures until yours are typed.</p>
            )}
          </div>
        )}
        <General problems={problems} fields={made.fields} />
        <div className="mt-4 grid gap-4">
          {made.compared.map((one) => (
            <WaysCompared key={one.title} compared={one} onTake={choose} />
          ))}
        </div>
        <div className="mt-4">
          <FoldedFields asks={asks} />
          <MakingList
            work={work.key}
            revision={work.revision}
            made={made}
            order={thing.making ?? {}}
            problems={problems}
            onOrder={(making, says) => onThing({ ...thing, making }, `making.${says}`)}
          />
        </div>
      </div>
      <ThingSlip made={made} />
    </div>
  );
}

/** What is wrong and stands beside no field that is in sight. */
function General({ problems, fields }: { problems: ThingMade["problems"]; fields: ThingField[] }) {
  const inSight = new Set(fields.filter((one) => one.first && !one.options.length).map((one) => one.name));
  const faults = faultsOf(problems, fields, null).filter(
    (one) => one.steps[0] === "measure" && !inSight.has(one.path.split(".")[1] ?? ""),
  );
  return (
    <>
      {problems
        .filter((one) => !one.path)
        .map((one) => (
          <p key={one.message} role="alert" className="my-1 border-l-[6px] border-madder pl-3 font-semibold">
            <Figure>{saysWhy(one)}</Figure>
          </p>
        ))}
      <Faults faults={faults} stale={false} onGo={(fault) => goToField(fault.path)} />
    </>
  );
}

/** The slip of the thing: what to buy, how each part is made, what it costs, what to be careful of. */
function ThingSlip({ made }: { made: ThingAnswer }) {
  return (
    <Aside name="The slip">
      <h2 className="m-0 text-sm font-semibold text-smoke">The slip</h2>
      {made.lacks.length > 0 && (
        <p className="my-2 border-l-[6px] border-weld-line pl-3">
          Still lacking: {made.lacks.map((one) => one.says).join("; ")}.
        </p>
      )}
      {made.buy.map((line) => (
        <p key={line.role} className="my-2 font-semibold">
          <Figure>{line.says}</Figure>
        </p>
      ))}
      {made.slip.map((line) => (
        <p key={line} className="my-2">
          <Figure>{line}</Figure>
        </p>
      ))}
      {made.notions.length > 0 && (
        <p className="my-2 text-smoke">
          <Figure>{`${made.notions.map((one) => `${one.name}: ${one.much}`).join("; ")}.`}</Figure>
        </p>
      )}
      {made.cost && <p className="my-2 font-semibold">In all {made.cost}</p>}
      {made.warnings.map((one) => (
        <p key={one.code} className="my-2 text-sm text-smoke">
          <strong className="text-weld">Mind: </strong>
          {one.message}
        </p>
      ))}
    </Aside>
  );
}
