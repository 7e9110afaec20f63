/** The steps past Pleat: they come as one piece of the page, once the first of them is gone to. */
import { later } from "../state/later";

const further = () => import("./further-steps");
export const ClothStep = later("ClothStep", further);
export const CutStep = later("CutStep", further);
export const MarkStep = later("MarkStep", further);
export const CheckStep = later("CheckStep", further);
export const Edgeless = later("Edgeless", further);
export const LogStep = later("LogStep", further);
