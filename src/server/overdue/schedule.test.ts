import { mkdirSync, writeFileSync } from "node:fs";
import { dirname } from "node:path";

import { day } from "@/core/calendar";
import { readSettings } from "@/db/settings";

import { eachBook, type TestBook, TODAY } from "../../../tests/support/book";
import { arrivedFile } from "../runtime/folders";
import { dueRun } from "../runtime/threads/clock";
import { draftLetter } from "./letters";
import { previewFor, shippedWords } from "./letterTexts";
import { automaticRun, runKey } from "./queries/letterRun";
import { overdueRows } from "./queries/overdue";

let book: TestBook;
eachBook((made) => {
  book = made;
});
const TUESDAY = day("2026-11-24");
const byItself = (customerId: number): void =>
  void book.must("setFollowUp", {
    customerId,
    ladderId: null,
    language: "en",
    byItself: true,
    smallest: null,
    quietUntil: null,
  });
const scheduled = (): void => {
  book.must("setLadder", {
    id: 1,
    name: "Standard",
    steps: [
      { fromDays: 1, act: "letter", byItself: true },
      { fromDays: 15, act: "letter", tone: 2 },
    ],
  });
  book.must("changeSettings", { letterRun: { weekdays: [2], hour: 9 } });
};
const next = (): ReturnType<typeof automaticRun> =>
  automaticRun(book.db, TODAY, (on) => overdueRows(book.db, on, book.proposals()));

describe("letters that go by themselves", () => {
  it("are listed beforehand: only where the step and the customer say so", () => {
    expect(next()).toMatchObject({ on: null, rows: [] });
    scheduled();
    expect(next()).toMatchObject({ on: TUESDAY, hour: 9, rows: [] });
    byItself(1);
    expect(next().rows.map(({ name, sum }) => [name, sum])).toEqual([
      ["Alder Lane Pottery School", 85_450],
    ]);
    byItself(2);
    expect(next().rows).toHaveLength(2);
  });
  it("go to nobody who was taken out, and to each once", () => {
    scheduled();
    [1, 2].forEach(byItself);
    book.must("skipRun", { customerId: 2, onDay: TUESDAY, why: "spoke with her today" });
    expect(next().rows.find(({ why }) => why !== null)).toMatchObject({
      name: "Heron Point Studio",
      why: "spoke with her today",
    });
    expect(book.do("runLetters", {}, runKey(TODAY))).toMatchObject({
      ok: true,
      value: { sent: 1, held: 0 },
    });
    // The clock strikes again, and a second server looks too: it is the same run.
    expect(book.do("runLetters", {}, runKey(TODAY))).toMatchObject({
      ok: true,
      value: { sent: 1 },
    });
    expect(book.do("runLetters", {})).toMatchObject({ ok: true, value: { sent: 0 } });
    expect(book.db.all("SELECT customer_id AS id FROM letter")).toEqual([{ id: 1 }]);
    expect(next()).toMatchObject({ on: day("2026-12-01"), gone: true });
    book.must("skipRun", { customerId: 2, onDay: TUESDAY, why: null });
    expect(book.do("runLetters", {})).toMatchObject({ ok: true, value: { sent: 1 } });
  });
  it("hold whoever has something arrived meanwhile, or a feed that has fallen behind", () => {
    scheduled();
    byItself(2);
    book.mustTake(
      "processor",
      "Id,Type,Date,Gross,Fee,Net,Payer,Email,Memo\nch_9,Charge,11/24/2026,120.00,3.78,116.22,Heron Point Studio,heron@mail.example,20403\n",
    );
    expect(book.do("runLetters", {})).toMatchObject({ ok: true, value: { sent: 0 } });
    book.must("setAside", { receiptId: 1, reason: "test" });
    book.must("changeSettings", { clock: "2026-12-08" });
    const [row] = overdueRows(book.db, day("2026-12-08"), book.proposals(), 2);
    expect(row?.waits).toMatchObject([
      { code: "stale", feed: "processor", account: "card account", to: "2026-11-24" },
    ]);
    expect(book.do("runLetters", {})).toMatchObject({ ok: true, value: { sent: 0 } });
  });
  it("go at their hour by the book's own clock, once a day, never in a practice book", () => {
    scheduled();
    // 9:00 in Chicago is 15:00 UTC in November.
    const at = (time: string): string | null => dueRun(book.db, new Date(time));
    expect(at("2026-11-24T15:00:00Z")).toBeNull();
    book.db.run("UPDATE setting SET value = 'null' WHERE key = 'clock'");
    expect([
      at("2026-11-24T14:59:00Z"),
      at("2026-11-24T15:00:00Z"),
      at("2026-11-25T05:30:00Z"),
      at("2026-11-25T06:30:00Z"),
      at("2026-11-25T15:30:00Z"),
    ]).toEqual([null, runKey(TUESDAY), runKey(TUESDAY), null, null]);
  });
});

describe("letters while files wait in Arrivals", () => {
  const waits = (name: string): void =>
    writeFileSync(arrivedFile(book.name, name), `Date,Amount\n11/24/2026,${name.length}.00\n`);
  const letters = [{ customerId: 1 }];
  beforeEach(() => {
    mkdirSync(dirname(arrivedFile(book.name, "x")), { recursive: true });
    waits("bank-24-nov.csv");
  });
  it("do not go, one, many or by themselves, until somebody who saw the names says so", () => {
    const refused = {
      ok: false,
      error: { code: "letters.files_wait", files: "bank-24-nov.csv" },
    };
    scheduled();
    byItself(1);
    expect(book.do("sendLetter", { customerId: 1, subject: "s", body: "b" })).toMatchObject(
      refused,
    );
    expect(book.do("sendLetters", { letters })).toMatchObject(refused);
    // By schedule it stays due: the run goes once the file is taken in.
    expect(book.do("runLetters", {}, runKey(TODAY))).toMatchObject(refused);
    expect(next()).toMatchObject({ on: TODAY, gone: false });
    expect(book.must("sendLetters", { letters, despiteFiles: ["bank-24-nov.csv"] })).toMatchObject({
      sent: 1,
    });
  });
  it("ask again where another file came since the names were seen", () => {
    waits("card-24-nov.csv");
    expect(book.do("sendLetters", { letters, despiteFiles: ["bank-24-nov.csv"] })).toMatchObject({
      error: { files: "card-24-nov.csv" },
    });
    for (const name of ["a.csv", "ab.csv", "abc.csv"]) waits(name);
    expect(book.do("sendLetters", { letters })).toMatchObject({
      error: { files: expect.stringMatching(/ and 2 more$/) as string },
    });
  });
});

describe("wordings of one's own", () => {
  const words = {
    ladderId: 0,
    tone: 1,
    language: "en" as const,
    subject: "About {{ sum }}",
    body: "Hello {{ customer }},\n{% if count > 1 %}several{% else %}one{% endif %}: {{ sum }}\n{{ business }}",
  };
  const drafted = (): [string, string] => {
    const draft = draftLetter(book.db, overdueRows(book.db, TODAY, [], 1)[0]!, {
      settings: readSettings(book.db),
      today: TODAY,
    });
    return draft.ok ? [draft.value.subject, draft.value.body] : [draft.error.code, ""];
  };
  it("are used for every ladder, or for one; those that ship come back when they are dropped", () => {
    const [shipped] = drafted();
    book.must("setWordingOf", words);
    expect(drafted()).toEqual([
      "About USD 854.50",
      "Hello Alder Lane Pottery School,\none: USD 854.50\nTest\n",
    ]);
    book.must("setWordingOf", { ...words, ladderId: 1, subject: "To you alone: {{ sum }}" });
    expect(drafted()[0]).toBe("To you alone: USD 854.50");
    book.must("dropWording", { ladderId: 1, tone: 1, language: "en" });
    book.must("dropWording", { ladderId: 0, tone: 1, language: "en" });
    expect(drafted()[0]).toBe(shipped);
    expect(book.do("dropWording", { ladderId: 0, tone: 1, language: "en" })).toMatchObject({
      ok: false,
      error: { code: "wording.none" },
    });
  });
  it.each<[string, object, string]>([
    ["a field that there is none of", { body: "Pay {{ amount }}" }, "letter.words"],
    ["a filter that there is none of", { body: "{{ sum | shout }}" }, "letter.words"],
    ["a condition that does not end", { body: "{% if ahead %}{{ sum }}" }, "letter.words"],
    ["no sum anywhere", { body: "Please pay." }, "wording.sum"],
    [
      "no sum where one invoice is late",
      { body: "{% if count > 1 %}{{ sum }}{% endif %} please" },
      "wording.sum",
    ],
    [
      "a subject that comes out empty",
      { subject: "{% if ahead %}x{% endif %}" },
      "letter.empty_field",
    ],
    ["a file of the machine", { body: "{% include '/etc/hostname' %}{{ sum }}" }, "letter.words"],
    ["a template of the program", { body: "{% render 'package.json' %}{{ sum }}" }, "letter.words"],
    [
      "work without end",
      {
        body: "{% for a in (1..9999999) %}{% for b in (1..9999999) %}x{% endfor %}{% endfor %}{{ sum }}",
      },
      "letter.words",
    ],
    ["what belongs to the program", { body: "{{ sum.constructor }}" }, "letter.words"],
    ["a ladder that there is none of", { ladderId: 99 }, "ladder.unknown"],
  ])("are refused with %s, and say why", (_case, more, code) =>
    expect(book.do("setWordingOf", { ...words, ...more })).toMatchObject({
      ok: false,
      error: { code },
    }),
  );
  it("are shown on a real customer as they are typed, in any language, and nothing is kept", () => {
    for (const shipped of shippedWords()) {
      const shown = previewFor(book.db, TODAY, [], { ...shipped, customerId: 1 });
      expect(shown.ok && shown.value.body).toContain("854.50");
      expect(shown.ok && `${shown.value.subject}${shown.value.body}`).not.toMatch(
        /\{\{|\{%|undefined/,
      );
    }
    expect(
      previewFor(book.db, TODAY, [], { ...words, customerId: 1, body: "{{ nobody }}" }),
    ).toMatchObject({
      ok: false,
      error: { code: "letter.words" },
    });
    expect(previewFor(book.db, TODAY, [], { ...words, customerId: 999 })).toMatchObject({
      ok: false,
      error: { code: "letter.nothing" },
    });
    expect(book.db.all("SELECT * FROM wording")).toEqual([]);
  });
});
