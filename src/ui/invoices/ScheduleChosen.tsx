"use client";

import { type ReactNode, useState } from "react";

import type { Day, Unit } from "@/core/calendar";

import { Act } from "../kit/buttons";
import { DayField } from "../kit/days";
import { Choice, TextField } from "../kit/fields";
import { ActRow, Form } from "../kit/layout";
import { MAKES, UNIT_WORDS } from "../schedules/planWords";
import { useActing } from "../shell/Notices";

type Props = { documents: readonly number[]; today: Day; done: () => void };

/** How often the chosen invoices come again, each by a schedule of its own. */
export function ScheduleChosen({ documents, today, done }: Props): ReactNode {
  const { act, busy, complain } = useActing();
  const [plan, setPlan] = useState({
    count: "1",
    unit: "month" as Unit,
    on: today,
    makes: "draft",
  });
  const begin = (): void => {
    const everyCount = Number(plan.count);
    if (!Number.isInteger(everyCount) || everyCount < 1)
      return complain("Say how often in whole numbers, like 1.");
    const asked = { startsOn: plan.on, everyCount, everyUnit: plan.unit, makes: plan.makes };
    void act<{ scheduleIds: number[] }>(
      "scheduleDocuments",
      { ids: documents, plan: asked },
      ({ scheduleIds }) => ({
        words: `${scheduleIds.length} schedules begun.`,
        final: "Each is paused or ended on its page, under Schedules.",
      }),
    ).then((made) => {
      if (made) done();
    });
  };
  return (
    <Form
      onSubmit={(event) => {
        event.preventDefault();
        begin();
      }}
    >
      <ActRow>
        <TextField
          label="Every"
          inputMode="numeric"
          autoFocus
          value={plan.count}
          onChange={(event) => setPlan({ ...plan, count: event.target.value })}
        />
        <Choice
          label="of these"
          options={UNIT_WORDS}
          value={plan.unit}
          onChange={(event) => setPlan({ ...plan, unit: event.target.value as Unit })}
        />
        <DayField
          label="First billed day"
          value={plan.on}
          onDay={(day) => (day === "" ? undefined : setPlan({ ...plan, on: day }))}
        />
        <Choice
          label="Each one"
          options={MAKES}
          value={plan.makes}
          onChange={(event) => setPlan({ ...plan, makes: event.target.value })}
        />
        <Act main type="submit" disabled={busy}>
          Begin {documents.length} schedules
        </Act>
      </ActRow>
    </Form>
  );
}
