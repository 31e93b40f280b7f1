import fc from "fast-check";

/**
 * Texts that a hostile stranger would send: long runs of what patterns are made of, pieces of what
 * is looked for, cut and put together at random.
 */
const PIECES = [
  " ",
  "\t",
  "\u00a0",
  "\n",
  "\r\n",
  "0",
  "1",
  "9",
  "1,",
  "1.",
  ",",
  ".",
  "-",
  "(",
  ")",
  "/",
  "\\",
  '"',
  "'",
  ";",
  "|",
  "a",
  "A",
  "é",
  "🙂",
  "\u202e",
  "@",
  "<",
  ">",
  ":",
  "=",
  "#",
  "INV",
  "INV-20431",
  "RMR*IV*",
  "A1/",
  " TO ",
  "d/b/a ",
  "N.E.",
  "statement May less ",
  "20431",
  "2026-11-24",
  "11/24/26",
  "4111",
  "4111 1111 1111 1111",
  "DE89",
  "acct no ",
  "TEL",
  "JOB",
  "NOT",
  "USD ",
  "$",
  "1,234.56",
  "1.234,56",
  "Content-Type: multipart/report; boundary=x",
  "--x",
  "Final-Recipient: rfc822;",
  "Diagnostic-Code: smtp; ",
  "=?utf-8?q?",
] as const;

/** A piece many times over, with something at its ends. */
const run = fc
  .tuple(
    fc.constantFrom(...PIECES),
    fc.constantFrom(...PIECES),
    fc.integer({ min: 1, max: 3000 }),
    fc.constantFrom(...PIECES),
  )
  .map(([before, piece, times, after]) => before + piece.repeat(times) + after);

/** Two pieces in turn, many times over. */
const turns = fc
  .tuple(fc.constantFrom(...PIECES), fc.constantFrom(...PIECES), fc.integer({ min: 1, max: 1500 }))
  .map(([one, other, times]) => (one + other).repeat(times));

const mixed = fc
  .array(fc.constantFrom(...PIECES), { maxLength: 400 })
  .map((parts) => parts.join(""));

/** A hostile text of at most some ten thousand letters. */
export const hostile = fc.oneof(
  run,
  turns,
  mixed,
  fc.tuple(run, mixed, turns).map((parts) => parts.join("")),
);
