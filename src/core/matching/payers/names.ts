import { listOf } from "../lists";
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
  const bare = plainCapitals(asName(name))
    .replace(/&/g, " AND ")
    .replace(/(?<![A-Z0-9])(?:[A-Z]\.){2,6}/g, initialsApart)
    .replace(/['’.]/g, "")
    .replace(/[^A-Z0-9]+/g, " ");
  return bare
    .split(" ")
    .filter((word) => word !== "" && !EMPTY_WORDS.has(word))
    .map((word) => ABBREVIATIONS[word] ?? word);
}

/** The longest name that is read; what goes on behind it is no name (a field of ISO 20022 has 140 letters). */
const LONGEST = 256;

/** As much of a text as may be a name. */
export const asName = (text: string): string => text.slice(0, LONGEST);

/** `N.E.` are two initials, `B.V.` a legal form. */
function initialsApart(dotted: string): string {
  const joined = dotted.replaceAll(".", "");
  return EMPTY_WORDS.has(joined) ? `${joined} ` : `${[...joined].join(" ")} `;
}

/** Letters that are no letter with a mark on it (Unicode has no decomposition for them). */
const WHOLE_LETTERS: Record<string, string> = {
  Ø: "O",
  Ł: "L",
  Đ: "D",
  Æ: "AE",
  Œ: "OE",
  Þ: "TH",
};

/**
 * Capitals without accents, as bank fields carry names. @example plainCapitals("Bråndal, Söhne") //
 * "BRANDAL, SOHNE"
 */
export function plainCapitals(text: string): string {
  return text
    .normalize("NFD")
    .replace(/[\u0300-\u036f]/g, "")
    .toUpperCase()
    .replace(/[ØŁĐÆŒÞ]/g, (letter) => WHOLE_LETTERS[letter] ?? letter);
}

/** Shorter ways in which a word is written that stands in full after reading. */
export const shortFormsOf = (word: string): readonly string[] => SHORT_FORMS.get(word) ?? [];

const SHORT_FORMS = new Map<string, string[]>();
for (const [short, long] of Object.entries(ABBREVIATIONS)) listOf(SHORT_FORMS, long).push(short);

/** What joins two names of one firm. */
const ALSO_CALLED =
  /(?<![A-Za-z])(?:d\/?b\/?a|t\/a|a\/?k\/?a|f\/?k\/?a|c\/o|o\/b\/o|trading as|doing business as|on behalf of|formerly)(?![A-Za-z])[.:]?/i;

/**
 * The names that stand in one: before and behind "doing business as", and in brackets; none where
 * there is but the whole.
 */
export function namesIn(written: string): string[] {
  const name = asName(written);
  const outside = name.replace(/[([][^)\]]{0,120}[)\]]?/g, " ; ");
  const inside = [...name.matchAll(/[([]([^)\]]{2,120})/g)].map((found) => found[1] ?? "");
  const parts = [...outside.split(";"), ...inside]
    .flatMap((part) => part.split(ALSO_CALLED))
    .map((part) => part.trim())
    .filter((part) => nameWords(part).length > 0);
  return parts.length > 1 ? parts : [];
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
