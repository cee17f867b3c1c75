import { X } from 'lucide-react';
import { Dialog } from 'radix-ui';
import { useEffect, useRef, type ReactElement, type ReactNode } from 'react';
import { backCloses } from './backCloses';

/** A dialog with a title and a way out; Back is one. */
export function Sheet({
  title,
  open,
  onOpenChange,
  children,
}: {
  title: string;
  open: boolean;
  onOpenChange: (open: boolean) => void;
  children: ReactNode;
}): ReactElement {
  const change = useRef(onOpenChange);
  useEffect(() => {
    change.current = onOpenChange;
  });
  useEffect(() => (open ? backCloses(() => change.current(false)) : undefined), [open]);
  return (
    <Dialog.Root open={open} onOpenChange={onOpenChange}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/50" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-1/2 left-1/2 z-50 max-h-[88dvh] w-[min(94vw,38rem)] -translate-x-1/2 -translate-y-1/2 overflow-y-auto rounded-lg bg-paper p-6 shadow-2xl"
        >
          <div className="mb-4 flex items-start justify-between gap-4">
            <Dialog.Title className="text-2xl leading-tight font-bold">{title}</Dialog.Title>
            <Dialog.Close
              className="-m-2 grid size-11 place-items-center rounded-md hover:bg-line"
              aria-label="Close"
            >
              <X aria-hidden />
            </Dialog.Close>
          </div>
          {children}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
