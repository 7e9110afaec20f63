import type { Problem, SectionSpec } from "../../api/client";
import { inInches } from "../../state/habit";
import { Choose, Text, TickBox } from "../controls/fields";

type Cutting = NonNullable<SectionSpec["cutting"]>;

/** A lining and its own rules. */
export function LiningFacts(props: {
  spec: SectionSpec;
  problems: Problem[];
  /** What is taken where nothing is said, by its field. */
  assumed: Record<string, string>;
  put: (fields: Partial<Cutting>) => void;
}) {
  const lining = props.spec.cutting?.lining ?? null;
  const set = (fields: Partial<NonNullable<Cutting["lining"]>>) => props.put({ lining: { ...lining, ...fields } });
  const field = (name: string, key: "shorter" | "narrower" | "hem" | "heading" | "allowance") => (
    <Text
      name={name}
      path={`cutting.lining.${key}`}
      value={lining?.[key]}
      assumed={props.assumed[`cutting.lining.${key}`]}
      problems={props.problems}
      onType={(text) => set({ [key]: text.trim() ? text : null })}
    />
  );
  const ofCloth = (name: string, key: "name" | "usable" | "price" | "weight") => (
    <Text
      name={name}
      path={`cutting.lining.cloth.${key}`}
      value={lining?.cloth?.[key]}
      assumed={props.assumed[`cutting.lining.cloth.${key}`]}
      problems={props.problems}
      onType={(text) => set({ cloth: { ...lining?.cloth, [key]: text.trim() ? text : key === "name" ? "" : null } })}
    />
  );
  return (
    <section aria-label="The lining">
      <TickBox
        name="It is lined"
        on={lining !== null}
        onTick={(on) => props.put({ lining: on ? { hem_turns: 2 } : null })}
      />
      {lining && (
        <div className="flex flex-wrap items-end gap-x-5 gap-y-3">
          {field("Shorter than the face by", "shorter")}
          {field("Narrower in all by", "narrower")}
          {field("Its hem", "hem")}
          <Choose
            name="Hem turned"
            value={String(lining.hem_turns ?? 2)}
            options={[
              ["1", "once"],
              ["2", "twice"],
            ]}
            onPick={(n) => set({ hem_turns: Number(n) as 1 | 2 })}
          />
          {field("Its heading", "heading")}
          {field("Seam allowance", "allowance")}
          {ofCloth("Usable width of lining", "usable")}
          {ofCloth("Its price", "price")}
          {ofCloth(`Its weight, ${inInches(props.spec.unit) ? "oz/yd²" : "g/m²"}`, "weight")}
          <TickBox
            name="Sewn to the face as a tube, and turned"
            on={lining.tube ?? false}
            onTick={(tube) => set({ tube })}
          />
        </div>
      )}
    </section>
  );
}
