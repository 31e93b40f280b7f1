import emailParser from "email-addresses";

import { textProblem } from "./text";

/** RFC 5321 4.5.3.1: a path has at most 254 letters between its angle brackets (erratum 1690). */
const LONGEST = 254;

/**
 * Whether a text is one e-mail address and nothing else: no name, group, comment, quoted or folded
 * part, and no second address behind a line break.
 * @see https://www.rfc-editor.org/rfc/rfc5322#section-3.4.1
 */
export function isEmailAddress(text: string): boolean {
  if (text.length > LONGEST || !/^[\x21-\x7E\u0080-\u{10FFFF}]+$/u.test(text)) return false;
  if (/[\s"(),:;<>[\\\]]/.test(text) || textProblem(text) !== null) return false;
  const parsed = emailParser.parseOneAddress({ input: text, rejectTLD: true, rfc6532: true });
  return parsed?.type === "mailbox" && parsed.address === text;
}

/** The addresses of one cell, between commas or semicolons; null where one of them is none. */
export function emailAddresses(text: string): string[] | null {
  const parts = text
    .split(/[,;]/)
    .map((part) => part.trim())
    .filter((part) => part !== "");
  return parts.every(isEmailAddress) ? parts : null;
}
