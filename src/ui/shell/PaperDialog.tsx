"use client";

import { Dialog } from "@chakra-ui/react";
import type { ReactNode } from "react";

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
  return (
    <Dialog.Root
      open
      scrollBehavior="inside"
      onOpenChange={({ open }) => {
        if (!open) close();
      }}
    >
      <Dialog.Backdrop />
      <Dialog.Positioner>
        <Dialog.Content
          bg="sheet"
          boxShadow="none"
          border="1px solid"
          borderColor="line"
          borderRadius="4px"
          p="5"
          maxWidth="680px"
          tabIndex={0}
          overflowY="auto"
        >
          <Dialog.Title fontSize="16px" mb="3">
            {title}
          </Dialog.Title>
          {children}
        </Dialog.Content>
      </Dialog.Positioner>
    </Dialog.Root>
  );
}
