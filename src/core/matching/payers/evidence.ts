import { type Reason } from "../types";
import { agreement, disagreement } from "./weights";

export const log2 = Math.log2;

/** m: how often the evidence agrees for the right customer; u: how often by chance for another. */
export const AGREE = {
  email: agreement(0.95, 0.0005),
  learned: agreement(0.95, 0.002),
  domain: agreement(0.6, 0.005),
};

/** Another address than the known one, where both have one: people pay from many, so it says little. */
export const OTHER_EMAIL = disagreement(0.6, 0.0005);

/** One thing that speaks for (or, without a reason to show, against) a customer as the payer. */
export type Evidence = {
  readonly weight: number;
  /** Whether it means this customer and no other. */
  readonly alone: boolean;
  readonly reason: Reason | null;
};

export const isInitials = (word: string, name: readonly string[]): boolean =>
  name.length >= 3 && word === name.map((part) => part[0]).join("");
