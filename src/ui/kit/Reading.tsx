import { chakra } from "@chakra-ui/react";
import type { ReactNode } from "react";

const Place = chakra("p", { base: { minHeight: "240px" } });

/**
 * What an open row says until its workings are there. It is about as high as they will be, so that
 * the rows below do not move away under somebody's hand.
 */
export function Reading(): ReactNode {
  return <Place data-tone="soft">Reading …</Place>;
}
