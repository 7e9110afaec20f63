import type { ClothRow, Problem, SectionSpec } from "../../api/client";
import { inInches } from "../../state/habit";
import { useWays } from "../../state/use-ways";
import { Choose, ColourField, Text, TickBox } from "../controls/fields";
import { StripesEditor } from "./stripes-editor";

type Cloth = NonNullable<SectionSpec["cloth"]>;

interface Props {
  cloth: Cloth;
  /** False where its name is asked elsewhere. */
  named?: boolean;
  /** What it is measured in. */
  unit: string | undefined;
  /** What is taken where nothing is said, by its field. */
  assumed?: Record<string, string> | undefined;
  problems: Problem[];
  onChange: (cloth: Cloth) => void;
}

/** The facts of a cloth: its width, repeats, direction, what it costs, what is at hand, its stripes. */
export function ClothFacts({ cloth, named = true, unit, assumed, problems, onChange }: Props) {
  const set = (fields: Partial<Cloth>) => onChange({ ...cloth, ...fields });
  const sign = useWays().data?.ways.currency ?? "";
  const field = (name: string, key: keyof Cloth, hint = "") => (
    <Text
      name={hint ? `${name}, ${hint}` : name}
      path={`cloth.${key}`}
      value={cloth[key] as string | null | undefined}
      assumed={assumed?.[`cloth.${key}`]}
      problems={problems}
      onType={(text) => set({ [key]: text.trim() ? text : null, ...(key === "price" && sign ? { sign } : {}) })}
    />
  );
  return (
    <div className="flex flex-col gap-3">
      <div className="flex flex-wrap items-end gap-x-5 gap-y-3">
        {named && (
          <Text
            wide
            name="Name of the cloth"
            path="cloth.name"
            value={cloth.name}
            problems={problems}
            onType={(name) => set({ name: name.slice(0, 120) })}
          />
        )}
        <ColourField name="Colour" value={cloth.colour} onPick={(colour) => set({ colour })} />
        {field("Width", "width")}
        {field("One selvedge", "selvedge")}
        {field("Usable width", "usable", "if known")}
        {field("Thickness", "thickness")}
        {field("Repeat along", "along")}
        {field("Repeat across", "across")}
        {field("Shrinks by, %", "shrinkage")}
        {field("Price", "price")}
        <Choose
          name="for one"
          value={cloth.per ?? (inInches(unit) ? "yd" : "m")}
          options={[
            ["m", "metre"],
            ["yd", "yard"],
          ]}
          onPick={(per) => set({ per: per as "m" | "yd" })}
        />
        {field("Sold in steps of", "step")}
        {field(`Weight, ${inInches(unit) ? "oz/yd²" : "g/m²"}`, "weight")}
        {field("Length at hand", "length")}
      </div>
      <div className="flex flex-wrap gap-x-6">
        <TickBox
          name="It has one right way up (nap, print)"
          on={cloth.directional ?? false}
          onTick={(directional) => set({ directional })}
        />
        <TickBox
          name="A sheet or a remnant: what is at hand is all there is"
          on={cloth.rectangle ?? false}
          onTick={(rectangle) => set({ rectangle })}
        />
      </div>
      {cloth.rectangle && <Sheets cloth={cloth} unit={unit} problems={problems} set={set} />}
      <StripesEditor stripes={cloth.stripes ?? []} problems={problems} onChange={(stripes) => set({ stripes })} />
    </div>
  );
}

/** More sheets or remnants of the same cloth, to be cut from together. */
export function Sheets(props: {
  cloth: Cloth;
  unit: string | undefined;
  problems: Problem[];
  set: (fields: Partial<Cloth>) => void;
}) {
  const sheets = props.cloth.sheets ?? [];
  const change = (index: number, fields: Partial<(typeof sheets)[number]>) =>
    props.set({ sheets: sheets.map((sheet, i) => (i === index ? { ...sheet, ...fields } : sheet)) });
  return (
    <div>
      {sheets.map((sheet, index) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a sheet has no other name than its row
        <div key={index} className="flex items-end gap-3">
          <Text
            name={`Sheet ${index + 2}, width`}
            path={`cloth.sheets.${index}.width`}
            value={sheet.width}
            problems={props.problems}
            onType={(width) => change(index, { width })}
          />
          <Text
            name="Length"
            path={`cloth.sheets.${index}.length`}
            value={sheet.length}
            problems={props.problems}
            onType={(length) => change(index, { length })}
          />
          <button
            type="button"
            className="press"
            aria-label={`Remove sheet ${index + 2}`}
            onClick={() => props.set({ sheets: sheets.filter((_, i) => i !== index) })}
          >
            Remove
          </button>
        </div>
      ))}
      <button
        type="button"
        className="press"
        onClick={() =>
          props.set({
            sheets: [
              ...sheets,
              inInches(props.unit) ? { width: "36 in", length: "40 in" } : { width: "90 cm", length: "100 cm" },
            ],
          })
        }
      >
        Add another sheet or remnant
      </button>
    </div>
  );
}

/** A cloth of the shelf, as the facts of a section. */
export function fromShelf(row: ClothRow): Cloth {
  return { ...row.facts, name: row.name, key: row.key };
}
