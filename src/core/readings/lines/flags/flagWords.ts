import { type FileKind, plainWords } from "@/core/formats";

import { isMarkedDay } from "../../days/writtenDay";
import { sureStanding } from "../../invoices/documentWords";
import { sureState } from "../../rowWords";
import { writtenSum } from "../../sums/sumCells";

/** Heads of columns whose yes says that a line is none (common practice, no source). */
const NO_LINE =
  /\b(test|testing|sandbox|void|voided|cancell?ed|deleted|failed|declined|duplicate|rejected|expired|error|draft|pending|hidden|excluded|archived|template|storniert|annule|anulado|annullato)\b/;
/** Heads of columns whose no says so. */
const LINE =
  /\b(live|live ?mode|production|captured|approved|success|successful|succeeded|posted|valid|booked)\b/;
/** Of payments alone: an invoice that is not settled is what this is about. */
const DONE = /\b(settled|completed|cleared|clearing|clrng|clrg|collected|funded|paid)\b/;
/** Of invoices alone: one that was not sent is a draft. */
const ISSUED = /\b(sent|issued|finali[sz]ed)\b/;
/** Heads of what was taken back after it was money. */
const TAKEN_BACK = /\b(refunded|refunds?|disputed?|charged? ?backs?|returned|reversed|reversal)\b/;
/** Columns that say why there is no money: whatever stands in one. */
const WHY_NONE =
  /\b(failure|decline|error|rejection|void|cancell?ation)\b.*\b(reason|code|message|note|text)\b/;
/** Heads of what stands in a line's place. */
const REPLACED =
  /\b(superseded|replaced|reissued|merged|credited by|voided by|cancell?ed by|reversed by)\b/;
/** Heads of columns that say how a line stands, and of those that say so of something else. */
const STANDING =
  /\b(status|state|stage|result|outcome|resp|response|reply|condition|disposition|standing)\b/;
const OF_ELSE =
  /\b(delivery|e ?mail|mail|ship\w*|fulfil\w*|print\w*|sync\w*|export\w*|subscription|reconcil\w*|match\w*|coding|customer|member|order|country|province|billing|tax|employment)\b/;
/** Heads of yes and no that say how it was paid, what was sold, or what was done with the line since. */
const HARMLESS =
  /\b(international|abroad|foreign|present|recurring|subscription|taxable|tax|exempt|emailed|e mailed|printed|viewed|opened|exported|synced|reconciled|matched|billable|shipped|fulfilled|delivered|refundable|3ds|3d|secure|authenticated|avs|cvv|cvc|mobile|online|new|returning|gift|wallet|contactless|chip|swiped|keyed|corporate|commercial|prepaid|rush|priority|marketing|attachment|receipt|quantity|qty|count|items?|units|installments?|number|split|rewards?|loyalty|covered)\b/;

const YES = /^(true|yes|y|1|x|t|ja|oui|si)$/;
const NO = /^(false|no|n|0|f|nein|non|nee)$/;
/** What is said of a line is short; a text of more may tell of anything. */
const LONGEST_WORD = 60;
/** Cells that say of any column that a line is a trial. */
const TRIAL = /^(test|sandbox|test mode|testing|demo mode)$/;
const GIVEN_UP =
  /\b(written off|write off|bad debt|uncollectible|(sent|passed|handed) to collections?)\b/;
/** What is said of something taken back; that nothing was, or that it came again, is no such word. */
const NOTHING_BACK =
  /^(|no|none|n|false|0|na|n a|nil|never|not (refunded|disputed)|won|reinstated)$/;

export const isYes = (cell: string): boolean => YES.test(plainWords(cell));
export const isNo = (cell: string): boolean => NO.test(plainWords(cell));

/** Whether a column tells of what was taken back. */
export const isBack = (kind: FileKind, head: string): boolean =>
  kind !== "invoices" && TAKEN_BACK.test(plainWords(head));

/** An invoice that is paid is open no more; a day of its last payment may be that of a part. */
export const isPaid = (kind: FileKind, head: string): boolean =>
  kind === "invoices" && DONE.test(plainWords(head)) && !/\blast\b/i.test(head);

/** Heads that count how often somebody was reminded: that says nothing of what is owed. */
const DUNNED =
  /\b(mahnstufe|mahnung|mahnungen|dunning|dunned|reminders?|reminded|relances?|sollecit[oi])\b/;

/** Heads of what is owed all the same: disputed, promised, with somebody who collects it. */
const OWED_ALL_THE_SAME = /\b(disput\w*|queried|query|promised?|on hold|hold|collections?|legal)\b/;

/** Whether an invoice of which a column says yes is owed sooner than not. */
export const staysOwed = (kind: FileKind, head: string): boolean =>
  kind === "invoices" && OWED_ALL_THE_SAME.test(plainWords(head));

/** What cleared an invoice stands with its number. */
const CLEARING = /\b(?:clearing|clrng|clrg)\b/;

export const saysPaid = (head: string, cell: string): boolean =>
  isYes(cell) || isMarkedDay(cell) || (CLEARING.test(plainWords(head)) && cell !== "");

export const wasTakenBack = (cell: string): boolean => {
  const sum = writtenSum(cell);
  return sum === null ? !NOTHING_BACK.test(plainWords(cell)) : /[1-9]/.test(sum.digits);
};

/** A word that calls a line the sum of others: where it is that, it is left out before this is asked. */
const SUM_OF_OTHERS =
  /^(?:batch|batch total|total|totals|sub ?total|summary|header|batch header|batch summary)$/;
const isSumOfOthers = (kind: FileKind, cell: string): boolean =>
  (kind === "processor" || kind === "bank") && SUM_OF_OTHERS.test(plainWords(cell));

/** A word that says by itself that there is no money, whatever its column is called. */
export const isDead = (kind: FileKind, cell: string): boolean =>
  TRIAL.test(plainWords(cell)) ||
  isSumOfOthers(kind, cell) ||
  (kind === "invoices"
    ? sureStanding(cell) === "void"
    : (sureState(cell) ?? "counts") !== "counts");

/** Whether a column says how its line stands. */
export const tellsStanding = (head: string): boolean => {
  const plain = plainWords(head);
  return STANDING.test(plain) && !OF_ELSE.test(plain) && !HARMLESS.test(plain);
};

/** The same by what it holds too: when something was said is no word of it. */
export const saysStanding = (head: string, filled: readonly string[]): boolean =>
  tellsStanding(head) && !filled.every((cell) => cell === "" || isMarkedDay(cell));

/** A word of such a column that nobody knows. */
export const isUnknown = (kind: FileKind, cell: string): boolean =>
  cell !== "" && (kind === "invoices" ? sureStanding(cell) : sureState(cell)) === null;

/** Whether a column holds signs alone, and some are below zero: they are those of the sums. */
const areSigns = (filled: readonly string[]): boolean =>
  filled.includes("-") && filled.every((cell) => /^[-+]?$/.test(cell));

/** An invoice that a word of another column says is given up. */
export const isGivenUp = (cell: string): boolean =>
  cell.length <= LONGEST_WORD && GIVEN_UP.test(plainWords(cell));

/** What a cell has to be to say that its line is no money, by the head of its column; null where that says nothing. */
export function testByHead(
  kind: FileKind,
  head: string,
  filled: readonly string[],
): ((cell: string) => boolean) | null {
  const plain = plainWords(head);
  if (DUNNED.test(plain)) return null;
  if (kind === "invoices" && areSigns(filled)) return (cell) => cell === "-";
  if (WHY_NONE.test(plain)) return (cell) => cell !== "" && !isNo(cell);
  if (REPLACED.test(plain)) return (cell) => cell !== "" && !isNo(cell);
  if (NO_LINE.test(plain))
    return (cell) => isYes(cell) || isMark(cell) || isMarkedDay(cell) || isDead(kind, cell);
  if (LINE.test(plain) || (kind === "invoices" ? ISSUED : DONE).test(plain)) {
    // A day on which it was captured, or none: then it never was.
    const areDays = filled.some(isMarkedDay);
    // A mark on what the bank has cleared, and none on the others.
    const areMarks = !LINE.test(plain) && filled.some((cell) => /^[a-z*✓]{1,2}$/i.test(cell));
    return (cell) => isNo(cell) || isDead(kind, cell) || ((areDays || areMarks) && cell === "");
  }
  return areOther(plain, filled) ? fewer(filled) : null;
}

/** A letter or a sign that stands for a yes, as `V` under void. */
const isMark = (cell: string): boolean => /^[a-z*✓✔]$/i.test(cell) && !isNo(cell);

/** Whether a head says that a yes below it is no line. */
export const saysNoLine = (head: string): boolean => NO_LINE.test(plainWords(head));

/** Whether a column of yes and no has both, and a head that nobody knows. */
function areOther(plain: string, filled: readonly string[]): boolean {
  const isWord = filled.every((cell) => cell === "" || isYes(cell) || isNo(cell));
  return isWord && filled.some(isYes) && !filled.every(isYes) && !HARMLESS.test(plain);
}

/** The lines of whichever of yes and no fewer have. */
function fewer(filled: readonly string[]): (cell: string) => boolean {
  const isFew = filled.filter(isYes).length * 2 <= filled.length;
  return isFew ? isYes : (cell) => !isYes(cell);
}
