import { useQuery } from "@tanstack/react-query";
import { useRef } from "react";
import { Link } from "wouter";
import { ask, type Cloth, type ClothRow, type MovedRow, type SectionSpec } from "../../api/client";
import { same } from "../../state/in-order";
import { whyNot } from "../../state/sentence";
import { useDraft } from "../../state/use-draft";
import { useWays } from "../../state/use-ways";
import { Choose, Text } from "../controls/fields";
import { Figure } from "../controls/figure";
import { fromShelf } from "./cloth-facts";

interface Props {
  spec: SectionSpec;
  work: string;
  /** What all pieces of the work want of it, as it is typed; empty while that is not known. */
  need: string;
  onChange: (spec: SectionSpec, field: string) => void;
  onSaid: (text: string) => void;
}

/** A cloth taken from the shelf: chosen, then its length taken for this work and what is left given back. */
export function Shelf({ spec, work, need, onChange, onSaid }: Props) {
  const shelf = useQuery({
    queryKey: ["cloths"],
    queryFn: ({ signal }) => ask<{ cloths: ClothRow[] }>("GET", "/cloths", undefined, { signal }),
  });
  const { now: length, type: setLength } = useDraft<string | null>(`taken/${work}`, null);
  const rows = shelf.data?.cloths ?? [];
  const row = rows.find((one) => one.key === spec.cloth?.key);
  const wanted = length ?? need;
  const usual = useWays().data?.ways.currency ?? "";
  const sign = spec.cloth?.sign || usual;
  const signed = sign ? { sign } : {};
  const newest = useRef({ spec, onChange });
  newest.current = { spec, onChange };
  const move = async (way: "take" | "give") => {
    if (!row) return;
    try {
      const now = await ask<MovedRow>("POST", `/cloths/${row.key}/${way}`, {
        revision: row.revision,
        length: wanted,
        work,
        taken: newest.current.spec.cloth?.taken ?? "",
      });
      onSaid(
        `${wanted} of ${row.name} ${way === "take" ? "taken for this work" : "given back"}: ${now.left?.text ?? ""} left.`,
      );
      const { spec: typed, onChange } = newest.current;
      onChange({ ...typed, cloth: { ...typed.cloth, ...fromShelf(now), taken: now.taken || null } }, "cloth");
      setLength(null);
      await shelf.refetch();
    } catch (error) {
      onSaid(whyNot(error));
    }
  };
  return (
    <div className="flex flex-wrap items-end gap-3">
      <Choose
        quiet
        name="From the cloth shelf"
        value={row?.key ?? ""}
        options={[["", "Not from the shelf"], ...rows.map((one): [string, string] => [one.key, one.name])]}
        onPick={(key) => {
          const chosen = rows.find((one) => one.key === key);
          onChange(
            { ...spec, cloth: chosen ? { ...signed, ...fromShelf(chosen) } : { ...spec.cloth, key: "" } },
            "cloth",
          );
        }}
      />
      {row && (
        <>
          <Text name="Length to move" path="" value={wanted} problems={[]} onType={setLength} />
          <button type="button" className="press" onClick={() => void move("take")}>
            Take for this work
          </button>
          <button type="button" className="press" onClick={() => void move("give")}>
            Give back
          </button>
          {differs(row, spec.cloth) && (
            <button
              type="button"
              className="press"
              onClick={() => onChange({ ...spec, cloth: { ...spec.cloth, ...fromShelf(row) } }, "cloth")}
            >
              The shelf says otherwise by now: take that over
            </button>
          )}
          <span className="pb-2 text-smoke">
            <Figure>
              {[
                spec.cloth?.taken ? `${spec.cloth.taken} taken for this work` : "",
                row.left ? `${row.left.text} left on the shelf` : "",
              ]
                .filter(Boolean)
                .join(", ")}
            </Figure>
          </span>
        </>
      )}
      <Link href="/cloth" className="press">
        Open the shelf
      </Link>
    </div>
  );
}

/** Whether the shelf knows a cloth otherwise than the work that took it from there. */
function differs(row: ClothRow, cloth: Cloth | undefined): boolean {
  const there = fromShelf(row) as Record<string, unknown>;
  const here = (cloth ?? {}) as Record<string, unknown>;
  return Object.keys(there).some((name) => !same(there[name], here[name]));
}
