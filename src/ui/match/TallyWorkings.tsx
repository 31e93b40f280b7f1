"use client";

import { Box, chakra } from "@chakra-ui/react";
import {
  type Dispatch,
  type ReactNode,
  type SetStateAction,
  useEffect,
  useRef,
  useState,
} from "react";
import { useHotkeys } from "react-hotkeys-hook";

import type {
  MatchRow,
  MatchWorkings,
  OnAccount,
  WorkingsItem,
  WorkingsReading,
} from "@/contracts/match";
import { type Day, formatDay } from "@/core/calendar";
import { add, type Currency, formatAmount } from "@/core/money";

import { Act } from "../kit/buttons";
import { Subheading } from "../kit/headings";
import { onOwnControl } from "../kit/keys";
import { ActRow, WorkingsGrid } from "../kit/layout";
import { useActing } from "../shell/Notices";
import { load } from "../shell/send";
import { CameIn, TwinTable } from "./CameIn";
import { OpenItems } from "./Choices";
import { CustomerChoice } from "./CustomerChoice";
import { OtherReadings } from "./OtherReadings";
import { AsideQuestion, SecondQuestion } from "./TallyQuestions";
import { Reasons } from "./TallyReasons";
import { TallyTable } from "./TallyTable";
import { WillPost } from "./WillPost";
import { type Tally, tallyOf, toggled, withSet, type Worked, workOut } from "./tally";

type Props = { row: MatchRow; currency: Currency; today: Day; done: () => void };
/** The open receipt: its tally with what is left over, why, what it will post, and what else it could be. */
export function TallyWorkings(props: Props): ReactNode {
  const { book, complain } = useActing();
  const [workings, setWorkings] = useState<MatchWorkings | null>(null);
  useEffect(() => {
    let current = true;
    void load<MatchWorkings>(`/api/v1/b/${book}/receipts/${props.row.id}/workings`).then((sent) => {
      if (!current) return;
      if (sent.ok) setWorkings(sent.value);
      else complain(sent.message);
    });
    return () => {
      current = false;
    };
  }, [book, complain, props.row.id]);
  return workings === null ? (
    <chakra.p data-tone="soft" paddingLeft="16px">
      Reading …
    </chakra.p>
  ) : (
    <TallyEditor {...props} workings={workings} />
  );
}
type TallyEditorProps = Props & { workings: MatchWorkings };
function TallyEditor(props: TallyEditorProps): ReactNode {
  const { row, currency, today, done, workings } = props;
  const {
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
  } = useTally(props);
  return (
    <>
      <CameIn
        row={row}
        workings={workings}
        reasons={reading?.reasons ?? []}
        currency={currency}
        today={today}
      />
      <WorkingsGrid ref={fields}>
        <Box>
          <TwinTable row={row} workings={workings} currency={currency} today={today} />
          <TallyTable
            tally={tally}
            worked={worked}
            currency={currency}
            limit={workings.limit}
            credits={credits}
            surcharges={workings.surcharges}
            givenUp={givenUp}
            today={today}
            change={setTally}
            post={post}
          />
          <CustomerChoice tally={tally} choose={chooseCustomer} currency={currency} />
          <QuestionOrActs
            asking={asking}
            currency={currency}
            done={done}
            keep={keep}
            post={post}
            row={row}
            setAsking={setAsking}
            tally={tally}
            worked={worked}
          />
        </Box>
        <WhyAndPosting
          currency={currency}
          reading={reading}
          tally={tally}
          today={today}
          worked={worked}
          workings={workings}
        />
        <Box>
          <OtherReadings
            readings={workings.readings}
            chosen={chosen}
            choose={choose}
            currency={currency}
            amount={workings.amount}
          />
          <OpenItems
            items={items}
            tally={tally}
            toggle={(item) => setTally(toggled(tally, item, worked.left, currency))}
            takeSet={(set) => setTally(withSet(tally, set, currency))}
            left={worked.left}
            currency={currency}
            today={today}
          />
        </Box>
      </WorkingsGrid>
    </>
  );
}

type WhyAndPostingProps = {
  currency: Currency;
  reading: WorkingsReading | undefined;
  tally: Tally;
  today: Day;
  worked: Worked;
  workings: MatchWorkings;
};
function WhyAndPosting({
  currency,
  reading,
  tally,
  today,
  worked,
  workings,
}: WhyAndPostingProps): ReactNode {
  return (
    <Box>
      <Subheading>Why</Subheading>
      <Reasons reading={reading} />
      <WillPost tally={tally} worked={worked} amount={workings.amount} currency={currency} />
      <p data-tone="soft">
        {workings.account} {formatAmount(workings.amount, currency)}
        {workings.fee > 0 ? ` and its fee ${formatAmount(workings.fee, currency)}` : ""} stand since{" "}
        {formatDay(workings.settledOn, today)}
      </p>
    </Box>
  );
}

type QuestionOrActsProps = {
  asking: "aside" | "second" | null;
  currency: Currency;
  done: () => void;
  keep: () => void;
  post: () => void;
  row: MatchRow;
  setAsking: Dispatch<SetStateAction<"aside" | "second" | null>>;
  tally: Tally;
  worked: Worked;
};
function QuestionOrActs({
  asking,
  currency,
  done,
  keep,
  post,
  row,
  setAsking,
  tally,
  worked,
}: QuestionOrActsProps): ReactNode {
  if (asking === "aside")
    return <AsideQuestion row={row} close={() => setAsking(null)} done={done} />;
  if (asking === "second")
    return (
      <SecondQuestion
        row={row}
        tally={tally}
        worked={worked}
        currency={currency}
        close={() => setAsking(null)}
        done={done}
      />
    );
  return (
    <TallyActs
      keep={keep}
      post={post}
      row={row}
      setAsking={setAsking}
      tally={tally}
      worked={worked}
    />
  );
}

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

/** A tally while it is put together, of the customer's open items. */
function useTally({ row, currency, done, workings }: TallyEditorProps) {
  const { book, complain } = useActing();
  const [chosen, setChosen] = useState(0);
  const [tally, setTally] = useState<Tally>(() =>
    tallyOf(workings.readings[0], currency, workings.credits),
  );
  const [credits, setCredits] = useState<readonly OnAccount[]>(workings.credits);
  const [items, setItems] = useState<WorkingsItem[]>(workings.items);
  const [givenUp, setGivenUp] = useState(workings.givenUp);
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
  const itemsOf = async (customerId: number): Promise<void> => {
    const sent = await load<Pick<MatchWorkings, "items" | "credits" | "givenUp">>(
      `/api/v1/b/${book}/customers/${customerId}/items?currency=${currency}`,
    );
    if (!sent.ok) return complain(sent.message);
    setItems(sent.value.items);
    setCredits(sent.value.credits);
    setGivenUp(sent.value.givenUp);
  };
  const chooseCustomer = ({ id, name }: { id: number; name: string }): void => {
    setTally({
      customerId: id,
      customer: name,
      terms: [],
      restOnAccount: false,
      credits: [],
      surcharge: add(0),
      recovered: add(0),
    });
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
  useHotkeys("enter", post, { enabled: asking === null, ignoreEventWhen: onOwnControl }, [post]);
  useHotkeys("k", keep, [keep]);
  useHotkeys("s", () => setAsking("aside"), { preventDefault: true });
  useHotkeys("e", () => fields.current?.querySelector("input")?.focus(), { preventDefault: true });
  useHotkeys("1,2,3,4,5,6", (_event, key) => choose(Number(key.keys?.join("")) - 1), [choose]);
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
type TallyActsProps = {
  keep: () => void;
  post: () => void;
  row: (Props & { workings: MatchWorkings })["row"];
  setAsking: Dispatch<SetStateAction<"aside" | "second" | null>>;
  tally: Tally;
  worked: Worked;
};
function TallyActs({ keep, post, row, setAsking, tally, worked }: TallyActsProps): ReactNode {
  const { book, busy } = useActing();
  return (
    <ActRow>
      <Act main hint="Enter" onClick={post} disabled={busy}>
        {worked.overLimit === 0 ? "Post" : "Ask a second person"}
      </Act>
      <Act hint="K" onClick={keep} disabled={busy}>
        {worked.left > 0 && tally.terms.length > 0 ? "Rest on account" : "On account"}
      </Act>
      <Act hint="S" onClick={() => setAsking("aside")}>
        Set aside
      </Act>
      <a href={`/b/${book}/receipts/${row.id}`}>History</a>
    </ActRow>
  );
}
