import { maskedNumbers } from "@/core/gate";
import { fail } from "@/core/result";

import type { FileFormat } from "../fileFormat";

/** Texts that are no list of values, by how they begin; each with the code that names it. */
const BEGINNINGS: readonly (readonly [RegExp, string])[] = [
  [/^\s*(?:\{\s*"|\[\s*[[{"])/, "file.json"],
  [/^\s*(?:UNA.{6}\s*)?UNB[^\w\s]/, "file.edifact"],
  [/^\s*!(?:Type|Account|Option|Clear):/i, "file.qif"],
  [/^\s*BEGIN:(?:VCARD|VCALENDAR)/i, "file.card"],
  [/^\s*\{\\rtf/, "file.rtf"],
];

/** A field of a mail's head, and the rest of one that stands on a further line (RFC 5322, 2.2). */
const FIELD = /^[A-Za-z][\w-]{0,40}:/;
const FURTHER = /^[ \t]/;

/** Fields that only a mail has; one of them stands among the first sixty lines. */
const OF_A_MAIL = /^(?:MIME-Version|Received|Return-Path): /;

/** Whether fields of a mail's head stand first, each on its line. */
function isMail(head: string): boolean {
  const lines = head.split("\n", 60);
  const own = lines.findIndex((line) => OF_A_MAIL.test(line));
  return own !== -1 && lines.slice(0, own).every((l) => FIELD.test(l) || FURTHER.test(l));
}

const beginning = (text: string): string | undefined => {
  const head = text
    .slice(0, 4000)
    .replace(/^\ufeff/, "")
    .replaceAll("\r\n", "\n");
  const named = BEGINNINGS.find(([begins]) => begins.test(head))?.[1];
  return named ?? (isMail(head) ? "file.mail" : undefined);
};

/** What is text and no list: refused by what it is. */
export const otherText: FileFormat = {
  name: "other",
  recognizes: (text) => beginning(text) !== undefined,
  read: (text) => fail(beginning(text) ?? "file.binary"),
  masked: maskedNumbers,
};
