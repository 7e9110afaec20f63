import type { Cloth, ReadySpec, Thing, Work } from "../api/client";
import type { Fault } from "../state/faults";
import type { Saving } from "../state/saving";
import { ClothStep } from "./cloth-step";
import { CutStep } from "./cut-step";

interface Props {
  step: "cloth" | "cut";
  work: Work;
  thing: Thing;
  /** The cloths as pieces are laid on them, and as they are drawn. */
  lie: Record<string, Cloth>;
  painted: Record<string, Cloth>;
  pieces: { key: string; name: string; spec: ReadySpec; times: number }[];
  /** The cloth that is looked at. */
  cloth: string;
  saver: Saving;
  /** What is said above the step, and what leads to where it is mended. */
  told: Fault[];
  onGo: (fault: Fault) => void;
  onSaid: (text: string) => void;
}

const nothing = () => undefined;
/** The role of no piece: every cloth of the thing is one beside it. */
const NONE = "";

/** The steps Cloth and Cut of a thing without an edge to plan: a plain circle. */
export function Edgeless({ step, work, thing, lie, painted, pieces, cloth, saver, told, onGo, onSaid }: Props) {
  return (
    <main className="min-w-0">
      {step === "cloth" ? (
        <ClothStep
          spec={{ kind: "knife", unit: thing.unit ?? "cm" }}
          ties={null}
          plan={null}
          work={work}
          piece=""
          onChange={nothing}
          onSaid={onSaid}
          onSeam={saver.seam}
          cloths={work.cloths}
          lie={lie}
          role={NONE}
          onRole={nothing}
          onCloth={saver.cloth}
          chosen={cloth}
          sections={pieces}
          painted={painted}
          thing={thing}
        />
      ) : (
        <CutStep
          cloths={lie}
          painted={painted}
          thing={thing}
          sections={pieces}
          work={work.key}
          told={told}
          onGo={onGo}
          spec={null}
          here={-1}
          onChange={nothing}
          onSaid={onSaid}
        />
      )}
    </main>
  );
}
