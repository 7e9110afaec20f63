import type { Fault } from "../../state/faults";
import { saysWhy } from "../../state/sentence";
import { Figure } from "./figure";

/** What is wrong elsewhere in the work: its field, why, and a press that leads there. */
export function Faults(props: { faults: Fault[]; stale: boolean; onGo: (fault: Fault) => void }) {
  if (!props.faults.length) return null;
  return (
    <div role="alert" className="no-print my-2 border-l-[6px] border-madder pl-3">
      {props.faults.map((fault) => (
        <p key={fault.problem.path} className="m-0">
          <button
            type="button"
            className="press -ml-3 text-madder underline underline-offset-4"
            onClick={() => props.onGo(fault)}
          >
            {named(fault)}
          </button>
          <Figure>{saysWhy(fault.problem)}</Figure>
        </p>
      ))}
      {props.stale && <p className="m-0 mb-1 text-smoke">What is shown here is what it was before.</p>}
    </div>
  );
}

/** Its field, with what was typed where the reason does not say that. */
function named({ name, problem }: Fault): string {
  const said = problem.value && !problem.message.includes(`“${problem.value}”`);
  return said && problem.value.length < 40 ? `${name}, “${problem.value}”` : name;
}
