"use client";

import { Dialog } from "@chakra-ui/react";
import { type ReactNode, useRef } from "react";

/** What is read beside the work and closed again, by Escape or a click beside it. */
export function PaperDialog({
  title,
  close,
  children,
}: {
  title: string;
  close: () => void;
  children: ReactNode;
}): ReactNode {
  const content = useRef<HTMLDivElement>(null);
  return (
    <Dialog.Root
      open
      // It is read first: a hurried Enter must not follow the first link in it.
      initialFocusEl={() => content.current}
      onOpenChange={({ open }) => {
        if (!open) close();
      }}
    >
      <Dialog.Backdrop />
      <Dialog.Positioner>
        <Dialog.Content
          ref={content}
          padding="20px"
          maxWidth="680px"
          maxHeight="calc(100% - 7.5rem)"
          tabIndex={0}
          overflowY="auto"
        >
          <Dialog.Title>{title}</Dialog.Title>
          {children}
        </Dialog.Content>
      </Dialog.Positioner>
    </Dialog.Root>
  );
}
