import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "wouter";
import { ask, Refused, send, type Work, type Works } from "../api/client";
import { Sheet } from "../parts/controls/sheet";
import { SmallFront } from "../parts/pleat/glance";
import { saysWhy } from "../state/sentence";
import type { KindName } from "../state/spec";
import { STARTS, started } from "../state/starts";
import { clothOf, edgeBy, thingBy, useWays } from "../state/use-ways";
import { ThingTile, useThings } from "./new-work";

/** The edge that a start sets out, as the list of works shows one. */
function StartPicture({ kind, colour }: { kind: KindName; colour: string }) {
  const stops = Array.from({ length: 9 }, (_, index) => (index + 0.5) / 9);
  return <SmallFront glance={{ kind, says: "", stops, colour }} />;
}

/** The New sheet: what is being made, each with a small picture of it. */
export function Start(props: { open: boolean; onClose: () => void; onMade: (key: string) => void }) {
  const { open, onClose, onMade } = props;
  const [trouble, setTrouble] = useState<string[]>([]);
  const kept = useWays();
  const ways = kept.data?.ways ?? {};
  const [chosen, setUnit] = useState<"cm" | "in" | null>(null);
  const unit = chosen ?? (ways.unit === "in" ? "in" : "cm");
  const things = useThings();
  const make = async (task: Promise<Work>) => {
    try {
      onMade((await task).key);
    } catch (error) {
      setTrouble(
        error instanceof Refused
          ? error.problems.map((one) => `${one.path ? `${one.path}: ` : ""}${saysWhy(one)}`)
          : ["That did not work: the program does not answer."],
      );
    }
  };
  return (
    <Sheet
      title="What are you making?"
      open={open}
      onClose={onClose}
      wide
      says="It asks for a few measures first; everything can be changed later."
    >
      <div className="grid grid-cols-2 gap-1 sm:grid-cols-4">
        {things.data?.map((row) => (
          <ThingTile
            key={row.name}
            row={row}
            onPick={() =>
              void make(
                ask<Work>("POST", "/works", {
                  name: row.called,
                  cloths: clothOf(row, unit),
                  thing: thingBy(ways, row, unit),
                }),
              )
            }
          />
        ))}
        {STARTS.map((start) => (
          <button
            key={start.name}
            type="button"
            className="border-l-4 border-thread px-4 py-2 text-left hover:border-madder hover:bg-linen focus-visible:bg-linen"
            onClick={() =>
              void make(
                ask<Work>("POST", "/works", {
                  name: start.name,
                  sections: [{ name: start.piece, spec: { ...started(start, unit), ...edgeBy(ways) } }],
                }),
              )
            }
          >
            <span className="flex h-32 items-center">
              <StartPicture kind={start.spec.kind} colour={start.colour} />
            </span>
            <span className="block text-lg font-bold">{start.name}</span>
            <span className="text-smoke">{start.says}</span>
          </button>
        ))}
        <Link
          href="/lesson"
          className="border-l-4 border-thread px-4 py-2 text-left text-soot hover:border-madder hover:bg-linen focus-visible:bg-linen"
        >
          <span className="flex h-32 items-center">
            <StartPicture kind="inverted" colour="#d9c9a3" />
          </span>
          <span className="block text-lg font-bold">A lesson</span>
          <span className="text-smoke">three strips to fold from paper</span>
        </Link>
      </div>
      <p className="mt-4 mb-0 flex items-center gap-3">
        <span id="measured-in">Measured in</span>
        <select
          aria-labelledby="measured-in"
          className="field"
          value={unit}
          onChange={(event) => setUnit(event.currentTarget.value as "cm" | "in")}
        >
          <option value="cm">centimetres</option>
          <option value="in">inches</option>
        </select>
      </p>
      <label className="mt-4 flex flex-col text-sm font-semibold text-smoke">
        Or from a file
        <input
          type="file"
          accept=".json"
          className="field text-base font-normal"
          onChange={(event) => {
            const file = event.currentTarget.files?.[0];
            if (file) void make(send<Work>("/files", "file", file, file.name));
            event.currentTarget.value = "";
          }}
        />
      </label>
      <Earlier onAgain={(key) => void make(ask<Work>("POST", `/works/${key}/again`))} />
      {trouble.length > 0 && (
        <ul role="alert" className="max-h-48 overflow-auto pl-5 text-madder">
          {trouble.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ul>
      )}
    </Sheet>
  );
}

/** An earlier work to make again: looked up by its name among all there are, chosen, then made. */
function Earlier({ onAgain }: { onAgain: (key: string) => void }) {
  const [search, setSearch] = useState("");
  const [picked, setPicked] = useState("");
  const found = useQuery({
    queryKey: ["works", "again", search],
    queryFn: ({ signal }) =>
      ask<Works>("GET", `/works?${new URLSearchParams({ search, limit: "100" })}`, undefined, { signal }),
    placeholderData: (before) => before,
  }).data;
  const rows = found?.works ?? [];
  const chosen = rows.find((row) => row.key === picked)?.key ?? "";
  if (!found?.shelf) return null;
  return (
    <section aria-label="Make an earlier work again" className="mt-4 flex flex-wrap items-end gap-3">
      <label className="flex flex-col text-sm font-semibold text-smoke">
        Or an earlier work: its name
        <input
          type="search"
          className="field text-base font-normal"
          value={search}
          maxLength={200}
          onChange={(event) => setSearch(event.currentTarget.value)}
        />
      </label>
      <label className="flex min-w-0 flex-col text-sm font-semibold text-smoke">
        {found.total > rows.length ? `The last ${rows.length} of ${found.total}` : "Earlier works"}
        <select
          className="field text-base font-normal"
          value={chosen}
          onChange={(event) => setPicked(event.currentTarget.value)}
        >
          <option value="">{rows.length ? "choose…" : "none has that name"}</option>
          {rows.map((row) => (
            <option key={row.key} value={row.key}>
              {row.name}
            </option>
          ))}
        </select>
      </label>
      <button type="button" className="press" disabled={!chosen} onClick={() => onAgain(chosen)}>
        Make it again
      </button>
    </section>
  );
}
