/** A thing in words that do not depend on the order in which its facts were written down. */
export function inOrder(thing: unknown): string {
  return JSON.stringify(thing, (_, value: unknown) =>
    typeof value === "object" && value !== null && !Array.isArray(value)
      ? Object.fromEntries(Object.entries(value).sort(([one], [other]) => (one < other ? -1 : 1)))
      : value,
  );
}

/** Whether two things say the same. */
export const same = (one: unknown, other: unknown): boolean => inOrder(one) === inOrder(other);
