import { formatOf } from "@/core/formats";
import { Random } from "@/practice/random";

import {
  bai2BySecond,
  camtBySecond,
  mt940BySecond,
  ofxBySecond,
  type Second,
  x12BySecond,
} from "../support/statements/secondReaders";
import { advice820, FORMATS, type Statement, statementOf } from "../support/statements/write";

/**
 * Statements in every format, made by their published rules from lines that are known: read as they
 * are, as a second reader reads them, and never by half where a byte is cut off or changed.
 */
const SEEDS = Array.from({ length: 40 }, (_, at) => at + 1);
const SECOND: Readonly<Record<string, (text: string) => Second | Promise<Second>>> = {
  "OFX 2": ofxBySecond,
  "camt.053.001.02": camtBySecond,
  "camt.053.001.08": camtBySecond,
  BAI2: bai2BySecond,
  MT940: mt940BySecond,
};

type Read = { rows: Second; off: string | null } | null;
/** What our reader makes of a text: days and sums; null where it refuses it, or knows no format in it. */
function read(text: string): Read {
  const table = formatOf(text).read(text);
  if (!table.ok || table.value.kind === undefined) return null;
  const { headers, rows, off = null } = table.value;
  const place = (...names: string[]): number => headers.findIndex((head) => names.includes(head));
  const [day, sum] = [place("posted_on", "paid_on"), place("amount")];
  return {
    rows: rows.map(({ cells }) => [cells[day] ?? "", Math.round(Number(cells[sum]) * 100)]),
    off,
  };
}
const truth = ({ lines }: Statement): Second => lines.map(({ day, sum }) => [day, sum]);

describe.each(Object.keys(FORMATS))("%s", (name) => {
  const write = FORMATS[name]!;
  it("is read as it is, and as a second reader reads it", async () => {
    for (const seed of SEEDS) {
      const statement = statementOf(seed);
      const text = write(statement);
      expect({ seed, ...read(text) }).toEqual({ seed, rows: truth(statement), off: null });
      const second = await SECOND[name]?.(text);
      if (second) expect({ seed, second }).toEqual({ seed, second: truth(statement) });
    }
  });
  it("cut at any byte is refused, said not to add up, or whole", () => {
    const statement = statementOf(3);
    const text = write(statement);
    const whole = truth(statement);
    const halves = Array.from({ length: text.length }, (_, cut) => cut).filter((cut) => {
      const found = read(text.slice(0, cut));
      if (found === null || found.off !== null) return false;
      return JSON.stringify(found.rows) !== JSON.stringify(whole);
    });
    expect(halves).toEqual([]);
  });
  it("with bytes changed is read or refused, and takes no more than it says", () => {
    const random = new Random(11);
    const text = write(statementOf(5));
    for (let round = 0; round < 300; round += 1) {
      const letters = [...text];
      for (let more = random.whole(1, 4); more > 0; more -= 1)
        letters[random.whole(0, letters.length - 1)] = String.fromCharCode(random.whole(9, 255));
      const found = read(letters.join(""));
      expect(found === null || found.rows.length <= letters.length).toBe(true);
    }
  });
});

describe("X12 820", () => {
  it("is read as it is, as a second reader reads it, and not where it was cut", async () => {
    for (const seed of SEEDS) {
      const statement = statementOf(seed);
      const paid = truth(statement).filter(([, sum]) => sum > 0);
      if (paid.length === 0) continue;
      const text = advice820(statement);
      expect({ seed, ...read(text) }).toEqual({ seed, rows: paid, off: null });
      expect({ seed, second: await x12BySecond(text) }).toEqual({ seed, second: paid });
      for (let cut = 0; cut < text.lastIndexOf("IEA"); cut += 7)
        expect(read(text.slice(0, cut))).toBeNull();
    }
  });
});
