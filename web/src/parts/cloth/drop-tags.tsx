import { Fragment } from "react";
import type { ClothAnswer, Problem, SectionSpec } from "../../api/client";
import { PaperTag } from "../../thing/paper-tag";
import { Choose } from "../controls/fields";
import { OneLength } from "./one-length";

type Cutting = NonNullable<SectionSpec["cutting"]>;
type Drop = NonNullable<Cutting["drop"]>;
const PARTS = [
  ["Trimmed", "margin"],
  ["Hem", "hem"],
  ["It falls, finished", "finished"],
  ["Heading", "heading"],
] as const;

/** One length as it is cut, its heading, what falls, its hem as tags beside it. */
export function DropTags(props: {
  spec: SectionSpec;
  answer: ClothAnswer | null;
  problems: Problem[];
  lit: string | null;
  onLight: (field: string | null) => void;
  put: (fields: Partial<Cutting>, field?: string) => void;
}) {
  const { spec, answer, problems, lit, onLight, put } = props;
  const drop: Partial<Drop> = spec.cutting?.drop ?? {};
  const set = (fields: Partial<Drop>) => put({ drop: { ...drop, ...fields } as Drop }, "cutting.drop");
  return (
    <section aria-label="One length" className="flex min-w-0 flex-col gap-1">
      <OneLength drop={answer?.drop ?? null} lit={lit} />
      <div className="flex flex-wrap items-start gap-2">
        {PARTS.map(([name, key]) => (
          <Fragment key={key}>
            <PaperTag
              name={name}
              path={`cutting.drop.${key}`}
              value={drop[key]}
              problems={problems}
              lit={lit === key}
              onLight={(on) => onLight(on ? key : null)}
              onType={(text) => set({ [key]: text.trim() ? text : null })}
            />
            {key === "hem" && (
              <Choose
                quiet
                name="Hem turned"
                value={String(drop.hem_turns ?? 2)}
                options={[
                  ["1", "once"],
                  ["2", "twice"],
                ]}
                onPick={(turns) => set({ hem_turns: Number(turns) as 1 | 2 })}
              />
            )}
          </Fragment>
        ))}
      </div>
    </section>
  );
}
