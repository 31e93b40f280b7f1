"use client";

import { useRouter, useSearchParams } from "next/navigation";
import { type Dispatch, type ReactNode, type SetStateAction, useState } from "react";

import type { JournalExportFacts } from "@/contracts/books";
import type { BookFacts } from "@/contracts/shell";
import { type Day, formatDay } from "@/core/calendar";
import { JOURNAL_FIELDS, type JournalField, type JournalLayout } from "@/core/formats";

import { Act, RowButton } from "../kit/buttons";
import { InlineField, LineField, SmallChoice, Tick } from "../kit/fields";
import { Subheading } from "../kit/headings";
import { ActRow, Halves, Section } from "../kit/layout";
import { DetailTable } from "../kit/tables";
import { useActing } from "../shell/Notices";
import { BooksHeading } from "./BooksHeading";
type Props = BookFacts & JournalExportFacts;

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

/**
 * The journal as a file for another ledger: its columns and accounts by a layout that is kept, each
 * entry once or marked.
 */
export function JournalExportView(props: Props): ReactNode {
  const { from, to, all, fresh, made, layouts, today, book } = props;
  const { act, busy } = useActing();
  const [name, setName] = useState(layouts[0]?.name ?? "Other ledger");
  const [layout, setLayout] = useState<JournalLayout | null>(layouts[0]?.spec ?? null);
  const [again, setAgain] = useState(false);
  if (layout === null) return null;
  const make = (): void =>
    void act<{ actId: number; fileId: number; entries: number; again: number }>(
      "makeJournalFile",
      { layout: name, spec: layout, from, to, again },
      (value) => ({
        words: `${value.entries} entries in the file${value.again > 0 ? `, ${value.again} of them marked as sent again` : ""}.`,
        undo: value.actId,
      }),
    );
  return (
    <>
      <BooksHeading
        view="file"
        sum={
          <>
            {fresh.toLocaleString("en")}{" "}
            <small>entries of {all.toLocaleString("en")} that never went out</small>
          </>
        }
        end={<Period from={from} to={to} />}
      />
      <Halves ratio="1:1">
        <Section>
          <Subheading>
            Layout{" "}
            <InlineField
              width="200px"
              aria-label="Name of the layout"
              list="layouts"
              value={name}
              onChange={(event) => {
                setName(event.target.value);
                const known = layouts.find((layout) => layout.name === event.target.value);
                if (known) setLayout(known.spec);
              }}
            />
          </Subheading>
          <datalist id="layouts">
            {layouts.map((layout) => (
              <option key={layout.name} value={layout.name} />
            ))}
          </datalist>
          <Columns layout={layout} change={setLayout} />
          <Writing layout={layout} setLayout={setLayout} />
          <ActRow>
            <Act
              main
              onClick={make}
              disabled={busy || name.trim() === "" || (fresh === 0 && !again)}
            >
              Make the file
            </Act>
            <label>
              <Tick checked={again} onChange={(event) => setAgain(event.target.checked)} /> with
              what was sent before, marked as again
            </label>
          </ActRow>
          <Subheading>Files made</Subheading>
          <FilesMade book={book} made={made} today={today} />
        </Section>
        <AccountsThere layout={layout} props={props} setLayout={setLayout} />
      </Halves>
    </>
  );
}

type WritingProps = {
  layout: JournalLayout;
  setLayout: Dispatch<SetStateAction<JournalLayout | null>>;
};

function Writing({ layout, setLayout }: WritingProps): ReactNode {
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

type FilesMadeProps = {
  book: Props["book"];
  made: Props["made"];
  today: Props["today"];
};

function FilesMade({ book, made, today }: FilesMadeProps): ReactNode {
  const { act, busy } = useActing();
  return (
    <DetailTable aria-label="Files made">
      <tbody>
        {made.map((file) => (
          <tr key={file.id}>
            <td>{file.layout}</td>
            <td data-tone="soft">
              {formatDay(file.from, today)} to {formatDay(file.to, today)}
            </td>
            <td data-numeric>{file.entries}</td>
            <td data-numeric>
              <a href={`/api/v1/b/${book}/export/journal-file?id=${file.id}`}>CSV</a>{" "}
              <a href={`/api/v1/b/${book}/export/journal-file?id=${file.id}&format=xlsx`}>XLSX</a>
            </td>
            <td data-numeric>
              <RowButton
                data-tone="soft"
                disabled={busy}
                onClick={() =>
                  void act("undo", { actId: file.actId }, () => ({
                    words: "It counts as never made: its entries go out with the next.",
                  }))
                }
              >
                it never went out
              </RowButton>
            </td>
          </tr>
        ))}
        {made.length === 0 ? (
          <tr>
            <td data-tone="soft">None yet.</td>
          </tr>
        ) : null}
      </tbody>
    </DetailTable>
  );
}

type AccountsThereProps = {
  layout: JournalLayout;
  props: Props;
  setLayout: Dispatch<SetStateAction<JournalLayout | null>>;
};

function AccountsThere({ layout, props, setLayout }: AccountsThereProps): ReactNode {
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

function Columns({
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
    <DetailTable aria-label="Columns of the file">
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

/** The days that the file is for; they stand in the address. */
function Period({ from, to }: { from: Day; to: Day }): ReactNode {
  const router = useRouter();
  const search = useSearchParams();
  const go = (name: "from" | "to", day: string): void => {
    if (!/^\d{4}-\d\d-\d\d$/.test(day)) return;
    const query = new URLSearchParams(search);
    query.set(name, day);
    router.replace(`?${query}`);
  };
  return (
    <>
      <label data-tone="soft">
        from{" "}
        <LineField
          kind="plain"
          type="date"

          defaultValue={from}
          key={`from ${from}`}
          onChange={(event) => go("from", event.target.value)}
        />
      </label>
      <label data-tone="soft">
        to{" "}
        <LineField
          kind="plain"
          type="date"

          defaultValue={to}
          key={`to ${to}`}
          onChange={(event) => go("to", event.target.value)}
        />
      </label>
    </>
  );
}
