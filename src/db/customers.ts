import type { Minor } from "@/core/money";
import { type Customer, topOf } from "@/core/parties";

import type { Db } from "./connection";
import { bookValue } from "./rates";

export type CustomerRow = Customer & {
  phone: string | null;
  leftOut: string | null;
  /** The customer that it was made one with; null while it stands by itself. */
  mergedInto: number | null;
  fileId: number | null;
  lineNo: number | null;
};

/** What of a customer is written on its page. */
export type CustomerFields = Pick<CustomerRow, "name" | "email" | "phone" | "parentId">;

const CUSTOMER = `SELECT id, external_id AS externalId, name, email, phone, parent_id AS parentId, left_out AS leftOut, merged_into AS mergedInto, file_id AS fileId, line_no AS lineNo FROM customer`;

export function customerById(db: Db, id: number): CustomerRow | undefined {
  return db.get<CustomerRow>(`${CUSTOMER} WHERE id = ?`, id);
}

export function customerByExternalId(db: Db, externalId: string): CustomerRow | undefined {
  const found = db.get<CustomerRow>(`${CUSTOMER} WHERE external_id = ?`, externalId);
  return found && standingFor(db, found);
}

/** The customer that one was made one with, or itself. */
function standingFor(db: Db, customer: CustomerRow): CustomerRow {
  let at = customer;
  for (let times = 0; at.mergedInto !== null && times < 50; times += 1)
    at = customerById(db, at.mergedInto) ?? at;
  return at;
}

export function allCustomers(db: Db): CustomerRow[] {
  const names = new Map<number, string[]>();
  for (const { customerId, alias } of db.all<{ customerId: number; alias: string }>(
    "SELECT customer_id AS customerId, alias FROM customer_alias ORDER BY customer_id, alias",
  ))
    names.set(customerId, [...(names.get(customerId) ?? []), alias]);
  const customers: CustomerRow[] = db
    .many<Omit<CustomerRow, "aliases">>(
      {
        id: "id",
        externalId: "external_id",
        name: "name",
        email: "email",
        phone: "phone",
        parentId: "parent_id",
        leftOut: "left_out",
        mergedInto: "merged_into",
        fileId: "file_id",
        lineNo: "line_no",
      },
      "customer",
    )
    .filter(({ mergedInto }) => mergedInto === null)
    .sort((a, b) => a.id - b.id);
  return names.size === 0
    ? customers
    : customers.map((customer) => {
        const aliases = names.get(customer.id);
        return aliases === undefined ? customer : { ...customer, aliases };
      });
}

/** All customers by name, as lists show them. */
export function idsByName(db: Db): number[] {
  return db
    .lists<[number]>(
      ["id"],
      "FROM (SELECT id FROM customer WHERE merged_into IS NULL ORDER BY name COLLATE NOCASE, id)",
    )
    .map(([id]) => id);
}

/**
 * Whom each customer belongs to: the head of its group, or itself. Sites alone are read, as most
 * customers are none.
 */
export function headsOf(db: Db): (id: number) => number {
  const parents = new Map(
    db.lists<[number, number]>(
      ["id", "parent_id"],
      "FROM customer WHERE parent_id IS NOT NULL AND merged_into IS NULL",
    ),
  );
  return (id) => topOf(id, (amount) => parents.get(amount) ?? null);
}

/** Other names that a customer goes by. */
export function aliasesOf(db: Db, customerId: number): string[] {
  return db
    .all<{ alias: string }>(
      "SELECT alias FROM customer_alias WHERE customer_id = ? ORDER BY alias",
      customerId,
    )
    .map(({ alias }) => alias);
}

export function insertAlias(db: Db, customerId: number, alias: string): void {
  db.run(
    "INSERT OR IGNORE INTO customer_alias (customer_id, alias) VALUES (?, ?)",
    customerId,
    alias,
  );
}

export function deleteAlias(db: Db, customerId: number, alias: string): void {
  db.run("DELETE FROM customer_alias WHERE customer_id = ? AND alias = ?", customerId, alias);
}

/** A customer with its head office and all sites of that: the whole group. */
export function familyOf(db: Db, id: number): CustomerRow[] {
  return db.all<CustomerRow>(
    `WITH RECURSIVE up (id, depth) AS (SELECT ?1, 0 UNION SELECT c.parent_id, depth + 1 FROM customer c JOIN up ON c.id = up.id WHERE c.parent_id IS NOT NULL AND depth < 10),
       down (id) AS (SELECT id FROM up UNION SELECT c.id FROM customer c JOIN down ON c.parent_id = down.id)
     ${CUSTOMER} WHERE id IN (SELECT id FROM down) AND merged_into IS NULL ORDER BY id`,
    id,
  );
}

export function sitesOf(db: Db, parentId: number): CustomerRow[] {
  return db.all<CustomerRow>(
    `${CUSTOMER} WHERE parent_id = ? AND merged_into IS NULL ORDER BY name`,
    parentId,
  );
}

export function insertCustomer(
  db: Db,
  customer: Omit<CustomerRow, "id" | "leftOut" | "mergedInto" | "aliases">,
): number {
  return db.run(
    "INSERT INTO customer (external_id, name, email, phone, parent_id, file_id, line_no) VALUES (?, ?, ?, ?, ?, ?, ?)",
    customer.externalId,
    customer.name,
    customer.email,
    customer.phone,
    customer.parentId,
    customer.fileId,
    customer.lineNo,
  ).id;
}

export function setParent(db: Db, id: number, parentId: number): void {
  db.run("UPDATE customer SET parent_id = ? WHERE id = ?", parentId, id);
}

export function setLeftOut(db: Db, id: number, reason: string | null): void {
  db.run("UPDATE customer SET left_out = ? WHERE id = ?", reason, id);
}

export type CustomerBalance = CustomerRow & { open: Minor; credit: Minor; items: number };

/**
 * Customers with what they owe and have to their credit in the book's currency, filtered by name,
 * number or e-mail.
 */
export function customerPage(
  db: Db,
  filter: { text: string | null; order: string; limit: number; offset: number },
): { rows: CustomerBalance[]; count: number; open: Minor; credit: Minor } {
  const from = `FROM (SELECT c.*, coalesce(i.open, 0) AS open, coalesce(i.items, 0) AS items, coalesce(k.credit, 0) AS credit FROM customer c
      LEFT JOIN (SELECT customer_id, sum(${bookValue({ table: "o", column: "balance", role: "receivables", kind: "open_item" })}) AS open, count(*) AS items FROM open_item o WHERE balance <> 0 GROUP BY customer_id) i ON i.customer_id = c.id
      LEFT JOIN (SELECT customer_id, sum(${bookValue({ table: "r", column: "on_account", role: "credits", kind: "receipt", sign: -1 })}) AS credit FROM receipt r WHERE on_account <> 0 GROUP BY customer_id) k ON k.customer_id = c.id
      WHERE c.merged_into IS NULL AND (?1 IS NULL OR c.name LIKE '%' || ?1 || '%' OR c.external_id LIKE ?1 || '%' OR c.email LIKE '%' || ?1 || '%'))`;
  const rows = db.all<CustomerBalance>(
    `SELECT id, external_id AS externalId, name, email, phone, parent_id AS parentId, left_out AS leftOut, merged_into AS mergedInto, file_id AS fileId, line_no AS lineNo, open, credit, items ${from} ORDER BY ${filter.order} LIMIT ?2 OFFSET ?3`,
    filter.text,
    filter.limit,
    filter.offset,
  );
  const sums = db.get<{ n: number; open: Minor; credit: Minor }>(
    `SELECT count(*) AS n, coalesce(sum(open), 0) AS open, coalesce(sum(credit), 0) AS credit ${from}`,
    filter.text,
  );
  return {
    rows,
    count: sums?.n ?? 0,
    open: sums?.open ?? (0 as Minor),
    credit: sums?.credit ?? (0 as Minor),
  };
}

/** What a file says anew of a customer; what it does not say stays. */
export function renewCustomer(
  db: Db,
  id: number,
  told: { name: string; email: string | null; phone: string | null },
): void {
  db.run(
    `UPDATE customer
     SET name = ?, email = coalesce(?, email), phone = coalesce(?, phone)
     WHERE id = ?`,
    told.name,
    told.email,
    told.phone,
    id,
  );
}

/** The customer of exactly this name; 0 where there is none. */
export function customerIdByName(db: Db, name: string): number {
  return db.get<{ id: number }>("SELECT id FROM customer WHERE name = ?", name)?.id ?? 0;
}

export function setCustomer(db: Db, id: number, fields: CustomerFields): void {
  db.run(
    "UPDATE customer SET name = ?, email = ?, phone = ?, parent_id = ? WHERE id = ?",
    fields.name,
    fields.email,
    fields.phone,
    fields.parentId,
    id,
  );
}

/** The number that was given last. */
export function latestCustomerNumber(db: Db): string | null {
  return (
    db.get<{ number: string }>(
      "SELECT external_id AS number FROM customer WHERE external_id GLOB '*[0-9]' ORDER BY id DESC LIMIT 1",
    )?.number ?? null
  );
}

/** Whether a customer is another, or stands somewhere above it. */
export function isAboveOf(db: Db, customerId: number, below: number): boolean {
  const seen = new Set<number>();
  for (let at: number | null = below; at !== null && !seen.has(at);) {
    if (at === customerId) return true;
    seen.add(at);
    at = customerById(db, at)?.parentId ?? null;
  }
  return false;
}
