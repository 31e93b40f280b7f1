import {
  COMMANDS,
  OPENING_BALANCE,
  OTHER_LINES,
  PRACTICE_ROUTING,
  PracticeProcessor,
  PracticeStore,
  Random,
  accountsOf,
  activityFile,
  agreedDue,
  agreedSkips,
  consentOf,
  creditFrom,
  creditWithAdvice,
  eventsOf,
  fateOf,
  freeToGoBack,
  isLost,
  itemsOfPlan,
  makePeople,
  noticesFile,
  ordersOf,
  otherLines,
  partsOfPlan,
  payKey,
  payMethodById,
  payMethodsOf,
  plansInForce,
  practiceAccount,
  practiceCard,
  refundsIn,
  seedOf,
  statementFile,
  sum,
  wasHeard
} from "./chunk-TAXRW2AP.mjs";
import "./chunk-47M3WAWA.mjs";
import "./chunk-HSCOSH6Q.mjs";
import "./chunk-AI2EY4SX.mjs";
import "./chunk-3DTDTNHT.mjs";
import "./chunk-25VLJY7E.mjs";
import {
  beingPaid,
  factsByGroup,
  noticesSince,
  openDisputes,
  openQuestions,
  paymentsAsked,
  triesOfPart,
  wasTakenIn
} from "./chunk-HF3HPMZO.mjs";
import {
  proposalsOf
} from "./chunk-NRT2JEC2.mjs";
import "./chunk-EZF23G65.mjs";
import "./chunk-W77MXVJI.mjs";
import {
  openBankLines,
  proofs
} from "./chunk-Q5EAVEMC.mjs";
import "./chunk-M4LGBKXJ.mjs";
import "./chunk-KA42FKD4.mjs";
import {
  receiptById
} from "./chunk-ZD2GVI7S.mjs";
import {
  readOrders
} from "./chunk-B3YOCYCK.mjs";
import "./chunk-KAL5CQKH.mjs";
import "./chunk-JTB3IXVD.mjs";
import {
  isDeclineCode,
  nextDebit,
  nextTry,
  spread
} from "./chunk-ZYSY576K.mjs";
import {
  runCommand
} from "./chunk-JSRFI5DX.mjs";
import "./chunk-7UI2N6TF.mjs";
import {
  accounts,
  arrivedFile,
  arrivedFiles,
  createBook,
  keptFile,
  openBookToRead,
  openBookToWrite,
  outboxFolder,
  practiceFile
} from "./chunk-CST2UU67.mjs";
import "./chunk-55UEKTAP.mjs";
import {
  EXIT,
  failed,
  inWords,
  wrongCall
} from "./chunk-VFPHQTCB.mjs";
import "./chunk-VU6MJZGF.mjs";
import {
  formatOf,
  guessMapping
} from "./chunk-ELMUUMV5.mjs";
import "./chunk-IAIVUFHX.mjs";
import {
  openItemById,
  openItemsOf
} from "./chunk-KRT4445E.mjs";
import "./chunk-JF77VF3J.mjs";
import "./chunk-NIPXDDDQ.mjs";
import {
  allCustomers,
  customerByExternalId,
  customerById
} from "./chunk-47CXCVCB.mjs";
import {
  groupHead
} from "./chunk-HT5266AL.mjs";
import {
  readSettings
} from "./chunk-WZI5MHZ3.mjs";
import {
  addBankingDays,
  addDays,
  day,
  formatAmount,
  minor,
  sumOf
} from "./chunk-HBIDXRTT.mjs";
import {
  fail,
  ok
} from "./chunk-V6I26S2F.mjs";
import "./chunk-VIXS4KXC.mjs";

// src/practice/world.ts
import { existsSync } from "node:fs";

// src/server/paying/payNow.ts
async function payNow({
  processor,
  run,
  on,
  ask,
  present = ask.by === "link"
}) {
  const begun = await run("beginPayment", ask, `begin-${ask.key}`);
  if (!begun.ok) return begun;
  const answered = answerTo(processor, { on, key: ask.key, present }, begun.value);
  if (!answered.ok) return answered;
  if (answered.value.state === "asks_code") return ok(answered.value);
  return run("notePayment", { key: ask.key, answer: answered.value }, `note-${ask.key}`);
}
function answerTo(processor, { on, key, present }, begun) {
  const before = processor.chargeByKey(key);
  if (before) return ok(before);
  const { token, amount, currency, payerName, payerEmail, reference } = begun;
  const payer = { payerName, payerEmail, present };
  return processor.charge({ key, token, amount, currency, ...payer, reference, on });
}

// src/server/paying/queries/holds.ts
function holdsOn(db, today) {
  const customers = new Map(allCustomers(db).map((customer) => [customer.id, customer]));
  const headOf = (id) => {
    const customer = customers.get(id);
    return customer ? groupHead(customer, customers) : id;
  };
  const { maybe, disputed, credit } = factsByGroup(db, proposalsOf(db), headOf, today);
  const { currency } = readSettings(db);
  const contested = new Map(
    openQuestions(db).flatMap(
      ({ kind, customerId, number }) => kind === "dispute" ? [[headOf(customerId), number ?? "the account"]] : []
    )
  );
  return (customerId) => {
    const head = headOf(customerId);
    const receipts = maybe.get(head) ?? [];
    if (receipts.length > 0)
      return `${formatAmount(
        sumOf(receipts, ({ amount }) => amount),
        currency
      )} in Match may be theirs`;
    const what = contested.get(head);
    if (what !== void 0) return `they do not agree with ${what}`;
    const [withBank, kept] = [disputed.get(head) ?? 0, credit.get(head) ?? 0];
    if (withBank > 0) return `a dispute of ${formatAmount(withBank, currency)} is open`;
    return kept > 0 ? `${formatAmount(kept, currency)} is on account: give it first` : null;
  };
}

// src/server/paying/queries/planned.ts
function partStands(tries, on) {
  const last = tries.at(-1);
  if (!last) return "to come";
  if (last.state === "paid") return "paid";
  if (last.state === "asked" || last.state === "on_way") return "on_way";
  const next = nextOf(tries, last);
  if (next === null) return "broken";
  return next <= on ? "to try" : "to come";
}
function nextOf(tries, last) {
  const code = last.code ?? "";
  if (last.state === "returned")
    return nextDebit(
      code,
      tries.map(({ settlesOn, askedOn }) => settlesOn ?? askedOn)
    );
  return isDeclineCode(code) ? nextTry(code, tries.length, last.askedOn) : null;
}
var plannedDue = (db, on) => plansInForce(db).flatMap(
  (plan) => partsOfPlan(db, plan.id).flatMap((part) => {
    const tries = triesOfPart(db, part.id);
    const stands = partStands(tries, on);
    const isDue = part.dueOn <= on && (tries.length === 0 || stands === "to try");
    return isDue ? paymentOf(db, plan, { part, tries: tries.length }) ?? [] : [];
  })
);
function paymentOf(db, plan, { part, tries }) {
  const method = payMethodById(db, plan.methodId);
  const open = itemsOfPlan(db, plan.id).flatMap((id) => openItemById(db, id) ?? []).map(({ id, number, dueOn, balance }) => ({
    itemId: id,
    number,
    dueOn,
    balance: minor(Math.max(0, balance - beingPaid(db, id)))
  }));
  const parts = spread(part.amount, open);
  if (method?.removedOn !== null || parts.length === 0) return null;
  const paid = new Set(parts.map(({ itemId }) => itemId));
  return {
    key: payKey("plan", [part.id], tries + 1),
    customerId: plan.customerId,
    customer: customerById(db, plan.customerId)?.name ?? "",
    methodId: method.id,
    method: `${method.name} ending in ${method.lastFour}`,
    way: method.way,
    currency: plan.currency,
    amount: sumOf(parts, ({ amount }) => amount),
    parts,
    numbers: open.filter(({ itemId }) => paid.has(itemId)).map(({ number }) => number),
    tries: tries + 1,
    // Its customer agreed to the sums and their days.
    notice: null,
    planPartId: part.id,
    planId: plan.id
  };
}
var paidPlans = (db) => plansInForce(db).filter(
  ({ id }) => itemsOfPlan(db, id).every((itemId) => (openItemById(db, itemId)?.balance ?? 0) <= 0)
);
var brokenPlans = (db, on) => plansInForce(db).filter(
  ({ id, methodId }) => payMethodById(db, methodId)?.removedOn !== null || partsOfPlan(db, id).some((part) => partStands(triesOfPart(db, part.id), on) === "broken")
);

// src/server/paying/runAgreed.ts
async function runAgreed(db, { processor, run, on, keys }) {
  const told = { paid: 0, onWay: 0, declined: 0, refused: [], changed: 0 };
  const out = new Set(agreedSkips(db, on).map(({ customerId }) => customerId));
  const holdOf = holdsOn(db, on);
  for (const { id, customerId } of brokenPlans(db, on))
    await run(
      "endPlan",
      { customerId, planId: id, why: "a part could not be taken" },
      `plan-${id}`
    );
  for (const { id, customerId } of paidPlans(db))
    await run("endPlan", { customerId, planId: id, why: "all of it is paid" }, `plan-paid-${id}`);
  const due = allDue(db, on).filter(
    ({ key, customerId, notice }) => keys.has(key) && notice === null && !out.has(customerId) && holdOf(customerId) === null
  );
  told.changed = keys.size - due.length;
  for (const { key, customerId, customer, methodId, planPartId, parts } of due) {
    const ask = { key, customerId, methodId, by: "agreed", planPartId, parts };
    const paid = await payNow({ processor, run, on, ask });
    if (!paid.ok) told.refused.push({ customer, why: inWords(paid.error) });
    else if (paid.value.state === "paid") told.paid += 1;
    else if (paid.value.state === "declined") told.declined += 1;
    else told.onWay += 1;
  }
  return told;
}
var allDue = (db, on) => [
  ...agreedDue(db, on),
  ...plannedDue(db, on)
];

// src/server/paying/sendRefunds.ts
function sendRefund(db, { processor, run, on }, refund) {
  const { key } = refund;
  const sent = answerTo2(db, processor, { refund, on });
  const answer = sent.ok ? { state: "sent", refundId: sent.value.refundId } : { state: "refused", code: sent.error.code };
  return Promise.resolve(run("noteRefund", { key, answer }, `refund-${key}`));
}
function answerTo2(db, processor, { refund, on }) {
  const { id, key, chargeId, amount, receiptId } = refund;
  const before = processor.refundByKey(key);
  if (before) return ok(before);
  const receipt = receiptById(db, receiptId);
  const free = receipt && freeToGoBack(db, receipt, { ...refund, apart: id });
  return free && amount <= free ? processor.refund({ key, chargeId, amount, on }) : fail("refund.used");
}
async function sendRefunds(db, sending) {
  const asked = refundsIn(db, "asked");
  for (const refund of asked) await sendRefund(db, sending, refund);
  return asked.length;
}

// src/server/paying/settleAsked.ts
var LOST_AFTER_MS = 10 * 6e4;
async function settleAsked(db, { processor, run, now }) {
  let settled = 0;
  for (const { key, askedAt } of paymentsAsked(db)) {
    const answer = processor.chargeByKey(key);
    const isLost2 = now.getTime() - Date.parse(askedAt) > LOST_AFTER_MS;
    if (!answer && !isLost2) continue;
    if (answer?.state === "asks_code") continue;
    const noted = answer ? await run("notePayment", { key, answer }, `note-${key}`) : await run("notePayment", { key, answer: { state: "lost" } }, `lost-${key}`);
    if (noted.ok) settled += 1;
  }
  return settled;
}

// src/practice/hands.ts
import { randomUUID as randomUUID2 } from "node:crypto";

// src/server/arrivals/takeTold.ts
import { createHash, randomUUID } from "node:crypto";
import { writeFileSync } from "node:fs";
async function takeTold({ book, db, run }, { kind, name, text, account, mapping }) {
  const table = formatOf(text).read(text);
  if (!table.ok) return table;
  const bytes = Buffer.from(text);
  const sha256 = createHash("sha256").update(bytes).digest("hex");
  if (wasTakenIn(db, sha256)) return ok(null);
  writeFileSync(keptFile(book, sha256), bytes);
  const read = { ...guessMapping(table.value, kind), ...mapping };
  const file = { sha256, name, size: bytes.length, mapping: read, account };
  const report = await run("importFile", file, randomUUID());
  if (!report.ok) return report;
  const refused = report.value.refused.find(({ changed }) => !changed);
  return refused ? fail("told.refused", { name, line: refused.line, why: refused.reason }) : ok(null);
}

// src/practice/hands.ts
var Hands = class {
  constructor(book, db, run) {
    this.book = book;
    this.db = db;
    this.run = run;
  }
  book;
  db;
  run;
  /** Does a command. Throws where it is refused: the practice world does what fits. */
  async do(name, input) {
    return must(await this.run(name, input, randomUUID2()));
  }
  /** Takes a file in, all of whose lines have to be read. */
  async takeIn(file) {
    const mapping = file.kind === "processor" ? SIGNS : {};
    must(await takeTold({ book: this.book, db: this.db, run: this.run }, { ...file, mapping }));
  }
};
var SIGNS = { signs: "as_written", payoutSign: "turned" };
var runIn = (book, db) => (name, input, key) => runCommand(db, COMMANDS[name], input, { book, actor: "practice", key });
function must(result) {
  if (!result.ok) throw new Error(`the practice world: ${JSON.stringify(result.error)}`);
  return result.value;
}

// src/practice/customers.ts
var FORGOTTEN = 55;
var DISPUTED_AFTER = 12;
async function actOf(around, person, on) {
  const { db, store, seed } = around;
  const customer = customerByExternalId(db, person.id);
  if (!customer || consentOf(db, customer.id)) return [];
  const due = openItemsOf(db, customer.id).filter(
    (item) => item.balance > 0 && !store.isDone(`paid ${item.number}`) && beingPaid(db, item.id) === 0
  );
  const now = due.filter((item) => wantsToPay(seed, person, item, on));
  if (now.length === 0) return [];
  const groups = person.habit.together ? [now] : now.map((item) => [item]);
  const done = [];
  for (const items of groups) {
    if (person.habit.pays === "ach_credit")
      done.push(store.together(() => byBank(around, person, items, on)));
    else {
      done.push(await byLink(around, { person, customerId: customer.id, items, on }));
      markPaid(store, items, on);
    }
  }
  return done;
}
function wantsToPay(seed, person, item, on) {
  const fate = fateOf(seed, item.number, { dueOn: item.dueOn, lateDays: person.habit.lateDays });
  const paysOn = fate.forgets ? addDays(item.dueOn, FORGOTTEN) : fate.paysOn;
  return on > item.issuedOn && on >= paysOn;
}
function markPaid(store, items, on) {
  for (const { number } of items) store.once(`paid ${number}`, on);
}
function byBank({ store, seed }, person, items, on) {
  const [first] = items;
  if (items.length > 1) {
    const lines = items.map(({ number, balance }) => ({ number, amount: balance }));
    creditWithAdvice(store, on, { name: person.name, lines });
    markPaid(store, items, on);
    return "bank_with_advice";
  }
  const { short, paysTwice } = fateOf(seed, first?.number ?? "", { dueOn: on, lateDays: 0 });
  const whole = first?.balance ?? 0;
  const amount = short < whole ? whole - short : whole;
  const credit = { name: person.name, amount, memo: memoOf(person, items) };
  creditFrom(store, on, credit);
  if (paysTwice) creditFrom(store, addDays(on, 7), credit);
  markPaid(store, items, on);
  return paysTwice ? "bank_twice" : "bank";
}
function memoOf({ habit }, items) {
  const numbers = items.map(({ number }) => number);
  switch (habit.memo) {
    case "number":
      return numbers.join(" ");
    case "digits":
      return numbers.map((number) => number.replace(/\D/g, "")).join(" ");
    case "name":
      return (items[0]?.description ?? "").toUpperCase();
    case "none":
      return "";
    default:
      throw habit.memo;
  }
}
async function byLink(around, { person, customerId, items, on }) {
  const { db, processor, run } = around;
  const way = person.habit.pays === "card" ? "card" : "bank";
  const onFile = payMethodsOf(db, customerId).find((method) => method.way === way);
  const methodId = onFile?.id ?? await newMethod(around, { person, customerId, on });
  const key = keyFor(items, 1);
  const paid = await payNow({
    processor,
    run,
    on,
    ask: {
      key,
      customerId,
      methodId,
      by: "link",
      parts: items.map(({ id, balance }) => ({ itemId: id, amount: minor(balance) }))
    }
  });
  const { state } = must(paid);
  if (state === "declined") return otherCard(around, { person, customerId, items, on });
  return `link_${state}`;
}
var keyFor = (items, tries) => payKey(
  "link",
  items.map(({ id }) => id),
  tries
);
async function otherCard(around, by) {
  const methodId = await newMethod(around, by, true);
  const { person, customerId, items, on } = by;
  const { processor, run } = around;
  const again = await payNow({
    processor,
    run,
    on,
    ask: {
      key: keyFor(items, 2),
      customerId,
      methodId,
      by: "link",
      parts: items.map(({ id, balance }) => ({ itemId: id, amount: minor(balance) }))
    }
  });
  return must(again).state === "paid" ? "link_declined_then_paid" : `link_declined_${person.habit.pays}`;
}
async function newMethod({ processor, run, seed }, { person, customerId, on }, isGood = false) {
  const random = new Random(seedOf(seed, "method", person.id, isGood ? 1 : 0));
  const which = seedOf(person.id, isGood ? 1 : 0) % 1e8;
  const answer = !isGood && random.chance(0.05) ? random.pick(["51", "05", "91"]) : "00";
  const well = random.chance(0.94) ? "00" : random.pick(["01", "02", "08", "10"]);
  const code = well === "00" && random.chance(0.06) ? random.pick(["81", "82", "85"]) : well;
  const account = practiceAccount(which, code);
  const kept = must(
    person.habit.pays === "card" ? processor.takeCard(
      { number: practiceCard(which, answer), expiry: "12/31", code: "123" },
      on
    ) : processor.takeAccount({ routing: PRACTICE_ROUTING, account, again: account })
  );
  return must(
    await run("keepMethod", { customerId, ...kept, onFile: true }, `method-${kept.token}`)
  ).id;
}

// src/practice/advice.ts
var ENDS = "~\n";
var compact = (on) => on.replaceAll("-", "");
function adviceFile(store, on) {
  const advices = store.advices(on);
  if (advices.length === 0) return null;
  const day2 = compact(on);
  const segments = [
    `ISA*00*          *00*          *ZZ*PRACTICE BANK  *ZZ*KESTREL ROW    *${day2.slice(2)}*0600*U*00401*000000001*0*P*>`,
    `GS*RA*PRACTICE BANK*KESTREL ROW*${day2}*0600*1*X*004010`,
    ...advices.flatMap((advice, at) => orderOf(advice, at, day2)),
    `GE*${advices.length}*1`,
    "IEA*1*000000001"
  ];
  return `${segments.join(ENDS)}${ENDS}`;
}
function orderOf({ trace, payer, lines }, at, day2) {
  const no = String(at + 1).padStart(4, "0");
  const total = sum(sumOf(lines, ({ amount }) => amount));
  const body = [
    // The sixth to the fifteenth element are the accounts, which nobody is told.
    ["BPR", "C", total, "C", "ACH", "CTX", ...Array(10).fill(""), day2].join("*"),
    `TRN*1*${trace}`,
    `N1*PR*${payer}`,
    "ENT*1",
    ...lines.map(({ number, amount }) => `RMR*IV*${number}**${sum(amount)}*${sum(amount)}`)
  ];
  return [`ST*820*${no}`, ...body, `SE*${body.length + 2}*${no}`];
}

// src/practice/arriving.ts
function filesOf(store, on) {
  const activity = accountsOf(store).map((account) => ({
    kind: "processor",
    name: `${account}-${on}.csv`,
    text: activityFile(store, account, on),
    account
  }));
  const told = [
    ...activity,
    {
      kind: "bank",
      name: `statement-${on}.csv`,
      text: statementFile(store, { to: on }, OPENING_BALANCE),
      account: "operating"
    },
    {
      kind: "remittance",
      name: `advice-${on}.820`,
      text: adviceFile(store, on),
      account: null
    },
    {
      kind: "returns",
      name: `changes-${on}.csv`,
      text: noticesFile(store, on),
      account: null
    }
  ];
  return told.flatMap(({ text, ...file }) => text === null ? [] : [{ ...file, text }]);
}

// src/practice/disputing.ts
var ANSWERED_AFTER = 3;
function disputesOf({ store, processor, seed }, on) {
  let count = 0;
  for (const charge of store.disputable(addDays(on, -DISPUTED_AFTER))) {
    const { disputes } = fateOf(seed, charge.reference, { dueOn: on, lateDays: 0 });
    if (!disputes) continue;
    processor.dispute(charge, on);
    count += 1;
  }
  return count;
}
async function answerDisputes({ db, store, processor, run }, on) {
  for (const { id, externalId, occurredOn, answeredOn } of openDisputes(db)) {
    if (isLost(store, externalId))
      must(await run("disputeLost", { processorItemId: id }, `lost-${externalId}`));
    if (answeredOn !== null || on < addDays(occurredOn, ANSWERED_AFTER)) continue;
    const answer = { disputeId: externalId, evidence: new Uint8Array(), on };
    if (!processor.answerDispute(answer).ok) continue;
    const sent = { processorItemId: id, why: "what we have, as one PDF" };
    must(await run("answerDispute", sent, `answer-${externalId}`));
  }
}

// src/server/paying/takeEvent.ts
var SIGNS2 = { signs: "as_written", payoutSign: "turned" };
async function takeEvent({ book, db, run, processor }, sent) {
  const event = processor.readEvent(sent);
  if (!event.ok) return event;
  const { id, account, on } = event.value;
  if (wasHeard(db, id)) return ok({ isNew: false });
  const listed = processor.activity(account, on);
  if (listed) {
    const told = { kind: "processor", ...listed, account, mapping: SIGNS2 };
    const taken = await takeTold({ book, db, run }, told);
    if (!taken.ok) return taken;
  }
  return run("noteEvent", event.value, `event-${id}`);
}

// src/practice/hearEvents.ts
var TOLD = 0.1;
var TWICE = 0.2;
async function hearEvents({ db, store, processor, run, seed }, book, on) {
  const random = new Random(seed + Number(on.replaceAll("-", "")));
  const sent = eventsOf(store, on, /* @__PURE__ */ new Date()).filter(() => random.chance(TOLD)).flatMap((event) => random.chance(TWICE) ? [event, event] : [event]).map((event) => ({ event, place: random.next() })).sort((one, other) => one.place - other.place);
  for (const { event } of sent) must(await takeEvent({ book, db, run, processor }, event));
}

// src/practice/held.ts
var heldBy = (store, db) => ["card", "ach"].map((account) => ({
  account,
  theirs: store.held(account),
  ours: accounts(db).find(({ role, of }) => role === "clearing" && of === account)?.balance ?? 0
}));

// src/practice/mending.ts
async function mendAccounts({ db, run }, on) {
  const due = noticesSince(db, on).filter(
    ({ mendedOn, toldOn }) => mendedOn === null && on >= addBankingDays(toldOn, 1)
  );
  for (const { id, externalId } of due)
    must(await run("mendAccount", { noticeId: id }, `mend-${externalId}`));
  return due.length;
}

// src/practice/setUp.ts
async function setUp(world) {
  const { hands, people } = world;
  await hands.do("addBankAccount", {
    code: "operating",
    name: "Operating bank",
    lastFour: "4417",
    openingBalance: OPENING_BALANCE
  });
  const account = (code, name, delayDays) => hands.do("addProcessorAccount", {
    code,
    name,
    delayDays,
    descriptor: `PRACTICE PROC ${code.toUpperCase()}`
  });
  await account("card", "card account", 2);
  await account("ach", "ACH account", 1);
  const agreed = { from: world.first, fixed: 0 };
  await hands.do("agreeRate", {
    ...agreed,
    account: "card",
    method: "card",
    percent: "2.9",
    fixed: 30
  });
  await hands.do("agreeRate", {
    ...agreed,
    account: "ach",
    method: "ach_debit",
    percent: "0.8",
    most: 500
  });
  await hands.do("setTaxCode", { code: "SALES", percent: "6", category: "standard" });
  const rows = people.map(
    ({ id, name, email, parent }) => [id, `"${name}"`, email, parent ?? ""].join(",")
  );
  await hands.takeIn({
    kind: "customers",
    name: "customers.csv",
    text: `customer_id,name,email,parent_id
${rows.join("\n")}
`,
    account: null
  });
  for (const person of people) await enrol(world, person);
}
async function enrol({ around, hands, first }, person) {
  const { id, habit } = person;
  const customerId = customerByExternalId(around.db, id)?.id ?? 0;
  if (habit.plan === 0) return;
  await hands.do("setSchedule", {
    name: `Kiln plan ${id}`,
    plan: { startsOn: day("2026-01-03"), everyCount: 1, everyUnit: "month", makes: "approved" },
    billed: {
      customerId,
      terms: "n/10",
      lines: [
        { description: "Kiln plan, {month}", quantity: "1", rate: (habit.plan / 100).toFixed(2) }
      ]
    }
  });
  const random = new Random(seedOf(around.seed, "agrees", id));
  if (habit.pays === "ach_credit" || !random.chance(0.6)) return;
  const methodId = await newMethod(around, { person, customerId, on: first });
  await hands.do("agree", {
    customerId,
    methodId,
    address: "127.0.0.1",
    agent: "practice"
  });
}

// src/practice/world.ts
var FIRST = day("2026-01-01");
var DONE_TO = "done to";
var PracticeWorld = class _PracticeWorld {
  constructor(hands, db, store, seed) {
    this.hands = hands;
    this.db = db;
    this.store = store;
    this.seed = seed;
    this.people = makePeople(new Random(seed));
    this.processor = new PracticeProcessor(store);
    this.around = { db, store, processor: this.processor, run: hands.run, seed };
  }
  hands;
  db;
  store;
  seed;
  people;
  processor;
  around;
  counts = /* @__PURE__ */ new Map();
  /** Makes a practice book at the first day of its year. */
  static async make(book, seed) {
    const made = createBook(book, {
      name: "Kestrel Row Clay & Kiln",
      currency: "USD",
      timeZone: "America/Chicago",
      cutOverOn: addDays(FIRST, -1),
      replyTo: "accounts@kestrelrow.example",
      clock: FIRST
    });
    if (!made.ok) return made;
    const store = new PracticeStore(practiceFile(book));
    store.setFact("seed", String(seed));
    const hands = new Hands(book, made.value, runIn(book, made.value));
    const world = new _PracticeWorld(hands, made.value, store, seed);
    await setUp({ hands, around: world.around, people: world.people, first: FIRST });
    return ok(world);
  }
  /** A practice book that was made before, to go on with. */
  static open(book) {
    const opened = openBookToWrite(book);
    if (!opened.ok) return opened;
    if (!existsSync(practiceFile(book))) {
      opened.value.close();
      return fail("practice.none", { book });
    }
    const store = new PracticeStore(practiceFile(book));
    const seed = store.fact("seed");
    if (seed === null || readSettings(opened.value).clock === null) {
      store.close();
      opened.value.close();
      return fail("practice.none", { book });
    }
    return ok(
      new _PracticeWorld(
        new Hands(book, opened.value, runIn(book, opened.value)),
        opened.value,
        store,
        Number(seed)
      )
    );
  }
  /** The world around a practice book that is open already, as in a server; null around any other. */
  static around(book, db, run) {
    if (!existsSync(practiceFile(book)) || readSettings(db).clock === null) return null;
    const store = new PracticeStore(practiceFile(book));
    const seed = store.fact("seed");
    if (seed !== null) return new _PracticeWorld(new Hands(book, db, run), db, store, Number(seed));
    store.close();
    return null;
  }
  /** Lets go of its own books; the book stays as it is. */
  leave() {
    this.store.close();
  }
  get today() {
    return readSettings(this.db).clock ?? FIRST;
  }
  close() {
    this.store.close();
    this.db.close();
  }
  count(kind, by = 1) {
    if (by > 0) this.counts.set(kind, (this.counts.get(kind) ?? 0) + by);
  }
  /**
   * Moves the clock on by a day: all that is due happens, arrives, and is taken in. A day in which it
   * was cut off is gone through again before the next: what was done in it is done once.
   */
  async next() {
    const { today } = this;
    const done = this.store.fact(DONE_TO) ?? FIRST;
    const on = done < today ? today : addDays(today, 1);
    this.counts = /* @__PURE__ */ new Map();
    await this.hands.do("changeSettings", { clock: on });
    await this.settle(on);
    await this.write(on);
    const processed = this.processor.day(on);
    for (const [kind, count] of Object.entries(processed)) this.count(kind, count);
    await this.takeAgreed(on);
    for (const person of this.people)
      for (const kind of await actOf(this.around, person, on)) this.count(kind);
    this.count("disputes", disputesOf(this.around, on));
    if (this.store.once(`other lines ${on}`, on))
      this.count("other_lines", otherLines(this.store, on));
    await this.arrive(on);
    await hearEvents(this.around, this.hands.book, on);
    await this.work();
    const report = proofs(this.db);
    this.count("broken_proofs", report.proofs.filter(({ holds }) => !holds).length);
    this.store.setFact(DONE_TO, on);
    return {
      day: on,
      events: Object.fromEntries([...this.counts].sort(([a], [b]) => a < b ? -1 : 1))
    };
  }
  /** What was asked for in a day that was cut off: what became of it, or that it never arrived. */
  async settle(on) {
    const { processor, hands, db } = this;
    await settleAsked(db, { processor, run: hands.run, now: new Date(addDays(on, 3660)) });
    await sendRefunds(db, { processor, run: hands.run, on });
  }
  /** What the business writes: schedules, and the orders that came in. */
  async write(on) {
    for (let more = true; more; ) {
      const { written, more: left } = await this.hands.do("runSchedules", {});
      this.count("scheduled", written);
      more = left;
    }
    const orders = ordersOf(this.seed, this.people, on);
    if (orders === null) return;
    const read = must(readOrders(Buffer.from(orders)));
    const { documents, refused } = await this.hands.do("takeOrders", {
      orders: read.orders,
      approve: true
    });
    if (refused.length > 0) throw new Error(`an order was refused: ${JSON.stringify(refused[0])}`);
    this.count("invoices", documents.length);
  }
  /** The run of agreed payments. */
  async takeAgreed(on) {
    const { processor, hands } = this;
    const keys = new Set(allDue(this.db, on).map(({ key }) => key));
    const told = await runAgreed(this.db, { processor, run: hands.run, on, keys });
    if (told.refused[0]) throw new Error(`a payment was refused: ${told.refused[0].why}`);
    this.count("agreed_paid", told.paid);
    this.count("agreed_on_way", told.onWay);
    this.count("agreed_declined", told.declined);
    this.count("agreed_held", told.changed);
  }
  /** The files of the day are taken in, in the order in which they arrive. */
  async arrive(on) {
    for (const file of filesOf(this.store, on)) {
      await this.hands.takeIn(file);
      this.count("files");
    }
  }
  /** What a clerk does with what came: the sure ones, the lines that are not of this job, what is earned. */
  async work() {
    for (const words of OTHER_LINES) {
      const line = openBankLines(this.db).find(({ description }) => description.includes(words));
      if (line)
        await this.hands.do("explainLine", {
          lineId: line.id,
          as: "elsewhere",
          rule: { contains: words }
        });
    }
    await answerDisputes(this.around, this.today);
    this.count("accounts_mended", await mendAccounts(this.around, this.today));
    const { posted } = await this.hands.do("postSure", {});
    this.count("matched", posted);
    await this.hands.do("releaseIncome", {});
  }
  /** What the processor holds of each account, and what our books say that it does. */
  held() {
    return heldBy(this.store, this.db);
  }
};

// src/practice/mailbox/index.ts
import { readdirSync, readFileSync } from "node:fs";
import { basename, join } from "node:path";
import { simpleParser } from "mailparser";

// src/practice/mailbox/answers.ts
import { createTransport } from "nodemailer";
var WORDS = [
  "We pay on Friday.",
  "This lies with our accounts office; you have it by the end of next week.",
  "We cannot find this one. Can you send it again?",
  "Two of the jars came broken. We hold it back until that is settled.",
  "It was paid by card on Monday. Please look once more."
];
async function answerTo3(letter) {
  const roll = seedOf("answer", letter.id) % 20;
  if (roll < 4) return replyTo(letter, WORDS[seedOf("words", letter.id) % WORDS.length] ?? "");
  if (roll === 4) return awayNote(letter);
  return roll === 5 ? cameBack(letter) : null;
}
async function mailSource(mail) {
  const made = await createTransport({
    streamTransport: true,
    buffer: true,
    newline: "windows"
  }).sendMail(mail);
  return made.message.toString("latin1");
}
var answering = ({ id, from, to, subject }) => ({
  from: to,
  to: from,
  subject: `Re: ${subject}`,
  inReplyTo: id,
  references: [id],
  messageId: `<answer-${seedOf(id)}@practice.example>`
});
var replyTo = (letter, words) => mailSource({ ...answering(letter), text: `${words}

> ${letter.subject}
` });
var awayNote = (letter) => mailSource({
  ...answering(letter),
  text: "I am away until Monday.\n",
  headers: { "Auto-Submitted": "auto-replied" }
});
function cameBack({ id, from, to }) {
  const boundary = `b${seedOf(id)}`;
  return [
    "From: Mail delivery <postmaster@practice.example>",
    `To: ${from}`,
    "Subject: Undelivered mail",
    `Message-ID: <report-${seedOf(id)}@practice.example>`,
    "MIME-Version: 1.0",
    `Content-Type: multipart/report; report-type=delivery-status; boundary="${boundary}"`,
    ...["", `--${boundary}`, "Content-Type: text/plain", "", "It did not arrive.", ""],
    ...[`--${boundary}`, "Content-Type: message/delivery-status", ""],
    ...["Reporting-MTA: dns; practice.example", "", `Final-Recipient: rfc822; ${to}`],
    ...[
      "Action: failed",
      "Status: 5.1.1",
      "Diagnostic-Code: smtp; 550 5.1.1 no such mailbox here",
      ""
    ],
    ...[`--${boundary}`, "Content-Type: text/rfc822-headers", "", `Message-ID: ${id}`, ""],
    ...[`--${boundary}--`, ""]
  ].join("\r\n");
}

// src/practice/mailbox/box.ts
import hoodiecrow from "hoodiecrow-imap";
var PracticeBox = class _PracticeBox {
  constructor(server) {
    this.server = server;
  }
  server;
  /** Throws where the port is taken. */
  static async open({ user, password, validity = 1, port = 0 }) {
    const server = hoodiecrow({
      storage: { INBOX: { messages: [], uidvalidity: validity } },
      users: { [user]: { password } }
    });
    await new Promise((resolve, reject) => {
      server.server.once("error", reject);
      server.listen(port, "127.0.0.1", resolve);
    });
    return new _PracticeBox(server);
  }
  get port() {
    return this.server.server.address().port;
  }
  /** A mail comes in, as it stands (RFC 5322). */
  add(source) {
    this.server.appendMessage("INBOX", [], /* @__PURE__ */ new Date(), source);
  }
  end() {
    return new Promise((resolve) => {
      this.server.close(() => resolve());
    });
  }
};

// src/practice/mailbox/index.ts
var PRACTICE_USER = "accounts@kestrelrow.example";
var PRACTICE_PASSWORD = "practice";
var REPORTS = "reports@harborbank.example";
var LOOK_EVERY_MS = 500;
var LATEST = 60;
async function servePracticeMailbox(book, port) {
  const box = await openBox(port);
  if (box === null) return fail("practice.mailbox", { port });
  for (const name of arrivedFiles(book)) box.add(await fileMail(arrivedFile(book, name)));
  const folder = outboxFolder(book);
  const answered = new Set(readdirSync(folder).filter(isLetter).sort().slice(0, -LATEST));
  const answerNew = async () => {
    for (const name of readdirSync(folder).filter(isLetter).sort()) {
      if (answered.has(name)) continue;
      answered.add(name);
      await answerFile(box, join(folder, name));
    }
  };
  await answerNew();
  const timer = setInterval(() => void answerNew(), LOOK_EVERY_MS);
  return ok({
    port: box.port,
    end: () => {
      clearInterval(timer);
      return box.end();
    }
  });
}
var isLetter = (name) => name.endsWith(".eml");
var openBox = (port) => PracticeBox.open({
  user: PRACTICE_USER,
  password: PRACTICE_PASSWORD,
  // It forgets its mails, and so numbers them anew.
  validity: Math.floor(Date.now() / 1e3),
  port
}).catch(() => null);
async function answerFile(box, path) {
  const answer = await answerTo3(await letterIn(path));
  if (answer !== null) box.add(answer);
}
async function letterIn(path) {
  const mail = await simpleParser(readFileSync(path));
  const to = Array.isArray(mail.to) ? mail.to[0] : mail.to;
  return {
    id: mail.messageId ?? `<${basename(path)}>`,
    from: mail.from?.value[0]?.address ?? PRACTICE_USER,
    to: to?.value[0]?.address ?? "",
    subject: mail.subject ?? ""
  };
}
var fileMail = (path) => mailSource({
  from: REPORTS,
  to: PRACTICE_USER,
  subject: `Your file ${basename(path)}`,
  messageId: `<file-${seedOf(basename(path))}@harborbank.example>`,
  text: "Your file is attached.\n",
  attachments: [{ filename: basename(path), path }]
});

// src/cli/practice.ts
var USUAL_SEED = 20260101;
var MOST_DAYS = 3660;
var USUAL_PORT = 1143;
async function practice({ values, files }) {
  const [what] = files;
  const { book } = values;
  if (typeof book !== "string" || files.length !== 1)
    return wrongCall("Say new, run or mailbox, and --book.");
  if (what === "new") return begin(book, values.seed);
  if (what === "run") return goOn(book, values.days);
  if (what === "mailbox") return mailbox(book, values.port);
  return wrongCall(`There is no \u201Cpractice ${what ?? ""}\u201D: say new, run or mailbox.`);
}
async function mailbox(book, said) {
  const opened = openBookToRead(book);
  if (!opened.ok) return failed(opened.error);
  opened.value.close();
  const port = Number(said ?? USUAL_PORT);
  if (!Number.isInteger(port) || port < 1 || port > 65535)
    return wrongCall("--port is a number from 1 to 65535.");
  const served = await servePracticeMailbox(book, port);
  if (!served.ok) return failed(served.error);
  process.stdout.write(
    `The practice mailbox of ${book} is at 127.0.0.1, port ${served.value.port}, not secure from the start; its name is ${PRACTICE_USER}, its password ${PRACTICE_PASSWORD}.
`
  );
  await new Promise((resolve) => {
    for (const signal of ["SIGINT", "SIGTERM"]) process.once(signal, () => resolve());
  });
  await served.value.end();
  return { code: EXIT.done, text: "" };
}
async function begin(book, said) {
  const seed = Number(said ?? USUAL_SEED);
  if (!Number.isSafeInteger(seed) || seed < 0) return wrongCall("--seed is a whole number.");
  const made = await PracticeWorld.make(book, seed);
  if (!made.ok) return failed(made.error);
  const { today } = made.value;
  made.value.close();
  return {
    code: EXIT.done,
    messages: [
      `${book} is a practice book, on ${today}. Its clock: dozo practice run --book ${book} --days 30`
    ],
    data: { book, seed, day: today }
  };
}
async function goOn(book, said) {
  const days = Number(said ?? 1);
  if (!Number.isInteger(days) || days < 1 || days > MOST_DAYS)
    return wrongCall(`--days is a number from 1 to ${MOST_DAYS}.`);
  const opened = PracticeWorld.open(book);
  if (!opened.ok) return failed(opened.error);
  const world = opened.value;
  try {
    let broken = 0;
    for (let day2 = 0; day2 < days; day2 += 1) {
      const told = await world.next();
      broken += told.events.broken_proofs ?? 0;
      process.stdout.write(`${JSON.stringify(told)}
`);
    }
    const differing = world.held().filter(({ theirs, ours }) => theirs !== ours);
    return {
      code: broken > 0 || differing.length > 0 ? EXIT.wrong : EXIT.done,
      messages: differing.map(
        ({ account, theirs, ours }) => `${account}: the processor holds ${theirs}, the books say ${ours} (in minor units): look at its payouts`
      ),
      // The days are told already.
      bytes: Buffer.alloc(0)
    };
  } finally {
    world.close();
  }
}
export {
  practice
};
