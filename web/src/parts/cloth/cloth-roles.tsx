import { DropdownMenu } from "radix-ui";
import type { Cloth } from "../../api/client";
import { rolesOf } from "../../state/cloths";
import { MenuItem } from "../pleat/pieces";

interface Props {
  cloths: Record<string, Cloth>;
  /** The same as they are drawn. */
  painted: Record<string, Cloth>;
  chosen: string;
  /** The role that the piece which is looked at is cut from. */
  here: string;
  onChoose: (role: string) => void;
}

/** The cloths of a work, one for each role, each in its colour; the chosen one is said on its bolt. */
export function ClothRoles({ cloths, painted, chosen, here, onChoose }: Props) {
  const there = rolesOf(cloths).filter((role) => role in cloths || role === here || role === chosen);
  const others = rolesOf(cloths).filter((role) => !there.includes(role));
  return (
    <nav aria-label="Cloths" className="no-print flex min-w-0 gap-1 overflow-x-auto lg:flex-col lg:overflow-visible">
      <h2 className="m-0 hidden px-3 text-sm font-semibold text-smoke lg:block">Cloths</h2>
      {there.map((role) => (
        <button
          key={role}
          type="button"
          aria-current={role === chosen ? "true" : undefined}
          onClick={() => onChoose(role)}
          className={`flex min-h-11 shrink-0 items-center gap-2 border-b-4 px-3 py-1 text-left lg:border-b-0 lg:border-l-[6px] ${role === chosen ? "border-madder bg-linen" : "border-transparent"}`}
        >
          <span
            aria-hidden="true"
            className="size-6 shrink-0 rounded-sm ring-1 ring-thread"
            style={{ background: painted[role]?.stripes?.[0]?.colour ?? painted[role]?.colour ?? "#d9c9a3" }}
          />
          <span className="min-w-0">
            <span className="block font-semibold first-letter:uppercase">{role}</span>
            <span className="block max-w-32 truncate text-sm text-smoke">
              {cloths[role]?.name || (role === here ? "not said yet" : "")}
            </span>
          </span>
        </button>
      ))}
      {others.length > 0 && (
        <DropdownMenu.Root modal={false}>
          <DropdownMenu.Trigger className="press shrink-0">Add a cloth</DropdownMenu.Trigger>
          <DropdownMenu.Portal>
            <DropdownMenu.Content
              className="z-20 min-w-44 rounded bg-linen py-1 shadow-lg ring-1 ring-thread"
              align="start"
            >
              {others.map((role) => (
                <MenuItem key={role} onSelect={() => onChoose(role)}>
                  {role}
                </MenuItem>
              ))}
            </DropdownMenu.Content>
          </DropdownMenu.Portal>
        </DropdownMenu.Root>
      )}
    </nav>
  );
}
