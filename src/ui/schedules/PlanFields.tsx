"use client";

import { Box } from "@chakra-ui/react";
import type { ReactNode } from "react";

import type { Day, Unit } from "@/core/calendar";

import { DayField } from "../kit/days";
import { Choice, TextField, Tick } from "../kit/fields";
import { MAKES, UNIT_WORDS } from "./planWords";

/** When a schedule writes, as it is typed. */
export type TypedPlan = {
  name: string;
  startsOn: Day;
  countedFrom: Day | "";
  everyCount: string;
  everyUnit: Unit;
  monthEnd: boolean;
  until: Day | "";
  times: string;
  ahead: string;
  prorated: boolean;
  makes: "draft" | "approved" | "sent";
};

type PlanFieldsProps = {
  plan: TypedPlan;
  change: (changed: Partial<TypedPlan>) => void;
  /** It has billed already: its days stand. */
  fixed: boolean;
  /** What stands beside the day that periods are counted from. */
  children: ReactNode;
};

/** How often it comes, from when, for how long, and what is done with each. */
export function PlanFields({ plan, change, fixed, children }: PlanFieldsProps): ReactNode {
  return (
    <>
      <Box
        display="grid"
        gridTemplateColumns={{ base: "1fr 1fr", lg: "2fr 1fr 1fr 1.2fr" }}
        gap="12px"
      >
        <TextField
          label="What it is for"
          value={plan.name}
          onChange={(event) => change({ name: event.target.value })}
        />
        <TextField
          label="Every"
          inputMode="numeric"
          disabled={fixed}
          value={plan.everyCount}
          onChange={(event) => change({ everyCount: event.target.value })}
        />
        <Choice
          label="of these"
          options={fixed ? UNIT_WORDS.filter(([unit]) => unit === plan.everyUnit) : UNIT_WORDS}
          value={plan.everyUnit}
          onChange={(event) => change({ everyUnit: event.target.value as Unit })}
        />
        <DayField
          label="First billed day"
          disabled={fixed}
          value={plan.startsOn}
          onDay={(day) => (day === "" ? undefined : change({ startsOn: day }))}
        />
        <Choice
          label="Each one"
          options={MAKES}
          value={plan.makes}
          onChange={(event) => change({ makes: event.target.value as TypedPlan["makes"] })}
        />
        <TextField
          label="Days written ahead"
          inputMode="numeric"
          value={plan.ahead}
          onChange={(event) => change({ ahead: event.target.value })}
        />
        <TextField
          label="At most, times"
          inputMode="numeric"
          placeholder="no limit"
          value={plan.times}
          onChange={(event) => change({ times: event.target.value })}
        />
        <DayField
          label="Last billed day"
          value={plan.until}
          onDay={(day) => change({ until: day })}
        />
      </Box>
      <Shares plan={plan} change={change} fixed={fixed}>
        {children}
      </Shares>
    </>
  );
}

/** The last day of a month, and what is billed of a period that is not whole. */
function Shares({ plan, change, fixed, children }: PlanFieldsProps): ReactNode {
  const byMonths = !["day", "week"].includes(plan.everyUnit);
  return (
    <Box display="flex" flexWrap="wrap" gap="18px" alignItems="center" padding="10px 0">
      {children}
      <Box width="170px">
        <DayField
          label="Periods counted from"
          help="another day than the first, like the 1st"
          disabled={fixed}
          value={plan.countedFrom}
          onDay={(day) => change({ countedFrom: day })}
        />
      </Box>
      {byMonths ? (
        <label>
          <Tick
            disabled={fixed}
            checked={plan.monthEnd}
            onChange={(event) => change({ monthEnd: event.target.checked })}
          />{" "}
          on the last day of the month
        </label>
      ) : null}
      <label>
        <Tick
          checked={plan.prorated}
          onChange={(event) => change({ prorated: event.target.checked })}
        />{" "}
        a part of a period is billed by its days
      </label>
    </Box>
  );
}
