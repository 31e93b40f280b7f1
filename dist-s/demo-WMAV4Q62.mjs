import {
  ACH,
  CARD,
  COMMANDS,
  GOODS,
  OPENING_BALANCE,
  OTHER_LINES,
  PRACTICE_ROUTING,
  PracticeProcessor,
  PracticeStore,
  Random,
  activityFile,
  agreeOn,
  creditFrom,
  csv,
  makePeople,
  otherLines,
  practiceAccount,
  practiceCard,
  setRate,
  statementFile,
  sum
} from "./chunk-V2DVVUFA.mjs";
import {
  deliverLetter
} from "./chunk-UUYG74OC.mjs";
import "./chunk-E5CVLFVV.mjs";
import "./chunk-RRDNJEAQ.mjs";
import "./chunk-3DTDTNHT.mjs";
import "./chunk-25VLJY7E.mjs";
import {
  DEFAULT_STEPS,
  chargeOfReceipt,
  draftLetter,
  overdueRows
} from "./chunk-3UEBMBKW.mjs";
import {
  proposalsOf
} from "./chunk-3TMTUJPD.mjs";
import "./chunk-EZF23G65.mjs";
import {
  openPayoutsIn
} from "./chunk-RO3WTR75.mjs";
import {
  lineOfReceipt,
  openBankLines
} from "./chunk-SJVNGOAI.mjs";
import {
  lastLetterId,
  queuedLetters
} from "./chunk-M4LGBKXJ.mjs";
import "./chunk-KA42FKD4.mjs";
import {
  chargesToMatch,
  receiptsInState
} from "./chunk-ZD2GVI7S.mjs";
import "./chunk-WAZVMD4U.mjs";
import "./chunk-JTB3IXVD.mjs";
import "./chunk-NRWURLOU.mjs";
import {
  runCommand
} from "./chunk-TFINCUNW.mjs";
import "./chunk-H7MVWNRR.mjs";
import {
  arrivedFile,
  bookExists,
  bookFile,
  createBook,
  inTheMaking,
  keptFile,
  practiceFile
} from "./chunk-HCLLIY37.mjs";
import "./chunk-55UEKTAP.mjs";
import {
  EXIT,
  failed
} from "./chunk-VFPHQTCB.mjs";
import "./chunk-VU6MJZGF.mjs";
import {
  guessMapping,
  readTable
} from "./chunk-KO2L2HI2.mjs";
import "./chunk-IAIVUFHX.mjs";
import {
  openItemByNumber
} from "./chunk-KRT4445E.mjs";
import "./chunk-JF77VF3J.mjs";
import {
  linkOf
} from "./chunk-NIPXDDDQ.mjs";
import {
  customerByExternalId,
  customerIdByName
} from "./chunk-47CXCVCB.mjs";
import "./chunk-HT5266AL.mjs";
import {
  readSettings,
  revaluations
} from "./chunk-WZI5MHZ3.mjs";
import {
  add,
  addBankingDays,
  addDays,
  currencyOf,
  day,
  discountOn,
  dueDay,
  minor,
  mulDiv,
  parseTerms,
  percentOf,
  ratioOf,
  sumOf,
  toDecimal,
  weekday
} from "./chunk-HBIDXRTT.mjs";
import {
  ok
} from "./chunk-V6I26S2F.mjs";
import "./chunk-VIXS4KXC.mjs";

// src/cli/demo.ts
import { spawn } from "node:child_process";
import { existsSync } from "node:fs";
import { join as join2 } from "node:path";

// src/demo/make.ts
import { createHash } from "node:crypto";
import { mkdirSync, renameSync, rmSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";

// src/db/onlyInvoices.ts
function onlyInvoices(db, { least, most, limit }) {
  return db.all(
    `SELECT i.id, i.number, i.customer_id AS customerId, c.name, i.balance
     FROM open_item i
     JOIN customer c ON c.id = i.customer_id
     WHERE i.kind = 'invoice' AND i.balance BETWEEN ? AND ? AND i.balance = i.total
       AND c.parent_id IS NULL
     GROUP BY c.id
     HAVING count(*) = 1
     ORDER BY i.due_on, i.id
     LIMIT ?`,
    least,
    most,
    limit
  );
}

// src/demo/abroad.ts
import { stringify } from "csv-stringify/sync";
var EUR = currencyOf("EUR");
var FROM = day("2026-07-31");
var TO = day("2026-11-24");
var PEOPLE = [
  ["X901", "Atelier Brume", "compta@atelierbrume.example"],
  ["X902", "Werkstatt Lindenhof", "buero@lindenhof.example"],
  ["X903", "Moosewillow Clay Guild", "treasurer@moosewillow.example"]
];
var bill = ({ number, at, issuedOn, total, paidOn }) => ({
  number,
  customer: PEOPLE[at],
  issuedOn: day(issuedOn),
  currency: at === 2 ? "CAD" : "EUR",
  total,
  paidOn: paidOn === null ? null : day(paidOn)
});
var BILLS = [
  bill({ number: "EX-301", at: 0, issuedOn: "2026-08-04", total: 64e3, paidOn: "2026-09-01" }),
  bill({ number: "EX-302", at: 1, issuedOn: "2026-08-18", total: 128500, paidOn: "2026-09-15" }),
  bill({ number: "EX-303", at: 0, issuedOn: "2026-09-08", total: 72400, paidOn: "2026-10-06" }),
  bill({ number: "EX-304", at: 2, issuedOn: "2026-09-10", total: 93800, paidOn: null }),
  bill({ number: "EX-305", at: 1, issuedOn: "2026-09-22", total: 118e3, paidOn: "2026-10-27" }),
  bill({ number: "EX-306", at: 0, issuedOn: "2026-10-13", total: 69900, paidOn: "2026-11-10" }),
  bill({ number: "EX-307", at: 1, issuedOn: "2026-10-27", total: 131250, paidOn: "2026-11-18" }),
  bill({ number: "EX-308", at: 0, issuedOn: "2026-11-12", total: 58600, paidOn: null }),
  bill({ number: "EX-309", at: 2, issuedOn: "2026-11-16", total: 41200, paidOn: null })
];
function abroadRates() {
  const weeks = [];
  for (let on = FROM; on <= TO; on = addDays(on, 7)) weeks.push(on);
  return [...weeks, day("2026-10-31"), TO].flatMap((onDay, at) => [
    { currency: "EUR", onDay, rate: (1.0791 + 21e-4 * (at * 5 % 9)).toFixed(4) },
    { currency: "CAD", onDay, rate: (0.7284 + 13e-4 * (at * 4 % 7)).toFixed(4) }
  ]);
}
var chargesAbroad = (on) => BILLS.filter(({ paidOn, currency }) => paidOn === on && currency === "EUR").map(
  ({ number, customer, total }) => ({ number, name: customer[1], email: customer[2], total })
);
var within = (on, span) => on > span.from && on <= span.to;
var csv2 = (rows) => stringify(
  rows.map((row) => [...row]),
  { record_delimiter: "windows" }
);
var sum2 = (amount) => toDecimal(amount, EUR);
function abroadCustomers() {
  return csv2([
    ["customer_id", "name", "email", "parent_id"],
    ...PEOPLE.map((entry) => [...entry, ""])
  ]);
}
function abroadInvoices(span) {
  return csv2([
    [
      "invoice_number",
      "customer_id",
      "issued_on",
      "due_on",
      "currency",
      "total",
      "balance",
      "tax",
      "po_number",
      "terms",
      "description"
    ],
    ...BILLS.filter(({ issuedOn }) => within(issuedOn, span)).map((bill2) => [
      bill2.number,
      bill2.customer[0],
      bill2.issuedOn,
      addDays(bill2.issuedOn, 30),
      bill2.currency,
      sum2(bill2.total),
      sum2(bill2.total),
      "0.00",
      "",
      "n/30",
      "glazes and tools, shipped abroad"
    ])
  ]);
}

// src/demo/types.ts
var TODAY = day("2026-11-24");
var CUT_OVER = day("2025-05-31");

// src/demo/files.ts
var within2 = (on, { from, to }) => on > from && on <= to;
var phoneOf = (at) => at % 11 === 10 ? "" : `+1 312 555 01${String(at % 100).padStart(2, "0")}`;
function customersFile({ people }) {
  return csv([
    ["customer_id", "name", "email", "phone", "parent_id"],
    ...people.map((person, at) => [
      person.id,
      person.name,
      person.email,
      phoneOf(at),
      person.parent ?? ""
    ])
  ]);
}
function invoicesFile(world, span) {
  const paidBefore = new Set(
    world.invoices.filter((invoice) => invoice.dueOn <= CUT_OVER).map(({ number }) => number)
  );
  for (const payment of world.payments)
    for (const line of payment.given ?? []) paidBefore.delete(line.number);
  const rows = world.invoices.filter(
    (invoice) => within2(invoice.issuedOn, span) && !paidBefore.has(invoice.number)
  );
  return csv([
    [
      "invoice_number",
      "customer_id",
      "issued_on",
      "due_on",
      "currency",
      "total",
      "balance",
      "tax",
      "po_number",
      "terms",
      "description"
    ],
    ...rows.map((row) => [
      row.number,
      row.person.id,
      row.issuedOn,
      row.dueOn,
      "USD",
      sum(row.total),
      sum(row.total),
      sum(row.tax),
      row.po,
      row.terms,
      row.description
    ])
  ]);
}

// src/demo/followUp.ts
var AS_THE_BOOK = {
  ladderId: null,
  language: "en",
  byItself: false,
  smallest: null,
  quietUntil: null
};
function demoFollowUp(db, act) {
  const idOf = (name) => customerIdByName(db, name);
  ladders(act, idOf);
  byThemselves(db, act, idOf);
  persons(db, act, idOf);
}
function ladders(act, idOf) {
  const none = { kind: "none", fixed: 0, percent: "0", grace: 0, least: 0, most: null };
  act("setLadder", {
    id: 1,
    name: "Standard",
    steps: DEFAULT_STEPS.map(({ step, ...one }) => ({
      ...one,
      byItself: step === 1,
      fee: step === 3 ? 1500 : 0
    })),
    fee: { ...none, kind: "monthly", percent: "1.5", grace: 10, least: 100 }
  });
  const { id: ladderId } = act("setLadder", {
    name: "Districts",
    steps: [
      { fromDays: 10, act: "letter", attach: "statement" },
      { fromDays: 30, act: "letter", tone: 2, attach: "invoices" },
      { fromDays: 45, act: "task" },
      { fromDays: 60, act: "call" }
    ],
    fee: none
  });
  for (const name of ["Brightwater Unified", "Tallow County Schools"])
    act("setFollowUp", { ...AS_THE_BOOK, customerId: idOf(name), ladderId });
}
function byThemselves(db, act, idOf) {
  act("changeSettings", {
    linkBase: "https://accounts.kestrelrow.example",
    letterRun: { weekdays: [2, 4], hour: 9 }
  });
  const late = overdueRows(db, TODAY, proposalsOf(db)).filter(
    ({ state, next, followed }) => state === "ready" && next.step.step === 1 && followed.ladderId === null
  ).slice(0, 4);
  for (const { customer } of late)
    act("setFollowUp", { ...AS_THE_BOOK, customerId: customer.id, byItself: true });
  const token = linkOf(db, idOf("Fernhill Studio"));
  act("noteVisit", { token, what: "opened" });
  act("noteVisit", { token, what: "statement" });
}
function persons(db, act, idOf) {
  const person = { duty: "", email: "", phone: "", letters: "none", calls: false };
  act("setContactPersons", {
    customerId: idOf("Brightwater Unified"),
    persons: [
      {
        ...person,
        name: "Ms Okafor",
        duty: "accounts payable",
        email: "payables@brightwater.example",
        phone: "+1 312 555 0142",
        letters: "to",
        calls: true
      },
      {
        ...person,
        name: "Mr Adeyemi",
        duty: "purchasing",
        email: "purchasing@brightwater.example",
        letters: "copy"
      }
    ]
  });
  act("setContactPersons", {
    customerId: idOf("Tallow County Schools"),
    persons: [
      {
        ...person,
        name: "Ms Ferreira",
        duty: "business office",
        email: "office@tallowschools.example",
        phone: "+1 312 555 0177",
        letters: "to",
        calls: true
      }
    ]
  });
  const last = lastLetterId(db);
  if (last !== void 0)
    act("letterCameBack", { letterId: last, why: "550 5.1.1 no such mailbox here" });
}

// src/demo/live.ts
var USD = currencyOf("USD");
var EUR2 = currencyOf("EUR");
var STEADY = { reserves: false, refused: false };
var BEGINNINGS = ["4", "51", "6011"];
function live(store, world) {
  agreeOn(store, {
    card: { ...CARD, ...STEADY, shape: "net" },
    ach: { ...ACH, ...STEADY },
    euro: { ...CARD, ...STEADY, currency: EUR2, perMille: 34, payoutDays: 3, shape: "dated" }
  });
  const demo2 = new Demo(store, world.people);
  const rates = new Map(
    abroadRates().filter(({ currency }) => currency === EUR2).map(({ onDay, rate }) => [onDay, rate])
  );
  store.together(() => {
    for (let on = addDays(CUT_OVER, 1); on <= TODAY; on = addDays(on, 1)) {
      const rate = rates.get(on);
      if (rate !== void 0) setRate(store, EUR2, rate);
      demo2.processor.day(on);
      for (const payment of world.payments) if (payment.paidOn === on) demo2.pay(payment);
      for (const { number, name, email, total } of chargesAbroad(on))
        demo2.charge(demo2.card(name, on), {
          ...{ key: number, amount: minor(total), currency: EUR2 },
          ...{ payerName: name, payerEmail: email, reference: number, on }
        });
      for (const extra of world.extras) if (extra.on === on) demo2.goBack(extra);
      otherLines(store, on);
    }
  });
}
var Demo = class {
  constructor(store, people) {
    this.store = store;
    this.processor = new PracticeProcessor(store);
    this.places = new Map(people.map(({ id }, at) => [id, at]));
  }
  store;
  processor;
  methods = /* @__PURE__ */ new Map();
  places;
  pay({ id, person, via, paidOn, amount, payerName: payerName2, payerEmail, memo, returns }) {
    if (via === "bank") return creditFrom(this.store, paidOn, { name: payerName2, amount, memo });
    const token = via === "card" ? this.card(person.id, paidOn) : this.account(person.id, returns);
    this.charge(token, {
      ...{ key: id, amount, currency: USD },
      ...{ payerName: payerName2, payerEmail, reference: memo, on: paidOn }
    });
  }
  charge(token, ask) {
    must(this.processor.charge({ ...ask, token, present: true }));
  }
  card(of, on) {
    const at = this.places.get(of) ?? 0;
    const number = practiceCard(at, "00", BEGINNINGS[at % BEGINNINGS.length]);
    return this.known(
      of,
      () => must(this.processor.takeCard({ number, expiry: "12/31", code: "123" }, on))
    );
  }
  account(of, returns = "00") {
    const account = practiceAccount(this.places.get(of) ?? 0, returns);
    return this.known(
      `${of} ${returns}`,
      () => must(this.processor.takeAccount({ routing: PRACTICE_ROUTING, account, again: account }))
    );
  }
  known(of, take) {
    const token = this.methods.get(of) ?? take().token;
    this.methods.set(of, token);
    return token;
  }
  goBack({ kind, on, payment }) {
    const charge = this.store.chargeByKey(payment);
    if (!charge) throw new Error(`the demo has no payment ${payment}`);
    const { id: chargeId, amount } = charge;
    if (kind === "dispute") this.processor.dispute(charge, on);
    else must(this.processor.refund({ key: `refund of ${payment}`, chargeId, amount, on }));
  }
};
function must(result) {
  if (!result.ok) throw new Error(`the demo's world: ${JSON.stringify(result.error)}`);
  return result.value;
}

// src/demo/writing.ts
var RENTED = [
  {
    name: "Alder Lane Gallery",
    what: "Shelf in the shop",
    rate: "180",
    from: day("2026-12-01"),
    makes: "draft"
  },
  {
    name: "Fernhill Studio",
    what: "Kiln room, shared",
    rate: "420",
    from: day("2026-12-01"),
    makes: "draft"
  },
  {
    name: "Heron Point Pottery Co-op",
    what: "Studio 4",
    rate: "615.50",
    from: day("2026-12-09"),
    countedFrom: day("2026-12-01"),
    makes: "approved"
  }
];
function demoWriting(db, act) {
  for (const { name, what, rate, from, countedFrom, makes } of RENTED) {
    const customerId = customerIdByName(db, name);
    if (customerId === 0) throw new Error(`the demo has no ${name}`);
    act("setSchedule", {
      name: what,
      plan: {
        startsOn: from,
        countedFrom: countedFrom ?? null,
        everyCount: 1,
        everyUnit: "month",
        ahead: 7,
        makes
      },
      billed: {
        customerId,
        terms: "n/10",
        lines: [{ description: `${what}, {month}`, quantity: "1", rate }]
      }
    });
  }
  act("runSchedules", {});
  act("writeDraft", {
    draft: {
      customerId: customerIdByName(db, "Fernhill Studio"),
      issuedOn: TODAY,
      terms: "2/10 n/30",
      poNumber: "FS-118",
      lines: [
        { item: "CL25", description: "Stoneware, 25 kg bags", quantity: "24", rate: "24.25" },
        {
          item: "GL-C",
          description: "Celadon glaze, litres",
          quantity: "7.5",
          rate: "18.4",
          discountPercent: "10"
        },
        { description: "Delivery", quantity: "1", rate: "65" }
      ]
    }
  });
}

// src/demo/payments.ts
function makePayments(people, invoices, notes, random) {
  const payments = [];
  const names = new Map(people.map((person) => [person.id, person.name]));
  for (const { batch, paidOn } of batchesOf(invoices, random)) {
    if (paidOn <= CUT_OVER || paidOn >= TODAY) continue;
    payments.push(
      paymentOf({
        batch,
        notes: batch.flatMap(({ number }) => notes.get(number) ?? []),
        paidOn,
        random,
        index: payments.length,
        names
      })
    );
  }
  return payments;
}
function batchesOf(invoices, random) {
  const batches = /* @__PURE__ */ new Map();
  for (const invoice of invoices) {
    const { habit, id, parent } = invoice.person;
    const late = habit.lateDays + random.whole(-4, 5) + (random.chance(0.04) ? random.whole(10, 50) : 0);
    if (random.chance(invoice.issuedOn > "2026-08-10" ? 0.045 : 0)) continue;
    const least = 1 - (habit.terms === "n/10" ? 8 : 20);
    const paidOn = banked(addDays(invoice.dueOn, Math.max(late, least)), invoice.issuedOn);
    const key = habit.together ? `${parent ?? id}|${sameWeek(paidOn)}` : invoice.number;
    const known = batches.get(key);
    batches.set(key, {
      batch: [...known?.batch ?? [], invoice],
      paidOn: habit.together ? maxDay(known?.paidOn, paidOn) : paidOn
    });
  }
  return [...batches.values()];
}
var maxDay = (a, b) => a !== void 0 && a > b ? a : b;
var sameWeek = (on) => addDays(on, 1 - weekday(on));
var banked = (on, notBefore) => addBankingDays(on <= notBefore ? addDays(notBefore, 1) : on, 0);
function paymentOf({ batch, notes, paidOn, random, index, names }) {
  const [first] = batch;
  if (!first) throw new RangeError("a payment pays something");
  const { person } = first;
  const payer = names.get(person.parent ?? person.id) ?? person.name;
  const given = batch.map((invoice) => givenTo(invoice, paidOn));
  const only = given[0];
  if (only && given.length === 1 && only.discount === 0 && random.chance(0.02)) {
    const short = minor(Math.min(random.whole(5, 480), only.amount - 1));
    given[0] = { ...only, amount: add(only.amount, -short), smallDifference: short };
  }
  for (const note of notes)
    if (note.issuedOn <= paidOn)
      given.push({
        number: note.number,
        amount: note.total,
        discount: minor(0),
        smallDifference: minor(0)
      });
  const via = viaOf(person);
  const amount = sumOf(given, (line) => line.amount);
  return {
    id: `${prefixOf(via)}_${String(10001 + index)}`,
    person,
    via,
    paidOn,
    amount,
    payerName: payerName(payer, via, random),
    payerEmail: via === "bank" ? "" : person.email,
    memo: memoOf(person, batch, via, random),
    given
  };
}
function givenTo({ number, total, terms, issuedOn }, paidOn) {
  const parsed = parseTerms(terms);
  const percent = ratioOf("2");
  const takes = parsed.ok && discountOn(issuedOn, parsed.value, paidOn, 0)?.inTime === true;
  const discount = takes && percent.ok ? percentOf(total, percent.value, "half-even") : minor(0);
  return { number, amount: add(total, -discount), discount, smallDifference: minor(0) };
}
function viaOf(person) {
  if (person.habit.pays === "card") return "card";
  if (person.habit.pays === "ach_debit") return "ach";
  return "bank";
}
function prefixOf(via) {
  if (via === "card") return "ch";
  if (via === "ach") return "ad";
  return "bk";
}
function payerName(name, via, random) {
  if (via !== "card")
    return name.toUpperCase().replace(/[^A-Z0-9 &]/g, "").slice(0, 16).trim();
  return random.chance(0.12) ? name.split(" ").slice(0, 2).join(" ") : name;
}
function memoOf(person, batch, via, random) {
  const numbers = batch.map((invoice) => invoice.number);
  if (via === "bank") return numbers.join(" ");
  switch (person.habit.memo) {
    case "number":
      return random.chance(0.5) ? `invoice ${numbers.join(", ")}` : numbers.join(" and ");
    case "digits":
      return `inv #${numbers.join(" #")}`;
    case "name":
      return batch[0]?.description.toLowerCase() ?? "";
    case "none":
      return "";
    default:
      throw person.habit.memo;
  }
}

// src/demo/roughen.ts
function roughen(payments, random) {
  const last = payments.filter(
    (payment) => payment.paidOn > "2026-11-11" && payment.via !== "bank" && payment.id !== "ch_19001"
  );
  for (const [index, payment] of last.entries()) roughenOne(payment, index, random);
  const [stranger] = last;
  if (stranger) payments.push(...STRANGERS.map((_, index) => strangersPayment(stranger, index)));
}
function roughenOne(payment, index, random) {
  if (index % 5 === 1)
    Object.assign(payment, {
      memo: "",
      payerEmail: `${payment.person.id.toLowerCase()}${index}@mail.example`,
      payerName: payment.payerName.split(" ").slice(0, 2).join(" ")
    });
  else if (index % 5 === 3) {
    const amount = minor(payment.amount - random.pick([380, 1260, 2500]));
    if (amount > 0) payment.amount = amount;
  } else if (payment.memo !== "" && random.chance(0.4))
    payment.memo = random.pick([
      "",
      "glaze order",
      "thank you",
      (payment.given?.[0]?.number ?? "").slice(0, 4),
      "november"
    ]);
}
var STRANGERS = [
  ["R. Castellano", 31550, "deposit for wheel"],
  ["Jo Amberley", 8400, "workshop fee"],
  ["KLN SERVICES", 62250, "ref 88213"]
];
function strangersPayment(like, index) {
  const [name, cents, memo] = STRANGERS[index] ?? STRANGERS[0];
  const on = addBankingDays(day("2026-11-16"), index);
  const amount = minor(cents);
  return {
    ...like,
    id: `ch_1950${index}`,
    via: "card",
    paidOn: on,
    amount,
    payerName: name,
    payerEmail: index === 2 ? "" : `${name.toLowerCase().replace(/[^a-z]/g, "")}@mail.example`,
    memo,
    given: null
  };
}

// src/demo/stories.ts
function tellStories({ people, invoices, payments, extras, random }) {
  const of = (name) => {
    const found = people.find((person) => person.name === name);
    if (!found) throw new Error(`no ${name}`);
    return found;
  };
  for (const [name, from] of PAYING_NOTHING) paysNothing(payments, of(name), day(from));
  payTwice(payments);
  payTwiceAndRefund(payments, extras);
  comeBack(payments);
  dispute(payments, extras);
  lump(of("Brightwater Unified"), invoices, payments);
  roughen(payments, random);
  begin(invoices, payments);
}
var PAYING_NOTHING = [
  ["Emberline Studio", "2026-07-20"],
  ["Larkspur Ceramics Guild", "2026-08-20"],
  ["Fernhill Studio", "2026-09-15"],
  ["Cobalt Row Ceramics", "2026-10-10"]
];
function paysNothing(payments, person, from) {
  for (let at = payments.length - 1; at >= 0; at -= 1)
    if (payments[at]?.person.id === person.id && (payments[at]?.paidOn ?? "") >= from)
      payments.splice(at, 1);
}
var isPlain = ({ via, given }) => via === "card" && given?.length === 1 && given[0]?.smallDifference === 0;
var between = (on, from, to) => on >= from && on <= to;
function payTwice(payments) {
  const twice = payments.filter((payment) => isPlain(payment) && between(payment.paidOn, "2026-11-06", "2026-11-11")).reduce(
    (last, payment) => last && last.paidOn >= payment.paidOn ? last : payment,
    void 0
  );
  if (!twice) return;
  const on = addBankingDays(twice.paidOn, 3);
  payments.push({ ...twice, id: "ch_19001", paidOn: on, given: [] });
}
function payTwiceAndRefund(payments, extras) {
  const earlier = payments.find((payment) => isPlain(payment) && payment.paidOn >= "2026-08-10");
  if (!earlier) return;
  const on = addBankingDays(earlier.paidOn, 1);
  payments.push({ ...earlier, id: "ch_19000", paidOn: on, given: [] });
  extras.push({ kind: "refund", on: addBankingDays(on, 8), payment: "ch_19000" });
}
function comeBack(payments) {
  const back = payments.find(({ via, paidOn }) => via === "ach" && paidOn === "2026-11-09");
  if (back) Object.assign(back, { paidOn: day("2026-11-10"), returns: "01" });
}
function begin(invoices, payments) {
  const late = invoices.find(({ number: number2 }) => number2 === "20630");
  if (!late) return;
  const { number, person, total } = late;
  const before = payments.findIndex(({ given }) => given?.some((line) => line.number === number));
  if (before >= 0) payments.splice(before, 1);
  payments.push({
    id: "ad_19950",
    person,
    via: "ach",
    paidOn: day("2026-11-20"),
    amount: total,
    payerName: person.name,
    payerEmail: person.email,
    memo: number,
    given: [{ number, amount: total, discount: minor(0), smallDifference: minor(0) }]
  });
}
function dispute(payments, extras) {
  const disputed = payments.find(
    ({ via, paidOn, amount }) => via === "card" && between(paidOn, "2026-10-12", "2026-10-30") && amount > 2e4 && amount < 9e4
  );
  if (disputed) extras.push({ kind: "dispute", on: day("2026-11-17"), payment: disputed.id });
}
function lump(district, invoices, payments) {
  const paid = new Set(
    payments.flatMap((payment) => payment.given?.map(({ number }) => number) ?? [])
  );
  const four = invoices.filter(
    (invoice) => (invoice.person.parent === district.id || invoice.person.id === district.id) && invoice.issuedOn >= "2026-10-19" && invoice.issuedOn <= "2026-11-13" && (!paid.has(invoice.number) || invoice.issuedOn >= "2026-11-02")
  ).slice(-4);
  const numbers = new Set(four.map(({ number }) => number));
  for (let at = payments.length - 1; at >= 0; at -= 1)
    if (payments[at]?.given?.some(({ number }) => numbers.has(number))) payments.splice(at, 1);
  const given = four.map((invoice) => ({
    number: invoice.number,
    amount: invoice.total,
    discount: minor(0),
    smallDifference: minor(0)
  }));
  const [first = "", ...rest] = four.map(({ number }) => number);
  payments.push({
    id: "bk_19900",
    person: district,
    via: "bank",
    paidOn: day("2026-11-18"),
    amount: sumOf(given, (line) => line.amount),
    payerName: "BRIGHTWATER UNIF",
    payerEmail: "",
    memo: `${first} ${rest.map((number) => number.slice(-3)).join(" ")}`,
    given
  });
}

// src/demo/world.ts
var FIRST = day("2025-04-14");
function makeWorld() {
  const random = new Random(20261124);
  const people = makePeople(random);
  const billed = makeInvoices(people, random);
  const notes = makeCreditNotes(billed);
  const payments = makePayments(people, billed, notes, random);
  const invoices = [...billed, ...notes.values()].sort((a, b) => {
    if (a.issuedOn < b.issuedOn) return -1;
    if (a.issuedOn > b.issuedOn) return 1;
    return 0;
  });
  const extras = [];
  tellStories({ people, invoices, payments, extras, random });
  payments.sort((a, b) => {
    if (a.paidOn < b.paidOn) return -1;
    if (a.paidOn > b.paidOn) return 1;
    return 0;
  });
  return { people, invoices, payments, extras };
}
function makeInvoices(people, random) {
  const drafts = [];
  for (const person of people) {
    for (let on = FIRST; on <= TODAY; on = addDays(on, 1)) {
      if (weekday(on) > 5) continue;
      if (person.habit.plan > 0 && on.endsWith("-03"))
        drafts.push(
          invoiceOf({
            person,
            issuedOn: on,
            total: minor(person.habit.plan),
            description: "Kiln plan",
            po: ""
          })
        );
      if (random.chance(person.habit.orders / 21)) drafts.push(order(person, on, random));
    }
  }
  drafts.sort((a, b) => {
    if (a.issuedOn < b.issuedOn) return -1;
    if (a.issuedOn > b.issuedOn) return 1;
    return 0;
  });
  return drafts.map((draft, index) => ({ ...draft, number: String(17950 + index) }));
}
function makeCreditNotes(billed) {
  const broken = billed.filter(
    (invoice, at) => at % 11 === 7 && invoice.description.endsWith("bags") && invoice.person.parent === null && !invoice.terms.includes("/10 ") && invoice.total > 12e3
  );
  return new Map(
    broken.map((invoice) => {
      const total = minor(-mulDiv(invoice.total, 1, 8, "half-even"));
      const issuedOn = addBankingDays(addDays(invoice.issuedOn, 2), 0);
      return [
        invoice.number,
        {
          ...invoice,
          number: `CN-${invoice.number}`,
          issuedOn,
          dueOn: issuedOn,
          total,
          tax: mulDiv(total, 6, 106, "half-even"),
          po: "",
          description: "Broken bags"
        }
      ];
    })
  );
}
function order(person, on, random) {
  if (random.chance(0.02))
    return invoiceOf({
      person,
      issuedOn: on,
      total: minor(random.whole(24, 68) * 1e4),
      description: "Kiln, front loading",
      po: `PO ${random.whole(1e3, 9999)}`
    });
  const [words, price, most] = random.pick(GOODS);
  return invoiceOf({
    person,
    issuedOn: on,
    total: minor(price * random.whole(1, most) + random.pick([0, 0, 1250, 1895])),
    description: words,
    po: person.parent || random.chance(0.15) ? `P-${random.whole(1e4, 99999)}` : ""
  });
}
function invoiceOf({
  person,
  issuedOn,
  total,
  description,
  po
}) {
  const terms = parseTerms(person.habit.terms);
  const dueOn = terms.ok ? dueDay(issuedOn, terms.value) : issuedOn;
  const tax = person.habit.terms === "2/10 n/30" || description === "Kiln plan" ? minor(0) : mulDiv(total, 6, 106, "half-even");
  return { person, issuedOn, dueOn, total, tax, po, terms: person.habit.terms, description };
}

// src/demo/make.ts
var EUR3 = currencyOf("EUR");
var DEMO_BOOK = "kestrel-row";
var MAKING = inTheMaking(DEMO_BOOK);
var PEOPLE2 = ["Mara Voss", "Theo Lindqvist"];
var WORKED_TO = day("2026-11-11");
var TAKEN_TO = day("2026-11-20");
async function makeDemoBook() {
  rmSync(dirname(bookFile(MAKING)), { recursive: true, force: true });
  const made = createBook(MAKING, {
    name: "Kestrel Row Clay & Kiln",
    currency: "USD",
    timeZone: "America/Chicago",
    cutOverOn: CUT_OVER,
    replyTo: "accounts@kestrelrow.example",
    clock: addDays(CUT_OVER, 1)
  });
  if (!made.ok) return made;
  const store = new PracticeStore(practiceFile(MAKING));
  const world = makeWorld();
  live(store, world);
  const maker = new Maker(made.value, store, world);
  maker.setUp();
  for (let on = addDays(CUT_OVER, 2); on < TAKEN_TO; on = addDays(on, 7)) {
    if (on > "2026-11-01" && on < "2026-11-09") maker.promiseToBreak();
    maker.week(on);
  }
  maker.week(TAKEN_TO);
  maker.finish();
  for (const id of queuedLetters(made.value)) await deliverLetter(made.value, MAKING, id);
  store.close();
  made.value.close();
  renameSync(dirname(bookFile(MAKING)), dirname(bookFile(DEMO_BOOK)));
  return ok(null);
}
var Maker = class {
  constructor(db, store, world) {
    this.db = db;
    this.store = store;
    this.world = world;
    this.byKey = new Map(world.payments.map((payment) => [payment.id, payment]));
  }
  db;
  store;
  world;
  keys = 0;
  done = day("2025-01-01");
  byKey;
  setUp() {
    this.do("addBankAccount", {
      code: "operating",
      name: "Operating bank",
      lastFour: "4417",
      openingBalance: OPENING_BALANCE
    });
    this.do("addProcessorAccount", {
      code: "card",
      name: "card account",
      delayDays: 2,
      descriptor: "PRACTICE PROC CARD"
    });
    this.do("addProcessorAccount", {
      code: "ach",
      name: "ACH account",
      delayDays: 1,
      descriptor: "PRACTICE PROC ACH"
    });
    this.agreeRates();
    this.do("addProcessorAccount", {
      code: "euro",
      name: "card account in EUR",
      delayDays: 3,
      descriptor: "PRACTICE PROC EURO",
      currency: "EUR"
    });
    this.do("setRates", { rates: abroadRates() });
    this.takeIn({
      kind: "customers",
      name: "customers.csv",
      text: customersFile(this.world),
      account: null,
      saveAs: "our customers"
    });
    this.takeIn({
      kind: "customers",
      name: "customers-abroad.csv",
      text: abroadCustomers(),
      account: null,
      saveAs: "our customers"
    });
  }
  agreeRates() {
    this.do("agreeRate", {
      account: "card",
      method: "card",
      from: "2025-06-01",
      percent: "2.9",
      fixed: 30
    });
    this.do("agreeRate", {
      account: "card",
      method: "card",
      from: "2026-10-01",
      percent: "2.8",
      fixed: 30
    });
    this.do("agreeRate", {
      account: "ach",
      method: "ach_debit",
      from: "2025-06-01",
      percent: "0.8",
      fixed: 0,
      most: 500
    });
  }
  /**
   * A week's round: files in, the sure ones posted, the rest placed by hand, the bank explained,
   * letters twice a month.
   */
  week(to) {
    if (to <= this.done) return;
    const span = { from: this.done, to };
    this.do("changeSettings", { clock: to });
    this.takeIn({
      kind: "invoices",
      name: `invoices-${to}.csv`,
      text: invoicesFile(this.world, span),
      account: null,
      saveAs: "our invoices"
    });
    const after = { from: span.from < CUT_OVER ? CUT_OVER : span.from, to };
    this.activity("card", after, "card account");
    this.activity("ach", after, "ACH account");
    this.takeIn({
      kind: "invoices",
      name: `invoices-abroad-${to}.csv`,
      text: abroadInvoices(span),
      account: null,
      saveAs: "our invoices"
    });
    this.activity("euro", after, "card account in EUR");
    this.takeIn({
      kind: "bank",
      name: `statement-${to}.csv`,
      text: statementFile(this.store, { after: after.from, to }, OPENING_BALANCE) ?? "",
      account: "operating",
      saveAs: "operating bank"
    });
    this.done = to;
    this.explainBank();
    this.fromAbroad(to);
    this.match();
    if (to <= "2026-11-08" && Number(to.slice(8)) % 14 < 7) this.writeLetters(to);
  }
  /** A processor account's file of a week. */
  activity(account, { from, to }, saveAs) {
    this.takeIn({
      kind: "processor",
      name: `${account}-${to}.csv`,
      text: activityFile(this.store, account, to, from) ?? "",
      account,
      saveAs
    });
  }
  /** Lines that are not of this job get a rule the first time they are seen. */
  explainBank() {
    for (const words of OTHER_LINES) {
      const line = openBankLines(this.db).find((bankLine) => bankLine.description.includes(words));
      if (line)
        this.do("explainLine", { lineId: line.id, as: "elsewhere", rule: { contains: words } });
    }
  }
  match() {
    const sure = proposalsOf(this.db).filter((proposal) => proposal.decision === "sure");
    const waiting = new Map(
      receiptsInState(this.db, "to_match").map((receipt) => [receipt.id, receipt])
    );
    const right = sure.filter(
      (proposal) => (waiting.get(proposal.receiptId)?.paidOn ?? TODAY) <= WORKED_TO && this.isRight(proposal)
    ).map(({ receiptId }) => receiptId);
    if (right.length > 0) this.do("postSure", { receiptIds: right });
    for (const receipt of receiptsInState(this.db, "to_match").filter(
      ({ paidOn }) => paidOn <= WORKED_TO
    )) {
      const payment = this.paymentOf(receipt.id);
      if (payment) this.placeByTruth(receipt.id, payment);
    }
  }
  /**
   * Charges from abroad go to their invoices, payouts to the line they came in; the last ones are
   * left to be done. The end of October is revalued.
   */
  fromAbroad(to) {
    for (const entry of chargesToMatch(this.db, EUR3)) {
      const item = openItemByNumber(this.db, this.store.charge(entry.charge)?.key ?? "");
      if (item && entry.paidOn <= WORKED_TO)
        this.do("applyReceipt", {
          receiptId: entry.receiptId,
          customerId: item.customerId,
          lines: [{ itemId: item.id, amount: entry.unidentified }]
        });
    }
    for (const payout of openPayoutsIn(this.db, EUR3)) {
      const line = openBankLines(this.db).find(
        ({ description }) => description.endsWith(payout.externalId.toUpperCase())
      );
      if (line && payout.paidOn <= WORKED_TO)
        this.do("tiePayout", { payoutId: payout.id, bankLineIds: [line.id] });
    }
    if (to > "2026-11-01" && revaluations(this.db).length === 0)
      this.do("revalue", { asOf: day("2026-10-31") });
  }
  paymentOf(receiptId) {
    const charge = chargeOfReceipt(this.db, receiptId);
    if (charge) return this.byKey.get(this.store.charge(charge.externalId)?.key ?? "");
    const line = lineOfReceipt(this.db, receiptId);
    return this.world.payments.find(
      (payment) => payment.via === "bank" && payment.paidOn === line?.on && payment.amount === line.amount && line.description.includes(payment.payerName)
    );
  }
  isRight({ receiptId, readings }) {
    const truth = this.paymentOf(receiptId)?.given;
    const said = readings[0]?.lines.map((line) => `${line.number} ${line.amount} ${line.discount}`).sort().join();
    return truth?.map((line) => `${line.number} ${line.amount} ${line.discount}`).sort().join() === said;
  }
  placeByTruth(receiptId, payment) {
    if (payment.given === null) return;
    const lines = payment.given.flatMap((line) => {
      const item = openItemByNumber(this.db, line.number);
      return item && item.balance >= line.amount + line.discount ? [
        {
          itemId: item.id,
          amount: line.amount,
          discount: line.discount,
          smallDifference: minor(
            Math.min(line.smallDifference, item.balance - line.amount - line.discount)
          )
        }
      ] : [];
    });
    const customerId = this.customerId(payment.person.id);
    this.do("applyReceipt", { receiptId, customerId, lines });
  }
  customerId(externalId) {
    return customerByExternalId(this.db, externalId)?.id ?? 0;
  }
  writeLetters(today) {
    const settings = readSettings(this.db);
    for (const row of overdueRows(this.db, today, proposalsOf(this.db)).filter(
      ({ state, overdue, oldestDays }) => state === "ready" && overdue >= 5e3 && oldestDays >= 8
    )) {
      if (row.next.step.act === "call") {
        this.do("logContact", {
          customerId: row.customer.id,
          kind: "call",
          text: row.oldestDays % 2 === 0 ? "Will look into it and call back" : "Waiting for the grant to come in"
        });
        continue;
      }
      const draft = draftLetter(this.db, row, { settings, today });
      if (!draft.ok || draft.value.to === null) continue;
      this.do("sendLetter", {
        customerId: row.customer.id,
        subject: draft.value.subject,
        body: draft.value.body
      });
    }
  }
  /** Today, with promises given and broken, and the last days' files laid ready. */
  finish() {
    const customer = (name) => customerIdByName(this.db, name);
    this.do("changeSettings", { clock: TODAY });
    this.do("logContact", {
      customerId: customer("Fernhill Studio"),
      kind: "promise",
      text: "Pays the oldest by Friday",
      promisedOn: "2026-11-27",
      promisedSum: 4e4
    });
    this.do("logContact", {
      customerId: customer("Tallow County Schools"),
      kind: "promise",
      text: "Half with this month's run, half with the next",
      parts: [
        { dueOn: "2026-12-04", sum: 4e4 },
        { dueOn: "2026-12-18", sum: 4e4 }
      ]
    });
    this.byHand();
    demoFollowUp(this.db, (name, input) => this.do(name, input));
    demoWriting(this.db, (name, input) => this.do(name, input));
    const span = { from: TAKEN_TO, to: TODAY };
    const { store } = this;
    const days = { after: TAKEN_TO, to: addDays(TODAY, -1) };
    for (const [name, text] of [
      [`invoices-${TODAY}.csv`, invoicesFile(this.world, span)],
      [`card-${TODAY}.csv`, activityFile(store, "card", TODAY, TAKEN_TO) ?? ""],
      [`ach-${TODAY}.csv`, activityFile(store, "ach", TODAY, TAKEN_TO) ?? ""],
      [`statement-${TODAY}.csv`, statementFile(store, days, OPENING_BALANCE) ?? ""]
    ]) {
      if (text.trim().split("\n").length < 2) continue;
      const path = arrivedFile(MAKING, name);
      mkdirSync(dirname(path), { recursive: true });
      writeFileSync(path, text);
    }
  }
  /**
   * Checks and cash from the counter: some on hand, two on their way to the bank, and one so short
   * that the rest needs a second person to give it up.
   */
  byHand() {
    this.do("changeSettings", { people: PEOPLE2 });
    const open = onlyInvoices(this.db, { least: 6e3, most: 6e4, limit: 5 });
    const [first, second, third, short, cash] = open;
    if (!first || !second || !third || !short || !cash)
      throw new Error("the demo has too few open invoices");
    const check = (of, number, amount, paidOn) => this.do("recordReceipt", {
      method: "check",
      number,
      paidOn,
      amount,
      payerName: of.name,
      reference: `invoice ${of.number}`
    }).receiptId;
    const taken = [
      check(first, "1187", first.balance, addDays(TODAY, -2)),
      check(second, "20533", second.balance, addDays(TODAY, -2))
    ];
    this.do("makeDeposit", { receiptIds: taken, bank: "operating", onDay: addDays(TODAY, -1) });
    check(third, "4410", third.balance, TODAY);
    this.do("recordReceipt", {
      method: "cash",
      paidOn: TODAY,
      amount: cash.balance,
      payerName: cash.name,
      reference: "at the counter"
    });
    const less = check(short, "902", short.balance - 3400, addDays(TODAY, -1));
    this.do(
      "askApproval",
      {
        receiptId: less,
        customerId: short.customerId,
        lines: [{ itemId: short.id, amount: short.balance - 3400, smallDifference: 3400 }],
        why: "two bags broken on the way, never credited"
      },
      PEOPLE2[1]
    );
  }
  promiseToBreak() {
    const id = customerIdByName(this.db, "Emberline Studio");
    this.do("logContact", {
      customerId: id,
      kind: "promise",
      text: "Pays everything by 6 November",
      promisedOn: "2026-11-06",
      promisedSum: 1e5
    });
  }
  takeIn({ kind, name, text, account, saveAs }) {
    const table = readTable(text);
    if (!table.ok) return;
    const bytes = Buffer.from(text);
    const sha256 = createHash("sha256").update(bytes).digest("hex");
    writeFileSync(join(dirname(keptFile(MAKING, sha256)), sha256), bytes);
    const mapping = {
      ...guessMapping(table.value, kind),
      ...kind === "processor" ? { signs: "as_written", payoutSign: "turned" } : {}
    };
    this.do("importFile", { sha256, name, size: bytes.length, mapping, account, saveAs });
  }
  do(name, input, actor = PEOPLE2[0]) {
    const done = runCommand(this.db, COMMANDS[name], input, {
      book: MAKING,
      actor,
      key: `demo-${++this.keys}`
    });
    if (!done.ok) throw new Error(`the demo's ${name} failed: ${JSON.stringify(done.error)}`);
    return done.value;
  }
};

// src/cli/demo.ts
async function demo({ values }) {
  if (!bookExists(DEMO_BOOK)) {
    process.stderr.write("Making the demo book \u2026\n");
    const made = await makeDemoBook();
    if (!made.ok) return failed(made.error);
  }
  if (values["make-only"] === true)
    return {
      code: EXIT.done,
      messages: [`The demo book is ${DEMO_BOOK}.`],
      data: { book: DEMO_BOOK }
    };
  return serve();
}
function serve() {
  const root = process.env.DOZO_ROOT ?? process.cwd();
  if (!existsSync(join2(root, ".next/BUILD_ID")))
    return Promise.resolve({
      code: EXIT.input,
      messages: ["The pages are not built. Run npm run build first."]
    });
  const port = process.env.PORT ?? "3000";
  const child = spawn(
    process.execPath,
    [join2(root, "node_modules/next/dist/bin/next"), "start", "-H", "127.0.0.1", "-p", port],
    {
      cwd: root,
      stdio: ["ignore", "ignore", "inherit"],
      env: {
        ...process.env,
        DOZO_ROOT: root,
        PORT: port,
        PUBLIC_PORT: process.env.PUBLIC_PORT ?? String(Number(port) + 1),
        PRACTICE_PORT: process.env.PRACTICE_PORT ?? String(Number(port) + 2)
      }
    }
  );
  process.stderr.write(`Dozo is at http://127.0.0.1:${port}/b/${DEMO_BOOK}/match
`);
  for (const signal of ["SIGINT", "SIGTERM"]) process.on(signal, () => child.kill(signal));
  return new Promise(
    (resolve) => child.on(
      "exit",
      (code) => resolve({ code: code === 0 || code === null ? EXIT.done : EXIT.bug })
    )
  );
}
export {
  demo
};
