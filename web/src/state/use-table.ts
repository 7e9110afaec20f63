import { useEffect } from "react";

/** Keep the screen awake while a page is shown, where the browser can. */
export function useAwake(): void {
  useEffect(() => {
    let lock: WakeLockSentinel | null = null;
    let gone = false;
    const take = async () => {
      try {
        lock = (await navigator.wakeLock?.request("screen")) ?? null;
        if (gone) await lock?.release();
      } catch {
        // refused, as on a low battery: the tablet sleeps as it is set to
      }
    };
    const again = () => document.visibilityState === "visible" && void take();
    void take();
    document.addEventListener("visibilitychange", again);
    return () => {
      gone = true;
      document.removeEventListener("visibilitychange", again);
      void lock?.release();
    };
  }, []);
}

/** Say a line aloud in the browser's own voice, in place of whatever it was saying. */
export function speak(line: string): void {
  if (!("speechSynthesis" in window)) return;
  window.speechSynthesis.cancel();
  window.speechSynthesis.speak(new SpeechSynthesisUtterance(line));
}
