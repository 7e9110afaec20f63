import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "wouter";
import { ask, type Problem, Refused, type ThingField, type Ways, type WaysKept } from "../api/client";
import { Choose, Text } from "../parts/controls/fields";
import { capital, sentence } from "../state/sentence";
import { useDraft } from "../state/use-draft";
import { useTitle } from "../state/use-title";
import { useWays } from "../state/use-ways";
import { mergedWays, type WaysDraft } from "../state/ways-merged";
import { useThings } from "./new-work";

/** My ways: what a sewist is used to, kept once, the default of each new work. */
export function WaysScreen() {
  const found = useWays();
  const [said, setSaid] = useState("");
  useTitle("My ways");
  return (
    <div className="mx-auto max-w-3xl px-4 pb-24 sm:px-8">
      <header className="flex flex-wrap items-center gap-x-4 pt-5 pb-2">
        <Link href="/" className="press -ml-3">
          ‹ Works
        </Link>
        <h1 className="m-0 text-3xl font-bold">My ways</h1>
      </header>
      <main>
        <p className="mt-0 text-smoke">
          Each new work begins so, and may differ. Works that are there stay as they are.
        </p>
        {found.data ? (
          <Laid kept={found.data} said={said} onSaid={setSaid} />
        ) : (
          <p className="text-smoke">
            {found.isError ? "They cannot be read: the program does not answer." : "Fetching them…"}
          </p>
        )}
      </main>
    </div>
  );
}

function Laid({ kept, said, onSaid }: { kept: WaysKept; said: string; onSaid: (said: string) => void }) {
  const client = useQueryClient();
  const things = useThings();
  const draft = useDraft<WaysDraft | null>("ways", null);
  const typed = draft.now ?? { base: kept.ways, now: kept.ways };
  // What was kept elsewhere meanwhile is here, too; only what was typed here is put in its place.
  const { ways: now, clashes } = mergedWays(typed, kept.ways);
  const [problems, setProblems] = useState<Problem[]>([]);
  const put = (change: Partial<Ways>) => {
    onSaid("");
    draft.type({ base: typed.base, now: { ...typed.now, ...change } });
  };
  const choose = (name: string, value: string) => {
    const { [name]: _, ...others } = typed.now.choices ?? {};
    put({ choices: value ? { ...others, [name]: value } : others });
  };
  const keep = async () => {
    try {
      await ask<WaysKept>("PUT", "/works/ways", { ways: now, revision: kept.revision });
      setProblems([]);
      await client.invalidateQueries({ queryKey: ["ways"] });
      draft.clear();
      onSaid("Kept. The next new work begins so.");
    } catch (error) {
      const found = error instanceof Refused ? error.problems : [];
      const stale = found.some((one) => one.code === "stale");
      setProblems(stale ? [] : found);
      onSaid(
        stale
          ? "They were changed elsewhere in the meantime. Look below what differs, then keep them again."
          : found.length
            ? ""
            : "Not kept: the program does not answer. What you typed stays here.",
      );
      if (stale) await client.invalidateQueries({ queryKey: ["ways"] });
    }
  };
  const fields = new Map<string, ThingField>();
  for (const row of things.data ?? [])
    for (const field of row.fields) if (field.way && !fields.has(field.name)) fields.set(field.name, field);
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        void keep();
      }}
    >
      <Way says="How bare numbers are read, and everything is written.">
        <Choose
          name="Measured in"
          value={now.unit ?? "cm"}
          options={[
            ["cm", "centimetres"],
            ["in", "inches"],
          ]}
          onPick={(unit) => put({ unit: unit as NonNullable<Ways["unit"]> })}
        />
      </Way>
      <Way says="The smallest division that is chalked; every mark falls on it.">
        <Text
          name="Tape division"
          path="ways.tape"
          value={now.tape}
          problems={at(problems, "tape")}
          assumed={now.unit === "in" ? "1/16 in" : "1 mm"}
          onType={(tape) => put({ tape })}
        />
      </Way>
      <Way says="Added at each seam and join of a new work.">
        <Text
          name="Seam allowance"
          path="ways.seam"
          value={now.seam}
          problems={at(problems, "seam")}
          assumed={now.unit === "in" ? "1/2 in" : "1.5 cm"}
          onType={(seam) => put({ seam: seam || null })}
        />
      </Way>
      <Way says="Past it a thick place is warned about; in millimetres.">
        <Text
          name="Machine sews a pile of"
          path="ways.machine"
          value={now.machine}
          problems={at(problems, "machine")}
          assumed="about 6 mm"
          onType={(machine) => put({ machine: machine || null })}
        />
      </Way>
      <Way says="What papers are laid out on.">
        <Choose
          name="Paper"
          value={now.paper ?? ""}
          options={[
            ["", "by the unit"],
            ["a4", "A4"],
            ["letter", "Letter"],
          ]}
          onPick={(paper) => put({ paper: (paper || null) as Ways["paper"] & string })}
        />
      </Way>
      <Way says="Stands before what something costs.">
        <Text
          name="Currency sign"
          path="ways.currency"
          value={now.currency}
          problems={at(problems, "currency")}
          onType={(currency) => put({ currency: currency.slice(0, 4) })}
        />
      </Way>
      <Way says="The side that chalk lists begin with.">
        <Choose
          name="Marked on"
          value={now.side ?? "RS"}
          options={[
            ["WS", "the wrong side"],
            ["RS", "the right side"],
          ]}
          onPick={(side) => put({ side: side as NonNullable<Ways["side"]> })}
        />
      </Way>
      {[...fields.values()].map((field) => (
        <Way key={field.name} says={field.why ? `${field.where} ${sentence(field.why)}` : field.where}>
          {field.options.length ? (
            <Choose
              name={field.title}
              value={String(now.choices?.[field.name] ?? "")}
              options={[
                ["", "as the program takes it"],
                ...field.options.map((one): [string, string] => [one.name, one.says]),
              ]}
              onPick={(value) => choose(field.name, value)}
            />
          ) : (
            <Text
              name={field.title}
              path={`ways.choices.${field.name}`}
              value={now.choices?.[field.name]}
              problems={problems}
              assumed={field.assumed}
              onType={(value) => choose(field.name, value)}
            />
          )}
        </Way>
      ))}
      <p className="sticky bottom-0 m-0 flex items-center gap-3 bg-calico py-3">
        <button type="submit" className="press press-main">
          Keep my ways
        </button>
        <span role="status">{said}</span>
      </p>
      {clashes.map((one) => (
        <p key={one.name} role="alert" className="border-l-[6px] border-weld-line pl-3">
          {capital(fields.get(one.name.slice("choices.".length))?.title ?? one.name)} was changed elsewhere: it is now “
          {one.theirs}” there. Keep puts yours in its place.
        </p>
      ))}
    </form>
  );
}

const at = (problems: Problem[], name: string) =>
  problems.map((one) => ({ ...one, path: one.path === name ? `ways.${name}` : one.path }));

function Way({ says, children }: { says: string; children: React.ReactNode }) {
  return (
    <div className="grid grid-cols-1 items-center gap-x-6 border-t border-thread py-2 sm:grid-cols-[16rem_1fr]">
      {children}
      <p className="m-0 text-smoke">{says}</p>
    </div>
  );
}
