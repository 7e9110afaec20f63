import { saysWhy } from "./sentence";
import type { Step } from "./steps";
import type { Planned } from "./use-plan";
import type { ThingMade } from "./use-thing";

/** What changed with what was typed, in one sentence for whoever does not see it. */
export function told(step: Step, making: ThingMade, planned: Planned): string {
  const { made, problems, busy } = making;
  if (step === "measure")
    return busy ? "" : problems[0] ? saysWhy(problems[0]) : (made?.buy.map((one) => one.says).join(" ") ?? "");
  return step === "pleat" && !planned.busy && !planned.stale ? (planned.plan?.slip[0]?.text ?? "") : "";
}
