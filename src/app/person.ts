import "server-only";

import { cookies } from "next/headers";

import { bookContext } from "@/server/runtime/bookContext";

/** The cookie that says who is working, until there is sign-in. */
export const PERSON_COOKIE = "dozo-person";

/** Who is working in a book: the one the header was set to, else the first of its people. */
export async function personOf(book: string): Promise<string> {
  const people = bookContext(book)?.settings.people ?? [];
  const chosen = (await cookies()).get(PERSON_COOKIE)?.value ?? "";
  return (
    people.find((name) => name === chosen || encodeURIComponent(name) === chosen) ??
    people[0] ??
    "clerk"
  );
}
