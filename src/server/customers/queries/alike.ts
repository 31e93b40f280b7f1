import type { Alike } from "@/contracts/customers";
import { payersFor } from "@/core/matching";
import { taxNumberOf } from "@/core/taxNumbers";
import type { Db } from "@/db/connection";
import { allCustomers, customerById, type CustomerRow } from "@/db/customers";
import { customersByTaxNumber } from "@/db/customerCards";

const MOST_SHOWN = 4;

type Asked = { name: string; email: string; taxNumber: string; not: number | null };

/** Customers that a new one may be a double of, as Match would know them by name and address. */
export function alike(db: Db, asked: Asked): Alike[] {
  const found = new Map([...byPayer(db, asked), ...byTaxNumber(db, asked.taxNumber.trim())]);
  if (asked.not !== null) found.delete(asked.not);
  return [...found].slice(0, MOST_SHOWN).flatMap(([id, why]) => {
    const customer = customerById(db, id);
    return customer ? [{ id, name: customer.name, number: customer.externalId, why }] : [];
  });
}

function byTaxNumber(db: Db, text: string): [number, string][] {
  if (text === "") return [];
  const read = taxNumberOf(text, null);
  const number = read.ok ? (read.value?.text ?? text) : text;
  return customersByTaxNumber(db, number).map((id) => [id, "the same tax number"]);
}

function byPayer(db: Db, { name, email }: Asked): [number, string][] {
  const receipt = { payerName: name.trim(), payerEmail: email.trim() };
  if (receipt.payerName.length < 3 && receipt.payerEmail === "") return [];
  const payers = payersFor({ customers: allCustomers(db), history: [] }, [receipt]);
  return [...payers.values()]
    .flat()
    .map(({ customerId, reasons }) => [customerId, whyAlike(reasons)]);
}

/**
 * Customers whom each of many names may mean, as Match would know them; names that are like nobody
 * are left out. Looked up together: what is known of all customers is made ready once.
 */
export function alikeByName(db: Db, names: readonly string[]): Map<string, CustomerRow[]> {
  const customers = new Map(allCustomers(db).map((customer) => [customer.id, customer]));
  const receipts = names.map((payerName) => ({ payerName, payerEmail: "" }));
  const payers = payersFor({ customers: [...customers.values()], history: [] }, receipts);
  return new Map(
    receipts.flatMap(({ payerName }) => {
      const found = (payers.get(`${payerName}\n`) ?? [])
        .slice(0, MOST_SHOWN)
        .flatMap(({ customerId }) => customers.get(customerId) ?? []);
      return found.length === 0 ? [] : [[payerName, found] as const];
    }),
  );
}

const whyAlike = (reasons: readonly { code: string }[]): string =>
  reasons.some(({ code }) => code === "email") ? "the same e-mail address" : "a name like this";
