'use client';
import { X } from 'lucide-react';
import { Dialog } from 'radix-ui';
import type { ReactNode } from 'react';
import { useAsSheet } from './useKeys';

export interface SheetProps {
  onOpenChange: (open: boolean) => void;
  title: string;
  description?: string;
  children: ReactNode;
}

const FOR_THE_HAND = 'input, select, textarea, a[href], button:not([aria-label="Close"])';

/** An open sheet over the page, with a title and a way out. */
export function SheetFrame({ onOpenChange, title, description, children }: SheetProps) {
  useAsSheet();
  return (
    <Dialog.Root open onOpenChange={onOpenChange}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-veil" />
        <Dialog.Content
          className="fixed top-[12vh] left-1/2 z-50 max-h-[80vh] w-[min(560px,92vw)] -translate-x-1/2 overflow-auto border border-line bg-sheet p-5 shadow-lg outline-none"
          {...(description ? {} : { 'aria-describedby': undefined })}
          onOpenAutoFocus={(event) => {
            // Where nothing waits for the hand yet, Enter must not close the sheet.
            const sheet = event.currentTarget as HTMLElement;
            if (sheet.querySelector(FOR_THE_HAND)) return;
            event.preventDefault();
            sheet.focus();
          }}
        >
          <Dialog.Title className="mb-3 pr-10 text-lg font-semibold">{title}</Dialog.Title>
          {description && <Dialog.Description className="mb-4 text-soft">{description}</Dialog.Description>}
          {children}
          {/* Last, so that the focus begins on what the sheet is for. */}
          <Dialog.Close
            aria-label="Close"
            className="absolute top-4 right-4 flex size-9 items-center justify-center text-soft hover:text-ink"
          >
            <X size={18} aria-hidden />
          </Dialog.Close>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
