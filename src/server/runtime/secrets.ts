import { existsSync, readFileSync, renameSync, rmSync, writeFileSync } from "node:fs";

import { secretsFile } from "./folders";

/** What a book must know and never shows: it lies beside the book's file and in no backup. */
export type SecretName = "mail" | "mailbox";
type Secrets = { [name in SecretName]?: string | undefined };

function readAll(book: string): Secrets {
  const path = secretsFile(book);
  return existsSync(path) ? (JSON.parse(readFileSync(path, "utf8")) as Secrets) : {};
}

/** Null where none was given, or none came along with a restored copy. */
export function secretOf(book: string, name: SecretName): string | null {
  return readAll(book)[name] ?? null;
}

/** Keeps a secret, or lets go of it (null). The file is its owner's alone. */
export function keepSecret(book: string, name: SecretName, secret: string | null): void {
  const all: Secrets = { ...readAll(book), [name]: secret ?? undefined };
  const path = secretsFile(book);
  if (Object.values(all).every((kept) => kept === undefined)) return rmSync(path, { force: true });
  writeFileSync(`${path}.part`, JSON.stringify(all), { mode: 0o600 });
  renameSync(`${path}.part`, path);
}
