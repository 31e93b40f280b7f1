"use client";

import { Button, chakra } from "@chakra-ui/react";
import type { ReactNode } from "react";

import { rowButtonRecipe } from "./recipes/controls";
import { runButtonRecipe } from "./recipes/shell";

type ActProps = {
  children: ReactNode;
  /** The key that does the same; it stands on the button. */
  hint?: string;
  main?: boolean;
  onClick?: () => void;
  disabled?: boolean;
  autoFocus?: boolean;
  type?: "button" | "submit";
};

const MAIN = { bg: "act", color: "actText", borderColor: "act", _hover: { opacity: 0.9 } };
const BESIDE = { bg: "sheet", color: "ink", borderColor: "line", _hover: { bg: "strip" } };

/** A button that acts: ink where it is the main thing, outlined otherwise; its key stands on it. */
export function Act({
  children,
  hint,
  main = false,
  type = "button",
  ...button
}: ActProps): ReactNode {
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
      {...button}
      {...(main ? MAIN : BESIDE)}
    >
      {children}
      {hint ? <kbd aria-hidden="true">{hint}</kbd> : null}
    </Button>
  );
}

/** A button within a line of text or a row. */
export const RowButton = chakra("button", rowButtonRecipe, {
  defaultProps: { type: "button" },
});
/** A button at the end of the run. */
export const RunButton = chakra("button", runButtonRecipe, { defaultProps: { type: "button" } });
