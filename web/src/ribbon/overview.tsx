import { useMemo } from "react";
import type { Model } from "./model";
import { scale, type View, WHOLE } from "./view";

const MANY = 300;

/** The whole strip, small, with the part in sight framed. */
export function Overview({ model, view, width }: { model: Model; view: View; width: number }) {
  const { flat, walk } = model.plan;
  const px = scale(WHOLE, flat.mm, width);
  // The strip itself does not change as the view moves over it.
  const faces = useMemo(() => {
    const to = scale(WHOLE, walk.flat.at(-1) ?? 1, width);
    const every = Math.max(1, Math.ceil(walk.spans.length / MANY));
    let path = "";
    for (let i = 0; i < walk.spans.length; i += every) {
      if (walk.spans[i]?.role === "under") continue;
      const a = to(walk.flat[i] as number).toFixed(1);
      path += `M${a} 0H${to(walk.flat[i + 1] as number).toFixed(1)}V12H${a}Z`;
    }
    return path;
  }, [walk, width]);
  const [a, b] = [px(view.from * flat.mm), px(view.to * flat.mm)];
  return (
    <g>
      <rect x={px(0)} width={px(flat.mm) - px(0)} height={12} fill="var(--cloth-under)" />
      <path d={faces} fill="var(--cloth)" />
      <rect x={a} y={-4} width={b - a} height={20} rx={3} fill="none" stroke="var(--woad)" strokeWidth={2} />
    </g>
  );
}
