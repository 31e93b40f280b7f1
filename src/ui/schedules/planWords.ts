/** How often a schedule writes, and what is done with each, as they are chosen. */
export const UNIT_WORDS = [
  ["day", "days"],
  ["week", "weeks"],
  ["month", "months"],
  ["quarter", "quarters"],
  ["year", "years"],
] as const;

export const MAKES = [
  ["draft", "keep it with the drafts"],
  ["approved", "approve it"],
  ["sent", "approve and send it"],
] as const;
