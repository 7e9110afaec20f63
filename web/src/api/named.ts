/** A name that nothing else has; where the browser has no better source of them, a long random one. */
export function newName(): string {
  return crypto.randomUUID?.() ?? `${Date.now().toString(36)}-${Math.random().toString(36).slice(2)}`;
}
