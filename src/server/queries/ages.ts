import { daysBetween, parseDay, type Day } from "@/core/calendar";
import { spanOf, spansOf, totalAging, type AgedBy, type Aging } from "@/core/metrics";
import { add, currencyOf, minor, sumOf, toDecimal, ZERO, type Currency, type Minor } from "@/core/money";
import { groupHead } from "@/core/parties";
import { agesByCustomer, agesTogether, creditsByCustomerAsOf, customersWithOpen, isAsNow, receivablesIn, type AgeAsk } from "@/db/ages";
import type { Db } from "@/db/connection";
import { allCustomers, customerById, familyOf, type CustomerRow } from "@/db/customers";
import { balancesAsOf } from "@/db/journal";
import { readSettings, type Settings } from "@/db/settings";
import { openLinesAsOf } from "@/db/statements";

import type { Sheet } from "../sheets";

/** An aging as it stands in an address: ?as-of=, by=due|issued, days=30,60,90, of=customer|group, currency=. */
export type AgesAsked = AgeAsk & { readonly edges: readonly number[]; readonly of: "customer" | "group" };
export type AgesRow = { customerId: number; externalId: string; customer: string; ages: Minor[]; total: Minor; credit: Minor };
export type AgesPage = { asked: AgesAsked; rows: AgesRow[]; count: number; ages: Minor[]; total: Minor; credit: Minor; /** What stood in receivables on the day. */ control: Minor };

const MOST_EDGES = 8;

/** Reads what is asked; what cannot be read is as the book has it. */
export function agesAsked(query: URLSearchParams, settings: Settings, today: Day): AgesAsked {
  const asOf = parseDay(query.get("as-of") ?? "", "ymd");
  const by: AgedBy = query.get("by") === "issued" ? "issued" : "due";
  const edges = edgesOf(query.get("days") ?? "") ?? settings.agingDays;
  return { asOf: asOf.ok ? asOf.value : today, by, edges, spans: spansOf(edges, by), of: query.get("of") === "group" ? "group" : "customer", currency: currencyOf(query.get("currency") ?? "") ?? null };
}

/** Rising whole days, like `15, 30, 60`; null where the text is none. */
export function edgesOf(text: string): number[] | null {
  const edges = text.split(/[,;\s]+/).filter((one) => one !== "").map(Number);
  const rising = edges.every((edge, at) => Number.isInteger(edge) && edge > (edges[at - 1] ?? 0) && edge <= 3650);
  return edges.length > 0 && edges.length <= MOST_EDGES && rising ? edges : null;
}

/** A page of an aging by customer or by group, with the sums of all and the control account of the day. */
export function agesPage(db: Db, asked: AgesAsked, { limit, offset }: { limit: number; offset: number }): AgesPage {
  const control = asked.currency === null ? sumOf(balancesAsOf(db, asked.asOf).filter(({ role }) => role === "receivables"), ({ balance }) => balance) : receivablesIn(db, asked.currency, asked.asOf);
  if (asked.of === "customer" && isAsNow(db, asked.asOf)) {
    // Nothing was posted since: the page's customers alone are summed up, and all together.
    const { ids, count } = customersWithOpen(db, asked.currency, limit, offset);
    const credits = creditsByCustomerAsOf(db, asked.asOf, asked.currency, ids);
    const ages = agesByCustomer(db, asked, ids);
    const together = agesTogether(db, asked);
    return { asked, rows: ids.flatMap((id) => rowOf(customerById(db, id), ages.get(id), credits.get(id), asked)), count, ages: together, total: sumOf(together, (sum) => sum), credit: sumOf([...creditsByCustomerAsOf(db, asked.asOf, asked.currency).values()], (sum) => sum), control };
  }
  const rows = agesOfAll(db, asked);
  const ages = asked.spans.map((_, at) => sumOf(rows, (row) => row.ages[at] ?? minor(0)));
  return { asked, rows: rows.slice(offset, offset + limit), count: rows.length, ages, total: sumOf(ages, (sum) => sum), credit: sumOf(rows, (row) => row.credit), control };
}

/** Every customer or group that has something open or on account on the day, by name. */
export function agesOfAll(db: Db, asked: AgesAsked): AgesRow[] {
  const customers = new Map(allCustomers(db).map((customer) => [customer.id, customer]));
  const keyOf = (id: number): number => { const customer = customers.get(id); return asked.of === "customer" || !customer ? id : groupHead(customer, customers); };
  const [ages, credits] = [new Map<number, Minor[]>(), new Map<number, Minor>()];
  for (const [id, own] of agesByCustomer(db, asked)) { const known = ages.get(keyOf(id)); ages.set(keyOf(id), known ? known.map((sum, at) => add(sum, own[at] ?? 0)) : own); }
  for (const [id, sum] of creditsByCustomerAsOf(db, asked.asOf, asked.currency)) credits.set(keyOf(id), add(credits.get(keyOf(id)) ?? 0, sum));
  const collator = new Intl.Collator("en");
  return [...new Set([...ages.keys(), ...credits.keys()])].flatMap((id) => rowOf(customers.get(id), ages.get(id), credits.get(id), asked)).sort((a, b) => collator.compare(a.customer, b.customer) || a.customerId - b.customerId);
}

function rowOf(customer: CustomerRow | undefined, ages: Minor[] | undefined, credit: Minor | undefined, asked: AgesAsked): AgesRow[] {
  if (!customer) return [];
  const own = ages ?? asked.spans.map(() => minor(0));
  return [{ customerId: customer.id, externalId: customer.externalId, customer: customer.name, ages: own, total: sumOf(own, (sum) => sum), credit: credit ?? minor(0) }];
}

export type AgedItem = { id: number; number: string; kind: string; site: string | null; description: string | null; on: Day; days: number; span: number; currency: Currency; balance: Minor; shown: Minor };

/** The items behind a row of the aging, each with its age and column; `shown` is in the currency of the aging. */
export function agedItems(db: Db, customerId: number, asked: AgesAsked): AgedItem[] {
  const ids = asked.of === "group" ? familyOf(db, customerId).map(({ id }) => id) : [customerId];
  return openLinesAsOf(db, ids, asked.asOf).filter(({ currency }) => asked.currency === null || currency === asked.currency).map((item): AgedItem => {
    const on = asked.by === "issued" || item.kind === "credit_note" ? item.issuedOn : item.dueOn;
    const days = daysBetween(on, asked.asOf);
    return { id: item.id, number: item.number, kind: item.kind, site: ids.length > 1 ? item.customer : null, description: item.description, on, days, span: spanOf(asked.spans, days), currency: item.currency, balance: item.balance, shown: asked.currency === null ? item.bookBalance : item.balance };
  });
}

/** The aging as a table, with columns of its own. */
export function agesSheet(db: Db, asked: AgesAsked): Sheet {
  const currency = asked.currency ?? readSettings(db).currency;
  const sum = (amount: Minor): string => toDecimal(amount, currency);
  return { columns: ["customer_id", "customer", "currency", ...asked.spans.map(({ words }) => words), "total", "on_account"], rows: agesOfAll(db, asked).map((row) => [row.externalId, row.customer, currency, ...row.ages.map(sum), sum(row.total), sum(row.credit)]) };
}

export type AgingRow = { customerId: number; externalId: string; customer: string; aging: Aging; credit: Minor };

/** Aging by customer as of a day, from what was posted up to it; credit on account beside it, negative. */
export function agingRows(db: Db, asOf: Day): { rows: AgingRow[]; total: Aging } {
  const spans = spansOf(STANDARD_EDGES, "due");
  const rows = agesOfAll(db, { asOf, by: "due", edges: STANDARD_EDGES, spans, of: "customer", currency: null }).map(({ ages, total, customerId, externalId, customer, credit }): AgingRow => ({ customerId, externalId, customer, credit, aging: named(ages, total) }));
  return { rows, total: totalAging(rows.map((row) => row.aging)) };
}

/** All that is open as of a day, by age. */
export function agingTogether(db: Db, asOf: Day): Aging {
  const ages = agesTogether(db, { asOf, by: "due", spans: spansOf(STANDARD_EDGES, "due"), currency: null });
  return named(ages, sumOf(ages, (sum) => sum));
}

const STANDARD_EDGES = [30, 60, 90] as const;

function named(ages: readonly Minor[], total: Minor): AgingRow["aging"] {
  const [not_due = ZERO, d1_30 = ZERO, d31_60 = ZERO, d61_90 = ZERO, over_90 = ZERO] = ages;
  return { not_due, d1_30, d31_60, d61_90, over_90, total };
}
