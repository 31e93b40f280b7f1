import {
  KEPT,
  backupBook,
  becomeAnother,
  examine,
  keepBackup,
  keptBackups,
  removeFile
} from "./chunk-4R6B2YH7.mjs";
import "./chunk-SUQBVPX2.mjs";
import {
  proofInWords
} from "./chunk-SJVNGOAI.mjs";
import {
  defineCommand,
  runCommand
} from "./chunk-TFINCUNW.mjs";
import "./chunk-H7MVWNRR.mjs";
import {
  Hold,
  bookExists,
  bookFile,
  freeName,
  holdOf,
  isBookName,
  listBooks,
  makeBookFolders,
  openBookToRead,
  openBookToWrite,
  openToWrite
} from "./chunk-HCLLIY37.mjs";
import "./chunk-55UEKTAP.mjs";
import {
  EXIT,
  outcomeOf,
  wrongCall
} from "./chunk-VFPHQTCB.mjs";
import "./chunk-KO2L2HI2.mjs";
import "./chunk-IAIVUFHX.mjs";
import "./chunk-WZI5MHZ3.mjs";
import "./chunk-HBIDXRTT.mjs";
import {
  fail,
  ok
} from "./chunk-V6I26S2F.mjs";
import {
  withFiles
} from "./chunk-VIXS4KXC.mjs";

// src/cli/backup.ts
import { basename } from "node:path";

// src/server/books/backups/restoreBook.ts
import { randomUUID } from "node:crypto";
import { copyFileSync, existsSync, linkSync, renameSync, rmSync } from "node:fs";
import { dirname } from "node:path";

// src/server/books/commands/becomeAnotherBook.ts
import { z } from "zod";
var becomeAnotherBook = defineCommand({
  name: "becomeAnotherBook",
  schema: z.object({}),
  run(ctx) {
    becomeAnother(ctx.db);
    ctx.act("settings", { kind: "book", id: 0 }, "restored as a book of its own");
    return ok(null);
  }
});

// src/server/books/backups/restoreBook.ts
function restoreBook({ file, book, replaces }) {
  if (!isBookName(book)) return fail("book.name", { book });
  if (!existsSync(file)) return fail("file.unreadable", { path: file });
  if (bookExists(book) && !replaces) return fail("book.exists", { book });
  const folder = dirname(bookFile(book));
  const isNew = !existsSync(folder);
  makeBookFolders(book);
  const mine = settledId(book);
  const hold = Hold.claim(holdOf(bookFile(book)));
  if (hold === null) return fail("book.held", { book });
  const part = `${bookFile(book)}.part`;
  try {
    return withFiles(() => putBack({ file, book, replaces }, part, mine), { book });
  } finally {
    removeFile(part);
    hold.release();
    if (isNew && !bookExists(book)) rmSync(folder, { recursive: true });
  }
}
function putBack({ file, book, replaces }, part, mine) {
  removeFile(part);
  copyFileSync(file, part);
  const examined = examine(part);
  if (!examined.ok) return { ok: false, error: { ...examined.error, path: file } };
  if (mine !== null && mine !== examined.value.id) return fail("restore.other", { book });
  const twin = replaces ? twinOf(examined.value.id, book) : null;
  if (twin !== null) return fail("restore.twice", { book: twin });
  const own = replaces ? ok(null) : madeAnother(part);
  if (!own.ok) return own;
  return ok({ ...examined.value, book, moved: putInPlace(part, bookFile(book)) });
}
function madeAnother(part) {
  const opened = openToWrite(part);
  if (!opened.ok) return opened;
  const done = runCommand(
    opened.value,
    becomeAnotherBook,
    {},
    {
      book: part,
      actor: "command line",
      key: randomUUID()
    }
  );
  opened.value.close();
  return done;
}
function idOf(book) {
  const opened = openBookToRead(book);
  if (!opened.ok) return null;
  const id = opened.value.bookId();
  opened.value.close();
  return id;
}
function settledId(book) {
  if (!bookExists(book)) return null;
  const opened = openBookToWrite(book);
  if (!opened.ok) return null;
  const id = opened.value.bookId();
  opened.value.close();
  return id;
}
function twinOf(id, book) {
  return listBooks().find((other) => other !== book && idOf(other) === id) ?? null;
}
function putInPlace(part, path) {
  const stamp = (/* @__PURE__ */ new Date()).toISOString().replaceAll(/[-:]|\.\d+/g, "");
  const moved = existsSync(path) ? freeName(`${path}.replaced-${stamp}`) : null;
  if (moved !== null) linkSync(path, moved);
  if (moved !== null && existsSync(`${path}-wal`)) renameSync(`${path}-wal`, `${moved}-wal`);
  for (const rest of ["-wal", "-shm"]) rmSync(path + rest, { force: true });
  renameSync(part, path);
  return moved;
}

// src/cli/backup.ts
function backup({ values }) {
  const { book, out } = values;
  if (typeof book !== "string" || typeof out !== "string")
    return wrongCall("Say --book and --out.");
  const made = backupBook(book, out, { over: values.over === true });
  return outcomeOf(made, ({ file }) => ({
    code: EXIT.done,
    messages: [`${book} copied to ${out}; every page and every proof of the copy was looked at`],
    data: { book, file }
  }));
}
function backups({ values }) {
  const keep = Number(values.keep ?? KEPT);
  if (!Number.isInteger(keep) || keep < 1 || keep > 1e4)
    return wrongCall("--keep is a number of copies from 1 to 10000.");
  const folder = typeof values.folder === "string" ? { folder: values.folder } : {};
  const books = typeof values.book === "string" ? [values.book] : listBooks();
  const made = books.map((book) => ({ book, result: keepBackup(book, { keep, ...folder }) }));
  const outcomes = made.map(
    ({ book, result }) => outcomeOf(result, ({ file }) => ({ code: EXIT.done, messages: [`${book}: ${file}`] }))
  );
  return {
    code: Math.max(EXIT.done, ...outcomes.map(({ code }) => code)),
    messages: outcomes.flatMap(({ messages = [] }) => messages),
    data: books.map((book) => ({ book, kept: keptBackups(book, folder.folder) }))
  };
}
function restore({ values, files }) {
  const [file] = files;
  if (!file || files.length !== 1) return wrongCall("Say which file.");
  const book = typeof values.book === "string" ? values.book : basename(file).replace(/(?:--\d{8}T\d{6}Z)?\.[^.]*$/, "").toLowerCase();
  const restored = restoreBook({ file, book, replaces: values.replaces === true });
  return outcomeOf(restored, ({ report, moved }) => {
    const broken = report.proofs.filter(({ holds }) => !holds);
    return {
      code: broken.length === 0 ? EXIT.done : EXIT.wrong,
      messages: [
        `restored as ${book}`,
        ...moved === null ? [] : [`what lay there before is ${moved}`],
        ...broken.map(({ name }) => `BROKEN  ${proofInWords(name).what}`),
        values.replaces === true ? "Links to account pages go on. Passwords are in no backup: set the mail server's anew." : "It is a book of its own: its customers have new links. Passwords are in no backup."
      ],
      data: { book, moved, holds: broken.length === 0 }
    };
  });
}
export {
  backup,
  backups,
  restore
};
