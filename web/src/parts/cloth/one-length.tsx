import { useRef } from "react";
import type { ClothAnswer } from "../../api/client";
import { useWidth } from "../../ribbon/use-width";

type Drop = ClothAnswer["drop"];
const TALL = 34;

/** One length as it is cut, lying as it lies on the bolt: what is trimmed, the hem, what falls, the heading to the right. */
export function OneLength({ drop, lit }: { drop: Drop; lit: string | null }) {
  const box = useRef<HTMLDivElement>(null);
  const width = useWidth(box, 560, 220);
  // While nothing is known yet its parts are drawn as they often are.
  const parts: [string, number][] = drop
    ? [
        ["margin", drop.margin.mm],
        ["hem", drop.hem.mm],
        ["finished", drop.finished.mm],
        ["heading", drop.heading.mm],
      ]
    : [
        ["hem", 16],
        ["finished", 100],
        ["heading", 8],
      ];
  const spare = drop ? Math.max(0, drop.on_bolt.mm - drop.cut.mm) : 0;
  const whole = parts.reduce((sum, [, mm]) => sum + mm, spare) || 1;
  const scale = (width - 4) / whole;
  let at = 2;
  return (
    <div ref={box} className="min-w-0">
      <svg
        width={width}
        height={TALL + 14}
        role="img"
        aria-label={
          drop
            ? `One length, cut ${drop.cut.text}: heading ${drop.heading.text}, falls ${drop.finished.text}, hem ${drop.hem.text}`
            : "One length: its heading, what falls, its hem"
        }
      >
        {parts.map(([name, mm]) => {
          const [x, long] = [at, mm * scale];
          at += long;
          if (!mm) return null;
          const falls = name === "finished";
          return (
            <g key={name}>
              <rect
                x={x}
                width={long}
                height={TALL}
                fill={falls ? "var(--cloth)" : "var(--cloth-under)"}
                stroke="var(--cloth-shade)"
                strokeDasharray={drop ? undefined : "5 4"}
              />
              {!falls && <rect x={x} width={long} height={TALL} fill="url(#waste)" />}
              <path
                d={`M${x + 1} ${TALL + 8}H${x + long - 1}M${x + 1} ${TALL + 4}v8M${x + long - 1} ${TALL + 4}v8`}
                stroke="var(--madder)"
                strokeWidth={lit === name ? 4 : 1.6}
                fill="none"
              />
            </g>
          );
        })}
        {spare > 0 && (
          <rect
            x={at}
            width={spare * scale}
            height={TALL}
            fill="none"
            stroke="var(--cloth-line)"
            strokeDasharray="2 3"
          />
        )}
      </svg>
    </div>
  );
}
