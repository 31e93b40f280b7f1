import type {
  ArrivalsFacts,
  FileQuestion,
  ImportReport,
  InspectedFile,
  SavedMapping,
} from "@/contracts/arrivals";
import { FILE_KIND_TRAITS, type FileKind, type MappingSpec } from "@/core/formats";

/** The mapping that was kept for such a head. */
export const keptFor = (
  { mappings }: ArrivalsFacts,
  { kind, headers }: InspectedFile,
): SavedMapping | undefined =>
  mappings
    .filter((mapping) => mapping.kind === kind)
    .find(({ spec }) => Object.values(spec.columns).every((head) => headers.includes(head)));

/** How a file is read to begin with: by a mapping that was kept, else by what it seems to be. */
export function mappingFor(first: InspectedFile, known: SavedMapping | undefined): MappingSpec {
  if (!known) return first.mapping;
  const { head } = first.mapping.answers ?? {};
  // Where its head stands is of this file, and is not kept.
  const place: Record<string, string> = head === undefined ? {} : { head };
  return { ...known.spec, answers: { ...known.spec.answers, ...place } };
}

type Standing = {
  of: ArrivalsFacts["accounts"]["bank"] | null;
  account: string | null;
  report: ImportReport | null;
};

/** What is to be said, in the order in which one answer leads to the next: its kind, its account, the rest. */
export function openQuestions(
  { kindOpen }: InspectedFile,
  { of, account, report }: Standing,
): readonly FileQuestion[] {
  if (kindOpen) return [kindOpen];
  if (of === null || of.length < 2 || account !== null) return report?.questions ?? [];
  return [
    {
      key: "account",
      words: "Which of its accounts does the file belong to?",
      choices: of.map(([answer, result]) => ({ answer, result })),
    },
  ];
}

export function guessAccount(facts: ArrivalsFacts, kind: FileKind, name: string): string | null {
  const of = accountsFor(kind, facts) ?? [];
  return (
    (of.find(
      ([code, words]) =>
        name.toLowerCase().includes(words.toLowerCase()) || name.toLowerCase().includes(code),
    ) ?? (of.length === 1 ? of[0] : undefined))?.[0] ?? null
  );
}

/** The accounts that a file of a kind can belong to; null where it belongs to the book. */
export function accountsFor(
  kind: FileKind,
  { accounts }: ArrivalsFacts,
): ArrivalsFacts["accounts"]["bank"] | null {
  const { account } = FILE_KIND_TRAITS[kind];
  return account && accounts[account];
}
