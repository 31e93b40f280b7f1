import type { Day } from "@/core/calendar";
import type { Proposal } from "@/core/matching";
import type { Db } from "@/db/connection";

import type { AnySheet } from "./defineSheet";
import { accountList } from "./lists/account";
import { auditTrailList } from "./lists/auditTrail";
import { bankLinesList } from "./lists/bankLines";
import { customersList } from "./lists/customers";
import { entriesList } from "./lists/entries";
import { expectedList } from "./lists/expected";
import { feesList } from "./lists/fees";
import { figuresList } from "./lists/figures";
import { filesList } from "./lists/files";
import { agesList, journalFileList, payingList } from "./lists/free";
import { invoicesList } from "./lists/invoices";
import { automaticLettersList, lateFeesList, lettersList, writeOffsList } from "./lists/letters";
import { matchList } from "./lists/match";
import { overdueList } from "./lists/overdue";
import { payoutList } from "./lists/payoutList";
import { proofsList } from "./lists/proofs";
import { returnsList } from "./lists/returns";
import { yearEndList } from "./lists/yearEnd";
import type { Sheet } from "./sheets";

/** Lists of pages that are given as they stand, with the filter of the page; by their names in addresses. */
const LIST_SHEETS = {
  match: matchList,
  overdue: overdueList,
  customers: customersList,
  invoices: invoicesList,
  "bank-lines": bankLinesList,
  files: filesList,
  account: accountList,
  trail: auditTrailList,
  proofs: proofsList,
  fees: feesList,
  "came-back": returnsList,
  year: yearEndList,
  "journal-file": journalFileList,
  figures: figuresList,
  ages: agesList,
  paying: payingList,
  "payout-list": payoutList,
  entries: entriesList,
  letters: lettersList,
  "automatic-letters": automaticLettersList,
  "late-fees": lateFeesList,
  "write-offs": writeOffsList,
  expected: expectedList,
} as const satisfies Record<string, AnySheet>;

export type ListName = keyof typeof LIST_SHEETS;
export const LISTS = Object.keys(LIST_SHEETS) as ListName[];

type From = { db: Db; today: Day; proposals: readonly Proposal[] };

/** A list as a sheet, with the query of its page's address. */
export function listSheet(from: From, name: ListName, query: URLSearchParams): Sheet {
  return LIST_SHEETS[name].make({ ...from, query: Object.fromEntries(query) });
}
