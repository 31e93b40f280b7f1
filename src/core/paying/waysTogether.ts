import type { WayToPay } from "./processor";

/** The ways by which all of several invoices may be paid together. */
export const waysTogether = ([
  first = [],
  ...others
]: readonly (readonly WayToPay[])[]): WayToPay[] =>
  first.filter((way) => others.every((offered) => offered.includes(way)));
