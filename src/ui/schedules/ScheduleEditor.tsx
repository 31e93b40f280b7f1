"use client";

import { Box } from "@chakra-ui/react";
import { useRouter } from "next/navigation";
import { type ReactNode, useMemo, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";

import type { EditorFacts, TypedDraft } from "@/contracts/editor";
import type { ScheduleFacts } from "@/contracts/schedules";
import type { Day } from "@/core/calendar";

import { CustomerFinder } from "../customers/CustomerFinder";
import { Amount } from "../kit/Amount";
import { Act, RowButton } from "../kit/buttons";
import { DayField } from "../kit/days";
import { TextField } from "../kit/fields";
import { PageHeading, Title } from "../kit/headings";
import { ActRow, Section } from "../kit/layout";
import { Sums } from "../invoices/editor/EditorSums";
import { LineRows } from "../invoices/editor/LineRows";
import { problemWords } from "../invoices/editor/problemWords";
import { asInput, workedOut } from "../invoices/editor/typed";
import { useLastPrices, useLines } from "../invoices/editor/useDraft";
import { useActing } from "../shell/Notices";
import { PlanFields, type TypedPlan } from "./PlanFields";

type ScheduleEditorProps = {
  editor: EditorFacts;
  /** The schedule that is changed; null for a new one. */
  schedule: ScheduleFacts | null;
  today: Day;
  /** A change is kept. */
  kept?: () => void;
};

/** What comes again, and when; nothing is written before it is begun. */
export function ScheduleEditor({ editor, schedule, today, kept }: ScheduleEditorProps): ReactNode {
  const typing = useSchedule({ editor, schedule, today, kept });
  const { draft, setDraft, plan, setPlan, worked, begin, busy } = typing;
  useHotkeys("ctrl+enter, meta+enter", begin, { enableOnFormTags: true }, [begin]);
  return (
    <Section>
      {schedule === null ? (
        <PageHeading>
          <Title>
            <Amount of={worked.totals?.total ?? 0} currency={draft.currency} />{" "}
            <small>each time, a new schedule</small>
          </Title>
        </PageHeading>
      ) : null}
      <Whom draft={draft} setDraft={setDraft} fixed={schedule !== null} />
      <PlanFields
        plan={plan}
        change={(changed) => setPlan((now) => ({ ...now, ...changed }))}
        fixed={schedule?.begun ?? false}
      >
        <Box width="170px">
          <TextField
            label="Terms"
            value={draft.terms}
            onChange={(event) => setDraft({ ...draft, terms: event.target.value })}
          />
        </Box>
      </PlanFields>
      <Billed typing={typing} editor={editor} />
      <ActRow>
        {schedule === null ? null : (
          <DayField
            label="These lines hold from"
            value={typing.from}
            onDay={(day) => typing.setFrom(day)}
          />
        )}
        <Act main hint="Ctrl Enter" disabled={busy} onClick={begin}>
          {schedule === null ? "Begin the schedule" : "Keep the change"}
        </Act>
      </ActRow>
    </Section>
  );
}

type Typing = ReturnType<typeof useSchedule>;

/** What is billed each time: lines and their total. */
function Billed({ typing, editor }: { typing: Typing; editor: EditorFacts }): ReactNode {
  const { draft, setDraft, worked } = typing;
  const lines = useLines(setDraft);
  const prices = useLastPrices(draft.customer?.id ?? null);
  const problem = worked.problem ? problemWords(worked.problem) : null;
  return (
    <>
      <LineRows
        {...lines}
        lines={draft.lines}
        totals={worked.totals}
        problem={problem}
        taxCodes={editor.taxCodes}
        prices={prices}
        currency={draft.currency}
      />
      <p data-tone="soft">
        {"{month}, {year}, {from} and {to}"} in a description become those of the period.
      </p>
      <Sums totals={worked.totals} currency={draft.currency} included={editor.rules.included} />
      {problem && problem.line === 0 ? (
        <p role="alert" data-tone="off">
          {problem.words}
        </p>
      ) : null}
    </>
  );
}

function Whom({
  draft,
  setDraft,
  fixed,
}: {
  draft: TypedDraft;
  setDraft: (draft: TypedDraft) => void;
  fixed: boolean;
}): ReactNode {
  if (draft.customer === null)
    return (
      <CustomerFinder
        label="Customer"
        placeholder="for whom: part of a name or number …"
        currency={draft.currency}
        autoFocus
        choose={({ id, name }) => setDraft({ ...draft, customer: { id, name } })}
      />
    );
  return (
    <p>
      For <b data-strong>{draft.customer.name}</b>{" "}
      {fixed ? null : (
        <RowButton data-tone="soft" onClick={() => setDraft({ ...draft, customer: null })}>
          another
        </RowButton>
      )}
    </p>
  );
}

/** A new plan: every month from today. */
const planFrom = (today: Day): TypedPlan => ({
  name: "",
  startsOn: today,
  countedFrom: "",
  everyCount: "1",
  everyUnit: "month",
  monthEnd: false,
  until: "",
  times: "",
  ahead: "0",
  prorated: true,
  makes: "draft",
});

const planOf = ({ name, plan, prorated, makes }: ScheduleFacts): TypedPlan => ({
  name,
  startsOn: plan.startsOn,
  countedFrom: plan.countedFrom === plan.startsOn ? "" : plan.countedFrom,
  everyCount: String(plan.every.count),
  everyUnit: plan.every.unit,
  monthEnd: plan.every.monthEnd,
  until: plan.until ?? "",
  times: plan.times === null ? "" : String(plan.times),
  ahead: String(plan.ahead),
  prorated,
  makes,
});

/** A schedule as it is typed, and how it is begun or changed. */
function useSchedule({ editor, schedule, today, kept }: ScheduleEditorProps) {
  const { act, book, busy, complain } = useActing();
  const router = useRouter();
  const [draft, setDraft] = useState(editor.draft);
  const [plan, setPlan] = useState(() => (schedule === null ? planFrom(today) : planOf(schedule)));
  const [from, setFrom] = useState<Day | "">(schedule?.nextOn ?? "");
  const worked = useMemo(() => workedOut(draft, editor), [draft, editor]);
  const begin = (): void => {
    if (draft.customer === null) return complain("Choose the customer first.");
    void act<{ id: number }>(
      "setSchedule",
      {
        id: schedule?.id ?? null,
        version: schedule?.version ?? 0,
        name: plan.name,
        plan: planInput(plan),
        billed: asInput(draft, draft.customer.id),
        from: schedule === null || from === "" ? null : from,
      },
      () => ({ words: schedule === null ? "The schedule has begun." : "The schedule is changed." }),
    ).then((done) => {
      if (!done) return;
      if (schedule === null) router.push(`/b/${book}/schedules/${done.id}`);
      else kept?.();
    });
  };
  return { draft, setDraft, plan, setPlan, worked, begin, busy, from, setFrom };
}

const planInput = (plan: TypedPlan): object => ({
  startsOn: plan.startsOn,
  countedFrom: plan.countedFrom || null,
  everyCount: Number(plan.everyCount),
  everyUnit: plan.everyUnit,
  monthEnd: plan.monthEnd && !["day", "week"].includes(plan.everyUnit),
  until: plan.until || null,
  times: plan.times.trim() === "" ? null : Number(plan.times),
  ahead: Number(plan.ahead || "0"),
  prorated: plan.prorated,
  makes: plan.makes,
});
