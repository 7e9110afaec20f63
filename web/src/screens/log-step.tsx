import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useLocation } from "wouter";
import { ask, type LastTime, type Log, type Problem, Refused, type SectionSpec, send, type Work } from "../api/client";
import { TickBox } from "../parts/controls/fields";
import { Figure } from "../parts/controls/figure";
import { SewnPlot } from "../parts/table/sewn-plot";
import { TimesTaken } from "../parts/thing/sessions";
import { same } from "../state/in-order";
import type { Saving } from "../state/saving";
import { saysWhy } from "../state/sentence";
import type { LogName } from "../state/unsent";

interface Props {
  work: Work;
  spec: SectionSpec;
  piece: string;
  onChange: (spec: SectionSpec, field: string) => void;
  onWords: (name: LogName, value: string | boolean) => void;
  saver: Saving;
  onSaid: (text: string, undo?: () => void) => void;
}
const LONGEST = { words: 8000, figures: 40 };
const WORDS = [
  ["notes", "Notes", "What to do the same way next time"],
  ["faults", "Faults", "What to do otherwise next time"],
] as const;

/** The step Log: planned against sewn, what the cloth usually does, notes and photographs, and making it again. */
export function LogStep({ work, spec, piece, onChange, onWords, saver, onSaid }: Props) {
  const client = useQueryClient();
  const [, go] = useLocation();
  const [problems, setProblems] = useState<Problem[]>([]);
  const key = ["log", work.key, work.revision];
  const found = useQuery({
    queryKey: key,
    queryFn: () => ask<Log>("GET", `/works/${work.key}/log`),
    placeholderData: (before) => before, // what is typed stays under the hand while it is fetched anew
  });
  const took = (log: Log) => {
    setProblems([]);
    client.setQueryData(key, log);
  };
  const failed = (error: unknown) => {
    setProblems(error instanceof Refused ? error.problems : []);
  };
  // One after another, as they were asked for: an older answer never comes last.
  const scope = { id: `log ${work.key}` };
  const picture = useMutation({
    scope,
    mutationFn: (file: File) => send<Log>(`/works/${work.key}/photographs`, "photograph", file, file.name),
    onSuccess: took,
    onError: failed,
  });
  const drop = useMutation({
    scope,
    mutationFn: (one: string) => ask<Log>("DELETE", `/works/${work.key}/photographs/${one}`),
    onSuccess: (now, one) => {
      took(now);
      onSaid("The photograph was taken away.", () => back.mutate(one));
    },
    onError: failed,
  });
  const back = useMutation({
    scope,
    mutationFn: (one: string) => ask<Log>("POST", `/works/${work.key}/photographs/${one}/bring-back`),
    onSuccess: took,
    onError: failed,
  });
  const strike = async (check: Log["checks"][number]) => {
    if (await saver.act("DELETE", `/checks/${check.number}`))
      onSaid(`The check of ${check.name} was struck.`, () => void saver.act("POST", "/undo"));
  };
  const again = useMutation({
    scope,
    mutationFn: async () => {
      await saver.flush(); // with every word that was typed
      return ask<Work>("POST", `/works/${work.key}/again`);
    },
    onSuccess: (made) => go(`/works/${made.key}`),
    onError: failed,
  });
  const log = found.data;
  // What other pieces taught; what this one did has gone into its own plan.
  const turnOf = (usual: Log["usual"][number]) => usual.turns[piece];
  return (
    <div className="mt-3 grid grid-cols-1 gap-6 xl:grid-cols-2">
      <section aria-label="Planned against sewn">
        <h2 className="m-0 text-lg font-bold">Planned against sewn</h2>
        {!log ? (
          <p>{found.isError ? "What was sewn cannot be fetched just now." : "Fetching what was sewn…"}</p>
        ) : log.checks.length + log.on_the_way.length === 0 ? (
          <p className="text-smoke">Nothing has been measured yet: the step Check keeps what you measure.</p>
        ) : (
          <>
            {log.checks.length > 0 && (
              <SewnPlot
                offs={log.checks.map((check) => ({
                  name: check.name,
                  mm: check.off.mm,
                  text: check.off.text,
                  within: check.within,
                }))}
              />
            )}
            <ul className="m-0 list-none p-0">
              {log.on_the_way.map((one) => (
                <li key={one.field} className="border-t border-thread py-1">
                  <strong>{one.title}</strong>: <Figure>{`${one.measured}. ${one.says}`}</Figure>
                </li>
              ))}
              {log.checks.map((check) => (
                <li key={check.at} className="border-t border-thread py-1">
                  <span className="text-smoke">{check.at.slice(0, 10)}</span> <strong>{check.name}</strong>:{" "}
                  <Figure>{`planned ${check.planned.text}, measured ${check.measured.text}. ${check.says[0] ?? ""}`}</Figure>
                  {check.taken && " The correction went into the plan."}{" "}
                  <button
                    type="button"
                    className="press"
                    aria-label={`Strike the check of ${check.name}: ${check.measured.text}`}
                    onClick={() => void strike(check)}
                  >
                    Strike
                  </button>
                </li>
              ))}
            </ul>
          </>
        )}
        {log?.usual.map((usual) => (
          <div key={usual.cloth} className="mt-3 bg-linen px-4 py-3">
            <p className="m-0">
              <Figure>{usual.says}</Figure>
            </p>
            <SewnPlot offs={usual.each.map((one) => ({ ...one, name: one.work, within: false }))} />
            {turnOf(usual) && spec.kind !== "mixed" && !same(spec.turn, turnOf(usual)) && (
              <button
                type="button"
                className="press"
                onClick={() => {
                  onChange({ ...spec, turn: turnOf(usual) ?? null }, "turn");
                  onSaid("The marks of this piece now make up for it.");
                }}
              >
                Make up for it in this piece
              </button>
            )}
          </div>
        ))}
        {spec.turn && (
          <p className="m-0 mt-2">
            <Figure>{`This piece makes up for pleats that come out ${spec.turn.by} ${spec.turn.way ?? "narrower"} each.`}</Figure>{" "}
            <button type="button" className="press" onClick={() => onChange({ ...spec, turn: null }, "turn")}>
              Leave that out
            </button>
          </p>
        )}
      </section>
      <Last work={work} />
      <section aria-label="In your words">
        <h2 className="m-0 text-lg font-bold">In your words</h2>
        {problems.map((problem) => (
          <p key={problem.message} role="alert" className="my-1 border-l-[6px] border-weld-line pl-3">
            {saysWhy(problem)}
          </p>
        ))}
        {WORDS.map(([name, word, hint]) => (
          <label key={name} className="mb-3 flex flex-col text-sm font-semibold text-smoke">
            {word}
            <textarea
              className="field min-h-24 text-base font-normal"
              placeholder={hint}
              value={work.log[name]}
              maxLength={LONGEST.words}
              onChange={(event) => onWords(name, event.currentTarget.value)}
            />
          </label>
        ))}
        <div className="flex flex-wrap items-end gap-4">
          {work.thing && <TimesTaken work={work.key} />}
          {(["hours", "cost"] as const).map((name) => (
            <label key={name} className="flex flex-col text-sm font-semibold text-smoke">
              {name === "hours" ? "Hours" : "Cost"}
              <input
                className="field w-32 text-base font-normal"
                value={work.log[name]}
                maxLength={LONGEST.figures}
                onChange={(event) => onWords(name, event.currentTarget.value)}
              />
            </label>
          ))}
          <TickBox name="It is finished" on={work.log.finished} onTick={(finished) => onWords("finished", finished)} />
        </div>
        <button type="button" className="press press-main mt-4" onClick={() => again.mutate()}>
          Make this again
        </button>
        <p className="m-0 text-smoke">
          A new work like this one, these lessons written beside it; change the size there.
        </p>
      </section>
      <section aria-label="Photographs" className="xl:col-span-2">
        <h2 className="m-0 text-lg font-bold">Photographs</h2>
        <p className="m-0 text-smoke">
          Kept in the data folder, drawn anew: nothing of where or when they were taken stays in them.
        </p>
        <label className="my-2 flex flex-col text-sm font-semibold text-smoke">
          Add a photograph
          <input
            type="file"
            accept="image/jpeg,image/png,image/webp"
            className="field max-w-96 text-base font-normal"
            onChange={(event) => {
              const file = event.currentTarget.files?.[0];
              if (file) picture.mutate(file);
              event.currentTarget.value = "";
            }}
          />
        </label>
        <ul className="m-0 flex list-none flex-wrap gap-4 p-0">
          {log?.photographs.map((one, index) => (
            <li key={one.key}>
              <img
                src={`/api/photographs/${one.key}`}
                alt={one.says || `${work.name}, photograph ${index + 1}`}
                width={one.width}
                height={one.height}
                className="h-52 w-auto max-w-full"
              />
              <button
                type="button"
                className="press"
                aria-label={`Take away photograph ${index + 1}`}
                onClick={() => drop.mutate(one.key)}
              >
                Take away
              </button>
            </li>
          ))}
        </ul>
      </section>
    </div>
  );
}

/** What earlier works say that share a cloth, a thing, a swatch or a kind with this one. */
function Last({ work }: { work: Work }) {
  const last = useQuery({
    queryKey: ["last", work.key, work.revision],
    queryFn: ({ signal }) => ask<LastTime>("GET", `/works/${work.key}/last`, undefined, { signal }),
    placeholderData: (before) => before,
  }).data;
  if (!last || (!last.works.length && !last.cloths.length)) return null;
  return (
    <section aria-label="Last time" className="xl:col-span-2">
      <h2 className="m-0 text-lg font-bold">Last time</h2>
      {last.cloths.map((line) => (
        <p key={line} className="m-0">
          <Figure>{line}</Figure>
        </p>
      ))}
      <ul className="m-0 list-none p-0">
        {last.works.map((one) => (
          <li key={one.key} className="border-t border-thread py-1">
            <Link href={`/works/${one.key}`} className="font-semibold text-woad hover:underline">
              {one.name}
            </Link>{" "}
            <span className="text-smoke">{one.why.join(", ")}</span>
            {one.says.map((line) => (
              <span key={line} className="block">
                <Figure>{line}</Figure>
              </span>
            ))}
          </li>
        ))}
      </ul>
    </section>
  );
}
