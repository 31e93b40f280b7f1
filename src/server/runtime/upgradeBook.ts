import { mailServerOf } from "@/core/formats";
import type { Db } from "@/db/connection";
import { takeSmtpUrl, writeSettings } from "@/db/settings";

import { keepSecret } from "./secrets";

/**
 * What a change of the schema cannot do for a book of an earlier version: the mail server stood in
 * it as an address with its password in it. The parts stay, the password goes out of the book.
 */
export function upgradeBook(db: Db, book: string): void {
  db.transaction(() => {
    const address = takeSmtpUrl(db);
    const read = address === null ? null : mailServerOf(address);
    if (!read?.ok) return;
    const { secret, ...server } = read.value;
    if (secret !== null) keepSecret(book, "mail", secret);
    writeSettings(db, { mailServer: server });
  });
}
