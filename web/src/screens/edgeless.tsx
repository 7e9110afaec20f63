import type { Cloth, ReadySpec, Thing, Work } from "../api/client";
import type { Saving } from "../state/saving";
import { ClothStep } from "./cloth-step";
import { CutStep } from "./cut-step";

interface Props {
  step: "cloth" | "cut";
  work: Work;
  thing: Thing;
  /** The cloths as they are drawn. */
  painted: Record<string, Cloth>;
  pieces: { key: string; name: string; spec: ReadySpec; times: number }[];
  /** The cloth that is looked at. */
  cloth: string;
  saver: Saving;
  onSaid: (text: string) => void;
}

const nothing = () => undefined;
/** The role of no piece: every cloth of the thing is one beside it. */
const NONE = "";

/** The steps Cloth and Cut of a thing without an edge to plan: a plain circle. */
export function Edgeless({ step, work, thing, painted, pieces, cloth, saver, onSaid }: Props) {
  return (
    <main className="min-w-0">
      {step === "cloth" ? (
        <ClothStep
          spec={{ kind: "knife", unit: thing.unit ?? "cm" }}
          ties={null}
          plan={null}
          work={work.name}
          onChange={nothing}
          onSaid={onSaid}
          onSeam={saver.seam}
          cloths={work.cloths}
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
          cloths={work.cloths}
          painted={painted}
          thing={thing}
          sections={pieces}
          spec={null}
          here={-1}
          onChange={nothing}
          onSaid={onSaid}
        />
      )}
    </main>
  );
}
