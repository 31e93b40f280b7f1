import type { AgedItem, AgesAsked, AgesFacts, AgesRow } from "@/contracts/reports";
import { type Day, daysBetween, parseDay } from "@/core/calendar";
import { type AgedBy, type Aging, spanOf, spansOf, totalAging } from "@/core/metrics";
import { add, type Currency, currencyOf, type Minor, sumOf, toDecimal, ZERO } from "@/core/money";
import { agesByCustomer, agesTogether, creditsByCustomerAsOf, receivablesIn } from "@/db/ages";
import type { Db } from "@/db/connection";
import {
  allCustomers,
  customerById,
  type CustomerRow,
  familyOf,
  headsOf,
  idsByName,
} from "@/db/customers";
import { balancesAsOf } from "@/db/journal";
import { currenciesWithRates } from "@/db/rates";
import { readSettings, type Settings } from "@/db/settings";
import { openLinesAsOf } from "@/db/statements";
import type { Sheet } from "@/server/output/sheets";
import type { BookContext } from "@/server/runtime/bookContext";

const MOST_EDGES = 8;

/** Reads what is asked; what cannot be read is as the book has it. */
export function agesAsked(query: URLSearchParams, settings: Settings, today: Day): AgesAsked {
  const asOf = parseDay(query.get("as-of") ?? "", "ymd");
  const by: AgedBy = query.get("by") === "issued" ? "issued" : "due";
  const edges = edgesOf(query.get("days") ?? "") ?? settings.agingDays;
  return {
    asOf: asOf.ok ? asOf.value : today,
    by,
    edges,
    spans: spansOf(edges, by),
    of: query.get("of") === "group" ? "group" : "customer",
    currency: currencyOf(query.get("currency") ?? "") ?? null,
  };
}

/** Rising whole days, like `15, 30, 60`; null where the text is none. */
export function edgesOf(text: string): number[] | null {
  const edges = text
    .split(/[,;\s]+/)
    .filter((name) => name !== "")
    .map(Number);
  const rising = edges.every(
    (edge, at) => Number.isInteger(edge) && edge > (edges[at - 1] ?? 0) && edge <= 3650,
  );
  return edges.length > 0 && edges.length <= MOST_EDGES && rising ? edges : null;
}

/** A page of an aging by customer or by group, with the sums of all and the control account of the day. */
export function agesPage(
  db: Db,
  asked: AgesAsked,
  { limit, offset }: { limit: number; offset: number },
): AgesFacts {
  const control =
    asked.currency === null
      ? sumOf(
          balancesAsOf(db, asked.asOf).filter(({ role }) => role === "receivables"),
          ({ balance }) => balance,
        )
      : receivablesIn(db, asked.currency, asked.asOf);
  const all = standings(db, asked);
  const ids = idsByName(db).filter((id) => all.has(id));
  const ages = asked.spans.map((_, at) =>
    sumOf([...all.values()], (own) => own.ages?.[at] ?? ZERO),
  );
  const rows = ids
    .slice(offset, offset + limit)
    .flatMap((id) => rowOf(customerById(db, id), all.get(id), asked));
  return {
    asked,
    rows,
    count: ids.length,
    ages,
    total: sumOf(ages, (sum) => sum),
    credit: sumOf([...all.values()], ({ credit }) => credit ?? ZERO),
    control,
  };
}

/** Every customer or group that has something open or on account on the day, by name. */
export function agesOfAll(db: Db, asked: AgesAsked): AgesRow[] {
  const customers = new Map(allCustomers(db).map((customer) => [customer.id, customer]));
  const all = standings(db, asked);
  return idsByName(db)
    .filter((id) => all.has(id))
    .flatMap((id) => rowOf(customers.get(id), all.get(id), asked));
}

type Standing = { ages?: Minor[]; credit?: Minor };

/** What each customer or group has open by age, and on account; of those that have either. */
function standings(db: Db, asked: AgesAsked): Map<number, Standing> {
  const headOf = asked.of === "group" ? headsOf(db) : (id: number): number => id;
  const all = new Map<number, Standing>();
  const of = (id: number): Standing => {
    const known = all.get(headOf(id)) ?? {};
    all.set(headOf(id), known);
    return known;
  };
  for (const [id, ages] of agesByCustomer(db, asked)) {
    const own = of(id);
    own.ages = own.ages ? own.ages.map((sum, at) => add(sum, ages[at] ?? 0)) : ages;
  }
  for (const [id, sum] of creditsByCustomerAsOf(db, asked.asOf, asked.currency)) {
    const own = of(id);
    own.credit = add(own.credit ?? 0, sum);
  }
  return all;
}

function rowOf(
  customer: CustomerRow | undefined,
  { ages, credit }: Standing = {},
  asked: AgesAsked,
): AgesRow[] {
  if (!customer) return [];
  const own = ages ?? asked.spans.map(() => ZERO);
  return [
    {
      customerId: customer.id,
      externalId: customer.externalId,
      customer: customer.name,
      ages: own,
      total: sumOf(own, (sum) => sum),
      credit: credit ?? ZERO,
    },
  ];
}

/** The items behind a row of the aging, each with its age and column; `shown` is in the currency of the aging. */
export function agedItems(db: Db, customerId: number, asked: AgesAsked): AgedItem[] {
  const ids = asked.of === "group" ? familyOf(db, customerId).map(({ id }) => id) : [customerId];
  return openLinesAsOf(db, ids, asked.asOf)
    .filter(({ currency }) => asked.currency === null || currency === asked.currency)
    .map((item): AgedItem => {
      const on = asked.by === "issued" || item.kind === "credit_note" ? item.issuedOn : item.dueOn;
      const days = daysBetween(on, asked.asOf);
      return {
        id: item.id,
        number: item.number,
        kind: item.kind,
        site: ids.length > 1 ? item.customer : null,
        description: item.description,
        on,
        days,
        span: spanOf(asked.spans, days),
        currency: item.currency,
        balance: item.balance,
        shown: asked.currency === null ? item.bookBalance : item.balance,
      };
    });
}

/** The aging as a table, with columns of its own. */
export function agesSheet(db: Db, asked: AgesAsked): Sheet {
  const currency = asked.currency ?? readSettings(db).currency;
  const sum = (amount: Minor): string => toDecimal(amount, currency);
  return {
    columns: [
      "customer_id",
      "customer",
      "currency",
      ...asked.spans.map(({ words }) => words),
      "total",
      "on_account",
    ],
    rows: agesOfAll(db, asked).map((row) => [
      row.externalId,
      row.customer,
      currency,
      ...row.ages.map(sum),
      sum(row.total),
      sum(row.credit),
    ]),
  };
}

export type AgingRow = {
  customerId: number;
  externalId: string;
  customer: string;
  aging: Aging;
  credit: Minor;
};

/** Aging by customer as of a day, from what was posted up to it; credit on account beside it, negative. */
export function agingRows(db: Db, asOf: Day): { rows: AgingRow[]; total: Aging } {
  const spans = spansOf(STANDARD_EDGES, "due");
  const rows = agesOfAll(db, {
    asOf,
    by: "due",
    edges: STANDARD_EDGES,
    spans,
    of: "customer",
    currency: null,
  }).map(({ ages, total, customerId, externalId, customer, credit }): AgingRow => ({
    customerId,
    externalId,
    customer,
    credit,
    aging: named(ages, total),
  }));
  return { rows, total: totalAging(rows.map((row) => row.aging)) };
}

/** All that is open as of a day, by age. */
export function agingTogether(db: Db, asOf: Day): Aging {
  const ages = agesTogether(db, {
    asOf,
    by: "due",
    spans: spansOf(STANDARD_EDGES, "due"),
    currency: null,
  });
  return named(
    ages,
    sumOf(ages, (sum) => sum),
  );
}

const STANDARD_EDGES = [30, 60, 90] as const;

function named(ages: readonly Minor[], total: Minor): AgingRow["aging"] {
  const [not_due = ZERO, d1_30 = ZERO, d31_60 = ZERO, d61_90 = ZERO, over_90 = ZERO] = ages;
  return { not_due, d1_30, d31_60, d61_90, over_90, total };
}

/** The currencies that an aging may be asked in: the book's, and those that have a rate. */
export function currenciesOf({ db, currency }: BookContext): Currency[] {
  return [currency, ...currenciesWithRates(db)];
}
