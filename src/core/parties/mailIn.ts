import type { Day } from "@/core/calendar";

/** What becomes of a mail: files taken up, a letter that came back, an answer, or nothing. */
export type BecameOfMail = "files" | "report" | "reply" | "left";

/** A mail that was read, what was done in words, and whose it is about where that is known. */
export type ReadMail = {
  fromAddress: string;
  subject: string;
  onDay: Day;
  became: BecameOfMail;
  words: string;
  customerId: number | null;
};

/**
 * Whether somebody may send files: `rule` names whole addresses, and `@example.com` for everybody of
 * a domain, but not of the domains below it. Capitals do not matter.
 */
export function maySend(rule: readonly string[], from: string): boolean {
  const address = from.trim().toLowerCase();
  const at = address.lastIndexOf("@");
  if (at < 1) return false;
  return rule.some((name) => {
    const allowed = name.trim().toLowerCase();
    return allowed.startsWith("@") ? address.slice(at) === allowed : address === allowed;
  });
}

/**
 * Whether the server that took a mail says that its sender is not who it claims to be: what it wrote
 * itself stands first among the fields.
 * @see https://www.rfc-editor.org/rfc/rfc8601 Authentication-Results
 */
export const isForged = (results: readonly string[]): boolean =>
  /\bdmarc\s*=\s*fail\b/i.test(results[0] ?? "");

/** Lines below which a whole letter stands as it was sent. Common practice, no source. */
const WHOLE_LETTER: readonly RegExp[] = [
  /^-{2,}\s*(original message|forwarded message|ursprüngliche nachricht|message d'origine|mensaje original|messaggio originale|oorspronkelijk bericht)\s*-{2,}/i,
  /^_{10,}$/,
];

/** `On Mon, Nov 2, 2026 Kestrel Row wrote:` above lines that are quoted. Common practice, no source. */
const SAYS_WHO =
  /^(on|am|le|el|il|op)\b.{6,200}\b(wrote|schrieb|a écrit|escribió|scritto|schreef)\b/i;

const isMarked = (line: string): boolean => line.trim().startsWith(">");

/**
 * What somebody wrote above the letter that is quoted below. An answer that stands below what it
 * quotes, or between, is given whole: nothing that somebody wrote is left out.
 */
export function ownWords(text: string): string {
  const lines = text.replaceAll("\r\n", "\n").split("\n");
  const isBegin = (line: string, at: number): boolean =>
    isMarked(line) ||
    WHOLE_LETTER.some((mark) => mark.test(line.trim())) ||
    (SAYS_WHO.test(line.trim()) && isMarked(nextOf(lines, at)));
  const from = lines.findIndex(isBegin);
  const above = lines.slice(0, Math.max(from, 0)).join("\n").trim();
  const below = lines.slice(from + 1).filter((line) => line.trim() !== "");
  const isBetween = below.some(isMarked) && !below.every(isMarked);
  return above === "" || isBetween ? text.trim() : above;
}

/** The next line that is not empty. */
const nextOf = (lines: readonly string[], at: number): string =>
  lines.slice(at + 1).find((line) => line.trim() !== "") ?? "";
