"use client";

import type { Dispatch, ReactNode, SetStateAction } from "react";

import type { JournalExportFacts } from "@/contracts/books";
import type { BookFacts } from "@/contracts/shell";
import { JOURNAL_FIELDS, type JournalField, type JournalLayout } from "@/core/formats";

import { RowButton } from "../kit/buttons";
import { InlineField, SmallChoice } from "../kit/fields";
import { Subheading } from "../kit/headings";
import { Section } from "../kit/layout";
import { DetailTable } from "../kit/tables";

export type Props = BookFacts & JournalExportFacts;
const FIELD_WORDS: Record<JournalField, string> = {
  entry_id: "entry number",
  posted_on: "day",
  event: "event",
  document: "document",
  party: "customer",
  account: "account",
  account_name: "our account's name",
  currency: "currency",
  amount: "amount, debit positive",
  debit: "debit",
  credit: "credit",
  reverses: "entry undone",
  again: "mark of what was sent before",
};
type WritingProps = {
  layout: JournalLayout;
  setLayout: Dispatch<SetStateAction<JournalLayout | null>>;
};
export function Writing({ layout, setLayout }: WritingProps): ReactNode {
  return (
    <p data-tone="soft">
      Days as{" "}
      <SmallChoice
        look="ruled"
        aria-label="How days are written"
        value={layout.dayOrder}
        onChange={(event) =>
          setLayout({ ...layout, dayOrder: event.target.value as JournalLayout["dayOrder"] })
        }
      >
        <option value="ymd">2026-11-24</option>
        <option value="mdy">11/24/2026</option>
        <option value="dmy">24.11.2026</option>
      </SmallChoice>
      , decimals with{" "}
      <SmallChoice
        look="ruled"
        aria-label="Decimal mark"
        value={layout.decimalMark}
        onChange={(event) =>
          setLayout({
            ...layout,
            decimalMark: event.target.value as JournalLayout["decimalMark"],
          })
        }
      >
        <option value=".">a point</option>
        <option value=",">a comma</option>
      </SmallChoice>
    </p>
  );
}
type AccountsThereProps = {
  layout: JournalLayout;
  props: Props;
  setLayout: Dispatch<SetStateAction<JournalLayout | null>>;
};
export function AccountsThere({ layout, props, setLayout }: AccountsThereProps): ReactNode {
  return (
    <Section>
      <Subheading>
        Accounts there <span data-tone="soft">where they have other codes</span>
      </Subheading>
      <DetailTable aria-label="Accounts of the other ledger">
        <tbody>
          {props.accounts.map(({ code, name: words }) => (
            <tr key={code}>
              <td>{code}</td>
              <td>{words}</td>
              <td>
                <InlineField
                  width="110px"
                  aria-label={`Code there for ${words}`}
                  placeholder={code}
                  value={layout.accounts[code] ?? ""}
                  onChange={(event) =>
                    setLayout({
                      ...layout,
                      accounts: mapped(layout.accounts, code, event.target.value),
                    })
                  }
                />
              </td>
            </tr>
          ))}
        </tbody>
      </DetailTable>
    </Section>
  );
}
/** An empty code there stands for our own. */
function mapped(
  accounts: JournalLayout["accounts"],
  code: string,
  to: string,
): JournalLayout["accounts"] {
  return Object.fromEntries([
    ...Object.entries(accounts).filter(([one]) => one !== code),
    ...(to.trim() === "" ? [] : [[code, to] as const]),
  ]);
}
export function Columns({
  layout,
  change,
}: {
  layout: JournalLayout;
  change: (layout: JournalLayout) => void;
}): ReactNode {
  const set = (at: number, part: Partial<JournalLayout["columns"][number]>): void =>
    change({
      ...layout,
      columns: layout.columns.map((column, index) =>
        index === at ? { ...column, ...part } : column,
      ),
    });
  const missing = JOURNAL_FIELDS.find(
    (field) => !layout.columns.some((column) => column.field === field),
  );
  return (
    <DetailTable folds aria-label="Columns of the file">
      <tbody>
        {layout.columns.map((column, at) => (
          <tr key={at}>
            <td data-tone="soft">{at + 1}</td>
            <td>
              <InlineField
                aria-label={`Heading of column ${at + 1}`}
                value={column.header}
                onChange={(event) => set(at, { header: event.target.value })}
              />
            </td>
            <td>
              <SmallChoice
                look="ruled"
                aria-label={`What column ${at + 1} holds`}
                value={column.field}
                onChange={(event) => set(at, { field: event.target.value as JournalField })}
              >
                {JOURNAL_FIELDS.map((field) => (
                  <option key={field} value={field}>
                    {FIELD_WORDS[field]}
                  </option>
                ))}
              </SmallChoice>
            </td>
            <td data-numeric>
              <RowButton
                data-tone="soft"
                onClick={() =>
                  change({ ...layout, columns: layout.columns.filter((_, index) => index !== at) })
                }
              >
                leave out
              </RowButton>
            </td>
          </tr>
        ))}
        {missing ? (
          <tr>
            <td colSpan={4}>
              <RowButton
                data-strong
                onClick={() =>
                  change({
                    ...layout,
                    columns: [...layout.columns, { header: FIELD_WORDS[missing], field: missing }],
                  })
                }
              >
                Another column
              </RowButton>
            </td>
          </tr>
        ) : null}
      </tbody>
    </DetailTable>
  );
}
