/** A record of 94 characters with the line it stands on. */
export type NachaRecord = { readonly record: string; readonly line: number };

/** Entries and addenda, and the sums in minor units, as control records count them. */
type Totals = { entries: number; debits: number; credits: number };

/** Places of a record as the standard counts them: from 1, both ends in. */
const cut = (record: string, from: number, to: number): string => record.slice(from - 1, to).trim();

/** Where a batch's control (type 8) and the file's (type 9) count (Nacha file format; places from memory). */
const PLACES: Readonly<
  Record<string, Readonly<Record<keyof Totals | "hash", readonly [number, number]>>>
> = {
  "8": { entries: [5, 10], hash: [11, 20], debits: [21, 32], credits: [33, 44] },
  "9": { entries: [14, 21], hash: [22, 31], debits: [32, 43], credits: [44, 55] },
};

/** Transaction codes that end in 6 to 9 take money from an account, those in 1 to 4 bring it. */
const isDebit = (entry: string): boolean => /[6-9]/.test(entry[2] ?? "");

function totalsOf(records: readonly NachaRecord[]): Totals {
  const entries = records.filter(({ record }) => record[0] === "6").map(({ record }) => record);
  const addenda = records.filter(({ record }) => record[0] === "7");
  const sum = (part: readonly string[]): number =>
    part.reduce((total, entry) => total + Number(cut(entry, 30, 39)), 0);
  return {
    entries: entries.length + addenda.length,
    debits: sum(entries.filter(isDebit)),
    credits: sum(entries.filter((entry) => !isDebit(entry))),
  };
}

/** The records that each control record is about: those of its batch, or of the whole file. */
function controlled(
  records: readonly NachaRecord[],
): { control: NachaRecord; of: readonly NachaRecord[] }[] {
  let from = 0;
  return records.flatMap((control, at) => {
    const type = control.record[0];
    if (type === "5") from = at;
    if (type === "8") return [{ control, of: records.slice(from, at) }];
    return type === "9" ? [{ control, of: records }] : [];
  });
}

const inWords = ({ entries, debits, credits }: Totals): string =>
  `${entries} entries and addenda, ${(debits / 100).toFixed(2)} taken and ${(credits / 100).toFixed(2)} brought`;

/** The first control record that counts other entries or sums than there are; a blank of a batch says nothing. */
export function wrongControl(
  records: readonly NachaRecord[],
): { line: number; said: string; found: string } | null {
  for (const { control, of } of controlled(records)) {
    const found = totalsOf(of);
    const said = { ...found };
    for (const name of ["entries", "debits", "credits"] as const) {
      const [from, to] = PLACES[control.record[0] ?? ""]?.[name] ?? [0, 0];
      const text = cut(control.record, from, to);
      if (text !== "" || control.record[0] === "9") said[name] = Number(text);
    }
    if (
      said.entries !== found.entries ||
      said.debits !== found.debits ||
      said.credits !== found.credits
    )
      return { line: control.line, said: inWords(said), found: inWords(found) };
  }
  return null;
}

/** The first hash that is not the sum of the receiving banks' numbers, in words; null where all are. */
export function wrongHash(records: readonly NachaRecord[]): string | null {
  for (const { control, of } of controlled(records)) {
    const [from, to] = PLACES[control.record[0] ?? ""]?.hash ?? [0, 0];
    const said = cut(control.record, from, to);
    const banks = of
      .filter(({ record }) => record[0] === "6")
      .map(({ record }) => cut(record, 4, 11));
    const found = banks.reduce((sum, bank) => (sum + Number(bank)) % 10 ** 10, 0);
    if (said !== "" && Number(said) !== found)
      return `line ${control.line} says that the numbers of the banks come to ${said}, and they come to ${found}`;
  }
  return null;
}
