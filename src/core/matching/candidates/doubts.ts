/**
 * In what way a reading may be another. `ways`: more than one set comes out;
 * `equal`: items of the sum that may be anybody's of a group; `open`, `out`:
 * numbers that may be one of several items, or that the words leave out;
 * `stated`: sums beside the numbers that say otherwise; `odd`: short by what no
 * bank keeps; `nearly`: a number that is nearly one's own, where the sum does
 * not say so too; `much`: more is over than is named; `site`: one of a group,
 * and nobody says which. What words tell otherwise: `told` (the oldest, a
 * statement, a credit note, the next one), `ahead` (what is not invoiced yet),
 * `later` (items after the day of a statement), `more` (and so on), `unread`
 * (more than one number that leads nowhere), `sums` (that the reading does not
 * know).
 */
export type Doubt =
  | "ways"
  | "equal"
  | "open"
  | "out"
  | "stated"
  | "odd"
  | "nearly"
  | "much"
  | "site"
  | "told"
  | "ahead"
  | "later"
  | "more"
  | "unread"
  | "sums";

/** A doubt, where it is one; so many times where it is counted. */
export const doubtIf = (is: boolean | number, doubt: Doubt): Doubt[] =>
  Array<Doubt>(Number(is)).fill(doubt);
