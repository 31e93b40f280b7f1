import "server-only";

import { cookies } from "next/headers";

import { readSettings } from "@/db/settings";
import { reading } from "@/server/runtime/threads/reader";

/** The cookie that says who is working, until there is sign-in. */
export const PERSON_COOKIE = "dozo-person";

/** Who is working in a book: the one the header was set to, else the first of its people. */
export async function personOf(book: string): Promise<string> {
  const db = reading(book);
  const people = db ? readSettings(db).people : [];
  const chosen = (await cookies()).get(PERSON_COOKIE)?.value ?? "";
  return (
    people.find((name) => name === chosen || encodeURIComponent(name) === chosen) ??
    people[0] ??
    "clerk"
  );
}
