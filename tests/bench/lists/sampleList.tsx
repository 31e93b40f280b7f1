import { ChakraProvider } from "@chakra-ui/react";
import { type ReactNode, useState } from "react";

import { day } from "@/core/calendar";
import { type Currency, currencyOf } from "@/core/money";
import { Amount } from "@/ui/kit/Amount";
import { InBook } from "@/ui/kit/book";
import { LedgerList, type ListColumn } from "@/ui/kit/lists/LedgerList";
import { LongList } from "@/ui/kit/lists/LongList";
import { system } from "@/ui/kit/theme";

type Row = { id: number; from: string; memo: string; amount: number };

const TODAY = day("2026-11-24");
const USD = currencyOf("USD") as Currency;
const EIGHT_COLUMNS: ListColumn<Row>[] = [
  { id: "from", header: "From", cell: (row) => row.from },
  { id: "memo", header: "Memo", cell: (row) => <span>{row.memo}</span> },
  { id: "day", header: "Paid", cell: () => "Tue 24 Nov" },
  { id: "method", header: "How", cell: () => "card" },
  {
    id: "state",
    header: "State",
    cell: (row) => <Amount of={row.id % 3} currency={USD} tone="waits" />,
  },
  { id: "best", header: "Best reading", cell: (row) => `${row.from}, 2 invoices` },
  {
    id: "amount",
    header: "Sum",
    number: true,
    cell: (row) => <Amount of={row.amount} currency={USD} />,
  },
  {
    id: "left",
    header: "Left over",
    number: true,
    cell: (row) => <Amount of={row.id % 7} currency={USD} dash />,
  },
];

/** So many rows of eight cells as the Match page has them. */
export function sampleRows(count: number): Row[] {
  return Array.from({ length: count }, (_, id) => ({
    id,
    from: `Studio ${id} of the valley`,
    memo: `invoice ${20_000 + id} and thanks`,
    amount: 10_000 + id * 37,
  }));
}

function BookAround({ children }: { children: ReactNode }): ReactNode {
  return (
    <ChakraProvider value={system}>
      <InBook book="sample" currency={USD} today={TODAY}>
        {children}
      </InBook>
    </ChakraProvider>
  );
}

/** A list as it is drawn whole. */
export function WholeList({ rows }: { rows: readonly Row[] }): ReactNode {
  return (
    <BookAround>
      <LedgerList
        label="Sample"
        columns={EIGHT_COLUMNS}
        rows={rows}
        idOf={(row) => row.id}
        empty=""
      />
    </BookAround>
  );
}

/** A list of which only what is looked at is drawn. */
export function SeenList({ rows }: { rows: readonly Row[] }): ReactNode {
  const [open, setOpen] = useState<number | null>(null);
  return (
    <BookAround>
      <LongList
        label="Sample"
        columns={EIGHT_COLUMNS}
        first={rows}
        count={rows.length}
        idOf={(row) => row.id}
        load={() => Promise.resolve(null)}
        firstWantsLook={false}
        openId={open}
        onOpen={setOpen}
        workings={() => null}
        empty=""
      />
    </BookAround>
  );
}
