import { existsSync } from "node:fs";

import type { DayTold } from "@/contracts/paying";
import { addDays, day, type Day } from "@/core/calendar";
import { fail, ok, type Result } from "@/core/result";
import { openBankLines } from "@/db/bank";
import type { Db } from "@/db/connection";
import { PracticeStore } from "@/db/practice";
import { readSettings } from "@/db/settings";
import { proofs } from "@/server/books/queries/proofs";
import { readOrders } from "@/server/invoices/steps/readOrders";
import type { DoCommand } from "@/server/paying/payNow";
import { allDue, runAgreed } from "@/server/paying/runAgreed";
import { sendRefunds } from "@/server/paying/sendRefunds";
import { settleAsked } from "@/server/paying/settleAsked";
import { createBook, openBookToWrite } from "@/server/runtime/books";
import { practiceFile } from "@/server/runtime/folders";

import { OTHER_LINES, otherLines } from "./bank";
import { actOf, type Around } from "./customers";
import { filesOf } from "./arriving";
import { Hands, must, runIn } from "./hands";
import { answerDisputes, disputesOf } from "./disputing";
import { hearEvents } from "./hearEvents";
import { type Held, heldBy } from "./held";
import { mendAccounts } from "./mending";
import { ordersOf } from "./orders";
import { makePeople, type Person } from "./people";
import { PracticeProcessor } from "./processor";
import { Random } from "./random";
import { setUp } from "./setUp";

/** The first day of a practice year. */
const FIRST = day("2026-01-01");

/** The day up to which everything was gone through. */
const DONE_TO = "done to";

/**
 * A practice book with the world around it: the made-up business, its customers with their habits,
 * its processor and its bank. Each day everything due happens in order, is told by the processor's
 * and the bank's files, and is taken in as a clerk would. The same seed is the same year.
 */
export class PracticeWorld {
  private readonly people: Person[];
  private readonly processor: PracticeProcessor;
  private readonly around: Around;
  private counts = new Map<string, number>();

  private constructor(
    private readonly hands: Hands,
    private readonly db: Db,
    private readonly store: PracticeStore,
    private readonly seed: number,
  ) {
    this.people = makePeople(new Random(seed));
    this.processor = new PracticeProcessor(store);
    this.around = { db, store, processor: this.processor, run: hands.run, seed };
  }

  /** Makes a practice book at the first day of its year. */
  static async make(book: string, seed: number): Promise<Result<PracticeWorld>> {
    const made = createBook(book, {
      name: "Kestrel Row Clay & Kiln",
      currency: "USD",
      timeZone: "America/Chicago",
      cutOverOn: addDays(FIRST, -1),
      replyTo: "accounts@kestrelrow.example",
      clock: FIRST,
    });
    if (!made.ok) return made;
    const store = new PracticeStore(practiceFile(book));
    store.setFact("seed", String(seed));
    const hands = new Hands(book, made.value, runIn(book, made.value));
    const world = new PracticeWorld(hands, made.value, store, seed);
    await setUp({ hands, around: world.around, people: world.people, first: FIRST });
    return ok(world);
  }

  /** A practice book that was made before, to go on with. */
  static open(book: string): Result<PracticeWorld> {
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
      new PracticeWorld(
        new Hands(book, opened.value, runIn(book, opened.value)),
        opened.value,
        store,
        Number(seed),
      ),
    );
  }

  /** The world around a practice book that is open already, as in a server; null around any other. */
  static around(book: string, db: Db, run: DoCommand): PracticeWorld | null {
    if (!existsSync(practiceFile(book)) || readSettings(db).clock === null) return null;
    const store = new PracticeStore(practiceFile(book));
    const seed = store.fact("seed");
    if (seed !== null) return new PracticeWorld(new Hands(book, db, run), db, store, Number(seed));
    store.close();
    return null;
  }

  /** Lets go of its own books; the book stays as it is. */
  leave(): void {
    this.store.close();
  }

  get today(): Day {
    return readSettings(this.db).clock ?? FIRST;
  }

  close(): void {
    this.store.close();
    this.db.close();
  }

  private count(kind: string, by = 1): void {
    if (by > 0) this.counts.set(kind, (this.counts.get(kind) ?? 0) + by);
  }

  /**
   * Moves the clock on by a day: all that is due happens, arrives, and is taken in. A day in which it
   * was cut off is gone through again before the next: what was done in it is done once.
   */
  async next(): Promise<DayTold> {
    const { today } = this;
    const done = this.store.fact(DONE_TO) ?? FIRST;
    const on = done < today ? today : addDays(today, 1);
    this.counts = new Map();
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
      events: Object.fromEntries([...this.counts].sort(([a], [b]) => (a < b ? -1 : 1))),
    };
  }

  /** What was asked for in a day that was cut off: what became of it, or that it never arrived. */
  private async settle(on: Day): Promise<void> {
    const { processor, hands, db } = this;
    await settleAsked(db, { processor, run: hands.run, now: new Date(addDays(on, 3660)) });
    await sendRefunds(db, { processor, run: hands.run, on });
  }

  /** What the business writes: schedules, and the orders that came in. */
  private async write(on: Day): Promise<void> {
    for (let more = true; more;) {
      const { written, more: left } = await this.hands.do("runSchedules", {});
      this.count("scheduled", written);
      more = left;
    }
    const orders = ordersOf(this.seed, this.people, on);
    if (orders === null) return;
    const read = must(readOrders(Buffer.from(orders)));
    const { documents, refused } = await this.hands.do("takeOrders", {
      orders: read.orders,
      approve: true,
    });
    if (refused.length > 0) throw new Error(`an order was refused: ${JSON.stringify(refused[0])}`);
    this.count("invoices", documents.length);
  }

  /** The run of agreed payments. */
  private async takeAgreed(on: Day): Promise<void> {
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
  private async arrive(on: Day): Promise<void> {
    for (const file of filesOf(this.store, on)) {
      await this.hands.takeIn(file);
      this.count("files");
    }
  }

  /** What a clerk does with what came: the sure ones, the lines that are not of this job, what is earned. */
  private async work(): Promise<void> {
    for (const words of OTHER_LINES) {
      const line = openBankLines(this.db).find(({ description }) => description.includes(words));
      if (line)
        await this.hands.do("explainLine", {
          lineId: line.id,
          as: "elsewhere",
          rule: { contains: words },
        });
    }
    await answerDisputes(this.around, this.today);
    this.count("accounts_mended", await mendAccounts(this.around, this.today));
    const { posted } = await this.hands.do("postSure", {});
    this.count("matched", posted);
    await this.hands.do("releaseIncome", {});
  }

  /** What the processor holds of each account, and what our books say that it does. */
  held(): Held[] {
    return heldBy(this.store, this.db);
  }
}
