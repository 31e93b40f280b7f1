import type { Dice } from "./dice";
import type { Export, Line } from "./export";

type Twist = (dice: Dice, list: Export) => Export;

const withColumn = (
  list: Export,
  head: string,
  cellOf: (line: Line, at: number) => string,
): Export => ({
  ...list,
  head: [...list.head, head],
  lines: list.lines.map((line, at) => ({ ...line, cells: [...line.cells, cellOf(line, at)] })),
});

/** A column that says nothing of money. */
const beside: Twist = (dice, list) => {
  const [head, cells] = dice.one([
    ["Card present", ["true", "false"]],
    ["Recurring", ["yes", "no"]],
    ["AVS result", ["Y", "N", "U"]],
    ["Country", ["US", "CA", "DE"]],
    ["Internal note", ["", "call back", "see file 12"]],
    ["Postcode", ["97201", "97205"]],
    ["Column", ["", "x"]],
  ] as const);
  return withColumn(list, head, ({ row }) => (row === null ? "" : dice.one(cells)));
};

/** A column that says of some lines that they are none: what has it is not to be taken in. */
const flagged: Twist = (dice, list) => {
  const [head, alive, dead] = dice.one([
    ["Mode", "live", "test"],
    ["Livemode", "true", "false"],
    ["Voided", "no", "yes"],
    ["Voided at", "", "2026-05-01"],
    ["Test", "0", "1"],
    ["Deleted", "", "x"],
    ["Check", "ok", "cancelled"],
  ] as const);
  const gone = list.lines.map(({ row }) => row !== null && dice.chance(0.15));
  const marked = withColumn(list, head, (_, at) => (gone[at] ? dead : alive));
  return {
    ...marked,
    lines: marked.lines.map((line, at) => (gone[at] ? { ...line, row: null } : line)),
  };
};

/** Words that nobody knows: under a head that nobody knows either, nothing could be told of them. */
const isUnknown = ({ lines }: Export, at: number): boolean =>
  lines.some(({ cells }) => /^Z(ed|ee|orp|AAA|BBB)$/.test(cells[at] ?? ""));

/** Heads that no program of the trade uses, of one column that is not the first. */
const renamed: Twist = (dice, list) => {
  const at = 1 + dice.upTo(list.head.length - 1);
  if (isUnknown(list, at)) return list;
  return { ...list, head: list.head.map((head, place) => (place === at ? "Zubb" : head)) };
};

/** A column without a head. */
const unnamed: Twist = (dice, list) => {
  const at = dice.upTo(list.head.length);
  if (isUnknown(list, at)) return list;
  return { ...list, head: list.head.map((head, place) => (place === at ? "" : head)) };
};

/** Invoices under their customers, or with a line for each of their items. */
const ofInvoices: Twist = (dice, list) => {
  if (list.kind !== "invoices") return list;
  return dice.chance(0.5) ? grouped(list) : itemized(list);
};

function grouped(list: Export): Export {
  const width = list.head.length;
  const of = new Map<string, Line[]>();
  const others = list.lines.filter((line) => (line.cells[1] ?? "") === "");
  for (const line of list.lines) {
    const customer = line.cells[1] ?? "";
    if (customer !== "") of.set(customer, [...(of.get(customer) ?? []), line]);
  }
  const heading = (words: string): Line => ({
    cells: [words, ...Array<string>(width - 1).fill("")],
    row: null,
  });
  const lines = [...of].flatMap(([customer, own]) => [
    heading(customer),
    ...own.map(({ cells, row }) => ({ cells: ["", cells[0] ?? "", ...cells.slice(2)], row })),
  ]);
  const [number = "", , ...more] = list.head;
  return { ...list, head: ["", number, ...more], lines: [...lines, ...others] };
}

function itemized(list: Export): Export {
  const withItems = withColumn(list, "Item", ({ row }) => (row === null ? "" : "Bowl"));
  return {
    ...withItems,
    lines: withItems.lines.flatMap((line, at) =>
      line.row !== null && at % 2 === 0
        ? [line, { cells: [...line.cells.slice(0, -1), "Cup"], row: null }]
        : [line],
    ),
  };
}

/** A statement whose words go on in a line of their own, or that is followed by another list. */
const ofStatements: Twist = (dice, list) => {
  if (list.kind !== "bank") return list;
  const blank = Array<string>(list.head.length - 2).fill("");
  if (dice.chance(0.5)) {
    const days = [["Daily ending balances"], [list.head[0] ?? "", "Amount"], ...DAYS];
    const lines = days.map((cells) => ({ cells, row: null }));
    return { ...list, lines: [...list.lines, ...lines] };
  }
  const lines = list.lines.flatMap((line, at) =>
    line.row !== null && at % 3 === 0
      ? [
          { ...line, row: `${line.row} REF ${at} OF IT` },
          { cells: ["", `REF ${at} OF IT`, ...blank], row: null },
        ]
      : [line],
  );
  return { ...list, lines };
};
const DAYS = [
  ["2026-05-01", "1200.00"],
  ["2026-05-02", "1350.00"],
];

/** Activity of a till, where some paid in cash; or of which the fee has two parts. */
const ofActivity: Twist = (dice, list) => {
  if (list.kind !== "processor") return list;
  const isCharge = ({ row }: Line): boolean => row !== null && / charge /.test(row);
  const cash = list.lines.map((line) => isCharge(line) && / 0$/.test(line.row ?? ""));
  return withColumn(list, "Payment method", (line, at) => {
    if (!isCharge(line)) return "";
    return cash[at] ? "cash" : dice.one(["card", "Visa"]);
  });
};

/** In the order in which they are done: a column that another one brings keeps its head. */
const TWISTS: readonly Twist[] = [
  renamed,
  unnamed,
  ofInvoices,
  ofStatements,
  ofActivity,
  beside,
  flagged,
];

/** An export with one or two of what programs do to their lists. */
export function twisted(dice: Dice, list: Export): Export {
  const chosen = new Set([dice.one(TWISTS), ...(dice.chance(0.4) ? [dice.one(TWISTS)] : [])]);
  return TWISTS.filter((twist) => chosen.has(twist)).reduce(
    (before, twist) => twist(dice, before),
    list,
  );
}
