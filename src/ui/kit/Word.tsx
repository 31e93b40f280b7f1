"use client";

import { chakra, Portal, Tooltip } from "@chakra-ui/react";
import type { ReactNode } from "react";

import { GLOSSARY, type GlossaryTerm } from "@/contracts/glossary";

/** A word that explains itself: on hover here, and by the key H with all that stand on the page. */
export function Word({
  of,
  children,
}: {
  of: GlossaryTerm;
  /** As the sentence has it, where that is not its name. */
  children?: ReactNode;
}): ReactNode {
  const { name, words } = GLOSSARY[of];
  return (
    <Tooltip.Root openDelay={350} closeDelay={100} lazyMount unmountOnExit>
      <Tooltip.Trigger asChild>
        <Explained data-word={of}>{children ?? name}</Explained>
      </Tooltip.Trigger>
      <Portal>
        {/* It may lie over a button, which is pressed all the same. */}
        <Tooltip.Positioner pointerEvents="none">
          <Tooltip.Content pointerEvents="none">{words}</Tooltip.Content>
        </Tooltip.Positioner>
      </Portal>
    </Tooltip.Root>
  );
}

const Explained = chakra("span", {
  base: {
    textDecoration: "underline dotted",
    textUnderlineOffset: "4px",
    cursor: "help",
    "a &": { cursor: "inherit" },
  },
});
