import type { Model } from "./model";
import { scale, type View, WHOLE } from "./view";

/** The whole strip, small, with the part in sight framed. */
export function Overview({ model, view, width }: { model: Model; view: View; width: number }) {
  const { flat, marks } = model.plan;
  const px = scale(WHOLE, flat.mm, width);
  const every = Math.max(1, Math.ceil(marks.length / 1200));
  let faces = "";
  for (let i = 0; i < model.plan.walk.spans.length; i += every) {
    if (model.plan.walk.spans[i]?.role === "under") continue;
    faces += `M${px(model.plan.walk.flat[i] as number).toFixed(1)} 0H${px(model.plan.walk.flat[i + 1] as number).toFixed(1)}V12H${px(model.plan.walk.flat[i] as number).toFixed(1)}Z`;
  }
  const [a, b] = [px(view.from * flat.mm), px(view.to * flat.mm)];
  return (
    <g>
      <rect x={px(0)} width={px(flat.mm) - px(0)} height={12} fill="var(--cloth-under)" />
      <path d={faces} fill="var(--cloth)" />
      <rect x={a} y={-4} width={b - a} height={20} rx={3} fill="none" stroke="var(--woad)" strokeWidth={2} />
    </g>
  );
}
