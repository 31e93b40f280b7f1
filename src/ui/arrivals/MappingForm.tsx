"use client";

import type { ReactNode } from "react";

import type { ArrivalsFacts, InspectedFile } from "@/contracts/arrivals";
import { ROW_KIND_NAMES, ROW_KINDS, type RowKind } from "@/core/activity";
import type { MappingSpec } from "@/core/formats";

import { DetailTable } from "../kit/tables";
import { DecimalMarkRow } from "./DecimalMarkRow";
import { FIELD_WORDS } from "./fieldWords";
import { Pick } from "./Pick";

/** How the file's columns are read: guessed from headers and contents, corrected here, kept by name. */
export function MappingForm({
  facts,
  waiting,
  mapping,
  change,
}: {
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
        <DayOrderRow change={change} mapping={mapping} />
        <DecimalMarkRow change={change} mapping={mapping} sample={waiting.markOpen} />
        {mapping.kind === "processor" ? <ProcessorRows change={change} mapping={mapping} /> : null}
      </tbody>
    </DetailTable>
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

type DayOrderRowProps = {
  change: (mapping: MappingSpec) => void;
  mapping: MappingSpec;
};

function DayOrderRow({ change, mapping }: DayOrderRowProps): ReactNode {
  return (
    <tr>
      <td>dates are</td>
      <td>
        <Pick
          label="dates are"
          value={mapping.dayOrder}
          options={[
            ["mdy", "month, day, year"],
            ["dmy", "day, month, year"],
            ["ymd", "year, month, day"],
          ]}
          change={(order) => change({ ...mapping, dayOrder: order as MappingSpec["dayOrder"] })}
        />
      </td>
    </tr>
  );
}

type ProcessorRowsProps = {
  change: (mapping: MappingSpec) => void;
  mapping: MappingSpec;
};

function ProcessorRows({ change, mapping }: ProcessorRowsProps): ReactNode {
  return (
    <>
      <tr>
        <td>fees, refunds and the like</td>
        <td>
          <Pick
            label="signs"
            value={mapping.signs}
            options={[
              ["by_kind", "are written positive"],
              ["as_written", "carry their sign"],
            ]}
            change={(signs) => change({ ...mapping, signs: signs as MappingSpec["signs"] })}
          />
        </td>
      </tr>
      <tr>
        <td>the fee column</td>
        <td>
          <Pick
            label="the fee column"
            value={mapping.feeSign}
            options={[
              ["cost", "positive lowers the net"],
              ["effect", "negative lowers the net"],
            ]}
            change={(sign) => change({ ...mapping, feeSign: sign as MappingSpec["feeSign"] })}
          />
        </td>
      </tr>
      <tr>
        <td>payouts</td>
        <td>
          <Pick
            label="payouts"
            value={mapping.payoutSign}
            options={[
              ["as_written", "positive when paid to the bank"],
              ["turned", "negative when paid to the bank"],
            ]}
            change={(sign) => change({ ...mapping, payoutSign: sign as MappingSpec["payoutSign"] })}
          />
        </td>
      </tr>
      {Object.keys(mapping.rowKinds).map((word) => (
        <tr key={word}>
          <td>“{word}” is a</td>
          <td>
            <Pick
              label={`${word} is a`}
              value={mapping.rowKinds[word] ?? "ignore"}
              options={ROW_KIND_NAMES.map((kind) => [kind, ROW_KINDS[kind].label] as const)}
              change={(kind) =>
                change({
                  ...mapping,
                  rowKinds: { ...mapping.rowKinds, [word]: kind as RowKind },
                })
              }
            />
          </td>
        </tr>
      ))}
    </>
  );
}
