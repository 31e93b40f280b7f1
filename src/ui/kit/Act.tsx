"use client";

import { Button } from "@chakra-ui/react";
import type { ReactNode } from "react";

/** A button that acts: ink where it is the main thing, outlined otherwise; its key stands on it. */
export function Act({
  children,
  hint,
  main = false,
  onClick,
  disabled = false,
  type = "button",
}: {
  children: ReactNode;
  hint?: string;
  main?: boolean;
  onClick?: () => void;
  disabled?: boolean;
  type?: "button" | "submit";
}): ReactNode {
  const look = main
    ? { bg: "act", color: "actText", borderColor: "act", _hover: { opacity: 0.9 } }
    : { bg: "sheet", color: "ink", borderColor: "line", _hover: { bg: "strip" } };
  return (
    <Button
      type={type}
      size="xs"
      h="28px"
      px="11px"
      fontSize="13.5px"
      fontWeight="500"
      borderRadius="4px"
      border="1px solid"
      gap="8px"
      onClick={onClick}
      disabled={disabled}
      {...look}
    >
      {children}
      {hint ? <kbd aria-hidden="true">{hint}</kbd> : null}
    </Button>
  );
}
