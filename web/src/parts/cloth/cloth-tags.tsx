import { useState } from "react";
import type { Cloth, CutAnswer, Problem } from "../../api/client";
import { inInches } from "../../state/habit";
import { useWays } from "../../state/use-ways";
import { PaperTag } from "../../thing/paper-tag";
import { Choose, ColourField, Text, TickBox } from "../controls/fields";
import { Folded } from "../controls/folded";
import { Bolt } from "./bolt";
import { Sheets } from "./cloth-facts";
import { StripesEditor } from "./stripes-editor";

interface Props {
  cloth: Cloth;
  unit: string | undefined;
  assumed: Record<string, string>;
  problems: Problem[];
  /** What lies on it; null while that is not known. */
  plan: CutAnswer["plans"][number] | null;
  /** How long a repeat along it is, in millimetres. */
  along: number;
  lit: string | null;
  onLight: (field: string | null) => void;
  onChange: (cloth: Cloth) => void;
}

/** What a cloth is and costs, as tags in a row; its measures on its bolt. */
export function ClothTags(props: Props) {
  const { cloth, unit, assumed, problems, plan, lit, onLight, onChange } = props;
  const sign = useWays().data?.ways.currency ?? "";
  const set = (fields: Partial<Cloth>) => onChange({ ...cloth, ...fields });
  const tag = (name: string, key: keyof Cloth, tape = "") => (
    <PaperTag
      name={name}
      path={`cloth.${key}`}
      value={cloth[key] as string | null | undefined}
      assumed={assumed[`cloth.${key}`]}
      problems={problems}
      lit={tape !== "" && lit === tape}
      onLight={(on) => onLight(on && tape ? tape : null)}
      onType={(text) => set({ [key]: text.trim() ? text : null, ...(key === "price" && sign ? { sign } : {}) })}
    />
  );
  const begunSo = useBegunUsable(cloth);
  // A tag that is typed on stays while it is empty: what is measured of the cloth otherwise is typed under More.
  const byUsable = Boolean(cloth.usable) || (begunSo && !cloth.width);
  const per = cloth.per ?? (inInches(unit) ? "yd" : "m");
  return (
    <div className="flex min-w-0 flex-col gap-2">
      <div className="flex flex-wrap items-start gap-2">
        {byUsable ? (
          tag("Usable width", "usable", "width")
        ) : (
          <>
            {tag("Width", "width", "width")}
            {tag("One selvedge", "selvedge", "width")}
          </>
        )}
        {tag("Repeat along", "along", "along")}
        {tag("Repeat across", "across", "width")}
      </div>
      <Bolt
        plan={plan}
        name={cloth.name || "The cloth"}
        along={props.along}
        directional={cloth.directional ?? false}
        rolled={!cloth.rectangle}
        lit={lit}
      />
      <div className="flex flex-wrap items-start gap-2">
        {tag("Price", "price")}
        <Choose
          quiet
          name="for one"
          value={per}
          options={[
            ["m", "per m"],
            ["yd", "per yd"],
          ]}
          onPick={(chosen) => set({ per: chosen as "m" | "yd" })}
        />
        {tag("At hand", "length")}
        {tag("Shrinks by, %", "shrinkage")}
        {tag(inInches(unit) ? "oz/yd²" : "g/m²", "weight")}
      </div>
    </div>
  );
}

/** What is typed under More alone; where the usable width stands above, its whole width and selvedge are. */
const HERE = /^cloth\.(usable|thickness|step|sheets|stripes)/;
const HERE_TOO = /^cloth\.(width|selvedge|thickness|step|sheets|stripes)/;

/** Whether the usable width was all that was said of its width as it was first seen. */
function useBegunUsable(cloth: Cloth): boolean {
  return useState(Boolean(cloth.usable))[0];
}

/** What is rarely said of a cloth, folded: its thickness, its sheets, its stripes. */
export function MoreOfCloth(props: Pick<Props, "cloth" | "unit" | "assumed" | "problems" | "onChange">) {
  const { cloth, unit, assumed, problems, onChange } = props;
  const set = (fields: Partial<Cloth>) => onChange({ ...cloth, ...fields });
  const field = (name: string, key: "usable" | "width" | "selvedge" | "thickness" | "step") => (
    <Text
      name={name}
      path={`cloth.${key}`}
      value={cloth[key]}
      assumed={assumed[`cloth.${key}`]}
      problems={problems}
      onType={(text) => set({ [key]: text.trim() ? text : null })}
    />
  );
  const whole = useBegunUsable(cloth) || Boolean(cloth.usable);
  const stripes = cloth.stripes ?? [];
  const state = [
    cloth.thickness ? `${cloth.thickness} thick` : "thickness not said",
    cloth.step ? `sold by ${cloth.step}` : "",
    cloth.rectangle ? "a sheet or a remnant" : "",
    stripes.length ? `${stripes.length} stripes` : "no stripes",
  ];
  return (
    <Folded
      name="More of this cloth"
      state={state.filter(Boolean).join("; ")}
      wrong={problems.some((one) => (whole ? HERE_TOO : HERE).test(one.path))}
    >
      <ColourField name="Colour" value={cloth.colour} onPick={(colour) => set({ colour })} />
      {field("Usable width, if known", "usable")}
      {whole && field("Width", "width")}
      {whole && field("One selvedge", "selvedge")}
      {field("Thickness", "thickness")}
      {field("Sold in steps of", "step")}
      <TickBox
        name="A sheet or a remnant: what is at hand is all there is"
        on={cloth.rectangle ?? false}
        onTick={(rectangle) => set({ rectangle })}
      />
      {cloth.rectangle && <Sheets cloth={cloth} unit={unit} problems={problems} set={set} />}
      <StripesEditor stripes={stripes} problems={problems} onChange={(now) => set({ stripes: now })} />
    </Folded>
  );
}

/** What a cloth is called, and whether it has one right way up. */
export function NameOfCloth({ cloth, problems, onChange }: Pick<Props, "cloth" | "problems" | "onChange">) {
  return (
    <>
      <Text
        wide
        name="Name of the cloth"
        path="cloth.name"
        value={cloth.name}
        problems={problems}
        onType={(name) => onChange({ ...cloth, name: name.slice(0, 120) })}
      />
      <TickBox
        name="One right way up"
        on={cloth.directional ?? false}
        onTick={(directional) => onChange({ ...cloth, directional })}
      />
    </>
  );
}
