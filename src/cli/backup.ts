import { basename } from "node:path";

import { backupBook } from "@/server/books/backups/backupBook";
import { keepBackup, KEPT, keptBackups } from "@/server/books/backups/kept";
import { restoreBook } from "@/server/books/backups/restoreBook";
import { proofInWords } from "@/server/books/queries/proofs";
import { listBooks } from "@/server/runtime/folders";

import { type Args, EXIT, type Outcome, outcomeOf, wrongCall } from "./outcome";

/** `dozo backup`: a copy of a book's file while the server runs, proven before it takes its name. */
export function backup({ values }: Args): Outcome {
  const { book, out } = values;
  if (typeof book !== "string" || typeof out !== "string")
    return wrongCall("Say --book and --out.");
  const made = backupBook(book, out, { over: values.over === true });
  return outcomeOf(made, ({ file }) => ({
    code: EXIT.done,
    messages: [`${book} copied to ${out}; every page and every proof of the copy was looked at`],
    data: { book, file },
  }));
}

/**
 * `dozo backups`: a copy of each book (or of one) into the folder of backups, of which the last
 * --keep stay. One book that fails does not keep the others waiting.
 */
export function backups({ values }: Args): Outcome {
  const keep = Number(values.keep ?? KEPT);
  if (!Number.isInteger(keep) || keep < 1 || keep > 10_000)
    return wrongCall("--keep is a number of copies from 1 to 10000.");
  const folder = typeof values.folder === "string" ? { folder: values.folder } : {};
  const books = typeof values.book === "string" ? [values.book] : listBooks();
  const made = books.map((book) => ({ book, result: keepBackup(book, { keep, ...folder }) }));
  const outcomes = made.map(({ book, result }) =>
    outcomeOf(result, ({ file }) => ({ code: EXIT.done, messages: [`${book}: ${file}`] })),
  );
  return {
    code: Math.max(EXIT.done, ...outcomes.map(({ code }) => code)),
    messages: outcomes.flatMap(({ messages = [] }) => messages),
    data: books.map((book) => ({ book, kept: keptBackups(book, folder.folder) })),
  };
}

/**
 * `dozo restore F`: makes a book of a copy, under the name in --book or the file's own; over a book
 * that is there only with --replaces, and then only over the one that it is a copy of.
 */
export function restore({ values, files }: Args): Outcome {
  const [file] = files;
  if (!file || files.length !== 1) return wrongCall("Say which file.");
  const book =
    typeof values.book === "string"
      ? values.book
      : basename(file)
          .replace(/(?:--\d{8}T\d{6}Z)?\.[^.]*$/, "")
          .toLowerCase();
  const restored = restoreBook({ file, book, replaces: values.replaces === true });
  return outcomeOf(restored, ({ report, moved }) => {
    const broken = report.proofs.filter(({ holds }) => !holds);
    return {
      code: broken.length === 0 ? EXIT.done : EXIT.wrong,
      messages: [
        `restored as ${book}`,
        ...(moved === null ? [] : [`what lay there before is ${moved}`]),
        ...broken.map(({ name }) => `BROKEN  ${proofInWords(name).what}`),
        values.replaces === true
          ? "Links to account pages go on. Passwords are in no backup: set the mail server's anew."
          : "It is a book of its own: its customers have new links. Passwords are in no backup.",
      ],
      data: { book, moved, holds: broken.length === 0 },
    };
  });
}
