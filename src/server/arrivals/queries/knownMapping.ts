import type { FileQuestion, InspectedTable } from "@/contracts/arrivals";
import { FILE_KIND_TRAITS, type FileKind, type MappingSpec } from "@/core/formats";
import { bankAccounts } from "@/db/bank";
import type { Db } from "@/db/connection";
import { mappings } from "@/db/files";
import { processorAccounts } from "@/db/processorAccounts";

/** How the columns of a file are known: by a published format, a mapping that was kept, or a guess. */
export type KnownBy = "format" | "mapping" | "guess";
export type KnownMapping = { mapping: MappingSpec; knownBy: KnownBy };

/** The mappings that were kept for such a head. */
const keptFor = (db: Db, { headers }: Pick<InspectedTable, "headers">): MappingSpec[] =>
  mappings(db)
    .map(({ spec }) => JSON.parse(spec) as MappingSpec)
    .filter(({ columns }) => Object.values(columns).every((head) => headers.includes(head)));

/** The one sheet that a mapping was kept for, by the line of its head, where it is open which is meant. */
export function sheetByMapping(
  db: Db,
  { sheets, kindOpen }: Pick<InspectedTable, "sheets" | "kindOpen">,
): number | undefined {
  if (kindOpen?.key !== "head") return undefined;
  const [known, ...others] = sheets.filter((sheet) => keptFor(db, sheet).length > 0);
  return others.length === 0 ? known?.headLine : undefined;
}

/** The kind of a file by a mapping that was kept for all of its columns; undefined where none or several say one. */
export function kindByMapping(db: Db, inspected: InspectedTable): FileKind | undefined {
  const whole = keptFor(db, inspected).filter(({ columns }) =>
    inspected.headers.every((head) => Object.values(columns).includes(head)),
  );
  const [known, ...others] = new Set(whole.map(({ kind }) => kind));
  return others.length === 0 ? known : undefined;
}

/** The mapping by which a file is read where nobody names one: one that was kept for such a head is taken up again. */
export function usualMapping(db: Db, inspected: InspectedTable): KnownMapping {
  const kept = keptFor(db, inspected).find(({ kind }) => kind === inspected.kind);
  const { head } = inspected.mapping.answers ?? {};
  const place: Record<string, string> = head === undefined ? {} : { head };
  if (kept)
    return { mapping: { ...kept, answers: { ...kept.answers, ...place } }, knownBy: "mapping" };
  return { mapping: inspected.mapping, knownBy: inspected.agreed ? "format" : "guess" };
}

/** Which account a file belongs to, where the book has several of its kind and nobody says. */
export function accountQuestion(
  db: Db,
  kind: FileKind,
  said: string | boolean | undefined,
): FileQuestion | null {
  const { account } = FILE_KIND_TRAITS[kind];
  if (account === null || typeof said === "string") return null;
  const accounts = account === "processor" ? processorAccounts(db) : bankAccounts(db);
  if (accounts.length < 2) return null;
  return {
    key: "account",
    words: "The book has several accounts that the file could belong to.",
    choices: accounts.map(({ code, name }) => ({ answer: code, result: name })),
  };
}
