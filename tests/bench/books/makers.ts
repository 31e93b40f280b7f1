import { existsSync, readFileSync } from "node:fs";
import { join } from "node:path";

import { propose, type Proposal } from "@/core/matching";
import { toDecimal } from "@/core/money";
import { matchFiles } from "@/server/match/matchFiles";

import { channels } from "./channels";
import { grammar } from "./grammar";
import { generate, type Labelled, type Truth } from "./generate";
import { trial } from "./trial";

/** A receipt as it was proposed, with what is known of it. */
export type Judged = {
  readonly proposal: Proposal;
  readonly kind: string;
  /** Whether a careful clerk could be sure of it; whether there is anything that it pays. */
  readonly clear: boolean;
  readonly home: boolean;
  readonly right: boolean;
  /** Right, and not by luck where a clerk would have asked. */
  readonly strictly: boolean;
};

/** A maker of labelled books: `level` is its difficulty, `seed` its book. */
export type Maker = {
  readonly name: string;
  readonly levels: readonly string[];
  /** Books that weights are fitted on, of so many from a first one; none for a maker that is left out of every fit. */
  readonly fitOn: "any" | readonly number[];
  /** Books that nothing is tuned or fitted on. */
  readonly keptApart: readonly number[];
  readonly judged: (level: string, seed: number) => Promise<readonly Judged[]>;
};

const moneyOf = (lines: readonly { number: string; amount: number; discount: number }[]): string =>
  lines
    .map(({ number, amount, discount }) => `${number} ${amount} ${discount}`)
    .sort()
    .join();

const KEPT = Array.from({ length: 12 }, (_, at) => 9000 + at);

function own(
  name: string,
  make: (seed: number, hard: boolean) => Labelled,
  fitOn: Maker["fitOn"] = "any",
): Maker {
  return {
    name,
    fitOn,
    keptApart: KEPT,
    levels: ["easier", "hardest"],
    judged: (level, seed) => {
      const { input, truth } = make(seed, level === "hardest");
      return Promise.resolve(
        propose(input).flatMap((proposal) => {
          const real = truth.get(proposal.receiptId);
          return real ? [judge(proposal, real)] : [];
        }),
      );
    },
  };
}

/** What these makers call not clear can often be told all the same: it may be applied, if rightly. */
function judge(proposal: Proposal, real: Truth): Judged {
  const said = moneyOf(proposal.readings[0]?.lines ?? []);
  const right = real.lines.length > 0 && said === moneyOf(real.lines);
  return {
    proposal,
    kind: real.kind,
    clear: real.clear,
    home: real.lines.length > 0,
    right,
    strictly: right,
  };
}

/** Where the books of another maker lie: beside the project, and not part of it. */
const BESIDE = join(process.cwd(), "../shared/books");

type Line = { invoice_number: string; amount: string; discount: string };
type Told = {
  payment_id: string;
  class: string;
  determinability: string;
  matchable: boolean;
  accepted: Line[][];
};

const third: Maker = {
  name: "third maker (../shared/books)",
  fitOn: [8101, 8102],
  keptApart: [8103, 8104],
  levels: existsSync(BESIDE) ? ["mixed", "hard", "compound"] : [],
  judged: async (level, seed) => {
    const at = (file: string): string => join(BESIDE, `${level}-${seed}`, file);
    const done = await matchFiles({
      customers: at("customers.csv"),
      invoices: at("invoices.csv"),
      payments: at("payments.csv"),
      history: at("history.csv"),
    });
    if (!done.ok) throw new Error(done.error.code);
    const { truth } = JSON.parse(readFileSync(at("truth.json"), "utf8")) as { truth: Told[] };
    const told = new Map(truth.map((entry) => [entry.payment_id, entry]));
    return done.value.proposals.flatMap(({ paymentId, proposal, currency }) => {
      const real = told.get(paymentId);
      if (!real) return [];
      const said = linesOf(
        (proposal.readings[0]?.lines ?? []).map(({ number, amount, discount }) => ({
          invoice_number: number,
          amount: toDecimal(amount, currency),
          discount: toDecimal(discount, currency),
        })),
      );
      const right = said !== "" && real.accepted.some((lines) => linesOf(lines) === said);
      return [
        {
          proposal,
          kind: real.class,
          clear: real.determinability === "determinable",
          home: real.matchable,
          right,
          strictly: right && real.determinability === "determinable",
        },
      ];
    });
  },
};

const linesOf = (lines: readonly Line[]): string =>
  lines
    .map((line) => `${line.invoice_number} ${Number(line.amount)} ${Number(line.discount)}`)
    .sort()
    .join();

export const MAKERS: readonly Maker[] = [
  own("first maker", generate),
  own("second maker", trial),
  own("channels", channels),
  own("grammar, left out of every fit", grammar, []),
  third,
];
