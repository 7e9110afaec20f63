import type { Glance } from "../../api/client";
import { traits } from "../../state/spec";

/** A work's own small front view: cloth with its folds where they stand. */
export function SmallFront({ glance }: { glance: Glance | null }) {
  if (!glance)
    return (
      <svg viewBox="0 0 240 44" className="h-11 w-full" preserveAspectRatio="none" aria-hidden="true">
        <rect y="6" width="240" height="32" fill="var(--cloth-under)" />
      </svg>
    );
  const gathered = traits(glance.kind)?.look === "gathered";
  const every = Math.max(1, Math.ceil(glance.stops.length / 90));
  const stops = glance.stops.filter((_, index) => index % every === 0);
  const folds = stops.map((at) => `M${(at * 240).toFixed(1)} 2V40`).join("");
  const gathers = Array.from(
    { length: 34 },
    (_, i) => `M${i * 7 + 4} 2q${(i % 3) - 1} 12 ${((i % 3) - 1) * 2} ${[34, 18, 28, 12][i % 4]}`,
  );
  return (
    <svg viewBox="0 0 240 44" className="h-11 w-full" preserveAspectRatio="none" aria-hidden="true">
      <path d="M0 2H240V40Q180 44 120 41T0 40Z" fill={glance.colour ?? "var(--cloth)"} />
      <path
        d={gathered ? gathers.join("") : folds}
        stroke="var(--cloth-shade)"
        strokeWidth="1.6"
        vectorEffect="non-scaling-stroke"
        fill="none"
        opacity={gathered ? 0.6 : 0.9}
      />
    </svg>
  );
}
