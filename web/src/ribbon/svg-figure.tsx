import { figureParts } from "../state/figure";

/** Text in a drawing with its fractions set as true ones. */
export function SvgFigure({ children }: { children: string }) {
  return figureParts(children).map((part, index) => {
    const key = `${index}${children}`;
    if (typeof part === "string") return part && <tspan key={key}>{part}</tspan>;
    return (
      <tspan key={key}>
        <tspan dy="-0.28em" fontSize="72%">
          {part.top}
        </tspan>
        <tspan dy="0.2em">⁄</tspan>
        <tspan dy="0.1em" fontSize="72%">
          {part.bottom}
        </tspan>
      </tspan>
    );
  });
}
