/** The steps of the bench that come after the first two: one piece of the page to fetch. */

export { CheckStep } from "./check-step";
export { ClothStep } from "./cloth-step";
export { CutStep } from "./cut-step";
export { Edgeless } from "./edgeless";
export { LogStep } from "./log-step";
export { MarkStep } from "./mark-step";
