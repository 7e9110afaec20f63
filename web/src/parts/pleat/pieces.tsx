import { DropdownMenu } from "radix-ui";
import type { Cloth, Glance, ThingAnswer, Work } from "../../api/client";
import { type KindName, kindWord } from "../../state/spec";
import { SmallFront } from "./glance";

interface Props {
  work: Work;
  /** The cloths as they are drawn. */
  painted: Record<string, Cloth>;
  /** What the thing of the work comes to; null of a free set of edges. */
  made: ThingAnswer | null;
  chosen: string | undefined;
  onChoose: (key: string) => void;
  onAdd: () => void;
  onCopy: (key: string) => void;
  onRemove: (key: string) => void;
  onMove: (key: string, by: -1 | 1) => void;
  onRename: (key: string) => void;
}

/** A part at a glance: so many pleats in the colour of its cloth. */
function glanceOf(kind: KindName, count: number, cloth: Cloth | undefined): Glance {
  const stops = Array.from({ length: Math.min(count, 60) }, (_, index) => (index + 0.5) / Math.max(1, count));
  return { kind, says: "", stops, colour: cloth?.stripes?.[0]?.colour ?? cloth?.colour ?? "#d9c9a3" };
}

/** The pieces of a work; the chosen one is on the ribbon. */
export function Pieces({ work, painted, made, chosen, onChoose, onAdd, onCopy, onRemove, onMove, onRename }: Props) {
  return (
    <nav aria-label="Pieces" className="no-print flex min-w-0 gap-1 overflow-x-auto lg:flex-col lg:overflow-visible">
      <h2 className="m-0 hidden px-3 text-sm font-semibold text-smoke lg:block">{made ? "Parts" : "Pieces"}</h2>
      {work.sections.map((section, index) => {
        const here = section.key === chosen;
        const edge = section.spec.edge ? made?.edges[section.spec.edge] : undefined;
        const part = made?.parts.find((one) => one.edge !== "" && one.edge === section.spec.edge);
        return (
          <div
            key={section.key}
            className={`flex shrink-0 items-stretch border-b-4 lg:border-b-0 lg:border-l-[6px] ${here ? "border-madder bg-linen" : "border-transparent"}`}
          >
            <button
              type="button"
              className="min-h-11 min-w-0 grow px-3 py-1 text-left"
              aria-current={here ? "true" : undefined}
              onClick={() => onChoose(section.key)}
            >
              {edge && (
                <span className="mb-1 hidden w-28 lg:block">
                  <SmallFront glance={glanceOf(section.spec.kind, edge.count ?? 0, painted.face)} />
                </span>
              )}
              <span className="block font-semibold">{section.name}</span>
              <span className="block text-sm text-smoke">
                {part ? `${part.count > 1 ? `×${part.count}, ` : ""}${part.says}` : kindWord(section.spec.kind)}
              </span>
            </button>
            <DropdownMenu.Root modal={false}>
              <DropdownMenu.Trigger
                className="w-10 rounded text-smoke hover:bg-woad-wash"
                aria-label={`More for ${section.name}`}
              >
                ⋯
              </DropdownMenu.Trigger>
              <DropdownMenu.Portal>
                <DropdownMenu.Content
                  className="z-20 min-w-44 rounded bg-linen py-1 shadow-lg ring-1 ring-thread"
                  align="start"
                >
                  <MenuItem onSelect={() => onRename(section.key)}>Rename</MenuItem>
                  <MenuItem onSelect={() => onCopy(section.key)}>Copy</MenuItem>
                  {index > 0 && <MenuItem onSelect={() => onMove(section.key, -1)}>Move up</MenuItem>}
                  {index < work.sections.length - 1 && (
                    <MenuItem onSelect={() => onMove(section.key, 1)}>Move down</MenuItem>
                  )}
                  {/* A part of the thing comes and goes with what is chosen under Measure. */}
                  {!part && <MenuItem onSelect={() => onRemove(section.key)}>Remove</MenuItem>}
                </DropdownMenu.Content>
              </DropdownMenu.Portal>
            </DropdownMenu.Root>
          </div>
        );
      })}
      {made?.parts
        .filter((one) => !one.edge)
        .map((one) => (
          <p key={one.key} className="m-0 shrink-0 px-3 py-1 lg:border-l-[6px] lg:border-transparent">
            <span className="block font-semibold">
              {one.name} ×{one.count}
            </span>
            <span className="block text-sm text-smoke">{one.says}</span>
          </p>
        ))}
      <button type="button" className="press shrink-0" onClick={onAdd}>
        Add a piece
      </button>
    </nav>
  );
}

/** One line of a menu. */
export function MenuItem({ children, onSelect }: { children: string; onSelect: () => void }) {
  return (
    <DropdownMenu.Item
      className="cursor-pointer px-4 py-2.5 outline-none data-[highlighted]:bg-woad-wash"
      onSelect={onSelect}
    >
      {children}
    </DropdownMenu.Item>
  );
}
