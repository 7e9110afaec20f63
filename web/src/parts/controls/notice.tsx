import { Toast } from "radix-ui";

export interface Said {
  text: string;
  undo?: () => void;
}

/** A line said once at the foot of the screen, with a way to take back what it tells of. */
export function Notice({ said, onDone }: { said: Said | null; onDone: () => void }) {
  return (
    <Toast.Provider duration={12_000}>
      {said && (
        <Toast.Root
          key={said.text}
          className="flex items-center gap-3 rounded-lg bg-soot px-4 py-1 text-calico"
          onOpenChange={(open) => !open && onDone()}
        >
          <Toast.Description className="grow py-2">{said.text}</Toast.Description>
          {said.undo && (
            <Toast.Action altText="Undo" className="min-h-11 rounded px-3 font-bold underline" onClick={said.undo}>
              Undo
            </Toast.Action>
          )}
        </Toast.Root>
      )}
      <Toast.Viewport className="no-print fixed bottom-4 left-1/2 z-50 m-0 w-[min(32rem,94vw)] -translate-x-1/2 list-none p-0" />
    </Toast.Provider>
  );
}
