"use client";

import { Dialog } from "@chakra-ui/react";
import type { ReactNode } from "react";

import { FactList } from "../kit/layout";

const KEYS: readonly (readonly [string, string])[] = [
  ["↑ ↓", "the row before, the row after"],
  ["Enter", "the main thing on the open row, as its button says"],
  ["Escape", "close the row, leave a field"],
  ["/", "find anything"],
  ["U", "undo the last act"],
  ["Match: 1 to 6", "take another reading"],
  ["Match: K", "keep on account"],
  ["Match: S", "set aside"],
  ["Match: E", "change the sums"],
  ["Match: F", "filter the open items by a sum or words"],
  ["Match: A", "look through the sure ones; X takes one out"],
  ["Match: N, D", "record a receipt by hand; take what is on hand to the bank"],
  ["Payouts: Enter, P", "tie to the bank line shown or book the difference as a fee; park it"],
  ["Bank lines: R, O", "it is a receipt, it is not of this job"],
  ["Overdue: Enter, then Enter", "look at the letter, send it"],
  ["Overdue: C, X", "log a call, leave out"],
];

/** All keys; single ones act only outside fields. */
export function Keys({ close }: { close: () => void }): ReactNode {
  return (
    <Dialog.Root
      open
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
        >
          <Dialog.Title fontSize="16px" mb="3">
            Keys
          </Dialog.Title>
          <FactList>
            {KEYS.map(([key, does]) => [
              <dt key={key}>
                <kbd>{key}</kbd>
              </dt>,
              <dd key={does}>{does}</dd>,
            ])}
          </FactList>
        </Dialog.Content>
      </Dialog.Positioner>
    </Dialog.Root>
  );
}
