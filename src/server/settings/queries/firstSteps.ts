import type { FirstStepsDone } from "@/contracts/start";
import { bankAccounts } from "@/db/bank";
import type { Db } from "@/db/connection";
import { FIRST_FILES, lastFileOfKind } from "@/db/files";
import { processorAccounts } from "@/db/processorAccounts";

/** Which of the first steps of a book are done. */
export function firstStepsDone(db: Db): FirstStepsDone {
  return {
    business: true,
    bank: bankAccounts(db).length > 0,
    processor: processorAccounts(db).length > 0,
    files: FIRST_FILES.every((kind) => lastFileOfKind(db, kind) !== undefined),
  };
}

/** The files without which a book cannot work, and whether one of each was taken in. */
export function firstFiles(db: Db): { kind: (typeof FIRST_FILES)[number]; taken: boolean }[] {
  return FIRST_FILES.map((kind) => ({ kind, taken: lastFileOfKind(db, kind) !== undefined }));
}
