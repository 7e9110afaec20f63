import { startClock, stopClock, useRunning } from "../../state/clock";

/** One press begins to time a step, one more ends it; the minutes go into the order of making. */
export function StepClock({ work, step, says }: { work: string; step: string; says: string }) {
  const running = useRunning(work) === step;
  return (
    <button
      type="button"
      className={`press no-print ${running ? "press-main" : ""}`}
      aria-pressed={running}
      aria-label={`${running ? "Stop" : "Time it"}: ${says}`}
      onClick={() => (running ? stopClock(work) : startClock(work, step))}
    >
      {running ? "Stop" : "Time it"}
    </button>
  );
}
