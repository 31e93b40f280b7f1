import { FILE_KIND_TRAITS, type FileKind } from "@/core/formats";

import type { Question } from "../types";

/** What a file is, where it could be several kinds. */
export function kindQuestion(possible: readonly FileKind[], name: string): Question {
  return {
    key: "kind",
    words: `${name} does not say what it is. What are its lines?`,
    choices: possible.map((kind) => ({ answer: kind, result: KIND_WORDS[kind] })),
  };
}

const KIND_WORDS: Readonly<Record<FileKind, string>> = {
  customers: `${FILE_KIND_TRAITS.customers.label}: names and addresses`,
  invoices: `${FILE_KIND_TRAITS.invoices.label}: what customers owe`,
  processor: `${FILE_KIND_TRAITS.processor.label}: charges, fees and payouts`,
  bank: `${FILE_KIND_TRAITS.bank.label}: what came in and went out at the bank`,
  remittance: `${FILE_KIND_TRAITS.remittance.label}: what a payment was for`,
  returns: `${FILE_KIND_TRAITS.returns.label}: debits that came back`,
};
