import { DropdownMenu } from "radix-ui";
import type { ReactNode } from "react";
import { useEffect, useRef } from "react";
import { Link } from "wouter";
import type { Work } from "../api/client";
import { UnitSwitch } from "../parts/controls/unit-switch";
import { MenuItem } from "../parts/pleat/pieces";
import { STEPS, type Step } from "../state/steps";

const SAVING = {
  saved: "Saved",
  saving: "Saving…",
  unreached: "Not saved: no answer. Trying again…",
  asking: "Not saved yet: choose which to keep",
};

interface Props {
  work: Work;
  saving: keyof typeof SAVING;
  unit: string;
  papers: string;
  onRename: () => void;
  onUndo: () => void;
  onRedo: () => void;
  onUnit: (unit: "cm" | "in") => void;
  onKeys: () => void;
  onPapers: () => void;
}

/** The one row above a work: which it is, whether it is saved, what can be taken back; on a phone the rest in a menu. */
export function BenchHeader(props: Props) {
  const { work, saving, unit } = props;
  const fine = saving === "saved" || saving === "saving";
  return (
    <header className="flex items-center gap-x-1 pt-1 sm:gap-x-3">
      <Link href="/" className="press no-print -ml-2 shrink-0">
        ‹ Works
      </Link>
      <h1 className="m-0 min-w-0 shrink grow basis-24 lg:grow-0 lg:basis-auto">
        <button
          type="button"
          className="block min-h-11 max-w-full truncate text-left text-lg font-bold hover:underline sm:text-2xl"
          onClick={props.onRename}
          title={`Rename ${work.name}`}
        >
          {work.name}
        </button>
      </h1>
      <span className="hidden min-w-0 grow truncate text-smoke lg:block">{work.purpose}</span>
      <span
        role="status"
        className={`shrink-0 px-1 text-sm ${fine ? "text-smoke max-sm:sr-only" : "font-bold text-madder max-sm:max-w-28"}`}
      >
        {SAVING[saving]}
      </span>
      <span className="no-print flex shrink-0 items-center gap-1">
        <Back
          label="Undo"
          says={work.undo ? `Take back: ${work.undo}` : "Nothing to take back"}
          on={props.onUndo}
          may={Boolean(work.undo)}
        />
        <span className="contents max-sm:hidden">
          <Back
            label="Redo"
            says={work.redo ? `Bring back: ${work.redo}` : "Nothing to bring back"}
            on={props.onRedo}
            may={Boolean(work.redo)}
          />
          <Link className="press" href={props.papers}>
            Papers
          </Link>
          <UnitSwitch unit={unit} onPick={props.onUnit} />
          <button type="button" className="press" onClick={props.onKeys}>
            Keys ?
          </button>
        </span>
        <DropdownMenu.Root modal={false}>
          <DropdownMenu.Trigger className="press sm:hidden">More</DropdownMenu.Trigger>
          <DropdownMenu.Portal>
            <DropdownMenu.Content
              className="z-20 min-w-52 rounded bg-linen py-1 shadow-lg ring-1 ring-thread"
              align="end"
            >
              {work.redo && <MenuItem onSelect={props.onRedo}>Redo</MenuItem>}
              <MenuItem onSelect={props.onPapers}>Papers</MenuItem>
              <MenuItem onSelect={() => props.onUnit(unit === "cm" ? "in" : "cm")}>
                {unit === "cm" ? "Show inches" : "Show centimetres"}
              </MenuItem>
              <MenuItem onSelect={props.onKeys}>Keys</MenuItem>
            </DropdownMenu.Content>
          </DropdownMenu.Portal>
        </DropdownMenu.Root>
      </span>
    </header>
  );
}

function Back(props: { label: string; says: string; may: boolean; on: () => void }): ReactNode {
  return (
    <button type="button" className="press" disabled={!props.may} onClick={props.on} title={props.says}>
      {props.label}
    </button>
  );
}

/** The steps of the work in their order, each with what it has or still lacks; on a phone one row that is moved along. */
export function Steps(props: { step: Step; lacks: Partial<Record<Step, string>>; onStep: (step: Step) => void }) {
  const here = useRef<HTMLButtonElement>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: whenever another step is chosen
  useEffect(() => {
    const row = here.current?.parentElement;
    if (row && here.current) row.scrollLeft = here.current.offsetLeft - row.clientWidth / 3;
  }, [props.step]);
  return (
    <nav aria-label="Steps" className="no-print relative flex overflow-x-auto border-b-2 border-soot sm:gap-1">
      {STEPS.map(([name, word]) => (
        <button
          key={name}
          ref={props.step === name ? here : undefined}
          type="button"
          aria-current={props.step === name ? "step" : undefined}
          aria-description={props.lacks[name] || undefined}
          onClick={() => props.onStep(name)}
          className={`min-h-11 shrink-0 rounded-t px-1.5 text-left text-[0.94rem] font-semibold sm:px-4 sm:text-base ${props.step === name ? "bg-soot text-calico" : "text-smoke hover:bg-woad-wash"}`}
        >
          {word}
          <span aria-hidden="true" className="hidden text-xs font-normal sm:block">
            {props.lacks[name] ?? ""}
          </span>
        </button>
      ))}
    </nav>
  );
}
