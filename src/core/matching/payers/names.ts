import { isPublicMail } from "./publicMail";

/** Legal forms and small words that say nothing about who somebody is. */
const EMPTY_WORDS = new Set(
  "INC INCORPORATED LLC LTD LIMITED CO CORP COMPANY CORPORATION LLP LP PLLC PC GMBH AG KG UG PLC SARL SAS SA SL SRL BV NV PTY THE AND OF FOR A".split(
    " ",
  ),
);
const ABBREVIATIONS: Record<string, string> = {
  CTR: "CENTER",
  CENTRE: "CENTER",
  SCH: "SCHOOL",
  UNIF: "UNIFIED",
  DIST: "DISTRICT",
  COMM: "COMMUNITY",
  STU: "STUDIO",
  STUDIOS: "STUDIO",
  CERAM: "CERAMICS",
  CERAMIC: "CERAMICS",
  ASSN: "ASSOCIATION",
  ST: "STREET",
  MT: "MOUNT",
};

/** The words of a name that carry it: upper case, accents off, forms and small words left out. */
export function nameWords(name: string): string[] {
  const known = read.get(name);
  if (known) return [...known];
  const made = nameWordsAnew(name);
  if (read.size < MOST_READ) read.set(name, made);
  return [...made];
}

/**
 * Names that were read before: one customer's stands in its record, in what it paid before, and in
 * each receipt.
 */
const read = new Map<string, readonly string[]>();
const MOST_READ = 50_000;

function nameWordsAnew(name: string): string[] {
  const bare = name
    .normalize("NFD")
    .replace(/[\u0300-\u036f]/g, "")
    .toUpperCase()
    .replace(/&/g, " AND ")
    .replace(/['’.]/g, "")
    .replace(/[^A-Z0-9]+/g, " ");
  return bare
    .split(" ")
    .filter((word) => word !== "" && !EMPTY_WORDS.has(word))
    .map((word) => ABBREVIATIONS[word] ?? word);
}

/** The domain of an address, or null where it is a public mail provider's and proves nothing. */
export function ownDomain(email: string): string | null {
  const domain = email.toLowerCase().split("@")[1] ?? "";
  return domain === "" || isPublicMail(domain) ? null : domain;
}

/** Jaro similarity, 0 to 1 (Jaro 1989; as in Winkler 1990). @example jaro("MARTHA", "MARHTA") // 0.944 */
export function jaro(a: string, b: string): number {
  if (a === b) return a === "" ? 0 : 1;
  const reach = Math.max(0, Math.floor(Math.max(a.length, b.length) / 2) - 1);
  const taken = new Array<boolean>(b.length).fill(false);
  const matchedA: string[] = [];
  for (let i = 0; i < a.length; i += 1) {
    for (let j = Math.max(0, i - reach); j < Math.min(b.length, i + reach + 1); j += 1) {
      if (taken[j] || a[i] !== b[j]) continue;
      taken[j] = true;
      matchedA.push(a[i] ?? "");
      break;
    }
  }
  const matchedB = [...b].filter((_, index) => taken[index]);
  const m = matchedA.length;
  if (m === 0) return 0;
  const transposed = matchedA.filter((letter, index) => letter !== matchedB[index]).length / 2;
  return (m / a.length + m / b.length + (m - transposed) / m) / 3;
}

/**
 * Jaro-Winkler: a common prefix of up to four letters counts extra (Winkler 1990). @example
 * jaroWinkler("DIXON", "DICKSONX") // 0.813
 */
export function jaroWinkler(a: string, b: string): number {
  const similarity = jaro(a, b);
  let prefix = 0;
  while (prefix < 4 && prefix < a.length && a[prefix] === b[prefix]) prefix += 1;
  return similarity + prefix * 0.1 * (1 - similarity);
}
