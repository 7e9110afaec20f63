import { Fragment } from "react";
import type { Picture, View } from "../api/client";
import { paintOf } from "./paint";

/** Millimetres of a picture on the screen. */
export interface Fit {
  x: (mm: number) => number;
  y: (mm: number) => number;
}

const figure = (value: number) => value.toFixed(1);

function path(points: number[], closed: boolean, fit: Fit): string {
  let d = "";
  for (let i = 0; i + 1 < points.length; i += 2)
    d += `${i ? "L" : "M"}${figure(fit.x(points[i] ?? 0))} ${figure(fit.y(points[i + 1] ?? 0))}`;
  return closed ? `${d}Z` : d;
}

/** Outlines, folds and shades of a view. */
export function Shapes({
  view,
  colours,
  fit,
  fine = 1,
}: {
  view: View;
  colours: Picture["colours"];
  fit: Fit;
  fine?: number;
}) {
  return view.shapes.map((shape, index) => {
    const d = path(shape.points, shape.closed, fit);
    const colour = paintOf(shape.paint, colours);
    if (!shape.closed)
      return (
        <path
          // biome-ignore lint/suspicious/noArrayIndexKey: a shape has no other name than its place in the drawing
          key={index}
          d={d}
          fill="none"
          stroke={colour}
          strokeWidth={shape.weight * fine}
          strokeLinecap="round"
          strokeLinejoin="round"
          strokeDasharray={shape.dashed ? "5 4" : undefined}
        />
      );
    if (shape.paint === "shade")
      // biome-ignore lint/suspicious/noArrayIndexKey: as above
      return <path key={index} d={d} fill={colour} opacity={shape.shade} />;
    return (
      // biome-ignore lint/suspicious/noArrayIndexKey: as above
      <Fragment key={index}>
        <path d={d} fill={colour} />
        {shape.shade > 0 && <path d={d} fill="var(--fold)" opacity={shape.shade} />}
      </Fragment>
    );
  });
}

/** A view as large as its place allows: how its millimetres come to lie there. */
export function fitted(view: View, width: number, height: number, aside: { x: number; y: number }): Fit {
  const [left = 0, top = 0, right = 1, bottom = 1] = view.box;
  const scale = Math.min(
    Math.max(40, width - 2 * aside.x) / Math.max(1, right - left),
    Math.max(40, height - 2 * aside.y) / Math.max(1, bottom - top),
  );
  const [x0, y0] = [(width - (right - left) * scale) / 2, (height - (bottom - top) * scale) / 2];
  return { x: (mm) => x0 + (mm - left) * scale, y: (mm) => y0 + (mm - top) * scale };
}

/** A small picture of a thing, as it leads a row or a way to begin. */
export function SmallPicture(props: { picture: Picture; width: number; height: number; name?: string }) {
  const { picture, width, height } = props;
  const view = picture.views.find((one) => one.name === props.name) ?? picture.views[0];
  if (!view) return null;
  const fit = fitted(view, width, height, { x: 4, y: 4 });
  return (
    <svg viewBox={`0 0 ${width} ${height}`} className="h-full w-full" aria-hidden="true">
      <Shapes view={view} colours={picture.colours} fit={fit} fine={0.55} />
    </svg>
  );
}
