import type { Dimension } from "./dimensions";
import { Haloed } from "./haloed";
import { SvgFigure } from "./svg-figure";

/** A measure laid on the cloth: a line with ends, and its figure. */
export function Measure({
  dimension,
  px,
  y,
  width,
}: {
  dimension: Dimension;
  px: (mm: number) => number;
  y: number;
  width: number;
}) {
  const [a, b] = [px(dimension.from), px(dimension.to)];
  const middle = Math.min(width - 50, Math.max(50, (Math.max(0, a) + Math.min(width, b)) / 2));
  return (
    <g className="measure" data-measure={dimension.label}>
      <path
        d={`M${a.toFixed(1)} ${y - 9}V${y + 9}M${b.toFixed(1)} ${y - 9}V${y + 9}M${a.toFixed(1)} ${y}H${b.toFixed(1)}`}
        stroke="var(--linen)"
        strokeWidth={6}
        fill="none"
      />
      <path
        d={`M${a.toFixed(1)} ${y - 9}V${y + 9}M${b.toFixed(1)} ${y - 9}V${y + 9}M${a.toFixed(1)} ${y}H${b.toFixed(1)}`}
        stroke="var(--madder)"
        strokeWidth={2.6}
        fill="none"
      />
      <Haloed x={middle} y={y - 12} fontSize={15} fontWeight={750} fill="var(--madder)" halo="var(--linen)" thick={5}>
        <SvgFigure>{dimension.label}</SvgFigure>
      </Haloed>
    </g>
  );
}
