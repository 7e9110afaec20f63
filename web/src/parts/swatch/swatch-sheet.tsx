import type { SwatchRow } from "../../api/client";
import { saysWhy } from "../../state/sentence";
import { type Keeping, useKeeping } from "../../state/use-keeping";
import { Choose, Text } from "../controls/fields";
import { Figure } from "../controls/figure";
import { Sheet } from "../controls/sheet";

export type SwatchDraft = Pick<SwatchRow, "cloth" | "kind" | "unit" | "spec"> & {
  key: string | null;
  revision: number;
};
export const EMPTY: SwatchDraft = { key: null, revision: 0, cloth: "", kind: "gathered", unit: "cm", spec: {} };
export const KINDS: [SwatchRow["kind"], string][] = [
  ["gathered", "Gathered"],
  ["attachment", "With an attachment"],
  ["fold", "Pressed folds"],
  ["cartridge", "Cartridge"],
];
type Spec = SwatchRow["spec"];
type Named = "flat" | "folds" | "depth" | "every" | "stitch" | "rows" | "thread" | "screw" | "guide";
const FIELDS: Record<SwatchRow["kind"], [Named, string][]> = {
  gathered: [
    ["flat", "Strip, flat"],
    ["rows", "Rows of stitches"],
    ["stitch", "Stitch, mm"],
    ["thread", "Thread"],
  ],
  attachment: [
    ["flat", "Strip, flat"],
    ["every", "A tuck every … stitches"],
    ["stitch", "Stitch, mm"],
    ["screw", "Screw at"],
    ["guide", "Guide from the edge"],
    ["thread", "Thread"],
  ],
  fold: [
    ["flat", "Strip, flat"],
    ["folds", "Pleats folded"],
    ["depth", "Each marked deep"],
  ],
  cartridge: [
    ["folds", "Folds drawn up"],
    ["depth", "Each high"],
    ["rows", "Rows of stitches"],
  ],
};

/** One swatch: what was tried, what it measured, at as many places as one likes. */
export function SwatchSheet({
  draft,
  onClose,
  onKept,
  onStale,
}: {
  draft: SwatchDraft;
  onClose: () => void;
  onKept: () => void;
  onStale: Keeping["fresh"];
}) {
  const kept = { address: "/swatches", what: "swatch", fresh: onStale, onKept, onClose };
  const keeping = useKeeping<SwatchDraft>(`swatch/${draft.key ?? "new"}`, draft, kept);
  const { now, type: setNow, problems } = keeping;
  const measured = now.spec.measured?.length ? now.spec.measured.map(String) : [""];
  const put = (fields: Partial<Spec>) => setNow({ ...now, spec: { ...now.spec, ...fields } });
  const keep = () => {
    const spec = { ...now.spec, measured: measured.filter((one) => one.trim()) };
    return keeping.keep({ cloth: now.cloth, kind: now.kind, unit: now.unit, spec });
  };
  const named = new Set(["cloth", ...FIELDS[now.kind].map(([name]) => `spec.${name}`)]);
  const other = problems.filter((one) => !named.has(one.path) && !one.path.startsWith("spec.measured"));
  return (
    <Sheet
      title={now.key ? "The swatch" : "A swatch for the book"}
      says="Measure the strip flat, sew it as you will sew the work, then measure it again."
      open
      onClose={onClose}
    >
      <form
        onSubmit={(event) => {
          event.preventDefault();
          void keep();
        }}
      >
        <div className="flex flex-wrap items-end gap-x-5 gap-y-2">
          <Text
            wide
            name="Cloth"
            path="cloth"
            value={now.cloth}
            problems={problems}
            onType={(cloth) => setNow({ ...now, cloth: cloth.slice(0, 120) })}
          />
          <Choose
            name="Bare numbers are in"
            value={now.unit}
            options={[
              ["cm", "cm"],
              ["in", "inches"],
            ]}
            onPick={(unit) => setNow({ ...now, unit })}
          />
          <Choose
            name="What was tried"
            value={now.kind}
            options={KINDS}
            onPick={(kind) => setNow({ ...now, kind: kind as SwatchRow["kind"] })}
          />
          {FIELDS[now.kind].map(([name, title]) => (
            <Text
              key={name}
              name={title}
              path={`spec.${name}`}
              value={now.spec[name] === undefined ? "" : String(now.spec[name])}
              problems={problems}
              onType={(text) => put({ [name]: text })}
            />
          ))}
          {now.kind === "attachment" && (
            <Choose
              name="In one pass"
              value={now.spec.layers ?? "one"}
              options={[
                ["one", "this layer alone"],
                ["two", "a flat layer too"],
              ]}
              onPick={(layers) => put({ layers: layers as "one" | "two" })}
            />
          )}
          {measured.map((text, at) => (
            <Text
              // biome-ignore lint/suspicious/noArrayIndexKey: a measuring has no other name than its number
              key={at}
              name={at ? `Measured again, ${at + 1}` : "Measured after"}
              path={`spec.measured.${at}`}
              value={text}
              problems={problems}
              onType={(one) => put({ measured: measured.map((old, index) => (index === at ? one : old)) })}
            />
          ))}
          <button type="button" className="press" onClick={() => put({ measured: [...measured, ""] })}>
            Measured once more
          </button>
        </div>
        {now.kind === "attachment" && (
          <p className="my-2 border-l-4 border-weld-line pl-3 text-sm">
            Turn the wheel by hand for two tucks first. See that the attachment fits the machine, and that its screws
            have not worked loose. No gathering thread is wanted.
          </p>
        )}
        <label className="mt-2 flex flex-col text-sm font-semibold text-smoke">
          What was seen
          <textarea
            className="field min-h-20 py-2 font-normal"
            value={now.spec.says ?? ""}
            onChange={(event) => put({ says: event.currentTarget.value.slice(0, 2000) })}
          />
        </label>
        {other.map((one) => (
          <p key={one.message} role="alert" className="m-0 font-semibold text-madder">
            <Figure>{saysWhy(one)}</Figure>
          </p>
        ))}
        <button type="submit" className="press press-main mt-3">
          Keep
        </button>{" "}
        <button type="button" className="press" onClick={keeping.leave}>
          Leave it as it was
        </button>
      </form>
    </Sheet>
  );
}
