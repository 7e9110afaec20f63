import { useQuery } from "@tanstack/react-query";
import { Suspense, useEffect, useMemo, useRef, useState } from "react";
import { Link, useLocation } from "wouter";
import { Refused, type SectionSpec } from "../api/client";
import { ClothRoles } from "../parts/cloth/cloth-roles";
import { Faults } from "../parts/controls/faults";
import { KeepsNothing } from "../parts/controls/keeps-nothing";
import { KeysSheet } from "../parts/controls/keys-sheet";
import { Notice, type Said } from "../parts/controls/notice";
import { useKeys } from "../parts/controls/use-keys";
import { Pieces } from "../parts/pleat/pieces";
import { LiesTable } from "../parts/table/lies-table";
import { BareCloth } from "../ribbon/bare-cloth";
import { clothStyle } from "../ribbon/cloth-style";
import { FrontStrip } from "../ribbon/front-strip";
import { Ribbon } from "../ribbon/ribbon";
import { TypicalRibbon } from "../ribbon/typical-ribbon";
import { alone, paintedCloths, parted, roleOf } from "../state/cloths";
import { type Fault, faultsOf, goToField } from "../state/faults";
import { same } from "../state/in-order";
import { leaveAt, leftAt } from "../state/left-at";
import { looks } from "../state/look";
import { leaveRibbon, ribbonOpen } from "../state/ribbon-open";
import { sentence } from "../state/sentence";
import { hasHand, held, type Quantity, WORDS } from "../state/spec";
import { assumedIn, STARTS, typicalOf } from "../state/starts";
import { STEPS, type Step, saysOfSteps } from "../state/steps";
import { isTied, keptAs, readySpecs, tiedAgain } from "../state/ties";
import { told } from "../state/told";
import { useEdgeless } from "../state/use-edgeless";
import { useMoves } from "../state/use-moves";
import { useOnTheWay } from "../state/use-on-the-way";
import { usePlan } from "../state/use-plan";
import { useThing } from "../state/use-thing";
import { useTitle } from "../state/use-title";
import { useToCut } from "../state/use-to-cut";
import { edgeBy, useWays } from "../state/use-ways";
import { type Opened, open as opening, useWork } from "../state/use-work";
import { BenchHeader, Steps } from "./bench-header";
import { Conflict, Gone, Rename } from "./bench-sheets";
import { MeasureStep } from "./measure-step";
import { MakeAThing } from "./new-work";
import { Pleat } from "./pleat";
import { CheckStep, ClothStep, CutStep, Edgeless, LogStep, MarkStep } from "./steps-later";

/** One work, once it has been fetched. */
export function Bench({ name }: { name: string }) {
  const found = useQuery({
    queryKey: ["work", name],
    queryFn: ({ signal }) => opening(name, signal),
    retry: (count, error) => !(error instanceof Refused) && count < 3,
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 0,
  });
  if (found.isPending) return <p className="p-8 text-smoke">Fetching the work…</p>;
  if (found.isError)
    return (
      <main className="p-8">
        <h1 className="text-2xl font-bold">This work is not here</h1>
        <p>{found.error.message}.</p>
        <Link className="press" href="/">
          Back to the works
        </Link>
      </main>
    );
  return <Laid key={found.data.work.key} opened={found.data} />;
}

/** On which steps the ribbon stands whole, on which in two tracks; on the others it folds away. */
const TRACKS: Partial<Record<Step, "three" | "two">> = { pleat: "three", cloth: "two" };
const FACING_TURN = { right: "left", left: "right", to_centre: "from_centre", from_centre: "to_centre" } as const;

function Laid({ opened }: { opened: Opened }) {
  const bench = useWork(opened);
  const { work, saver } = bench;
  const first = opened.work;
  const [, go] = useLocation();
  const [left] = useState(() => leftAt(first.key));
  const [key, setKey] = useState(left.piece || first.sections[0]?.key);
  const [step, setStep] = useState<Step>(
    STEPS.find(([name]) => name === left.step)?.[0] ?? (first.thing ? "measure" : "pleat"),
  );
  const [keys, setKeys] = useState(false);
  const [renaming, setRenaming] = useState<string | null>(null);
  const [said, setSaid] = useState<Said | null>(null);
  const [part, setPart] = useState(0);
  // The cloth that is looked at under Cloth; that of the piece until another is chosen.
  const [cloth, setCloth] = useState<string | null>(null);
  const [open, setOpen] = useState(ribbonOpen);
  const fold = (to: boolean) => {
    leaveRibbon(to);
    setOpen(to);
  };
  const [lit, setLit] = useState<Quantity | null>(null);
  const [refused, setRefused] = useState<{ quantity: Quantity; times: number } | null>(null);
  const section = work.sections.find((one) => one.key === key) ?? work.sections[0];
  const making = useThing(work);
  const { made } = making;
  const ways = useWays();
  const edgeless = useEdgeless(Boolean(section) || (step !== "cloth" && step !== "cut"), bench.saving, making);
  const ready = useMemo(() => readySpecs(work.sections, made), [work.sections, made]);
  const own = section ? (ready.get(section.key) ?? null) : null;
  // The piece by itself, its cloths in it and nothing of it tied: that is shown, changed and worked out.
  const spec = useMemo(() => own && alone(own, work.cloths), [own, work.cloths]);
  const edge = section?.spec.edge ? made?.edges[section.spec.edge] : undefined;
  const planned = usePlan(section?.key ?? "", spec ?? null);
  const { plan, problems } = planned;
  // Before enough is pinned, a typical edge stands there, assumed: each pin takes the place of a part of it.
  const guess = useMemo(
    () => (spec && !spec.parts?.length && problems[0]?.code === "too_few" ? typicalOf(spec) : null),
    [spec, problems],
  );
  const typical = usePlan(`${section?.key ?? ""} typical`, guess).plan;
  const unit = work.thing?.unit ?? section?.spec.unit ?? "cm";
  const mixed = section?.spec.kind === "mixed";
  // The cloths as they are drawn: one without a colour in that which the works list shows it in.
  const painted = useMemo(() => paintedCloths(work), [work]);

  // Whoever comes back from the table or the papers goes on where the bench was left.
  useEffect(() => leaveAt(first.key, { piece: key ?? "", step }), [first.key, key, step]);
  useTitle(work.name);
  // Each step begins at its top.
  const shown = useRef(step);
  useEffect(() => {
    if (shown.current !== step) window.scrollTo(0, 0);
    shown.current = step;
  }, [step]);

  const edit = (edited: SectionSpec, field: string) => {
    if (!section || !own) return;
    const { spec: changed, cloths } = parted(own, work.cloths, edited);
    const kept = keptAs(section.spec, own, changed, made);
    for (const [role, cloth] of Object.entries(cloths)) saver.cloth(role, cloth, field.replace(/^cloth\.?/, ""));
    if (!same(kept, section.spec)) saver.edit(section.key, kept, field);
  };
  const tying = useMemo(
    () =>
      section && edge
        ? {
            offered: edge.ties,
            tied: (path: string) => isTied(section.spec, path),
            onTie: (path: string) => {
              const result = edge.ties[path]?.result;
              if (result) saver.edit(section.key, tiedAgain(section.spec, path, result), path);
            },
            mirrors: section.spec.mirrors ? (made?.edges[section.spec.mirrors]?.title ?? "") : "",
            mayMirror: !section.spec.mirrors && edge.mirrors ? (made?.edges[edge.mirrors]?.title ?? "") : "",
            onMirror: () => saver.edit(section.key, { ...section.spec, mirrors: edge.mirrors }, "mirrors"),
          }
        : null,
    [section, edge, made, saver],
  );
  const { cloths, pieces } = useToCut(work, section?.key, own, ready, making, planned);
  // What is measured on the way stands where it is measured: the hemmed panel before it is marked, all of it under Check.
  const onTheWay = useOnTheWay(work.thing, making, saver);
  const hemmed = onTheWay.find((one) => one.field === edge?.measured) ?? null;
  // What is wrong anywhere leads to its field from every step; on the step itself it stands at its field.
  const shownCloth = cloth ?? (section ? roleOf(section.spec) : "face");
  const faults = faultsOf(
    [...making.problems, ...problems],
    made?.fields ?? [],
    section ? work.sections.indexOf(section) : null,
  ).filter((one) => !one.steps.includes(step) || (one.role !== null && one.role !== shownCloth));
  const goTo = (fault: Fault) => {
    const piece = fault.piece === null ? undefined : work.sections[fault.piece];
    if (piece && piece.key !== section?.key) setKey(piece.key);
    if (fault.role !== null) setCloth(fault.role);
    setStep(fault.steps[0] ?? step);
    goToField(fault.path);
  };
  const lacks = saysOfSteps(work, made, plan, problems, spec ?? null);
  const moves = useMoves(spec ?? undefined, edit, (says) => setSaid({ text: sentence(says) }));
  const count = (by: number) => {
    if (!section || !plan || mixed || section.spec.placed?.length) return;
    moves.pick((now) => (now ?? plan.count) + by);
  };
  const papers = `/works/${work.key}/papers${section ? `?piece=${section.key}` : ""}`;
  const undo = () => void saver.act("POST", "/undo");
  const redo = () => void saver.act("POST", "/redo");
  // What is typed before the answer has the old unit still, and is taken along.
  const toUnit = async (to: "cm" | "in") => {
    while ((await saver.act("POST", "/unit", { unit: to })) && saver.behind);
  };
  useKeys({
    "ctrl+z": undo,
    "ctrl+shift+z": redo,
    "?": () => setKeys(true),
    ...Object.fromEntries(STEPS.map(([name], index) => [String(index + 1), () => setStep(name)])),
    "[": () => count(-1),
    "]": () => count(1),
    t: () => section && go(`/works/${work.key}/table/${section.key}`),
    "ctrl+p": () => go(papers),
    u: () => void toUnit(unit === "cm" ? "in" : "cm"),
    f: () => spec && hasHand(spec.kind) && edit({ ...spec, facing: FACING_TURN[spec.facing ?? "right"] }, "facing"),
  });

  const add = async () => {
    const start = STARTS[0];
    if (!start) return;
    const answer = await saver.act("POST", "/sections", {
      name: `Piece ${work.sections.length + 1}`,
      spec: { ...start.spec, closed: false, unit, ...edgeBy(ways.data?.ways ?? {}) },
    });
    const added = answer?.sections.at(-1);
    if (added) setKey(added.key);
  };
  const remove = async (gone: string) => {
    const name = work.sections.find((one) => one.key === gone)?.name ?? "The piece";
    if (!(await saver.act("DELETE", `/sections/${gone}`))) return;
    setSaid({ text: `${name} was removed.`, undo });
    // The menu that it was pressed in went with it.
    requestAnimationFrame(() => document.querySelector<HTMLElement>("nav[aria-label=Pieces] button")?.focus());
  };
  const copy = async (copied: string) => {
    const before = new Set(work.sections.map((one) => one.key));
    const answer = await saver.act("POST", `/sections/${copied}/duplicate`);
    const made = answer?.sections.find((one) => !before.has(one.key));
    if (made) setKey(made.key);
  };
  const move = (moved: string, by: -1 | 1) => {
    const order = work.sections.map((one) => one.key);
    const at = order.indexOf(moved);
    order.splice(at, 1);
    order.splice(at + by, 0, moved);
    void saver.act("POST", "/order", { sections: order });
  };

  return (
    <div className="px-3 pb-24 sm:px-5 print:pb-0">
      <BenchHeader
        work={work}
        saving={bench.saving}
        unit={unit}
        papers={papers}
        onRename={() => setRenaming("work")}
        onUndo={undo}
        onRedo={redo}
        onUnit={(to) => void toUnit(to)}
        onKeys={() => setKeys(true)}
        onPapers={() => go(papers)}
      />
      {bench.trouble && (
        <p role="alert" className="my-1 border-l-[6px] border-weld-line pl-3">
          {sentence(bench.trouble)}
        </p>
      )}
      <p className="sr-only" aria-live="polite">
        {told(step, making, planned)}
      </p>
      <KeepsNothing />
      <Steps step={step} lacks={lacks} onStep={setStep} />
      <Faults faults={faults} stale={made !== null || plan !== null} onGo={goTo} />
      <div className="mt-3 grid grid-cols-1 gap-4 lg:grid-cols-[11rem_minmax(0,1fr)]">
        <div className="flex min-w-0 flex-col gap-3">
          <Pieces
            painted={painted}
            work={work}
            made={made}
            chosen={section?.key}
            onChoose={(chosen) => {
              setKey(chosen);
              setCloth(null);
            }}
            onAdd={() => void add()}
            onCopy={(copied) => void copy(copied)}
            onRemove={(gone) => void remove(gone)}
            onMove={move}
            onRename={setRenaming}
          />
          {step === "cloth" && (section || work.thing) && (
            <ClothRoles
              painted={painted}
              cloths={work.cloths}
              chosen={shownCloth}
              here={section ? roleOf(section.spec) : "face"}
              onChoose={setCloth}
            />
          )}
        </div>
        <Suspense fallback={<main className="min-w-0 text-smoke">One moment…</main>}>
          {step === "measure" ? (
            <main className="min-w-0" aria-busy={making.busy}>
              {work.thing ? (
                <MeasureStep
                  work={work}
                  thing={work.thing}
                  making={making}
                  onThing={saver.thing}
                  onCloth={saver.cloth}
                />
              ) : (
                <MakeAThing unit={unit} onMake={(thing) => void saver.act("PUT", "/thing", { thing })} />
              )}
            </main>
          ) : section && own && !spec ? (
            <main className="min-w-0 text-smoke">Working it out…</main>
          ) : section && spec && own ? (
            <main className="min-w-0" aria-busy={planned.busy} style={clothStyle(painted[roleOf(section.spec)])}>
              {plan && !TRACKS[step] && !open ? (
                <FrontStrip plan={plan} looks={looks(spec)} onOpen={() => fold(true)} />
              ) : plan ? (
                <Ribbon
                  plan={plan}
                  tracks={TRACKS[step] ?? "three"}
                  onFold={TRACKS[step] ? undefined : () => fold(false)}
                  stale={planned.stale}
                  lit={lit}
                  holdOf={(quantity) => held(spec, quantity).hold}
                  onLight={setLit}
                  looks={looks(spec)}
                  onDrag={mixed ? () => undefined : moves.drag}
                  onRefused={(quantity) => {
                    setRefused((before) => ({ quantity, times: (before?.times ?? 0) + 1 }));
                    setSaid({ text: `${WORDS[quantity]} is pinned firmly. Loosen its pin to drag it.` });
                  }}
                />
              ) : typical && guess && spec ? (
                <TypicalRibbon
                  plan={typical}
                  looks={looks(spec)}
                  says={assumedIn(guess, spec)}
                  tracks={TRACKS[step] ?? "front"}
                />
              ) : (
                <BareCloth slim={!TRACKS[step]}>
                  {problems.length && problems[0]?.code !== "too_few"
                    ? "Nothing to draw yet: see what is said below."
                    : planned.busy
                      ? "Working it out…"
                      : "Pin what you know, such as the finished width. The cloth appears as soon as it can be worked out."}
                </BareCloth>
              )}
              {step === "pleat" ? (
                <Pleat
                  key={section.key}
                  piece={section.key}
                  spec={spec}
                  ties={tying}
                  planned={planned}
                  part={part}
                  onPart={setPart}
                  onChange={edit}
                  onSaid={(text) => setSaid({ text })}
                  lit={lit}
                  onLight={setLit}
                  refused={refused}
                />
              ) : step === "cloth" ? (
                <ClothStep
                  key={section.key}
                  spec={spec}
                  ties={tying}
                  plan={plan}
                  work={work}
                  piece={section.key}
                  onChange={edit}
                  onSaid={(text) => setSaid({ text })}
                  onSeam={saver.seam}
                  cloths={work.cloths}
                  lie={cloths}
                  role={roleOf(section.spec)}
                  onRole={(role) => saver.edit(section.key, { ...section.spec, cloth: role }, "cloth")}
                  onCloth={saver.cloth}
                  chosen={shownCloth}
                  sections={pieces}
                  painted={painted}
                  thing={making.from?.thing ?? work.thing}
                />
              ) : step === "cut" ? (
                <CutStep
                  key={section.key}
                  cloths={cloths}
                  sections={pieces}
                  spec={spec}
                  here={work.sections.indexOf(section)}
                  onChange={edit}
                  onSaid={(text) => setSaid({ text })}
                  painted={painted}
                  thing={making.from?.thing ?? work.thing}
                  work={work.key}
                  told={faults}
                  onGo={goTo}
                />
              ) : step === "mark" ? (
                <MarkStep key={section.key} spec={spec} plan={plan} work={work.key} piece={section.key} ask={hemmed} />
              ) : step === "check" ? (
                <CheckStep
                  key={section.key}
                  spec={spec}
                  plan={plan}
                  piece={section.key}
                  onTheWay={onTheWay}
                  act={saver.act}
                  onSaid={(text, undo) => setSaid(undo ? { text, undo } : { text })}
                />
              ) : (
                <LogStep
                  work={work}
                  spec={spec}
                  piece={section.key}
                  onChange={edit}
                  onWords={saver.log}
                  saver={saver}
                  onSaid={(text, undo) => setSaid(undo ? { text, undo } : { text })}
                />
              )}
              <LiesTable spec={spec} />
            </main>
          ) : work.thing && (step === "cloth" || step === "cut") && !edgeless ? (
            <main className="min-w-0 text-smoke">Working it out…</main>
          ) : work.thing && (step === "cloth" || step === "cut") ? (
            <Edgeless
              step={step}
              work={work}
              thing={making.from?.thing ?? work.thing}
              lie={cloths}
              painted={painted}
              pieces={pieces}
              cloth={cloth ?? "face"}
              saver={saver}
              told={faults}
              onGo={goTo}
              onSaid={(text) => setSaid({ text })}
            />
          ) : (
            <main className="min-w-0">
              <p className="text-lg">This work has no piece yet. Add one to begin.</p>
            </main>
          )}
        </Suspense>
      </div>
      {renaming && (
        <Rename
          what={renaming}
          work={work}
          onClose={() => setRenaming(null)}
          onWords={(words) => void saver.act("PATCH", "", words)}
          onPiece={(piece, name) => void saver.act("PUT", `/sections/${piece}`, { name })}
        />
      )}
      <Conflict mine={work} theirs={bench.conflict} trouble={bench.trouble} onSettle={saver.settle} />
      <Gone work={bench.gone ? work : null} onDone={() => saver.letGo()} />
      <KeysSheet open={keys} onClose={() => setKeys(false)} />
      <Notice said={said} onDone={() => setSaid(null)} />
    </div>
  );
}
