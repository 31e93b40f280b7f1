import nacha from "@midlandsbank/node-nacha";

import { returnFile } from "../../../../tests/support/nacha";
import { isNacha, nachaTable } from "./nacha";

// Places by the Nacha file format (values from memory); the entries are read a second time by an independent reader.
const FILE = returnFile([
  {
    code: "R01",
    originalTrace: "011000010000007",
    trace: "021001200000001",
    cents: 86_450,
    name: "Alder Lane Pottery Sch",
    account: "135792468",
  },
  {
    code: "C01",
    originalTrace: "011000010000009",
    trace: "021001200000002",
    cents: 0,
    name: "Heron Point Studio",
    account: "99001122",
    corrected: "0099887766",
  },
  {
    code: "C03",
    originalTrace: "011000010000010",
    trace: "021001200000003",
    cents: 0,
    name: "Brightwater Unified",
    account: "5550001",
    corrected: "021001208   77001199",
  },
]);

describe("ACH return files (Nacha file format)", () => {
  it("says which kind of account is meant where the transaction code is changed (C05)", () => {
    const change = {
      code: "C05",
      originalTrace: "1",
      trace: "2",
      cents: 0,
      name: "A",
      account: "1",
    };
    expect(nachaTable(returnFile([{ ...change, corrected: "37" }]))).toMatchObject({
      value: { rows: [{ cells: expect.arrayContaining(["kind of account: savings"]) as unknown }] },
    });
  });
  it("takes nothing of a file with a record that is wider: all behind the place stands elsewhere", () => {
    const wider = FILE.replace("Alder Lane", "Alder  Lane");
    expect(nachaTable(wider)).toMatchObject({
      error: { code: "nacha.width", line: 3, found: 95 },
    });
  });
  it("has records of 94 characters in blocks of ten", () => {
    const lines = FILE.slice(0, -1).split("\n");
    expect([lines.every((line) => line.length === 94), lines.length % 10]).toEqual([true, 0]);
  });
  it("gives each return and notice with code, traces, day, sum and name; of numbers the last four digits", () => {
    const table = nachaTable(FILE);
    expect(table.ok && table.value.rows).toEqual([
      {
        line: 4,
        cells: [
          "return",
          "R01",
          "011000010000007",
          "021001200000001",
          "2026-11-18",
          "864.50",
          "Alder Lane Pottery Sch",
          "2468",
          "",
        ],
      },
      {
        line: 6,
        cells: [
          "change",
          "C01",
          "011000010000009",
          "021001200000002",
          "2026-11-18",
          "0.00",
          "Heron Point Studio",
          "1122",
          "account number ending in 7766",
        ],
      },
      {
        line: 8,
        cells: [
          "change",
          "C03",
          "011000010000010",
          "021001200000003",
          "2026-11-18",
          "0.00",
          "Brightwater Unified",
          "0001",
          "routing and account number ending in 1199",
        ],
      },
    ]);
  });
  it("reads the same sums, names and traces as another reader", () => {
    const { data } = nacha.from(
      FILE.split("\n")
        .filter((line) => !line.startsWith("9999999999"))
        .join("\n"),
    );
    const entries = data.batches.flatMap((batch) => batch.entries);
    const own = nachaTable(FILE);
    const rows = own.ok ? own.value.rows.map(({ cells }) => cells) : [];
    expect(
      entries.map((entry) => [
        entry.amount,
        entry.receivingCompanyName,
        entry.traceNumber,
        entry.addenda.info.slice(0, 18),
      ]),
    ).toEqual(
      rows.map((cells) => [
        Math.round(Number(cells[5]) * 100),
        cells[6],
        Number(cells[3]),
        `${cells[1]}${cells[2]}`,
      ]),
    );
  });
  it("a file without line breaks is the same file", () =>
    expect(nachaTable(FILE.replaceAll("\n", ""))).toMatchObject({
      ok: true,
      value: { rows: { length: 3 } },
    }));
  it.each<[string, string, string]>([
    ["cut off", FILE.slice(0, 300), "nacha.control"],
    [
      "that does not foot",
      returnFile(
        [{ code: "R01", originalTrace: "1", trace: "2", cents: 100, name: "A", account: "1" }],
        { debits: 999 },
      ),
      "nacha.sum",
    ],
    ["with no return in it", returnFile([]), "file.no_advice"],
  ])("a file %s is refused", (_case, text, code) =>
    expect(nachaTable(text)).toMatchObject({ ok: false, error: { code } }),
  );
  it("whose batch counts other entries is refused with its line, and a wrong hash of banks is said", () => {
    const batch = FILE.replace(/^8200000006/m, "8200000007");
    expect(nachaTable(batch)).toMatchObject({ error: { code: "nacha.sum", line: 9 } });
    // A batch whose control is left blank but for its type says nothing.
    expect(nachaTable(FILE.replace(/^8200.*$/m, "8200".padEnd(94))).ok).toBe(true);
    expect(nachaTable(FILE)).toMatchObject({ value: { off: null, doubts: [] } });
    const hash = FILE.replace(/^(9000001000001\d{8})\d{10}/m, "$10000000001");
    expect(nachaTable(hash)).toMatchObject({
      value: { off: expect.stringContaining("come to 0000000001") as string },
    });
  });
  it("that has payments with advice beside its returns says so", () => {
    const credit = `622${"021001208"}${"1".padEnd(17)}0000029000${"ID".padEnd(15)}${"HARBOR".padEnd(22)}  1021001200000009`;
    const advice = `705${"invoice 1042".padEnd(80)}00010000009`.padEnd(94);
    const lines = FILE.split("\n").filter((line) => !/^[89]/.test(line));
    const counted = "0000080008400480";
    const control = (type: string): string =>
      type === "8"
        ? `8200${"000008"}${"0008400480"}${"86450".padStart(12, "0")}${"29000".padStart(12, "0")}`.padEnd(
            94,
          )
        : `9000001000001${"00"}${counted.slice(0, 6)}${"0008400480"}${"86450".padStart(12, "0")}${"29000".padStart(12, "0")}`.padEnd(
            94,
          );
    const mixed = [
      ...lines.filter((line) => line !== ""),
      credit,
      advice,
      control("8"),
      control("9"),
    ].join("\n");
    expect(nachaTable(mixed)).toMatchObject({
      value: { kind: "returns", off: null, doubts: [{ line: 4, mark: "beside" }] },
    });
  });
  it("is known by its first record, and a CSV is none", () =>
    expect([isNacha(FILE), isNacha("id,amount\n1,2.00\n")]).toEqual([true, false]));
});
