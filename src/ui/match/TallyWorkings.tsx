"use client";

import { Box } from "@chakra-ui/react";
import { type Dispatch, type ReactNode, type SetStateAction, useEffect, useState } from "react";

import type { MatchRow, MatchWorkings, WorkingsReading } from "@/contracts/match";
import { type Day, formatDay } from "@/core/calendar";
import { type Currency, formatAmount } from "@/core/money";

import { Act } from "../kit/buttons";
import { Subheading } from "../kit/headings";
import { ActRow, WorkingsGrid } from "../kit/layout";
import { useActing } from "../shell/Notices";
import { Reading } from "../kit/Reading";
import { load } from "../shell/send";
import { CameIn, TwinTable } from "./CameIn";
import { OpenItems } from "./Choices";
import { CustomerChoice } from "./CustomerChoice";
import { OtherReadings } from "./OtherReadings";
import { type Tally, toggled, withSet, type Worked } from "./tally";
import { AsideQuestion, SecondQuestion } from "./TallyQuestions";
import { Reasons } from "./TallyReasons";
import { TallyTable } from "./TallyTable";
import { type Props, type TallyEditorProps, useTally } from "./useTally";
import { WillPost } from "./WillPost";

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
  return workings === null ? <Reading /> : <TallyEditor {...props} workings={workings} />;
}
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
