import { useEffect, useRef } from "react";

/** Is a person typing there, so that letters are theirs? */
function typing(target: EventTarget | null): boolean {
  return target instanceof HTMLElement && target.matches("input, textarea, select, [contenteditable]");
}

/** Actions by key: a bare key, or with "ctrl+" before it. Bare keys are never taken from someone typing. */
export function useKeys(actions: Record<string, () => void>): void {
  const newest = useRef(actions);
  newest.current = actions;
  useEffect(() => {
    const pressed = (event: KeyboardEvent) => {
      if (event.defaultPrevented || event.altKey) return;
      const held = event.ctrlKey || event.metaKey;
      if (!held && typing(event.target)) return;
      if (document.querySelector('[role="dialog"], [role="menu"]')) return;
      const name = `${held ? "ctrl+" : ""}${event.shiftKey && held ? "shift+" : ""}${event.key.toLowerCase()}`;
      const act = newest.current[name];
      if (!act) return;
      event.preventDefault();
      act();
    };
    window.addEventListener("keydown", pressed);
    return () => window.removeEventListener("keydown", pressed);
  }, []);
}
