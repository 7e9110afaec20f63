import { type Problem, Refused } from "../api/client";

/** Text with a capital. */
export function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}

/** Text as a sentence: with a capital, and closed. */
export function sentence(text: string): string {
  const begun = capital(text);
  return /[.!?]$/.test(begun) ? begun : `${begun}.`;
}

/** What is wrong, and a way out. */
export function saysWhy(problem: Problem): string {
  return `${sentence(problem.message)} ${sentence(problem.way_out)}`;
}

/** Why something asked did not come about, in words: refused with a reason, or no answer at all. */
export function whyNot(error: unknown): string {
  const problem = error instanceof Refused ? error.problems[0] : undefined;
  return problem ? saysWhy(problem) : "The program does not answer.";
}
