import { useState } from "react";
import { fetchFile, type Plotted, type Problem, Refused, send } from "../../api/client";
import { saysWhy } from "../../state/sentence";

/** A stand-in for a plotting or cutting machine: it shows what it would draw, and how far its pen would go. */
export function Plotter({ asked }: { asked: unknown }) {
  const [plotted, setPlotted] = useState<Plotted | null>(null);
  const [problems, setProblems] = useState<Problem[]>([]);
  const draw = async (file: () => Promise<{ file: Blob; name: string }>) => {
    setProblems([]);
    try {
      const { file: drawing, name } = await file();
      setPlotted(await send<Plotted>("/plotter", "drawing", drawing, name));
    } catch (error) {
      setPlotted(null);
      setProblems(error instanceof Refused ? error.problems : []);
    }
  };
  const wide = Math.max(plotted?.width ?? 1, 1);
  const high = Math.max(plotted?.height ?? 1, 1);
  return (
    <section aria-label="The plotter" className="mt-8 border-t-2 border-soot pt-3">
      <h2 className="m-0 text-lg font-bold">What a plotter would draw</h2>
      <p className="m-0 text-smoke">
        A stand-in for a machine: it reads the file as a plotting or cutting machine would, and draws nothing. For a
        real one, follow its maker’s instructions, and keep hands away from the blade.
      </p>
      <div className="my-2 flex flex-wrap items-end gap-4">
        <button
          type="button"
          className="press"
          onClick={() => void draw(() => fetchFile("POST", "/papers/file", { ...(asked as object), format: "svg" }))}
        >
          Give it the SVG
        </button>
        <button
          type="button"
          className="press"
          onClick={() => void draw(() => fetchFile("POST", "/papers/file", { ...(asked as object), format: "dxf" }))}
        >
          Give it the DXF
        </button>
        <label className="flex flex-col text-sm font-semibold text-smoke">
          Or another SVG or DXF file
          <input
            type="file"
            accept=".svg,.dxf"
            className="field text-base font-normal"
            onChange={(event) => {
              const file = event.currentTarget.files?.[0];
              if (file) void draw(async () => ({ file, name: file.name }));
            }}
          />
        </label>
      </div>
      {problems.map((problem) => (
        <p key={problem.message} role="alert" className="my-1 border-l-[6px] border-weld-line pl-3">
          {saysWhy(problem)}
        </p>
      ))}
      {plotted && (
        <>
          <p role="status" className="m-0 font-semibold">
            {plotted.says}
          </p>
          <svg
            viewBox={`${plotted.left - 2} ${plotted.top - 2} ${wide + 4} ${high + 4}`}
            className="mt-2 max-h-72 w-full bg-white"
            role="img"
            aria-label={`What the plotter draws: ${plotted.lines} lines`}
          >
            <path d={plotted.path} fill="none" stroke="#1a1f36" strokeWidth={Math.max(wide, high) / 900} />
          </svg>
        </>
      )}
    </section>
  );
}
