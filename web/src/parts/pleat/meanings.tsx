import { useEffect, useState } from "react";
import { asked, type Change, type Meaning, Refused, type SectionSpec } from "../../api/client";
import { edgePath } from "../../ribbon/edge";
import { saysWhy, sentence } from "../../state/sentence";
import { Text } from "../controls/fields";
import { Figure } from "../controls/figure";
import { Sheet } from "../controls/sheet";

/** What "a one-inch pleat" means: four things, each drawn; the one that is meant becomes pins. */
export function Meanings(props: {
  spec: SectionSpec;
  open: boolean;
  onClose: () => void;
  onPick: (change: Change) => void;
}) {
  const { spec, open } = props;
  const unit = spec.unit ?? "cm";
  const inches = unit === "in" || unit === "ft" || unit === "yd";
  const [size, setSize] = useState(inches ? "1 in" : "3 cm");
  const [found, setFound] = useState<Meaning[]>([]);
  const [wrong, setWrong] = useState("");
  useEffect(() => {
    if (!open) return;
    let newest = true;
    asked("/meanings", { kind: spec.kind, size, unit, fingers: spec.fingers ?? 3 })
      .then((meanings) => {
        if (!newest) return;
        setFound(meanings);
        setWrong("");
      })
      .catch((error: unknown) => {
        const problem = error instanceof Refused ? error.problems[0] : undefined;
        if (newest) setWrong(problem ? saysWhy(problem) : "The program does not answer.");
      });
    return () => {
      newest = false;
    };
  }, [open, size, unit, spec.kind, spec.fingers]);
  return (
    <Sheet
      title="What is meant by its size?"
      says="People name a pleat by four different measures. Say the size, then pick the picture that is meant."
      open={open}
      onClose={props.onClose}
    >
      <Text name="They say a pleat of" path="" value={size} problems={[]} onType={setSize} />
      {wrong && (
        <p role="alert" className="m-0 font-semibold text-madder">
          {wrong}
        </p>
      )}
      <ul className="m-0 mt-3 grid list-none grid-cols-1 gap-3 p-0 sm:grid-cols-2">
        {found.map((one) => (
          <li key={one.name}>
            <button
              type="button"
              className="w-full border-t-4 border-thread bg-linen px-3 py-2 text-left hover:border-woad"
              onClick={() => {
                props.onPick(one.change);
                props.onClose();
              }}
            >
              <span className="block font-bold">
                <Figure>{sentence(one.says)}</Figure>
              </span>
              <Folded meaning={one} measure={MEASURES[one.name as keyof typeof MEASURES]} />
            </button>
          </li>
        ))}
      </ul>
    </Sheet>
  );
}

const MEASURES = { shows: "face", deep: "under", taken: "both", gauge: "all" } as const;
const WIDE = 240;

/** Three pleats seen from above, the part that is meant in madder. */
function Folded({ meaning, measure }: { meaning: Meaning; measure: "face" | "under" | "both" | "all" }) {
  const { walk, finished } = meaning;
  const [least, most] = [Math.min(0, ...walk.x), Math.max(finished, ...walk.x)];
  const px = (mm: number) => 8 + ((mm - least) / (most - least)) * (WIDE - 16);
  const turns = new Set(walk.folds.map((fold) => fold.after));
  const count = walk.spans.length;
  const meant = walk.spans
    .map((span, index) => ({ span, index }))
    .filter(({ span }) => {
      const under = span.role === "under" || span.role === "finger" || span.role === "upright";
      return measure === "all" || (measure === "face" ? !under : under);
    });
  // One pleat in the middle carries the measure.
  const each = Math.floor((count - 1) / 3);
  const second = count - 2 * each;
  const middle = meant.filter(({ index }) => index >= second && index < second + each);
  const shown = measure === "under" || measure === "face" ? middle.slice(0, 1) : middle;
  return (
    <svg width={WIDE} height="58" viewBox={`0 0 ${WIDE} 58`} className="mt-1 max-w-full" aria-hidden="true">
      <g transform="translate(0 12)">
        <path
          d={edgePath(walk, turns, [0, count], px, 13)}
          fill="none"
          stroke="var(--cloth-line)"
          strokeWidth="3.2"
          strokeLinejoin="round"
        />
        {shown.map(({ index }) => (
          <path
            key={index}
            d={`M${px(walk.x[index] as number).toFixed(1)} ${(walk.behind[index] ?? 0) * 13}H${px(walk.x[index + 1] as number).toFixed(1)}`}
            stroke="var(--madder)"
            strokeWidth="4.4"
          />
        ))}
      </g>
    </svg>
  );
}
