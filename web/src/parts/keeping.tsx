import { useState } from "react";
import { Refused, send } from "../api/client";
import { take } from "../state/use-file";
import { sentence } from "./pin-tile";
import { Sheet } from "./sheet";

/** Everything in one file, and back. */
export function Keeping({ onDone, fresh }: { onDone: (says: string) => void; fresh: () => Promise<void> }) {
  const [file, setFile] = useState<File | null>(null);
  const [trouble, setTrouble] = useState("");
  const back = async () => {
    if (!file) return;
    try {
      const { says } = await send<{ says: string }>("/backup", "file", file, file.name);
      setFile(null);
      setTrouble("");
      onDone(says);
      await fresh();
    } catch (error) {
      const problem = error instanceof Refused ? error.problems[0] : undefined;
      setTrouble(
        problem ? `${sentence(problem.message)} ${sentence(problem.way_out)}` : "The program does not answer.",
      );
    }
  };
  return (
    <section aria-label="Backup" className="mt-10 flex flex-wrap items-end gap-4 border-t border-thread pt-3">
      <button type="button" className="press -ml-3" onClick={() => void take("GET", "/backup")}>
        Back up everything
      </button>
      <label className="flex flex-col text-sm font-semibold text-smoke">
        Bring a backup back
        <input
          type="file"
          accept=".zip"
          className="field text-base font-normal"
          onChange={(event) => {
            setTrouble("");
            setFile(event.currentTarget.files?.[0] ?? null);
            event.currentTarget.value = "";
          }}
        />
      </label>
      <Sheet
        title="Bring this backup back?"
        open={file !== null}
        onClose={() => setFile(null)}
        says="It takes the place of every work, cloth and photograph that is here now. Back those up first if you want them."
      >
        <p className="font-semibold">{file?.name}</p>
        {trouble && (
          <p role="alert" className="border-l-[6px] border-weld-line pl-3">
            {trouble}
          </p>
        )}
        <div className="flex gap-3">
          <button type="button" className="press press-main" onClick={() => void back()}>
            Bring it back
          </button>
          <button type="button" className="press" onClick={() => setFile(null)}>
            Leave everything as it is
          </button>
        </div>
      </Sheet>
    </section>
  );
}
