import { maskedNumbers } from "@/core/gate";
import { fail } from "@/core/result";

import type { FileFormat } from "../fileFormat";

/** Texts that are no list of values, by how they begin; each with the code that names it. */
const BEGINNINGS: readonly (readonly [RegExp, string])[] = [
  [/^\s*(?:\{\s*"|\[\s*[[{"])/, "file.json"],
  [/^\s*!(?:Type|Account|Option|Clear):/i, "file.qif"],
  [/^\s*BEGIN:(?:VCARD|VCALENDAR)/i, "file.card"],
  [/^\s*\{\\rtf/, "file.rtf"],
  // Fields of a mail's head stand first, each on its line (RFC 5322, 2.2).
  [
    /^(?:[A-Za-z][\w-]{1,40}: ?[^\n]{0,900}\n[ \t]?){0,60}(?:MIME-Version|Received|Return-Path): /,
    "file.mail",
  ],
];

const beginning = (text: string): string | undefined => {
  const head = text
    .slice(0, 4000)
    .replace(/^\ufeff/, "")
    .replaceAll("\r\n", "\n");
  return BEGINNINGS.find(([begins]) => begins.test(head))?.[1];
};

/** What is text and no list: refused by what it is. */
export const otherText: FileFormat = {
  name: "other",
  recognizes: (text) => beginning(text) !== undefined,
  read: (text) => fail(beginning(text) ?? "file.binary"),
  masked: maskedNumbers,
};
