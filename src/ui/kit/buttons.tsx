"use client";

import { chakra } from "@chakra-ui/react";
import type { ReactNode } from "react";

import { actRecipe, rowButtonRecipe } from "./recipes/controls";
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

const Button = chakra("button", actRecipe);

/** A button that acts: ink where it is the main thing, outlined otherwise; its key stands on it. */
export function Act({ children, hint, type = "button", ...button }: ActProps): ReactNode {
  return (
    <Button type={type} {...button}>
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
