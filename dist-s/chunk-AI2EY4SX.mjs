import {
  receivableMovements,
  standingOn
} from "./chunk-W77MXVJI.mjs";
import {
  spanOf,
  spansOf,
  totalAging
} from "./chunk-KA42FKD4.mjs";
import {
  allCustomers,
  headsOf,
  idsByName
} from "./chunk-47CXCVCB.mjs";
import {
  ZERO,
  add,
  dayNumber,
  minor,
  sumOf
} from "./chunk-HBIDXRTT.mjs";

// src/db/ages.ts
function agesByCustomer(db, { asOf, by, spans, currency }) {
  const moves = receivableMovements(db);
  const sums = standingOn(moves, asOf, currency === null ? "book" : "own");
  const spanAt = spansByDay(spans, dayNumber(asOf));
  const found = /* @__PURE__ */ new Map();
  const add2 = (id, sum) => {
    const from = by === "issued" || moves.isNote[id] ? moves.issuedOn : moves.dueOn;
    const span = spanAt(from[id]);
    const customer = moves.customer[id] ?? 0;
    const ages = found.get(customer) ?? spans.map(() => ZERO);
    ages[span] = minor((ages[span] ?? 0) + sum);
    found.set(customer, ages);
  };
  for (let id = 0; id < sums.length; id += 1) {
    const sum = sums[id] ?? 0;
    if (sum !== 0 && (currency ?? moves.currency[id]) === moves.currency[id]) add2(id, sum);
  }
  for (const [id, ages] of found) if (ages.every((sum) => sum === 0)) found.delete(id);
  return found;
}
function spansByDay(spans, today) {
  const known = /* @__PURE__ */ new Map();
  return (from = today) => {
    let span = known.get(from);
    if (span === void 0) known.set(from, span = spanOf(spans, today - from));
    return span;
  };
}
function agesTogether(db, ask) {
  const all = [...agesByCustomer(db, ask).values()];
  return ask.spans.map((_, at) => sumOf(all, (ages) => ages[at] ?? ZERO));
}
function creditsByCustomerAsOf(db, asOf, currency) {
  const [sum, own] = [
    currency === null ? "l.book_amount" : "l.amount",
    currency === null ? "" : `AND r.currency = '${currency}'`
  ];
  return new Map(
    db.all(
      `SELECT r.customer_id AS id, sum(${sum}) AS credit FROM entry_line l CROSS JOIN entry e ON e.id = l.entry_id CROSS JOIN receipt r ON r.id = l.item_id
       WHERE l.account_id IN (SELECT id FROM account WHERE role = 'credits') AND l.item_kind = 'receipt' AND r.customer_id IS NOT NULL ${own} AND e.posted_on <= ? GROUP BY r.customer_id HAVING sum(${sum}) <> 0`,
      asOf
    ).map(({ id, credit }) => [id, credit])
  );
}

// src/server/reports/queries/ages.ts
function agesOfAll(db, asked) {
  const customers = new Map(allCustomers(db).map((customer) => [customer.id, customer]));
  const all = standings(db, asked);
  return idsByName(db).filter((id) => all.has(id)).flatMap((id) => rowOf(customers.get(id), all.get(id), asked));
}
function standings(db, asked) {
  const headOf = asked.of === "group" ? headsOf(db) : (id) => id;
  const all = /* @__PURE__ */ new Map();
  const of = (id) => {
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
function rowOf(customer, { ages, credit } = {}, asked) {
  if (!customer) return [];
  const own = ages ?? asked.spans.map(() => ZERO);
  return [
    {
      customerId: customer.id,
      externalId: customer.externalId,
      customer: customer.name,
      ages: own,
      total: sumOf(own, (sum) => sum),
      credit: credit ?? ZERO
    }
  ];
}
function agingRows(db, asOf) {
  const spans = spansOf(STANDARD_EDGES, "due");
  const rows = agesOfAll(db, {
    asOf,
    by: "due",
    edges: STANDARD_EDGES,
    spans,
    of: "customer",
    currency: null
  }).map(({ ages, total, customerId, externalId, customer, credit }) => ({
    customerId,
    externalId,
    customer,
    credit,
    aging: named(ages, total)
  }));
  return { rows, total: totalAging(rows.map((row) => row.aging)) };
}
function agingTogether(db, asOf) {
  const ages = agesTogether(db, {
    asOf,
    by: "due",
    spans: spansOf(STANDARD_EDGES, "due"),
    currency: null
  });
  return named(
    ages,
    sumOf(ages, (sum) => sum)
  );
}
var STANDARD_EDGES = [30, 60, 90];
function named(ages, total) {
  const [not_due = ZERO, d1_30 = ZERO, d31_60 = ZERO, d61_90 = ZERO, over_90 = ZERO] = ages;
  return { not_due, d1_30, d31_60, d61_90, over_90, total };
}

export {
  agingRows,
  agingTogether
};
