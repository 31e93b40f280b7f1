import type { Day } from "@/core/calendar";
import type { ContactPerson, LetterShare } from "@/core/parties";
import type { BackAddress } from "@/core/parties";

import type { Db } from "./connection";

type PersonRow = {
  customerId: number;
  name: string;
  duty: string;
  email: string;
  phone: string;
  letters: LetterShare;
  calls: 0 | 1;
};
const PERSON =
  "SELECT customer_id AS customerId, name, duty, email, phone, letters, calls FROM contact_person";

/** The contact persons of every customer that has some, in their order. */
export function personsByCustomer(db: Db): Map<number, ContactPerson[]> {
  const persons = new Map<number, ContactPerson[]>();
  for (const { customerId, calls, ...one } of db.all<PersonRow>(
    `${PERSON} ORDER BY customer_id, place`,
  ))
    persons.set(customerId, [...(persons.get(customerId) ?? []), { ...one, calls: calls === 1 }]);
  return persons;
}

export function personsOf(db: Db, customerId: number): ContactPerson[] {
  return db
    .all<PersonRow>(`${PERSON} WHERE customer_id = ? ORDER BY place`, customerId)
    .map(({ name, duty, email, phone, letters, calls }) => ({
      name,
      duty,
      email,
      phone,
      letters,
      calls: calls === 1,
    }));
}

/** A customer's contact persons, all of them anew. */
export function setPersons(db: Db, customerId: number, persons: readonly ContactPerson[]): void {
  db.run("DELETE FROM contact_person WHERE customer_id = ?", customerId);
  persons.forEach((person, at) =>
    db.run(
      "INSERT INTO contact_person (customer_id, place, name, duty, email, phone, letters, calls) VALUES (?, ?, ?, ?, ?, ?, ?, ?)",
      customerId,
      at + 1,
      person.name,
      person.duty,
      person.email,
      person.phone,
      person.letters,
      Number(person.calls),
    ),
  );
}

/** Why letters to an address come back; null where they reach it, as far as is known. */
export function backFrom(db: Db, address: string): string | null {
  return (
    db.get<{ why: string }>("SELECT why FROM address_back WHERE address = ?", address)?.why ?? null
  );
}

/** Keeps that letters to an address come back, and why; null where they reach it after all. */
export function setBack(db: Db, address: string, why: string | null, since: Day): void {
  if (why === null) db.run("DELETE FROM address_back WHERE address = ?", address);
  else
    db.run(
      "INSERT INTO address_back (address, why, since) VALUES (?, ?, ?) ON CONFLICT (address) DO UPDATE SET why = excluded.why, since = excluded.since",
      address,
      why,
      since,
    );
}

/** Every address to which letters come back, with the customers who have it, the latest first. */
export function backAddresses(db: Db): BackAddress[] {
  return db.all(
    `SELECT b.address, b.why, b.since, c.id AS customerId, c.name AS customer FROM address_back b
     LEFT JOIN customer c ON c.id = coalesce((SELECT p.customer_id FROM contact_person p WHERE p.email = b.address COLLATE NOCASE ORDER BY p.customer_id LIMIT 1), (SELECT coalesce(d.merged_into, d.id) FROM customer d WHERE d.email = b.address COLLATE NOCASE ORDER BY d.id LIMIT 1))
     ORDER BY b.since DESC, b.address`,
  );
}
