import emailParser from "email-addresses";

import { textProblem } from "./text";

/** RFC 5321 4.5.3.1: a path has at most 254 letters between its angle brackets (erratum 1690). */
const LONGEST = 254;

/**
 * What nearly every address is: atoms with single dots, and a domain of letters, digits and dashes. The
 * parser says the same of all of these (held by a property in the tests), and takes a hundred times as long.
 */
const PLAIN =
  /^[\w!#$%&'*+/=?^`{|}~-]{1,64}(?:\.[\w!#$%&'*+/=?^`{|}~-]{1,64}){0,9}@[a-z\d](?:-?[a-z\d]){0,62}(?:\.[a-z\d](?:-?[a-z\d]){0,62}){1,9}$/i;

/**
 * Whether a text is one e-mail address and nothing else: no name, group, comment, quoted or folded
 * part, and no second address behind a line break.
 * @see https://www.rfc-editor.org/rfc/rfc5322#section-3.4.1
 */
export function isEmailAddress(text: string): boolean {
  if (text.length > LONGEST || !/^[\x21-\x7E\u0080-\u{10FFFF}]+$/u.test(text)) return false;
  if (/[\s"(),:;<>[\\\]]/.test(text) || textProblem(text) !== null) return false;
  if (PLAIN.test(text)) return true;
  return isByParser(text);
}

/** The same by the grammar of RFC 5322 as a package reads it. */
export function isByParser(text: string): boolean {
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
