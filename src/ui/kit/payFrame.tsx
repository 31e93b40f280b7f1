"use client";

import { chakra } from "@chakra-ui/react";

/** A page of the processor's own within a pay page. */
export const PayFrame = chakra("iframe", {
  base: { width: "100%", height: "330px", border: "1px solid {colors.rule}", marginTop: "10px" },
});
