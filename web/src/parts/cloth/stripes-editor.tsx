import type { ClothRow, Problem, SectionSpec } from "../../api/client";
import { Choose, Text } from "../controls/fields";

type Cloth = NonNullable<SectionSpec["cloth"]>;
export type StripeSpec = NonNullable<Cloth["stripes"]>[number];

/** Sequences to start from, in the colours of High Lantern. */
const STARTS: Record<string, StripeSpec[]> = {
  "Ticking, narrow": [
    { colour: "#e3d6b4", width: "2 cm" },
    { colour: "#1d579b", width: "1 cm" },
  ],
  "Star-party plaid": [
    { colour: "#1b2240", width: "8 cm" },
    { colour: "#e3d6b4", width: "1 cm" },
    { colour: "#2f6a3a", width: "6 cm" },
    { colour: "#c29a1c", width: "1 cm" },
    { colour: "#2f6a3a", width: "6 cm" },
    { colour: "#e3d6b4", width: "2 cm" },
  ],
  "Dawn bands": [
    { colour: "#a8243f", width: "5 cm" },
    { colour: "#f2c9a0", width: "3 cm" },
    { colour: "#7a5c00", width: "1 cm" },
  ],
};

/** A cloth's stripes as colours and widths in order, drawn as they lie. */
export function StripesEditor(props: {
  stripes: StripeSpec[];
  problems: Problem[];
  onChange: (stripes: StripeSpec[]) => void;
}) {
  const { stripes, onChange } = props;
  const set = (index: number, fields: Partial<StripeSpec>) =>
    onChange(stripes.map((stripe, i) => (i === index ? { ...stripe, ...fields } : stripe)));
  return (
    <div>
      <div className="flex flex-wrap items-end gap-3">
        <Choose
          name="Stripes or plaid"
          value=""
          options={[
            ["", stripes.length ? "Its own sequence" : "None"],
            ...Object.keys(STARTS).map((name): [string, string] => [name, name]),
            ...(stripes.length ? [["none", "No stripes"] as [string, string]] : []),
          ]}
          onPick={(name) => onChange(name === "none" ? [] : (STARTS[name] ?? stripes))}
        />
      </div>
      {stripes.map((stripe, index) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a stripe has no other name than its place
        <div key={index} className="mt-1 flex items-end gap-3">
          <label className="flex flex-col text-sm font-semibold text-smoke">
            <span className="sr-only">Stripe {index + 1}, colour</span>
            <input
              type="color"
              className="h-11 w-14"
              value={stripe.colour}
              onChange={(event) => set(index, { colour: event.currentTarget.value })}
            />
          </label>
          <Text
            quiet
            name={`Stripe ${index + 1}, width`}
            path={`cloth.stripes.${index}.width`}
            value={stripe.width}
            problems={props.problems}
            onType={(width) => set(index, { width })}
          />
          <button
            type="button"
            className="press"
            aria-label={`Remove stripe ${index + 1}`}
            onClick={() => onChange(stripes.filter((_, i) => i !== index))}
          >
            Remove
          </button>
        </div>
      ))}
      {stripes.length > 0 && (
        <button
          type="button"
          className="press"
          onClick={() => onChange([...stripes, { colour: "#6e8fbc", width: "2 cm" }])}
        >
          Add a stripe
        </button>
      )}
    </div>
  );
}

/** A cloth's sequence of stripes, twice over. */
export function Sequence({ sequence }: { sequence: ClothRow["sequence"] }) {
  return (
    <span className="inline-flex h-8 w-48 overflow-hidden rounded" aria-hidden="true">
      {[...sequence, ...sequence].map((stripe, index) => (
        <span
          // biome-ignore lint/suspicious/noArrayIndexKey: a stripe has no other name than its place
          key={index}
          style={{ background: stripe.colour, flexGrow: stripe.part }}
        />
      ))}
    </span>
  );
}
