import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "wouter";
import { ask, type Backups, type Progress, type Restored, send } from "../api/client";
import { Sheet } from "../parts/controls/sheet";
import { sentence, whyNot } from "../state/sentence";
import { take } from "../state/use-file";
import { useTitle } from "../state/use-title";

type Chosen = { file: File; name: string } | { file: null; name: string };

/** Backups: one made now, those that the program made by itself, and one brought back. */
export function BackupsScreen() {
  const client = useQueryClient();
  const [chosen, setChosen] = useState<Chosen | null>(null);
  const [busy, setBusy] = useState("");
  const [said, setSaid] = useState("");
  const [trouble, setTrouble] = useState("");
  const kept = useQuery({
    queryKey: ["backups"],
    queryFn: () => ask<Backups>("GET", "/backups"),
    // The first is made soon after the first start.
    refetchInterval: (query) => (query.state.data?.backups.length ? false : 3000),
  });
  const size = useQuery({
    queryKey: ["backup size"],
    queryFn: () => ask<{ says: string; room: number }>("GET", "/backup/size"),
    gcTime: 0,
  });
  const progress = useQuery({
    queryKey: ["backup progress"],
    queryFn: () => ask<Progress>("GET", "/backup/progress"),
    enabled: busy !== "",
    refetchInterval: 500,
  });
  useTitle("Backups");
  const tried = async (what: string, task: () => Promise<string>) => {
    setBusy(what);
    setTrouble("");
    setSaid("");
    try {
      setSaid(await task());
    } catch (error) {
      setTrouble(whyNot(error));
    }
    setBusy("");
    await client.invalidateQueries();
  };
  const make = () =>
    tried("Making a backup", async () => {
      await take("GET", "/backup");
      return "The backup is made, and was read back: keep the file somewhere safe.";
    });
  const back = (from: Chosen) => {
    setChosen(null);
    return tried(`Bringing ${from.name} back`, async () => {
      const came = from.file
        ? await send<Restored>("/backup", "file", from.file, from.name)
        : await ask<Restored>("POST", "/backup/restore", { name: from.name });
      return came.says;
    });
  };
  const rows = kept.data?.backups ?? [];
  const done = progress.data?.doing ? progress.data : null;
  return (
    <div className="mx-auto max-w-5xl px-4 pb-24 sm:px-8">
      <header className="flex flex-wrap items-center gap-x-4 gap-y-2 pt-3 pb-4">
        <Link href="/" className="press -ml-2">
          ‹ Works
        </Link>
        <h1 className="m-0 grow text-3xl font-bold">Backups</h1>
      </header>
      <main>
        <div aria-live="polite">
          {busy && (
            <p className="my-2">
              <label className="flex flex-wrap items-center gap-3">
                {busy}
                {done ? `: ${done.says}` : "…"}
                <progress max={1} value={done?.part} className="grow" />
              </label>
            </p>
          )}
          {said && <p className="mt-2 mb-4 border-l-[6px] border-lichen pl-3 text-lg font-semibold">{said}</p>}
        </div>
        {trouble && (
          <p role="alert" className="my-2 border-l-[6px] border-weld-line pl-3 text-lg">
            {trouble}
          </p>
        )}
        <section aria-label="A backup now" className="flex flex-wrap items-end gap-x-8 gap-y-3 pb-4">
          <div>
            <button type="button" className="press press-main" disabled={busy !== ""} onClick={() => void make()}>
              Back up everything
            </button>
            <p className="m-0 text-smoke">{size.data?.says ?? " "}</p>
          </div>
          <label className="flex flex-col text-sm font-semibold text-smoke">
            Bring a backup back from a file
            <input
              type="file"
              accept=".zip"
              disabled={busy !== ""}
              className="field text-base font-normal"
              onChange={(event) => {
                const file = event.currentTarget.files?.[0];
                if (file && file.size > (size.data?.room ?? file.size))
                  setTrouble("There is no room for so large a file on the disk of the works. Make room there first.");
                else if (file) setChosen({ file, name: file.name });
                event.currentTarget.value = "";
              }}
            />
          </label>
        </section>
        <section aria-label="Made by itself">
          <h2 className="m-0 text-lg font-bold">Made by itself</h2>
          <p className="m-0 text-smoke">
            One a day, of which the last seven and four Sundays stay; one before each update and before a backup is
            brought back. They are in {kept.data?.folder ?? "the data folder"}: copy them to another disk now and then.
          </p>
          {kept.data?.failed && (
            <p role="alert" className="my-2 border-l-[6px] border-weld-line pl-3">
              The day’s own backup could not be made. {sentence(kept.data.failed)}
            </p>
          )}
          {kept.data && rows.length === 0 && <p>None yet: the first is made once there is something to keep.</p>}
          <ul className="m-0 list-none p-0">
            {rows.map((row) => (
              <li key={row.name} className="flex flex-wrap items-center gap-x-5 border-t border-thread py-1">
                <span className="min-w-48 grow">
                  <span className="block text-lg font-semibold">{new Date(row.at).toLocaleString()}</span>
                  <span className="text-smoke">
                    {row.why}: {row.says}
                  </span>
                </span>
                <span className="w-24">{row.size}</span>
                <a
                  className="press"
                  href={`/api/backups/${row.name}`}
                  download={row.name}
                  aria-label={`Take as a file ${row.name}`}
                >
                  Take as a file
                </a>
                <button
                  type="button"
                  className="press"
                  disabled={busy !== ""}
                  aria-label={`Bring back ${row.name}`}
                  onClick={() => setChosen({ file: null, name: row.name })}
                >
                  Bring back
                </button>
              </li>
            ))}
          </ul>
        </section>
      </main>
      <Sheet
        title="Bring this backup back?"
        open={chosen !== null}
        onClose={() => setChosen(null)}
        says="It takes the place of every work, cloth and photograph that is here now. Those are backed up first, and stand in this list."
      >
        <p className="font-semibold">{chosen?.name}</p>
        <div className="flex flex-wrap gap-3">
          <button type="button" className="press press-main" onClick={() => chosen && void back(chosen)}>
            Bring it back
          </button>
          <button type="button" className="press" onClick={() => setChosen(null)}>
            Leave everything as it is
          </button>
        </div>
      </Sheet>
    </div>
  );
}
