import type { ReactNode } from "react";

const FLAT_AT = 31;
const FRONT_AT = 186;

/** Where the ribbon will be, with a word on what it waits for: as high as the ribbon, so that nothing jumps when it comes. */
export function BareCloth({ slim = false, children }: { slim?: boolean; children: ReactNode }) {
  if (slim) return <p className="m-0 border-2 border-dashed border-thread bg-linen px-4 py-3 text-smoke">{children}</p>;
  return (
    <div className="relative h-[347px]">
      <svg width="100%" height="308" aria-hidden="true" className="absolute inset-0">
        <g fill="var(--linen)" stroke="var(--smoke)" strokeDasharray="7 5">
          <rect x="1" y={FLAT_AT} width="99.6%" height="62" />
          <rect x="17%" y={FRONT_AT} width="66%" height="92" />
        </g>
        <g stroke="var(--smoke)" strokeDasharray="2 4" opacity="0.6">
          <line x1="1" y1={FLAT_AT + 62} x2="17%" y2={FRONT_AT} />
          <line x1="99.7%" y1={FLAT_AT + 62} x2="83%" y2={FRONT_AT} />
        </g>
      </svg>
      <p className="absolute inset-x-[17%] top-[93px] m-0 grid h-[93px] place-items-center text-center leading-snug max-sm:inset-x-8 sm:text-lg">
        {children}
      </p>
    </div>
  );
}
