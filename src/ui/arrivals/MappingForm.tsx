"use client";

import type { ReactNode } from "react";

import type { ArrivalsFacts, InspectedFile } from "@/contracts/arrivals";
import type { MappingSpec } from "@/core/formats";

import { LineField } from "../kit/fields";
import { DetailTable } from "../kit/tables";
import { AnswerRows } from "./AnswerRows";
import { fieldWord } from "./fieldWords";
import { Pick } from "./Pick";

/** How the file's columns are read: guessed from headers and contents, corrected here, kept by name. */
export function MappingForm({
  facts,
  waiting,
  mapping,
  change,
  asHead,
}: {
  asHead: (line: number) => void;
  facts: ArrivalsFacts;
  waiting: InspectedFile;
  mapping: MappingSpec;
  change: (mapping: MappingSpec) => void;
}): ReactNode {
  const set = (field: string, header: string): void => {
    const columns = without(mapping.columns, field);
    const answers = without(mapping.answers ?? {}, `fixed:${field}`);
    if (header === ON_ALL)
      return change({ ...mapping, columns, answers: { ...answers, [`fixed:${field}`]: "" } });
    change({
      ...mapping,
      answers,
      columns: header === "" ? columns : { ...columns, [field]: header },
    });
  };
  const fix = (field: string, value: string): void =>
    change({ ...mapping, answers: { ...mapping.answers, [`fixed:${field}`]: value } });
  return (
    <DetailTable marginTop="10px">
      <thead>
        <tr>
          <th scope="col">What we need</th>
          <th scope="col">Column of the file</th>
        </tr>
      </thead>
      <tbody>
        <HeadRow asHead={asHead} waiting={waiting} />
        {facts.fields[mapping.kind].map(({ field, needed }) => (
          <FieldRow
            key={field}
            field={field}
            mapping={mapping}
            needed={needed}
            fix={fix}
            set={set}
            waiting={waiting}
          />
        ))}
        <AnswerRows
          change={change}
          mapping={mapping}
          words={mapping.kind === "processor" ? waiting.rowWords : []}
        />
      </tbody>
    </DetailTable>
  );
}

/** On which line the head of a list stands; a published format has none to be said. */
function HeadRow({
  asHead,
  waiting: { firstLines, headLine },
}: {
  asHead: (line: number) => void;
  waiting: InspectedFile;
}): ReactNode {
  if (headLine === null) return null;
  const lines = firstLines.map(
    (words, at) => [String(at + 1), `line ${at + 1}: ${words === "" ? "blank" : words}`] as const,
  );
  return (
    <tr>
      <td>head</td>
      <td>
        <Pick
          label="head"
          value={String(headLine)}
          options={[["0", "the list has none"], ...lines]}
          change={(line) => asHead(Number(line))}
        />
      </td>
    </tr>
  );
}

type FieldRowProps = {
  field: string;
  mapping: MappingSpec;
  needed: boolean;
  set: (field: string, header: string) => void;
  fix: (field: string, value: string) => void;
  waiting: InspectedFile;
};

/** Chosen where no column has a field, and it is the same on every line. */
const ON_ALL = "\u0000all";

const without = (of: Readonly<Record<string, string>>, key: string): Record<string, string> =>
  Object.fromEntries(Object.entries(of).filter(([name]) => name !== key));

function FieldRow({ field, mapping, needed, set, fix, waiting }: FieldRowProps): ReactNode {
  const fixed = mapping.answers?.[`fixed:${field}`];
  return (
    <tr>
      <td data-strong={needed || undefined}>
        {fieldWord(mapping.kind, field)}
        {needed && mapping.columns[field] === undefined && !fixed ? (
          <span data-tone="off"> needed</span>
        ) : null}
      </td>
      <td>
        <Pick
          label={fieldWord(mapping.kind, field)}
          value={mapping.columns[field] ?? (fixed === undefined ? "" : ON_ALL)}
          options={[
            ["", "–"],
            [ON_ALL, "the same on every line"],
            ...waiting.headers
              .filter((header) => header !== "")
              .map((header) => [header, header] as const),
          ]}
          change={(header) => set(field, header)}
        />
        {fixed === undefined ? null : (
          <LineField
            kind="text"
            aria-label={`${fieldWord(mapping.kind, field)} of every line`}
            value={fixed}
            onChange={(event) => fix(field, event.target.value)}
          />
        )}
      </td>
    </tr>
  );
}
