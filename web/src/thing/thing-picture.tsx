import { useRef, useState } from "react";
import type { Picture, Problem, ThingField } from "../api/client";
import { useWidth } from "../ribbon/use-width";
import { fitted, Shapes } from "./shapes";
import { TAG_HIGH, tagsOf } from "./tags";

const VIEWS: Record<string, string> = {
  closed: "Closed",
  open: "Open",
  above: "From above",
  front: "From the front",
  back: "From the back",
  inside: "From inside",
  block: "The block",
  pattern: "The pattern",
  flat: "Flat",
  base: "The base",
  body: "Where the tape goes",
};

interface Props {
  picture: Picture;
  fields: ThingField[];
  /** What is typed of each measure, or chosen. */
  typed: (field: string) => string;
  problems: Problem[];
  lit: string | null;
  onLight: (field: string | null) => void;
  onType: (field: string, text: string) => void;
  height: number;
  /** The id of the line that says what is wrong. */
  described?: string;
}

/** The picture of the thing to scale, its measures on it as tapes, each with a paper tag to type on. */
export function ThingPicture({ picture, fields, typed, problems, lit, onLight, onType, height, described }: Props) {
  const place = useRef<HTMLDivElement>(null);
  const width = useWidth(place, 760, 280);
  const [chosen, setChosen] = useState(0);
  const view = picture.views[Math.min(chosen, picture.views.length - 1)];
  if (!view) return null;
  const narrow = width < 560;
  const aside = narrow ? { x: 12, y: 14 } : { x: 140, y: 34 };
  const tall = narrow ? Math.min(height, width * 0.95) : height;
  const fit = fitted(view, width, tall, aside);
  const field = (name: string) => fields.find((one) => one.name === name);
  const tags = narrow ? [] : tagsOf(view, fit, width, tall, (name) => 66 + 8.2 * (field(name)?.title.length ?? 6) + 26);
  const tapes = narrow ? tagsOf(view, fit, width, tall, () => 10) : tags;
  return (
    <figure className="m-0 min-w-0">
      <div ref={place} className="relative" style={{ height: tall }}>
        <svg width={width} height={tall} className="absolute inset-0" role="img" aria-label={picture.says.join(" ")}>
          <Shapes view={view} colours={picture.colours} fit={fit} />
          {(narrow ? [] : view.labels).map((label) => (
            <text
              key={label.says}
              x={Math.min(fit.x(label.x), width - 6.8 * label.says.length - 4)}
              y={fit.y(label.y) - 22}
              fontSize="14"
              fill="var(--smoke)"
              stroke="var(--calico)"
              strokeWidth="5"
              paintOrder="stroke"
            >
              {label.says}
            </text>
          ))}
          {tapes.map((tag) => {
            const [a, b, c, d] = tag.ends;
            const on = lit === tag.field;
            const upright = Math.abs(c - a) < Math.abs(d - b);
            const stop = upright
              ? (x: number, y: number) => `M${x - 6} ${y}h12`
              : (x: number, y: number) => `M${x} ${y - 6}v12`;
            return (
              <path
                key={tag.field}
                d={`M${a} ${b}L${c} ${d}${stop(a, b)}${stop(c, d)}`}
                stroke="var(--madder)"
                strokeWidth={on ? 4 : 2}
                strokeLinecap="round"
                fill="none"
                data-tape={tag.field}
                data-lit={on || undefined}
              />
            );
          })}
        </svg>
        {tags.map((tag) => {
          const of = field(tag.field);
          if (!of) return null;
          const wrong = problems.some(
            (one) => /^(measures|choices)\./.test(one.path) && one.path.split(".")[1] === tag.field,
          );
          const text = typed(tag.field);
          return (
            <label
              key={tag.field}
              className={`absolute flex items-center gap-1 bg-linen pr-1 pl-5 text-sm font-semibold ring-1 ${wrong ? "ring-2 ring-madder" : lit === tag.field ? "bg-madder-wash ring-2 ring-madder" : text ? "ring-thread" : "ring-thread [outline:1px_dashed_var(--smoke)]"}`}
              style={{
                left: tag.left,
                top: tag.top,
                width: tag.wide,
                height: TAG_HIGH,
                clipPath: "polygon(10px 0, 100% 0, 100% 100%, 10px 100%, 0 50%)",
              }}
              onPointerEnter={() => onLight(tag.field)}
              onPointerLeave={() => onLight(null)}
            >
              <span className="shrink-0 whitespace-nowrap">{of.title.toLowerCase()}</span>
              <input
                className="h-10 w-full min-w-0 bg-transparent font-bold placeholder:font-normal placeholder:text-smoke"
                value={text}
                placeholder={of.assumed ? `${of.assumed}?` : "…"}
                aria-label={`${of.title}, on the picture`}
                aria-invalid={wrong || undefined}
                aria-describedby={wrong && described ? described : undefined}
                autoComplete="off"
                onFocus={() => onLight(tag.field)}
                onBlur={() => onLight(null)}
                onChange={(event) => onType(tag.field, event.currentTarget.value)}
              />
            </label>
          );
        })}
      </div>
      <figcaption className="no-print flex flex-wrap items-center gap-1">
        {picture.views.length > 1 &&
          picture.views.map((one, index) => (
            <button
              key={one.name}
              type="button"
              className={`press ${index === chosen ? "underline decoration-2 underline-offset-4" : ""}`}
              aria-pressed={index === chosen}
              onClick={() => setChosen(index)}
            >
              {VIEWS[one.name] ?? one.name}
            </button>
          ))}
        <details className="grow text-sm text-smoke">
          <summary className="min-h-11 content-center">The picture in words</summary>
          {[...picture.says, ...view.tapes.map((tape) => tape.says)].map((line) => (
            <p key={line} className="m-0 first-letter:uppercase">
              {line}
            </p>
          ))}
        </details>
      </figcaption>
    </figure>
  );
}
