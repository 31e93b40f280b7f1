import { useRef, useState } from "react";

import { type MatchRow, type MatchWorkings } from "@/contracts/match";
import { type Day } from "@/core/calendar";
import { add, type Currency, formatAmount } from "@/core/money";

import { useRowKeys } from "../kit/lists/opening";
import { useActing } from "../shell/Notices";
import { load } from "../shell/send";
import { type Tally, tallyOf, type Worked, workOut } from "./tally";

export type Props = { row: MatchRow; currency: Currency; today: Day; done: () => void };

export type TallyEditorProps = Props & { workings: MatchWorkings };

/** What stands in the way of posting a tally, with what to do about it. */
function whyNotPosted(
  tally: Tally,
  worked: Worked,
  people: number,
  currency: Currency,
): string | null {
  if (worked.problem !== null) return worked.problem;
  if (tally.customerId === null)
    return "Say whose it is first: find the customer, or set the receipt aside.";
  if (worked.left > 0 && !tally.restOnAccount)
    return `${formatAmount(worked.left, currency)} is left over. Give it to an invoice, or keep the rest on account (K).`;
  if (worked.overLimit !== 0 && people < 2)
    return "A write-off over the limit needs a second person. Add one under Set-up, or leave the rest open.";
  return null;
}

type PostingProps = Pick<TallyEditorProps, "row" | "currency" | "done" | "workings"> & {
  tally: Tally;
  worked: Worked;
  setTally: (tally: Tally) => void;
  askSecond: () => void;
};

/** Posts a tally, or keeps the receipt on account. */
function useTallyPosting(props: PostingProps): { post: () => void; keep: () => void } {
  const { row, currency, done, workings, tally, worked, setTally, askSecond } = props;
  const { act, busy, complain } = useActing();
  const post = (): void => {
    if (busy) return;
    const problem = whyNotPosted(tally, worked, workings.people, currency);
    if (problem !== null) return complain(problem);
    if (worked.overLimit !== 0) return askSecond();
    void act<{ actId: number; commandId: number }>(
      "applyReceipt",
      {
        receiptId: row.id,
        customerId: tally.customerId,
        lines: worked.lines,
        credits: worked.credits,
        surcharge: tally.surcharge,
        recovered: tally.recovered,
        proposedCustomerId: workings.customerId,
      },
      (value) => ({
        words: `${formatAmount(workings.amount, currency)} of ${row.from} posted.`,
        undo: worked.credits.length > 0 ? { commandId: value.commandId } : value.actId,
      }),
    ).then((value) => {
      if (value) done();
    });
  };
  const keep = (): void => {
    if (tally.customerId === null) return complain("Say whose account it is first.");
    if (worked.left > 0 && tally.terms.length > 0) setTally({ ...tally, restOnAccount: true });
    else
      void act<{ actId: number }>(
        "applyReceipt",
        {
          receiptId: row.id,
          customerId: tally.customerId,
          lines: [],
          proposedCustomerId: workings.customerId,
        },
        (value) => ({
          words: `${formatAmount(workings.amount, currency)} kept on account of ${tally.customer}.`,
          undo: value.actId,
        }),
      ).then((value) => {
        if (value) done();
      });
  };
  return { post, keep };
}

/** What a customer and its group have open, and what could be used for it. */
function useOpenItems(workings: MatchWorkings, currency: Currency) {
  const { book, complain } = useActing();
  const [open, setOpen] = useState<Pick<MatchWorkings, "items" | "credits" | "givenUp">>(workings);
  const itemsOf = async (customerId: number): Promise<void> => {
    const sent = await load<typeof open>(
      `/api/v1/b/${book}/customers/${customerId}/items?currency=${currency}`,
    );
    if (sent.ok) setOpen(sent.value);
    else complain(sent.message);
  };
  return { ...open, itemsOf };
}

/** A tally that gives nothing to anything yet. */
const EMPTY = {
  terms: [],
  restOnAccount: false,
  credits: [],
  surcharge: add(0),
  recovered: add(0),
};

/** A tally while it is put together, of the customer's open items. */
export function useTally({ row, currency, done, workings }: TallyEditorProps) {
  const [chosen, setChosen] = useState(0);
  const [tally, setTally] = useState<Tally>(() =>
    tallyOf(workings.readings[0], currency, workings.credits),
  );
  const { credits, items, givenUp, itemsOf } = useOpenItems(workings, currency);
  const [asking, setAsking] = useState<"aside" | "second" | null>(null);
  const fields = useRef<HTMLDivElement>(null);
  const worked = workOut(tally, workings.amount, currency, workings.limit);
  const reading = workings.readings[chosen];
  const choose = (at: number): void => {
    const other = workings.readings[at];
    if (!other) return;
    setChosen(at);
    setTally(tallyOf(other, currency, credits));
    if (other.customerId !== null && other.customerId !== tally.customerId)
      void itemsOf(other.customerId);
  };
  const chooseCustomer = ({ id, name }: { id: number; name: string }): void => {
    setTally({ ...EMPTY, customerId: id, customer: name });
    void itemsOf(id);
  };
  const { post, keep } = useTallyPosting({
    row,
    currency,
    done,
    workings,
    tally,
    worked,
    setTally,
    askSecond: () => setAsking("second"),
  });
  useRowKeys("enter", post, { enabled: asking === null });
  useRowKeys("k", keep);
  useRowKeys("s", () => setAsking("aside"));
  useRowKeys("e", () => fields.current?.querySelector("input")?.focus());
  useRowKeys("1,2,3,4,5,6", (key) => choose(Number(key) - 1));
  return {
    chosen,
    tally,
    setTally,
    credits,
    items,
    givenUp,
    asking,
    setAsking,
    fields,
    worked,
    reading,
    choose,
    chooseCustomer,
    post,
    keep,
  };
}
