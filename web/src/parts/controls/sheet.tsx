import { Dialog } from "radix-ui";
import type { ReactNode } from "react";

/** A sheet laid over the table: a title, what it says, and a way to put it away. */
export function Sheet(props: {
  title: string;
  open: boolean;
  onClose?: () => void;
  children: ReactNode;
  says?: string;
  /** It stays until one of its own buttons is pressed: neither Escape nor a press beside it chooses. */
  lasting?: boolean;
  wide?: boolean;
}) {
  const stay = (event: Event) => props.lasting && event.preventDefault();
  return (
    <Dialog.Root open={props.open} onOpenChange={(open) => !open && props.onClose?.()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-30 bg-black/45" />
        <Dialog.Content
          onEscapeKeyDown={stay}
          onInteractOutside={stay}
          className={`fixed top-1/2 left-1/2 z-40 max-h-[92vh] -translate-x-1/2 -translate-y-1/2 overflow-auto rounded-lg bg-calico p-6 ${props.wide ? "w-[min(60rem,94vw)]" : "w-[min(40rem,94vw)]"}`}
        >
          <Dialog.Title className="mt-0 mb-1 text-2xl font-bold">{props.title}</Dialog.Title>
          <Dialog.Description className={props.says ? "mt-0 mb-4 text-smoke" : "sr-only"}>
            {props.says ?? props.title}
          </Dialog.Description>
          {props.children}
          {!props.lasting && <Dialog.Close className="press mt-4 -ml-3">Close</Dialog.Close>}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
