/** How papers look: what stands on them beside their facts, in which colour and letters. */
export type PaperLook = {
  readonly name: string;
  /** Of headings and rules, as #rrggbb. */
  readonly accent: string;
  readonly letters: "plain" | "serif";
  /** `usual`: Letter in North America, A4 everywhere else. */
  readonly size: "usual" | "letter" | "a4";
  /** Words above the lines and at the foot. */
  readonly above: string;
  readonly below: string;
  readonly quantities: boolean;
  readonly rates: boolean;
  /** Every line, one for each item, or one line of words for all. */
  readonly lines: "all" | "items" | "one";
  readonly oneLine: string;
  /** Where money goes: the name of bank details that the book keeps, or words; nothing where it is not said. */
  readonly bank: string;
  /** The way to the account page as a square code. */
  readonly code: boolean;
  /** A slip at the foot that comes back with a check. */
  readonly slip: boolean;
  /** The hash of the picture at the top; null for none. */
  readonly logo: string | null;
};

/** Where money goes, in words, kept once under a name that looks choose by. */
export type BankDetails = { readonly name: string; readonly words: string };

/** A look with its bank details in words, as they stand on a paper. */
export function inWords<Look extends Pick<PaperLook, "bank">>(
  look: Look,
  kept: readonly BankDetails[],
): Look {
  const details = kept.find(({ name }) => name === look.bank);
  return details ? { ...look, bank: details.words } : look;
}

/** What papers look like where nothing was chosen. */
export const USUAL_LOOK: PaperLook = {
  name: "Usual",
  accent: "#1f1c17",
  letters: "plain",
  size: "usual",
  above: "",
  below: "",
  quantities: true,
  rates: true,
  lines: "all",
  oneLine: "",
  bank: "",
  code: false,
  slip: false,
  logo: null,
};

type Shown = {
  readonly item: string | null;
  readonly description: string;
  readonly amount: number;
};

/** The lines as a look shows them: their amounts come to the same. Quantity and rate only of whole lines. */
export function shownLines<Line extends Shown>(
  lines: readonly Line[],
  look: Pick<PaperLook, "lines" | "oneLine">,
): (Shown & { line: Line | null })[] {
  const sum = (of: readonly Line[]): number => of.reduce((so, { amount }) => so + amount, 0);
  if (look.lines === "one")
    return [
      {
        item: null,
        description: look.oneLine || (lines[0]?.description ?? ""),
        amount: sum(lines),
        line: null,
      },
    ];
  if (look.lines === "all")
    return lines.map((line) => ({
      item: line.item,
      description: line.description,
      amount: line.amount,
      line,
    }));
  const groups = new Map<string, Line[]>();
  for (const line of lines) {
    const name = line.item ?? line.description;
    groups.set(name, [...(groups.get(name) ?? []), line]);
  }
  return [...groups.values()].map((group) => ({
    item: group[0]?.item ?? null,
    description: group[0]?.description ?? "",
    amount: sum(group),
    line: group.length === 1 ? (group[0] ?? null) : null,
  }));
}
