import { WAYS_TO_PAY, type WayToPay } from "./processor";

/** The ways to pay that are offered, as a book, a customer or an invoice says it. */
export const PAYS_BY = ["card", "bank", "card,bank"] as const;
export type PaysBy = (typeof PAYS_BY)[number];

/**
 * The ways that are offered for an invoice: what is said nearest to it holds, by the invoice, its
 * customer, or the book; all where nobody says anything. @example offeredWays([null, "bank", "card"]) // ["bank"]
 */
export function offeredWays(said: readonly (PaysBy | null)[]): WayToPay[] {
  const nearest = said.find((word) => word !== null) ?? "card,bank";
  return WAYS_TO_PAY.filter((way) => nearest.split(",").includes(way));
}
