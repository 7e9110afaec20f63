import { type PointerEvent, useCallback, useEffect, useRef, useState } from "react";
import { Link, useSearch } from "wouter";
import { ask, type ChalkAnswer, type ReadyWork } from "../api/client";
import { BackAndNext } from "../parts/controls/back-and-next";
import { Figure } from "../parts/controls/figure";
import { MarkGlyph } from "../parts/table/mark-glyph";
import { WhichEdge } from "../parts/table/which-edge";
import { GLYPHS } from "../ribbon/glyphs";
import { type ChalkFrom, keepList, keptFrom, keptList, keptSide } from "../state/chalk-place";
import { alone } from "../state/cloths";
import { usePlace } from "../state/use-place";
import { speak, useAwake } from "../state/use-table";

interface Kept {
  name: string;
  piece: string;
  from: ChalkFrom;
  side: string;
  level: string;
  chalk: ChalkAnswer;
  /** The work that it was taken from: its picture says which edge this is. */
  work?: ReadyWork;
}

const SWIPE = 60;

/** Full screen at the table: one mark at a time, huge; next by space, arrows, tap or swipe. */
export function Table({ name, piece }: { name: string; piece: string }) {
  const said = new URLSearchParams(useSearch());
  // Without being told, as by its key, it measures as this piece was last measured.
  const from = (said.get("nought") ?? keptFrom(piece)) as ChalkFrom;
  const side = (said.get("side") ?? keptSide(piece)) === "WS" ? "WS" : "RS";
  const level = said.get("level") === "upper" ? "upper" : "lower";
  const [kept, setKept] = useState<Kept | null>(() => keptList<Kept>(piece));
  const [lost, setLost] = useState(false);
  useEffect(() => {
    let here = true;
    const fetchList = async () => {
      try {
        const work = await ask<ReadyWork>("GET", `/works/${name}/ready`);
        const section = work.sections.find((one) => one.key === piece);
        if (!section) return;
        const chalk = await ask<ChalkAnswer>(
          "POST",
          `/chalk?nought=${from}&side=${side}&level=${level}`,
          alone(section.spec, work.cloths),
        );
        const now: Kept = { name: work.name, piece: section.name, from, side, level, chalk, work };
        if (!here) return;
        setKept(now);
        setLost(false);
        keepList(piece, now);
      } catch {
        if (here) setLost(true);
      }
    };
    void fetchList();
    const again = window.setInterval(() => lost && void fetchList(), 4000);
    return () => {
      here = false;
      window.clearInterval(again);
    };
  }, [name, piece, from, side, level, lost]);
  useAwake();
  // A list of the other end or side serves only while nothing better can be had.
  if (!kept || (!lost && (kept.from !== from || kept.side !== side || kept.level !== level)))
    return (
      <main className="p-8 text-2xl">
        <h1 className="text-2xl font-bold">The table</h1>
        <p>{lost ? "The program does not answer. Trying again…" : "Fetching the marks…"}</p>
        <Link className="press" href={`/works/${name}`}>
          Back to the bench
        </Link>
      </main>
    );
  return (
    <Marking key={`${piece} ${from} ${side} ${level}`} kept={kept} lost={lost} name={name} piece={piece} from={from} />
  );
}

function Marking(props: { kept: Kept; lost: boolean; name: string; piece: string; from: ChalkFrom }) {
  const { kept, lost, name, piece, from } = props;
  const { marks } = kept.chalk;
  const place = usePlace(name, piece, from, kept.side);
  const at = Math.min(place.at, marks.length);
  const [aloud, setAloud] = useState(false);
  const { go: put } = place;
  const go = useCallback((to: number) => put({ at: Math.max(0, Math.min(marks.length, to)) }), [marks.length, put]);
  const mark = marks[at];
  const group = kept.chalk.called === "point" ? "Point" : "Pleat";
  const line = mark
    ? `${mark.first ? `${group} ${mark.pleat}. ` : ""}${GLYPHS[mark.kind as keyof typeof GLYPHS].word}, ${mark.at.text}${mark.on ? `, and ${mark.on.text} on what it is sewn to` : ""}`
    : "All marks are made";
  useEffect(() => {
    if (aloud) speak(line);
  }, [aloud, line]);
  useEffect(() => {
    const key = (event: KeyboardEvent) => {
      // A pleat’s number holds no space: even there it goes on to the next mark.
      if (event.target instanceof HTMLInputElement && event.key !== " ") return;
      const act: Record<string, number> = {
        " ": 1,
        ArrowRight: 1,
        ArrowDown: 1,
        Enter: 1,
        ArrowLeft: -1,
        ArrowUp: -1,
        Backspace: -1,
      };
      const by = act[event.key];
      if (
        by === undefined ||
        (event.target instanceof HTMLButtonElement && (event.key === " " || event.key === "Enter"))
      )
        return;
      event.preventDefault();
      go(at + by);
    };
    window.addEventListener("keydown", key);
    return () => window.removeEventListener("keydown", key);
  }, [at, go]);
  const begun = useRef<number | null>(null);
  const swiped = (event: PointerEvent) => {
    if (begun.current === null) return;
    const by = event.clientX - begun.current;
    begun.current = null;
    if (Math.abs(by) > SWIPE) go(at + (by < 0 ? 1 : -1));
  };
  const look = mark ? GLYPHS[mark.kind as keyof typeof GLYPHS] : null;
  return (
    <main
      className="flex min-h-dvh touch-pan-y flex-col px-4 py-3 select-none sm:px-8"
      onPointerDown={(event) => {
        begun.current = event.clientX;
      }}
      onPointerUp={swiped}
    >
      <header className="flex flex-wrap items-center gap-x-4">
        <Link className="press -ml-3" href={`/works/${name}`}>
          ‹ Bench
        </Link>
        <h1 className="m-0 min-w-0 grow text-xl font-bold max-sm:order-last max-sm:basis-40 max-sm:text-base">
          {kept.name}, {kept.piece}
        </h1>
        {kept.work && <WhichEdge work={kept.work} piece={piece} />}
        <span className="grow sm:hidden" />
        <Link className="press" href={`/works/${name}/fold/${piece}`}>
          Fold
        </Link>
        <button type="button" className="press" aria-pressed={aloud} onClick={() => setAloud(!aloud)}>
          {aloud ? "Spoken aloud" : "Speak"}
        </button>
      </header>
      <p className="m-0 text-smoke max-sm:text-sm">
        <Figure>{`${kept.chalk.nought} ${kept.chalk.says}`}</Figure>
        {lost && <strong className="text-weld"> The program does not answer; the marks are kept here, go on.</strong>}
      </p>
      <Where at={at} kept={kept} />
      <section
        aria-live="polite"
        className="flex grow flex-col items-center justify-center py-4 text-center"
        aria-label="This mark"
      >
        {mark && look ? (
          <>
            <p className="m-0 text-3xl">
              {group} <strong>{mark.pleat}</strong> of {kept.chalk.count}
              {mark.first && group === "Pleat" && <span className="text-madder">, its first mark: bolder</span>}
            </p>
            <p className="m-0 text-[clamp(4.5rem,19vw,12rem)] leading-tight font-bold" data-testid="mark">
              <Figure>{mark.at.text}</Figure>
            </p>
            <p className="m-0 flex items-center gap-4 text-4xl">
              <MarkGlyph kind={mark.kind} width={62} />
              {look.word}
              {mark.hand && `, to the ${mark.hand} of the middle`}
            </p>
            {mark.on && (
              <p className="m-0 mt-3 text-3xl">
                and at{" "}
                <strong className="text-5xl">
                  <Figure>{mark.on.text}</Figure>
                </strong>{" "}
                on what it is sewn to
              </p>
            )}
          </>
        ) : (
          <p className="m-0 text-4xl font-bold text-lichen">All {marks.length} marks are made.</p>
        )}
      </section>
      <div className="sticky bottom-0 flex flex-wrap items-center justify-center gap-x-4 gap-y-1 bg-calico py-2">
        <BackAndNext at={at} most={marks.length} next="Next" go={go} />
        <label className="flex flex-col text-sm font-semibold text-smoke">
          Go to {group.toLowerCase()}
          <input
            className="field w-24 text-xl"
            inputMode="numeric"
            onChange={(event) => {
              const wanted = Number(event.currentTarget.value);
              const found = marks.findIndex((one) => one.pleat === wanted);
              if (found >= 0) go(found);
            }}
          />
        </label>
        <button type="button" className="press" onClick={() => go(0)}>
          From the first
        </button>
      </div>
      <p className="m-0 text-center text-smoke" role="status">
        {at} of {marks.length} made
        {place.behind && ". The place is kept here and goes to the work when the program answers"}
      </p>
    </main>
  );
}

/** The whole strip with what is chalked, and where the next mark falls. */
function Where({ at, kept }: { at: number; kept: Kept }) {
  const { marks } = kept.chalk;
  const whole = Math.max(1, ...marks.map((mark) => mark.at.mm));
  const place = (mark: (typeof marks)[number]) =>
    mark.hand === "left"
      ? 500 - (mark.at.mm / whole) * 490
      : mark.hand === "right"
        ? 500 + (mark.at.mm / whole) * 490
        : 5 + (mark.at.mm / whole) * 990;
  const path = (list: typeof marks) => list.map((mark) => `M${place(mark).toFixed(1)} 0V30`).join("");
  const here = marks[at];
  return (
    <svg viewBox="0 0 1000 44" className="mt-2 h-auto w-full" aria-hidden="true">
      <rect y="0" width="1000" height="30" fill="var(--cloth-under)" />
      <path d={path(marks.slice(at))} stroke="var(--smoke)" strokeWidth="1" opacity="0.5" />
      <path d={path(marks.slice(0, at))} stroke="var(--lichen)" strokeWidth="2.4" />
      {here && (
        <path
          d={`M${place(here) - 9} 44L${place(here)} 31L${place(here) + 9} 44ZM${place(here)} 31V0`}
          fill="var(--madder)"
          stroke="var(--madder)"
          strokeWidth="3"
        />
      )}
    </svg>
  );
}
