import type { Change, Plan } from "../../api/client";
import { Aside } from "../controls/aside";
import { Figure } from "../controls/figure";

/** The slip: what to do, in sentences, and what to be careful of, each with its mend. */
export function Slip({ plan, onMend }: { plan: Plan | null; onMend: (change: Change) => void }) {
  return (
    <Aside name="The slip">
      <h2 className="m-0 text-sm font-semibold text-smoke">The slip</h2>
      {!plan && <p className="my-2 text-smoke">What to cut and fold stands here as soon as it can be worked out.</p>}
      {plan?.slip.map((line) => (
        <p
          key={line.text}
          className={`my-2 ${line.about === "cut" || line.about === "fold" ? "font-semibold" : ""} ${line.about === "assumed" ? "text-smoke" : ""}`}
        >
          <Figure>{line.text}</Figure>
        </p>
      ))}
      {plan?.warnings.map((warning) => (
        <div key={warning.message} className="my-3 border-l-[6px] border-weld-line pl-3" role="note">
          <p className="m-0">
            <strong className="text-weld">Mind: </strong>
            <Figure>{warning.message}</Figure>
          </p>
          {warning.mend && (
            <button
              type="button"
              className="press -ml-3 text-left"
              onClick={() => warning.mend && onMend(warning.mend.change)}
            >
              <span>
                <Figure>{warning.mend.says}</Figure>
              </span>
            </button>
          )}
        </div>
      ))}
    </Aside>
  );
}
