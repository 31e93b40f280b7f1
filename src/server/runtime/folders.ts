import { existsSync, mkdirSync, readdirSync } from "node:fs";
import { join, resolve } from "node:path";

/** Where the data lies: DOZO_DATA, else `data/` in the program's folder. */
export function dataFolder(): string {
  return process.env.DOZO_DATA
    ? resolve(process.env.DOZO_DATA)
    : join(process.env.DOZO_ROOT ?? process.cwd(), "data");
}

/** Where backups lie: DOZO_BACKUPS, else beside the data folder, under its name with `-backups`. */
export function backupsFolder(): string {
  return process.env.DOZO_BACKUPS ? resolve(process.env.DOZO_BACKUPS) : `${dataFolder()}-backups`;
}

/**
 * A book's name in addresses and on the disk: small letters, digits and hyphens, nothing that could
 * leave its folder.
 */
const BOOK_NAME = /^[a-z0-9](?:[a-z0-9-]{0,60}[a-z0-9])?$/;

export function isBookName(text: string): boolean {
  return BOOK_NAME.test(text);
}

function bookFolder(book: string): string {
  if (!isBookName(book)) throw new Error("not a book's name");
  return join(dataFolder(), "books", book);
}

export function bookFile(book: string): string {
  return join(bookFolder(book), "book.sqlite");
}

/** What must not stand in the book: passwords. */
export function secretsFile(book: string): string {
  return join(bookFolder(book), "secrets.json");
}

/** How the last look into the mailbox went. */
export function mailboxLookFile(book: string): string {
  return join(bookFolder(book), "mailbox.json");
}

/** The books of the practice world beside a practice book: its processor's and its bank's. */
export function practiceFile(book: string): string {
  return join(bookFolder(book), "practice.sqlite");
}

/** Where the server that writes to a book says so. */
export function serverHold(book: string): string {
  return join(bookFolder(book), "server.hold");
}

/** Imported files are kept under their SHA-256. */
export function keptFile(book: string, sha256: string): string {
  if (!/^[0-9a-f]{64}$/.test(sha256)) throw new Error("not a SHA-256");
  return join(bookFolder(book), "files", sha256);
}

export function outboxFile(book: string, name: string): string {
  return join(outboxFolder(book), name);
}

/** Where mails lie that left, each as a file. */
export const outboxFolder = (book: string): string => join(bookFolder(book), "outbox");

export function makeBookFolders(book: string): void {
  for (const name of ["files", "outbox"])
    mkdirSync(join(bookFolder(book), name), { recursive: true });
}

export function bookExists(book: string): boolean {
  return isBookName(book) && existsSync(bookFile(book));
}

/** The name of a book while it is being made by many commands: nobody's yet, and in no list. */
export const inTheMaking = (book: string): string => `${book}${MAKING}`;
const MAKING = "-in-the-making";

/** Whether a name is kept for a book that is being made. */
export const isInTheMaking = (book: string): boolean => book.endsWith(MAKING);

export function listBooks(): string[] {
  const folder = join(dataFolder(), "books");
  return existsSync(folder)
    ? readdirSync(folder)
        .filter((book) => bookExists(book) && !isInTheMaking(book))
        .sort()
    : [];
}

/** Files that wait to be taken in: whatever is put into the book's `arrived` folder. */
export function arrivedFile(book: string, name: string): string {
  if (!/^[^/\\\0]{1,200}$/.test(name) || name.startsWith(".")) throw new Error("not a file's name");
  return join(bookFolder(book), "arrived", name);
}

export function arrivedFiles(book: string): string[] {
  const folder = join(bookFolder(book), "arrived");
  return existsSync(folder)
    ? readdirSync(folder)
        .filter((name) => !name.startsWith("."))
        .sort()
    : [];
}
