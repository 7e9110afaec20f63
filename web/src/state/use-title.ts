import { useEffect } from "react";

/** What the window is called. */
export function useTitle(name: string): void {
  useEffect(() => {
    document.title = `${name} · Young Ribbon`;
  }, [name]);
}
