import { codedRemittance } from "./coded";

/** Parts of a structured `:86:` that say who and what for: 20 to 29 and 60 to 63 the words, 32 and 33 the name. */
const WORDS = /^(?:2\d|6[0-3])$/;
const NAME = /^3[23]$/;

/** Letters of a part that goes on in the next one (ZKA, DFÜ agreement, annex 3); a shorter one ends there. */
const WHOLE = 27;

/**
 * The words of a `:86:`: of the structured form (`166?00…?20…?32…`) the name and the words in their
 * order, else the text as it stands, its lines joined.
 */
export function remittanceIn(information: string): string {
  const text = information.replaceAll("\n", "");
  const parts = /^\d{3}([?>~|])(?=\d\d)/.exec(text);
  const coded = parts ? null : codedRemittance(text);
  if (coded !== null) return coded;
  if (!parts) return information.replaceAll("\n", " ").replace(/ {2,}/g, " ").trim();
  const fields = text
    .slice(3)
    .split(parts[1] ?? "?")
    .filter((part) => part !== "")
    .map((part) => [part.slice(0, 2), part.slice(2)] as const);
  const partsOf = (of: RegExp): string[] =>
    fields.filter(([code]) => of.test(code)).map(([, part]) => part);
  return [joined(partsOf(NAME), true), joined(partsOf(WORDS), false)]
    .filter((part) => part !== "")
    .join(" ");
}

/** Parts in one text: a name's stand apart, and words where one ends and another begins for certain. */
function joined(parts: readonly string[], isName: boolean): string {
  const text = parts.reduce((all, part, at) => {
    const before = parts[at - 1] ?? "";
    const isApart = before.length < WHOLE && (isName || STARTS.test(part) || isSeam(before, part));
    return `${all}${isApart ? " " : ""}${part}`;
  }, "");
  return text.replace(/ {2,}/g, " ").trim();
}

/** The words of SEPA begin with what they are: `EREF+`, `SVWZ+`. */
const STARTS = /^[A-Z]{4}\+/;

const isSeam = (before: string, next: string): boolean =>
  /\p{L}$/u.test(before) === /^\d/.test(next) &&
  /[\p{L}\d]$/u.test(before) &&
  /^[\p{L}\d]/u.test(next);
