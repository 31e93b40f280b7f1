import { eachBook, type TestBook, TODAY } from "../../../tests/support/book";
import { firstCustomer, writeDraft } from "../../../tests/support/orders";
import { scheduleFacts, schedulesOn } from "./queries/schedules";
import { day } from "@/core/calendar";

let book: TestBook;
eachBook((made) => {
  book = made;
});
const PLAN = { startsOn: "2026-11-01", everyCount: 1, everyUnit: "month" as const };
const RENT = { description: "Rent {month}", quantity: "1", rate: "850" };
const begin = (plan: object = {}, more: object = {}): number =>
  book.must("setSchedule", {
    name: "Kiln room",
    plan: { ...PLAN, ...plan },
    billed: { customerId: firstCustomer(book), lines: [RENT] },
    ...more,
  }).id;
const run = () => book.must("runSchedules", {});
const today = (on: string): void => void book.must("changeSettings", { clock: on });
const facts = (id: number) => {
  const found = scheduleFacts(book.db, day("2026-11-24"), id);
  if (!found) throw new Error("no schedule");
  return found;
};
const written = (): [string, string, number, string][] =>
  book.db
    .all<{ on: string; words: string; total: number; stage: string }>(
      `SELECT d.issued_on AS "on", l.description AS words, d.total, d.stage FROM document d
       JOIN document_line l ON l.document_id = d.id ORDER BY d.id`,
    )
    .map((row) => [row.on, row.words, row.total, row.stage]);

describe("a schedule", () => {
  it("writes each period once, catches up over a month end, and says what comes", () => {
    const id = begin({ makes: "approved" });
    expect([run(), run()]).toEqual([
      { written: 1, failed: 0, more: false },
      { written: 0, failed: 0, more: false },
    ]);
    today("2027-02-01");
    expect(run().written).toBe(3);
    expect(written()).toEqual([
      ["2026-11-01", "Rent November 2026", 85000, "approved"],
      ["2026-12-01", "Rent December 2026", 85000, "approved"],
      ["2027-01-01", "Rent January 2027", 85000, "approved"],
      ["2027-02-01", "Rent February 2027", 85000, "approved"],
    ]);
    expect(
      facts(id)
        .ahead.map(({ from }) => from)
        .slice(0, 2),
    ).toEqual(["2027-03-01", "2027-04-01"]);
    expect(facts(id).behind.map(({ number }) => number)).toEqual([
      "INV-2027-0002",
      "INV-2027-0001",
      "INV-2026-0002",
      "INV-2026-0001",
    ]);
    expect(book.broken()).toEqual([]);
  });
  it("bills a part of a period by its days, and other lines from a day on", () => {
    const id = begin({ countedFrom: "2026-11-01", startsOn: "2026-11-16", until: "2027-01-10" });
    const { version } = facts(id);
    const change = (from: string, rate: string, seen: number) =>
      book.do("setSchedule", {
        id,
        version: seen,
        name: "Kiln room",
        plan: { ...PLAN, countedFrom: "2026-11-01", startsOn: "2026-11-16", until: "2027-01-10" },
        billed: { customerId: firstCustomer(book), lines: [{ ...RENT, rate }] },
        from,
      });
    expect(change("2027-01-01", "930", version).ok).toBe(true);
    expect(change("2027-01-01", "931", version)).toMatchObject({
      error: { code: "document.elsewhere" },
    });
    expect(facts(id).ahead.map(({ total }) => total)).toEqual([42500, 85000, 30000]);
    today("2027-03-01");
    expect(run()).toEqual({ written: 3, failed: 0, more: false });
    expect(written().map(([, words, total]) => [words, total])).toEqual([
      ["Rent November 2026 (15 of 30 days)", 42500],
      ["Rent December 2026", 85000],
      ["Rent January 2027 (10 of 31 days)", 30000],
    ]);
    expect(facts(id).state).toBe("ended");
    expect(change("2027-04-01", "1", version + 1)).toMatchObject({
      error: { code: "schedule.ended" },
    });
  });
  it("is paused and resumed, with what passed left out or billed, and ended for good", () => {
    const [left, made] = [begin(), begin()];
    run();
    for (const id of [left, made]) book.must("moveSchedule", { id, to: "pause" });
    today("2027-01-15");
    expect(run().written).toBe(0);
    expect(book.must("moveSchedule", { id: left, to: "resume" })).toEqual({ leftOut: 2 });
    book.must("moveSchedule", { id: made, to: "resume", makeUp: true });
    expect(run().written).toBe(2);
    expect(facts(left).behind.map(({ leftOut }) => leftOut)).toEqual(["paused", "paused", null]);
    expect(facts(made).behind).toHaveLength(3);
    book.must("moveSchedule", { id: left, to: "end" });
    for (const to of ["pause", "resume", "end"] as const)
      expect(book.do("moveSchedule", { id: left, to })).toMatchObject({
        error: { code: "schedule.ended" },
      });
    today("2027-06-01");
    expect(run().written).toBe(5);
  });
  it("that cannot write says why, keeps none waiting, and tries again the next day", () => {
    const abroad = begin(
      {},
      {
        billed: { customerId: firstCustomer(book), currency: "EUR", lines: [RENT] },
      },
    );
    const failing = begin(
      { makes: "approved" },
      {
        billed: { customerId: firstCustomer(book), currency: "CHF", lines: [RENT] },
      },
    );
    const good = begin({ makes: "approved" });
    expect(run()).toEqual({ written: 2, failed: 1, more: false });
    expect([facts(abroad).failed, facts(good).failed]).toEqual([null, null]);
    expect(facts(failing).failed).toContain("CHF");
    expect(facts(failing).behind).toEqual([]);
    expect(run()).toEqual({ written: 0, failed: 0, more: false });
    expect(book.must("runSchedules", { again: true })).toEqual({
      written: 0,
      failed: 1,
      more: false,
    });
    today("2026-11-25");
    expect(run()).toEqual({ written: 0, failed: 1, more: false });
  });
  it("over the limit waits for a person; a count ends it", () => {
    book.must("changeSettings", { approvalOver: 50_000 });
    const id = begin({ makes: "approved", times: 1 });
    expect(run().written).toBe(1);
    expect(written()[0]?.[3]).toBe("waiting");
    expect(facts(id)).toMatchObject({ state: "ended", ahead: [], nextOn: null });
  });
  it("shows what will be written by month", () => {
    begin();
    begin({ everyUnit: "quarter" });
    const { months, due } = schedulesOn(book.db, day("2026-11-24"));
    expect(months.map(({ sum, count }) => [sum, count]).slice(0, 4)).toEqual([
      [170000, 2],
      [85000, 1],
      [85000, 1],
      [170000, 2],
    ]);
    expect(months).toHaveLength(12);
    expect(due).toBe(2);
  });
  it.each<[string, object, string]>([
    ["an end before its start", { until: "2026-10-30" }, "schedule.until"],
    ["periods counted from after its start", { countedFrom: "2026-11-02" }, "schedule.counted"],
    ["every none", { everyCount: 0 }, "input.invalid"],
  ])("refuses %s", (_, plan, code) => {
    expect(
      book.do("setSchedule", {
        name: "Kiln room",
        plan: { ...PLAN, ...plan },
        billed: { customerId: firstCustomer(book), lines: [RENT] },
      }),
    ).toMatchObject({ error: { code } });
  });
  it("keeps its days once it has billed, and refuses what cannot be billed", () => {
    const id = begin();
    run();
    const change = (plan: object, rate = "850") =>
      book.do("setSchedule", {
        id,
        version: facts(id).version,
        name: "Kiln room",
        plan: { ...PLAN, ...plan },
        billed: { customerId: firstCustomer(book), lines: [{ ...RENT, rate }] },
      });
    expect(change({ everyUnit: "week" })).toMatchObject({ error: { code: "schedule.days" } });
    expect(change({}, "x")).toMatchObject({ error: { code: "document.number" } });
    expect(change({ until: "2026-11-30" })).toMatchObject({ error: { code: "schedule.nothing" } });
    expect(change({ until: "2026-12-31" }, "900").ok).toBe(true);
  });
});

describe("several invoices that come again", () => {
  const plan = { startsOn: TODAY, everyCount: 1, everyUnit: "month", makes: "draft" } as const;
  it("each by a schedule of its own, with its lines and terms; all or none", () => {
    const [first, second] = [
      writeDraft(book, { terms: "n/10" }),
      writeDraft(book, { note: "Rent" }),
    ];
    const { scheduleIds } = book.must("scheduleDocuments", {
      ids: [first, second, first],
      plan,
    } as never);
    expect(scheduleIds).toHaveLength(2);
    const rows = book.db.all<{ name: string; total: number; draft: string }>(
      `SELECT s.name, c.total, c.draft FROM schedule s JOIN schedule_content c ON c.schedule_id = s.id
       ORDER BY s.id`,
    );
    expect(rows.map(({ name, total }) => [name, total])).toEqual([
      ["Kiln", 480_000],
      ["Kiln", 480_000],
    ]);
    expect(rows.map(({ draft }) => (JSON.parse(draft) as { terms: string }).terms)).toEqual([
      "n/10",
      "n/30",
    ]);
    const { deposits } = { deposits: writeDraft(book) };
    const asked = book.must("askDeposit", { id: deposits, version: 0, percent: "30" } as never);
    expect(book.do("scheduleDocuments", { ids: [first, asked.id], plan } as never)).toMatchObject({
      error: { code: "schedule.not_of" },
    });
    expect(book.db.get("SELECT count(*) AS n FROM schedule")).toEqual({ n: 2 });
  });
});
