import { copyFileSync, existsSync, renameSync, rmSync } from "node:fs";
import { basename } from "node:path";

import { openToRead } from "@/db/connection";
import { openBookToRead } from "@/server/runtime/books";
import { bookExists, bookFile, isBookName, makeBookFolders } from "@/server/runtime/folders";

import { type Args, EXIT, failed, type Outcome, wrongCall } from "./outcome";

/** `dozo backup`: a consistent copy of a book's file while the server runs. */
export async function backup({ values }: Args): Promise<Outcome> {
  if (typeof values.book !== "string" || typeof values.out !== "string")
    return wrongCall("Say --book and --out.");
  const opened = openBookToRead(values.book);
  if (!opened.ok) return failed(opened.error);
  const part = `${values.out}.part`;
  await opened.value.backup(part);
  opened.value.close();
  renameSync(part, values.out);
  return {
    code: EXIT.done,
    messages: [`${values.book} copied to ${values.out}`],
    data: { book: values.book, file: values.out },
  };
}

/**
 * `dozo restore F`: makes a book of a copy, under the name in --book or the file's own; never over
 * a book that is there.
 */
export function restore({ values, files }: Args): Outcome {
  const [file] = files;
  if (!file || files.length !== 1) return wrongCall("Say which file.");
  if (!existsSync(file)) return failed({ code: "file.unreadable", path: file });
  const book =
    typeof values.book === "string"
      ? values.book
      : basename(file)
          .replace(/\.[^.]*$/, "")
          .toLowerCase();
  if (!isBookName(book)) return failed({ code: "book.name", book });
  if (bookExists(book)) return failed({ code: "book.exists", book });
  makeBookFolders(book);
  const part = `${bookFile(book)}.part`;
  copyFileSync(file, part);
  const opened = openToRead(part);
  if (!opened.ok) {
    rmSync(part, { force: true });
    return failed(opened.error);
  }
  opened.value.close();
  for (const rest of ["-wal", "-shm"]) rmSync(`${part}${rest}`, { force: true });
  renameSync(part, bookFile(book));
  return { code: EXIT.done, messages: [`restored as ${book}`], data: { book } };
}
