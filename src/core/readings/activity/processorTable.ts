import type { RowKind } from "@/core/activity/index";
import type { Day } from "@/core/calendar";
import { add, type Minor, minor } from "@/core/money";

import { headsUsedAs, type Made, type Reading, sumOfCell, sumUnderHead } from "../canonical";
import { agreedRow } from "./agreedRow";
import { againstQuestion, bySign } from "./againstKind";
import { chargedOf } from "./chargedSum";
import { feeByRate, feeRateQuestion } from "./feeRates";
import { feeCurrencyQuestion, isFeeApart } from "./feeCurrency";
import { asBrought, betweenQuestion } from "./feeBetween";
import { netAloneQuestion } from "./netAlone";
import { areLinesNamed, idSaid, linesAreQuestion } from "./linesAre";
import { bothSidesQuestion, movedIn } from "./bothSides";
import type { Cells, Row } from "../cells";
import { personName } from "../personName";
import { plainWords } from "@/core/formats";
import type { ActivityEntry, ActivityRow } from "./processorRows";
import { signsOf } from "./processorSigns";
import { beforeReserve, isReserveAlone, reservedOf, reserveProofs, reserveRow } from "./reserves";
import { returnedRow, returnsApart } from "./returnedBeside";
import { paidOut, payoutFeeRow, payoutsTurned, refundedRow } from "./rowsBeside";
import { settledFeeQuestion } from "./settledFee";
import {
  refundedQuestion,
  isRefundAlone,
  refundsAre,
  sumOfRefund,
  withoutRefunds,
} from "./refundsBeside";
import { stateQuestions, wordQuestions } from "./processorQuestions";
import { saysMethod } from "./saysMethod";
import { moneyOf } from "./moneyRows";
import { payoutTotals } from "./payoutTotals";
import { statedBalances } from "../bank/statedBalances";
import { byNet, endProofs, footQuestions } from "./footQuestions";
import { kindsInText } from "./kindsInText";
import { namedDisputes } from "./namedDisputes";
import { momentIds, sharedIds } from "./idsOfLines";
import { joinedParts } from "./partsOfPayments";
import { payoutsQuestion, takingQuestion } from "./unnamedRows";
import { totalProof } from "./totalOfParts";
import { tenderQuestions } from "./tenders";
import { titleQuestion } from "../lines/titles";
import type { Answers, Question } from "../types";

/** Processor activity in the agreed layout: kinds by name, sums at their effect, fees as costs. */
export function processorTable(reading: Reading, rows: readonly Row[]): Made {
  const { cells } = reading;
  const { answers } = cells.file;
  const isMethod = saysMethod(cells, rows);
  const inText = kindsInText(reading, rows);
  const named = namedDisputes(reading);
  const wordOf = (row: Row): string => (isMethod ? "" : named(row)) || inText(row);
  const { found, leftOut, ended } = moneyOf(reading, rows, wordOf);
  const parts = joinedParts(
    cells,
    found.map(({ row, kind }) => ({ row, activity: activityOf(reading, row, kind, wordOf(row)) })),
  );
  const refunds = refundsAre(reading, parts.entries);
  const kept = asSaid(withoutRefunds(reading, parts.entries), answers);
  const activities = kept.map(({ activity }) => activity);
  const signs = signsOf(activities, withSides(cells, answers));
  const decided = {
    signs: signs.reading,
    turned: payoutsTurned(activities),
    isMethod,
    idHead: idSaid(cells, rows),
    shared: sharedIds(reading, rows),
    isReturnedApart: returnsApart(reading, kept),
    momentId: momentIds(reading),
    person: personName(cells),
  };
  const asked = rowQuestions(reading, rows, wordOf);
  const stated = statedBalances(reading, rows);
  const [open, sure] = [kept.filter(isOpenPayout), kept.filter((entry) => !isOpenPayout(entry))];
  return {
    rows: sure.flatMap((entry) => rowsOf(reading, entry, decided, refunds === "here")),
    leftOut: [...leftOut, ...parts.leftOut],
    ended,
    refused: open.map(({ row }) => ({
      line: row.line,
      field: "fee",
      column: cells.head("fee"),
      error: { code: "activity.payout_fee" },
    })),
    questions: [
      ...asked,
      ...parts.questions,
      ...refundedQuestion(reading, parts.entries),
      ...signs.questions,
      // What lines come to is known once it is known what they are.
      ...(asked.some(isOfKind)
        ? []
        : footQuestions(activities, signs.reading, { answers, stated })),
      ...betweenQuestion(activities, answers),
      ...againstQuestion(activities, answers),
    ],
    proofs: [
      ...signs.proofs,
      ...endProofs(activities, signs.reading, stated),
      ...payoutTotals(reading, kept, signs.reading),
      ...totalProof(reading, kept),
      ...(signs.questions.length === 0 ? reserveProofs(reading, kept) : []),
    ],
  };
}

/** Columns of money in and out say the way of each sum. */
const withSides = (cells: Cells, answers: Answers): Answers =>
  !cells.has("gross") && cells.has("moneyIn") ? { ...answers, signs: "signed" } : answers;

/** Lines with the kind, the fee and the sums that were said of them. */
const asSaid = (entries: readonly ActivityEntry[], answers: Answers): readonly ActivityEntry[] =>
  asBrought(byNet(bySign(entries, answers), answers), answers);

/** A line in the agreed layout, with what stands on it beside: a refund, the fee of a payout, a reserve. */
function rowsOf(
  reading: Reading,
  entry: ActivityEntry,
  decided: Parameters<typeof agreedRow>[2] & { isReturnedApart: (of: ActivityEntry) => boolean },
  isRefundHere: boolean,
): Made["rows"] {
  const isNone = (isRefundHere && isRefundAlone(reading, entry)) || isReserveAlone(reading, entry);
  return [
    ...(isNone ? [] : [agreedRow(reading, entry, decided)]),
    ...(isRefundHere ? refundedRow(reading, entry) : []),
    ...(decided.isReturnedApart(entry) ? [] : returnedRow(reading, entry)),
    ...payoutFeeRow(reading, entry),
    ...reserveRow(reading, entry),
  ];
}

const isOpenPayout = ({ activity }: ActivityEntry): boolean =>
  activity.kind === "payout" && paidOut(activity) === null;

const isOfKind = ({ key }: Question): boolean => key.startsWith("word:");

/** Questions, and others only where there are none of them. */
const orElse = (questions: Question[], others: () => Question[]): Question[] =>
  questions.length > 0 ? questions : others();

/** What is asked of the rows before it is known which of them are money. */
const rowQuestions = (
  reading: Reading,
  rows: readonly Row[],
  wordOf: (row: Row) => string,
): Question[] => [
  ...wordQuestions(reading, rows, wordOf),
  ...stateQuestions(reading, rows),
  ...tenderQuestions(reading, rows),
  ...takingQuestion(reading, rows, wordOf),
  ...linesAreQuestion(reading.cells, rows),
  ...(areLinesNamed(reading.cells, rows) ? [] : titleQuestion(reading.cells, rows)),
  ...orElse(payoutsQuestion(reading, rows), () => netAloneQuestion(reading, rows)),
  ...bothSidesQuestion(reading, rows),
  ...settledFeeQuestion(reading, rows),
  ...feeRateQuestion(reading, rows),
  ...feeCurrencyQuestion(reading, rows),
];

function activityOf(reading: Reading, row: Row, kind: RowKind, word: string): ActivityRow {
  const sum = (field: string): Minor | null => sumOfCell(reading, row, field);
  const extra = headsUsedAs(reading, "fee").map((head) => sumUnderHead(reading, row, head));
  const [gross, cost] = movedIn(reading, row);
  const byRate = feeByRate(reading, row);
  const own = isFeeApart(reading, row) ? null : sum("fee");
  const parts = [own, sum("fee2"), sum("feeTax"), cost, byRate, ...extra].filter(
    (part): part is Minor => part !== null,
  );
  const fee = parts.length === 0 ? null : parts.reduce((a, b) => add(a, b), minor(0));
  const reserved = minor(reservedOf(reading, row));
  const isOfReserve = kind === "reserve" && reserved !== 0;
  const said = chargedOf(reading, row);
  const written = kind === "refund" ? sumOfRefund(reading, row, said) : said;
  const charged = (isOfReserve ? written || reserved : written) ?? gross;
  const net = sum("net");
  return {
    line: row.line,
    kind,
    word: plainWords(word),
    on: null as Day | null,
    currency: reading.currencyOf(row),
    // What arrives of nothing, and without a fee, is all that the line moves.
    gross: charged === 0 && fee === null ? (net ?? charged) : charged,
    fee,
    net: isOfReserve ? net : beforeReserve(net, reserved, { gross: charged, fee }),
    balance: sum("balance"),
    payoutId: reading.cells.of(row, "payoutId"),
    id: reading.cells.of(row, "id"),
  };
}
