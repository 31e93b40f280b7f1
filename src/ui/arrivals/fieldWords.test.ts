import { FIELDS, FILE_KINDS } from "@/core/formats";

import { FIELD_WORDS, fieldWord } from "./fieldWords";

it.each(FILE_KINDS)("every column of %s has words of its own that a clerk knows", (kind) => {
  const words = FIELDS[kind].map(({ field }) => fieldWord(kind, field));
  expect(FIELDS[kind].map(({ field }) => FIELD_WORDS[field])).not.toContain(undefined);
  expect(new Set(words).size).toBe(words.length);
});
