import { minor } from "@/core/money";

import type { Draft } from "../candidates/candidate";
import type { Seen } from "./decide";

/** An item that a reading gives to. */
export const LINE = { itemId: 1, number: "20431", amount: minor(100), discount: minor(0) };

/** A reading as it is judged in tests: a whole number and its very sum, from a payer beyond doubt. */
export const draftReading = (more: Partial<Draft> = {}): Draft => ({
  customerId: 1,
  lines: [LINE],
  onAccount: minor(0),
  confidence: 0,
  pattern: "",
  reasons: [],
  score: 54,
  numbers: "whole",
  sum: "exact",
  who: "certain",
  shape: "",
  flaws: 0,
  skipped: 0,
  doubts: [],
  lean: 0,
  bits: 30,
  chance: 0,
  ...more,
});

/** Nothing else is known of its receipt. */
export const NOTHING_SEEN: Seen = {
  closed: [],
  doubleOf: null,
  claimed: false,
  alsoOn: null,
  smallShort: false,
  foreignCurrency: false,
};
