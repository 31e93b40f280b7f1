"use client";

import { type ReactNode, useState } from "react";
import { useRouter } from "next/navigation";

import type { PaperKept } from "@/contracts/customers";
import type { BookFacts } from "@/contracts/shell";
import { formatDay } from "@/core/calendar";

import { RowButton } from "../kit/buttons";
import { FileField } from "../kit/fields";
import { Subheading } from "../kit/headings";
import { Cell, DetailTable, NoneRow } from "../kit/tables";
import { useActing } from "../shell/Notices";
import { post } from "../shell/send";

type CustomerPapersProps = Pick<BookFacts, "book" | "today"> & {
  customerId: number;
  papers: readonly PaperKept[];
};

/** Papers that belong to a customer: dropped in or chosen, looked at in the browser, taken away. */
export function CustomerPapers({
  customerId,
  papers,
  book,
  today,
}: CustomerPapersProps): ReactNode {
  const { act, say, complain } = useActing();
  const router = useRouter();
  const [over, setOver] = useState(false);
  const add = async (files: Iterable<File>): Promise<void> => {
    for (const file of files) {
      const name = encodeURIComponent(file.name);
      const sent = await post(
        `/api/v1/b/${book}/customers/${customerId}/papers?name=${name}`,
        file,
      );
      if (!sent.ok) return complain(sent.message);
      say(`${file.name} is kept.`);
    }
    router.refresh();
  };
  return (
    <>
      <Subheading>Papers</Subheading>
      <DetailTable
        aria-label="Papers"
        outline={over ? "2px dashed" : undefined}
        onDragOver={(event) => {
          event.preventDefault();
          setOver(true);
        }}
        onDragLeave={() => setOver(false)}
        onDrop={(event) => {
          event.preventDefault();
          setOver(false);
          void add(event.dataTransfer.files);
        }}
      >
        <tbody>
          <NoneRow of={papers}>None: drop a contract or an order here.</NoneRow>
          {papers.map((paper) => (
            <tr key={paper.id}>
              <Cell>
                <a href={`/api/v1/b/${book}/papers/${paper.id}`} target="_blank" rel="noreferrer">
                  {paper.name}
                </a>
              </Cell>
              <Cell data-tone="soft">{formatDay(paper.addedOn, today)}</Cell>
              <Cell data-tone="soft" data-numeric>
                {Math.ceil(paper.size / 1000)} kB
              </Cell>
              <Cell width="3%">
                <RowButton
                  aria-label={`Take ${paper.name} away`}
                  onClick={() =>
                    void act("undo", { actId: paper.actId }, () => ({
                      words: `${paper.name} is taken away.`,
                    }))
                  }
                >
                  ✕
                </RowButton>
              </Cell>
            </tr>
          ))}
        </tbody>
      </DetailTable>
      <FileField
        aria-label="Add a paper"
        accept=".pdf,.png,.jpg,.jpeg"
        multiple
        onChange={(event) => void add(event.target.files ?? [])}
      />
    </>
  );
}
