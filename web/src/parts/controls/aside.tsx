import type { ReactNode } from "react";

/** What stands beside a step and stays in view while the rest scrolls. */
export function Aside({ name, children }: { name: string; children: ReactNode }) {
  return (
    <section
      aria-label={name}
      // biome-ignore lint/a11y/noNoninteractiveTabindex: where it is longer than the screen it is scrolled with the keys
      tabIndex={0}
      className="self-start bg-linen px-5 py-4 xl:sticky xl:top-2 xl:max-h-[calc(100vh-1rem)] xl:overflow-y-auto"
    >
      {children}
    </section>
  );
}
