"use client";

import { useRouter, useSearchParams } from "next/navigation";
import { type ReactNode, useState } from "react";

import { type JournalFileMade } from "@/contracts/books";
import { type Day, formatDay } from "@/core/calendar";
import type { JournalLayout } from "@/core/formats";

import { Act, RowButton } from "../kit/buttons";
import { InlineField, Tick } from "../kit/fields";
import { Subheading } from "../kit/headings";
import { ActRow, Halves, Section } from "../kit/layout";
import { DetailTable, NoneRow } from "../kit/tables";
import { useActing } from "../shell/Notices";
import { BooksHeading } from "./BooksHeading";
import { AccountsThere, Columns, type Props, Writing } from "./JournalLayoutFields";
import { LineDay } from "@/ui/kit/days";

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
    void act<JournalFileMade>(
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
        <NoneRow of={made}>None yet.</NoneRow>
      </tbody>
    </DetailTable>
  );
}
/** The days that the file is for; they stand in the address. */
function Period({ from, to }: { from: Day; to: Day }): ReactNode {
  const router = useRouter();
  const search = useSearchParams();
  const go = (name: "from" | "to", day: string): void => {
    if (day === "") return;
    const query = new URLSearchParams(search);
    query.set(name, day);
    router.replace(`?${query}`);
  };
  return (
    <>
      <label data-tone="soft">
        from <LineDay value={from} onDay={(day) => go("from", day)} />
      </label>
      <label data-tone="soft">
        to <LineDay value={to} onDay={(day) => go("to", day)} />
      </label>
    </>
  );
}
