import type { Problem, SectionSpec } from "../../api/client";
import { traits } from "../../state/spec";
import { Choose, Text } from "../controls/fields";

interface Props {
  spec: SectionSpec;
  problems: Problem[];
  onChange: (spec: SectionSpec, field: string) => void;
}
type Place = NonNullable<SectionSpec["placed"]>[number];

/** Pleats at stated places: where each stands, its own depth where it has one, its hand. */
export function Places({ spec, problems, onChange }: Props) {
  const places = spec.placed ?? [];
  const put = (placed: Place[]) => onChange({ ...spec, placed }, "placed");
  const set = (index: number, fields: Partial<Place>) =>
    put(places.map((place, i) => (i === index ? { ...place, ...fields } : place)));
  const size = traits(spec.kind)?.size ?? "depth";
  return (
    <div className="flex flex-wrap items-start gap-x-6 gap-y-2">
      {places.length > 0 && (
        <Choose
          name="Measured"
          value={spec.placed_from ?? "start"}
          options={[
            ["start", "From the start"],
            ["centre", "From the centre, both ways"],
          ]}
          onPick={(from) => onChange({ ...spec, placed_from: from as "start" | "centre" }, "placed_from")}
        />
      )}
      <div>
        {places.length > 0 && (
          <table className="border-collapse">
            <thead>
              <tr className="text-left text-sm text-smoke">
                <th scope="col" className="pr-3 font-semibold">
                  Pleat
                </th>
                <th scope="col" className="font-semibold">
                  Stands at
                </th>
                <th scope="col" className="font-semibold">
                  {size === "depth" ? "Depth, if its own" : "Cloth, if its own"}
                </th>
                <th scope="col">
                  <span className="sr-only">Take away</span>
                </th>
              </tr>
            </thead>
            <tbody>
              {places.map((place, index) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: a place has no other name than its row
                <tr key={index} className="align-top">
                  <td className="pt-2 pr-3 font-bold">{index + 1}</td>
                  <td className="pr-2">
                    <Text
                      quiet
                      name={`Pleat ${index + 1} stands at`}
                      path={`placed.${index}.at`}
                      value={place.at}
                      problems={problems}
                      onType={(at) => set(index, { at })}
                    />
                  </td>
                  <td className="pr-2">
                    <Text
                      quiet
                      name={`Pleat ${index + 1}, ${size === "depth" ? "depth" : "cloth"} of its own`}
                      path={`placed.${index}.${size}`}
                      value={place[size]}
                      problems={problems}
                      onType={(text) => set(index, { [size]: text.trim() ? text : null })}
                    />
                  </td>
                  <td>
                    <button
                      type="button"
                      className="press"
                      aria-label={`Remove pleat ${index + 1}`}
                      onClick={() => put(places.filter((_, i) => i !== index))}
                    >
                      Remove
                    </button>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
        <button type="button" className="press" onClick={() => put([...places, { at: "" }])}>
          Add a place
        </button>
        {places.length > 0 && (
          <button type="button" className="press" onClick={() => put([])}>
            Let all the places go
          </button>
        )}
        {places.length === 0 && (
          <p className="m-0 max-w-prose text-sm text-smoke">
            Dart ends, cushion gaps, corners, a centre front: say where pleats must stand. The take-up is shared over
            those that name no depth of their own.
          </p>
        )}
      </div>
    </div>
  );
}
