/** Titles of codes of returns as banks write them (Nacha Operating Rules, appendix 4; from memory). */
const TITLES: readonly (readonly [RegExp, string])[] = [
  [/^(?:insufficient funds|nsf|not sufficient funds)$/, "R01"],
  [/^account closed$/, "R02"],
  [/^(?:no account|unable to locate account|no account unable to locate account)$/, "R03"],
  [/^invalid account number(?: structure)?$/, "R04"],
  [/^authorization revoked(?: by customer)?$/, "R07"],
  [/^(?:payment stopped|stop payment)$/, "R08"],
  [/^uncollected funds$/, "R09"],
  [/^customer advises (?:not authori[sz]ed|originator is not known.*)$/, "R10"],
  [/^account frozen$/, "R16"],
  [/^non transaction account$/, "R20"],
  [/^corporate customer advises not authori[sz]ed$/, "R29"],
];

/** The code of a title in small letters without marks; undefined where it is none that is known. */
export const returnCodeTitled = (title: string): string | undefined =>
  TITLES.find(([words]) => words.test(title))?.[1];
