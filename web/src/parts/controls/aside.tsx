import { type ReactNode, useEffect, useRef, useState } from "react";

/** What stands beside a step and stays in view while the rest scrolls; where it stands below, one press leads to it. */
export function Aside({ name, children }: { name: string; children: ReactNode }) {
  const place = useRef<HTMLElement>(null);
  const [seen, setSeen] = useState(true);
  useEffect(() => {
    if (!place.current) return;
    const watch = new IntersectionObserver(([entry]) => setSeen(entry?.isIntersecting ?? true));
    watch.observe(place.current);
    return () => watch.disconnect();
  }, []);
  const show = () => {
    place.current?.scrollIntoView({ block: "start" });
    place.current?.focus({ preventScroll: true });
  };
  return (
    <section
      ref={place}
      aria-label={name}
      // biome-ignore lint/a11y/noNoninteractiveTabindex: where it is longer than the screen it is scrolled with the keys
      tabIndex={0}
      className="scroll-mt-2 self-start bg-linen px-5 py-4 xl:sticky xl:top-2 xl:max-h-[calc(100vh-1rem)] xl:overflow-y-auto"
    >
      {children}
      {!seen && (
        <button
          type="button"
          className="press press-main no-print fixed right-3 bottom-3 z-20 shadow-lg xl:hidden"
          onClick={show}
        >
          To {name.charAt(0).toLowerCase() + name.slice(1)}
        </button>
      )}
    </section>
  );
}
