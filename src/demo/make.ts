import { createHash } from "node:crypto";
import { mkdirSync, renameSync, rmSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";

import { addDays, day, type Day } from "@/core/calendar";
import { type FileKind, guessMapping, readTable } from "@/core/formats";
import type { Proposal } from "@/core/matching";
import { type Currency, currencyOf, minor } from "@/core/money";
import { ok, type Result } from "@/core/result";
import { lineOfReceipt, openBankLines } from "@/db/bank";
import { PracticeStore } from "@/db/practice";
import { OPENING_BALANCE, OTHER_LINES } from "@/practice/bank";
import { activityFile, statementFile } from "@/practice/files";
import { chargeOfReceipt } from "@/db/charges";
import type { Db } from "@/db/connection";
import { customerByExternalId, customerIdByName } from "@/db/customers";
import { queuedLetters } from "@/db/letters";
import { onlyInvoices } from "@/db/onlyInvoices";
import { openItemByNumber } from "@/db/openItems";
import { openPayoutsIn } from "@/db/payouts";
import { revaluations } from "@/db/rates";
import { chargesToMatch, receiptsInState } from "@/db/receipts";
import { readSettings } from "@/db/settings";
import { type CommandName, COMMANDS, type InputOf, type OutputOf } from "@/server/commands";
import { proposalsOf } from "@/server/match/proposals";
import { deliverLetter } from "@/server/output/delivery";
import { draftLetter } from "@/server/overdue/letters";
import { overdueRows } from "@/server/overdue/queries/overdue";
import { createBook } from "@/server/runtime/books";
import { runCommand } from "@/server/runtime/command";
import {
  arrivedFile,
  bookFile,
  keptFile,
  inTheMaking,
  practiceFile,
} from "@/server/runtime/folders";

import { abroadCustomers, abroadInvoices, abroadRates } from "./abroad";
import { customersFile, invoicesFile, type Span } from "./files";
import { demoFollowUp } from "./followUp";
import { live } from "./live";
import { CUT_OVER, type Payment, TODAY, type World } from "./types";
import { demoWriting } from "./writing";
import { makeWorld } from "./world";

const EUR = currencyOf("EUR") as Currency;

/** The demo book's name in addresses, and the one it has while it is being made. */
export const DEMO_BOOK = "kestrel-row";
const MAKING = inTheMaking(DEMO_BOOK);
/** Who works in the demo book; the first is working when it is opened. */
const PEOPLE: [string, string] = ["Mara Voss", "Theo Lindqvist"];
/** Receipts up to this day were worked through; later ones wait in Match. */
const WORKED_TO = day("2026-11-11");
/** Files up to this day were taken in; later ones wait in Arrivals. */
const TAKEN_TO = day("2026-11-20");

/** Makes the demo book through the same use cases as a user's, week by week, in about 78 rounds. */
export async function makeDemoBook(): Promise<Result<null>> {
  rmSync(dirname(bookFile(MAKING)), { recursive: true, force: true });
  const made = createBook(MAKING, {
    name: "Kestrel Row Clay & Kiln",
    currency: "USD",
    timeZone: "America/Chicago",
    cutOverOn: CUT_OVER,
    replyTo: "accounts@kestrelrow.example",
    clock: addDays(CUT_OVER, 1),
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

type FileMade = {
  kind: FileKind;
  name: string;
  text: string;
  account: string | null;
  saveAs: string;
};

class Maker {
  private keys = 0;
  private done: Day = day("2025-01-01");
  private readonly byKey: Map<string, Payment>;

  constructor(
    private readonly db: Db,
    private readonly store: PracticeStore,
    private readonly world: World,
  ) {
    this.byKey = new Map(world.payments.map((payment) => [payment.id, payment]));
  }

  setUp(): void {
    this.do("addBankAccount", {
      code: "operating",
      name: "Operating bank",
      lastFour: "4417",
      openingBalance: OPENING_BALANCE,
    });
    this.do("addProcessorAccount", {
      code: "card",
      name: "card account",
      delayDays: 2,
      descriptor: "PRACTICE PROC CARD",
    });
    this.do("addProcessorAccount", {
      code: "ach",
      name: "ACH account",
      delayDays: 1,
      descriptor: "PRACTICE PROC ACH",
    });
    this.agreeRates();
    this.do("addProcessorAccount", {
      code: "euro",
      name: "card account in EUR",
      delayDays: 3,
      descriptor: "PRACTICE PROC EURO",
      currency: "EUR",
    });
    this.do("setRates", { rates: abroadRates() });
    this.takeIn({
      kind: "customers",
      name: "customers.csv",
      text: customersFile(this.world),
      account: null,
      saveAs: "our customers",
    });
    this.takeIn({
      kind: "customers",
      name: "customers-abroad.csv",
      text: abroadCustomers(),
      account: null,
      saveAs: "our customers",
    });
  }

  private agreeRates(): void {
    // The card rate came down on the 1st of October; the processor goes on taking the old one.
    this.do("agreeRate", {
      account: "card",
      method: "card",
      from: "2025-06-01",
      percent: "2.9",
      fixed: 30,
    });
    this.do("agreeRate", {
      account: "card",
      method: "card",
      from: "2026-10-01",
      percent: "2.8",
      fixed: 30,
    });
    this.do("agreeRate", {
      account: "ach",
      method: "ach_debit",
      from: "2025-06-01",
      percent: "0.8",
      fixed: 0,
      most: 500,
    });
  }

  /**
   * A week's round: files in, the sure ones posted, the rest placed by hand, the bank explained,
   * letters twice a month.
   */
  week(to: Day): void {
    if (to <= this.done) return;
    const span = { from: this.done, to };
    this.do("changeSettings", { clock: to });
    this.takeIn({
      kind: "invoices",
      name: `invoices-${to}.csv`,
      text: invoicesFile(this.world, span),
      account: null,
      saveAs: "our invoices",
    });
    const after = { from: span.from < CUT_OVER ? CUT_OVER : span.from, to };
    this.activity("card", after, "card account");
    this.activity("ach", after, "ACH account");
    this.takeIn({
      kind: "invoices",
      name: `invoices-abroad-${to}.csv`,
      text: abroadInvoices(span),
      account: null,
      saveAs: "our invoices",
    });
    this.activity("euro", after, "card account in EUR");
    this.takeIn({
      kind: "bank",
      name: `statement-${to}.csv`,
      text: statementFile(this.store, { after: after.from, to }, OPENING_BALANCE) ?? "",
      account: "operating",
      saveAs: "operating bank",
    });
    this.done = to;
    this.explainBank();
    this.fromAbroad(to);
    this.match();
    if (to <= "2026-11-08" && Number(to.slice(8)) % 14 < 7) this.writeLetters(to);
  }

  /** A processor account's file of a week. */
  private activity(account: string, { from, to }: Span, saveAs: string): void {
    this.takeIn({
      kind: "processor",
      name: `${account}-${to}.csv`,
      text: activityFile(this.store, account, to, from) ?? "",
      account,
      saveAs,
    });
  }

  /** Lines that are not of this job get a rule the first time they are seen. */
  private explainBank(): void {
    for (const words of OTHER_LINES) {
      const line = openBankLines(this.db).find((bankLine) => bankLine.description.includes(words));
      if (line)
        this.do("explainLine", { lineId: line.id, as: "elsewhere", rule: { contains: words } });
    }
  }

  private match(): void {
    const sure = proposalsOf(this.db).filter((proposal) => proposal.decision === "sure");
    const waiting = new Map(
      receiptsInState(this.db, "to_match").map((receipt) => [receipt.id, receipt]),
    );
    // The clerk looks the list through and takes out what is wrong: the truth stands in for that look.
    const right = sure
      .filter(
        (proposal) =>
          (waiting.get(proposal.receiptId)?.paidOn ?? TODAY) <= WORKED_TO && this.isRight(proposal),
      )
      .map(({ receiptId }) => receiptId);
    if (right.length > 0) this.do("postSure", { receiptIds: right });
    for (const receipt of receiptsInState(this.db, "to_match").filter(
      ({ paidOn }) => paidOn <= WORKED_TO,
    )) {
      const payment = this.paymentOf(receipt.id);
      if (payment) this.placeByTruth(receipt.id, payment);
    }
  }

  /**
   * Charges from abroad go to their invoices, payouts to the line they came in; the last ones are
   * left to be done. The end of October is revalued.
   */
  private fromAbroad(to: Day): void {
    for (const entry of chargesToMatch(this.db, EUR)) {
      const item = openItemByNumber(this.db, this.store.charge(entry.charge)?.key ?? "");
      if (item && entry.paidOn <= WORKED_TO)
        this.do("applyReceipt", {
          receiptId: entry.receiptId,
          customerId: item.customerId,
          lines: [{ itemId: item.id, amount: entry.unidentified }],
        });
    }
    for (const payout of openPayoutsIn(this.db, EUR)) {
      const line = openBankLines(this.db).find(({ description }) =>
        description.endsWith(payout.externalId.toUpperCase()),
      );
      if (line && payout.paidOn <= WORKED_TO)
        this.do("tiePayout", { payoutId: payout.id, bankLineIds: [line.id] });
    }
    if (to > "2026-11-01" && revaluations(this.db).length === 0)
      this.do("revalue", { asOf: day("2026-10-31") });
  }

  private paymentOf(receiptId: number): Payment | undefined {
    const charge = chargeOfReceipt(this.db, receiptId);
    if (charge) return this.byKey.get(this.store.charge(charge.externalId)?.key ?? "");
    const line = lineOfReceipt(this.db, receiptId);
    return this.world.payments.find(
      (payment) =>
        payment.via === "bank" &&
        payment.paidOn === line?.on &&
        payment.amount === line.amount &&
        line.description.includes(payment.payerName),
    );
  }

  private isRight({ receiptId, readings }: Proposal): boolean {
    const truth = this.paymentOf(receiptId)?.given;
    const said = readings[0]?.lines
      .map((line) => `${line.number} ${line.amount} ${line.discount}`)
      .sort()
      .join();
    return (
      truth
        ?.map((line) => `${line.number} ${line.amount} ${line.discount}`)
        .sort()
        .join() === said
    );
  }

  private placeByTruth(receiptId: number, payment: Payment): void {
    if (payment.given === null) return;
    const lines = payment.given.flatMap((line) => {
      const item = openItemByNumber(this.db, line.number);
      return item && item.balance >= line.amount + line.discount
        ? [
            {
              itemId: item.id,
              amount: line.amount,
              discount: line.discount,
              smallDifference: minor(
                Math.min(line.smallDifference, item.balance - line.amount - line.discount),
              ),
            },
          ]
        : [];
    });
    const customerId = this.customerId(payment.person.id);
    this.do("applyReceipt", { receiptId, customerId, lines });
  }

  private customerId(externalId: string): number {
    return customerByExternalId(this.db, externalId)?.id ?? 0;
  }

  private writeLetters(today: Day): void {
    const settings = readSettings(this.db);
    for (const row of overdueRows(this.db, today, proposalsOf(this.db)).filter(
      ({ state, overdue, oldestDays }) => state === "ready" && overdue >= 5000 && oldestDays >= 8,
    )) {
      if (row.next.step.act === "call") {
        this.do("logContact", {
          customerId: row.customer.id,
          kind: "call",
          text:
            row.oldestDays % 2 === 0
              ? "Will look into it and call back"
              : "Waiting for the grant to come in",
        });
        continue;
      }
      const draft = draftLetter(this.db, row, { settings, today });
      if (!draft.ok || draft.value.to === null) continue;
      this.do("sendLetter", {
        customerId: row.customer.id,
        subject: draft.value.subject,
        body: draft.value.body,
      });
    }
  }

  /** Today, with promises given and broken, and the last days' files laid ready. */
  finish(): void {
    const customer = (name: string): number => customerIdByName(this.db, name);
    this.do("changeSettings", { clock: TODAY });
    this.do("logContact", {
      customerId: customer("Fernhill Studio"),
      kind: "promise",
      text: "Pays the oldest by Friday",
      promisedOn: "2026-11-27",
      promisedSum: 40_000,
    });
    this.do("logContact", {
      customerId: customer("Tallow County Schools"),
      kind: "promise",
      text: "Half with this month's run, half with the next",
      parts: [
        { dueOn: "2026-12-04", sum: 40_000 },
        { dueOn: "2026-12-18", sum: 40_000 },
      ],
    });
    this.byHand();
    demoFollowUp(this.db, (name, input) => this.do(name, input));
    demoWriting(this.db, (name, input) => this.do(name, input));
    const span = { from: TAKEN_TO, to: TODAY };
    const { store } = this;
    // The bank's statement ends with the day before.
    const days = { after: TAKEN_TO, to: addDays(TODAY, -1) };
    for (const [name, text] of [
      [`invoices-${TODAY}.csv`, invoicesFile(this.world, span)],
      [`card-${TODAY}.csv`, activityFile(store, "card", TODAY, TAKEN_TO) ?? ""],
      [`ach-${TODAY}.csv`, activityFile(store, "ach", TODAY, TAKEN_TO) ?? ""],
      [`statement-${TODAY}.csv`, statementFile(store, days, OPENING_BALANCE) ?? ""],
    ] as const) {
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
  private byHand(): void {
    this.do("changeSettings", { people: PEOPLE });
    const open = onlyInvoices(this.db, { least: 6000, most: 60_000, limit: 5 });
    const [first, second, third, short, cash] = open;
    if (!first || !second || !third || !short || !cash)
      throw new Error("the demo has too few open invoices");
    const check = (of: typeof first, number: string, amount: number, paidOn: Day): number =>
      this.do("recordReceipt", {
        method: "check",
        number,
        paidOn,
        amount,
        payerName: of.name,
        reference: `invoice ${of.number}`,
      }).receiptId;
    const taken = [
      check(first, "1187", first.balance, addDays(TODAY, -2)),
      check(second, "20533", second.balance, addDays(TODAY, -2)),
    ];
    this.do("makeDeposit", { receiptIds: taken, bank: "operating", onDay: addDays(TODAY, -1) });
    check(third, "4410", third.balance, TODAY);
    this.do("recordReceipt", {
      method: "cash",
      paidOn: TODAY,
      amount: cash.balance,
      payerName: cash.name,
      reference: "at the counter",
    });
    const less = check(short, "902", short.balance - 3400, addDays(TODAY, -1));
    this.do(
      "askApproval",
      {
        receiptId: less,
        customerId: short.customerId,
        lines: [{ itemId: short.id, amount: short.balance - 3400, smallDifference: 3400 }],
        why: "two bags broken on the way, never credited",
      },
      PEOPLE[1],
    );
  }

  promiseToBreak(): void {
    const id = customerIdByName(this.db, "Emberline Studio");
    this.do("logContact", {
      customerId: id,
      kind: "promise",
      text: "Pays everything by 6 November",
      promisedOn: "2026-11-06",
      promisedSum: 100_000,
    });
  }

  private takeIn({ kind, name, text, account, saveAs }: FileMade): void {
    const table = readTable(text);
    if (!table.ok) return;
    const bytes = Buffer.from(text);
    const sha256 = createHash("sha256").update(bytes).digest("hex");
    writeFileSync(join(dirname(keptFile(MAKING, sha256)), sha256), bytes);
    const mapping = {
      ...guessMapping(table.value, kind),
      ...(kind === "processor"
        ? { signs: "as_written" as const, payoutSign: "turned" as const }
        : {}),
    };
    this.do("importFile", { sha256, name, size: bytes.length, mapping, account, saveAs });
  }

  private do<Name extends CommandName>(
    name: Name,
    input: InputOf<Name>,
    actor: string = PEOPLE[0],
  ): OutputOf<Name> {
    const done = runCommand(this.db, COMMANDS[name] as never, input, {
      book: MAKING,
      actor,
      key: `demo-${++this.keys}`,
    }) as Result<OutputOf<Name>>;
    if (!done.ok) throw new Error(`the demo's ${name} failed: ${JSON.stringify(done.error)}`);
    return done.value;
  }
}
