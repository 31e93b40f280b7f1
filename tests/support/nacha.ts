/** One entry of a return file: what came back (R) or what is to be mended (C), by the trace of the debit. */
export type ReturnEntry = {
  code: string;
  originalTrace: string;
  trace: string;
  cents: number;
  name: string;
  account: string;
  corrected?: string;
};

const field = (text: string | number, width: number, right = false): string =>
  (right ? String(text).padStart(width, "0") : String(text).padEnd(width)).slice(0, width);

/** A return file with its control records, in records of 94 characters and blocks of ten (Nacha file format). */
export function returnFile(
  entries: readonly ReturnEntry[],
  { day = "261118", debits }: { day?: string; debits?: number } = {},
): string {
  const total = debits ?? entries.reduce((sum, { cents }) => sum + cents, 0);
  const count = entries.length * 2;
  const hash = field((entries.length * 2_100_120) % 10_000_000_000, 10, true);
  const lines = [
    `101 021001208 011000015${day}0930A094101${field("KESTREL ROW CLAY", 23)}${field("PRACTICE BANK", 23)}${field("", 8)}`,
    `5200${field("KESTREL ROW CLAY", 16)}${field("", 20)}1234567890PPD${field("RETURN", 10)}${field("", 6)}${day}   1011000010000001`,
    ...entries.flatMap((entry, at) => [
      `626${field("021001208", 9)}${field(entry.account, 17)}${field(entry.cents, 10, true)}${field(`ID${at}`, 15)}${field(entry.name, 22)}  1${field(entry.trace, 15, true)}`,
      entry.code.startsWith("C")
        ? `798${entry.code}${field(entry.originalTrace, 15, true)}${field("", 6)}02100120${field(entry.corrected ?? "", 29)}${field("", 15)}${field(entry.trace, 15, true)}`
        : `799${entry.code}${field(entry.originalTrace, 15, true)}${field("", 6)}02100120${field("", 44)}${field(entry.trace, 15, true)}`,
    ]),
    `8200${field(count, 6, true)}${hash}${field(total, 12, true)}${field(0, 12, true)}1234567890${field("", 25)}011000010000001`,
    `9000001${field(1, 6, true)}${field(count, 8, true)}${hash}${field(total, 12, true)}${field(0, 12, true)}${field("", 39)}`,
  ];
  while (lines.length % 10 !== 0) lines.push("9".repeat(94));
  return `${lines.join("\n")}\n`;
}
