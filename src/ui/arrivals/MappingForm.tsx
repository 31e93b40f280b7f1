"use client";

import type { ReactNode } from "react";

import type { ArrivalsFacts, InspectedFile } from "@/contracts/arrivals";
import type { MappingSpec } from "@/core/formats";

import { DetailTable } from "../kit/tables";
import { AnswerRows } from "./AnswerRows";
import { FIELD_WORDS } from "./fieldWords";
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
    const rest = Object.fromEntries(
      Object.entries(mapping.columns).filter(([name]) => name !== field),
    );
    change({ ...mapping, columns: header === "" ? rest : { ...rest, [field]: header } });
  };
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
  waiting: InspectedFile;
};

function FieldRow({ field, mapping, needed, set, waiting }: FieldRowProps): ReactNode {
  return (
    <tr>
      <td data-strong={needed || undefined}>
        {FIELD_WORDS[field] ?? field}
        {needed && mapping.columns[field] === undefined ? (
          <span data-tone="off"> needed</span>
        ) : null}
      </td>
      <td>
        <Pick
          label={FIELD_WORDS[field] ?? field}
          value={mapping.columns[field] ?? ""}
          options={[
            ["", "–"],
            ...waiting.headers
              .filter((header) => header !== "")
              .map((header) => [header, header] as const),
          ]}
          change={(header) => set(field, header)}
        />
      </td>
    </tr>
  );
}
