"use client";

import { type ReactNode, useState } from "react";

import { addDays, type Day, formatDay } from "@/core/calendar";

import { Act } from "../kit/buttons";
import { LineField } from "../kit/fields";
import { Subheading } from "../kit/headings";
import { ActRow } from "../kit/layout";
import { Word } from "../kit/Word";
import { useActing } from "../shell/Notices";
import { LineDay } from "@/ui/kit/days";

/** The day up to which nothing moves any more, set and lifted with a reason. */
export function ClosedDays({ lockedTo, today }: { lockedTo: Day | null; today: Day }): ReactNode {
  const { act, busy } = useActing();
  const [to, setTo] = useState<Day | "">(lockedTo ?? lastOfMonthBefore(today));
  const [why, setWhy] = useState("");
  const set = (day: string | null, words: string): void =>
    void act("lockPeriod", { to: day, why }, () => ({ words })).then((done) => {
      if (done !== null) setWhy("");
    });
  return (
    <>
      <Subheading>
        <Word of="closed" />
      </Subheading>
      <p>
        {lockedTo === null ? (
          <span data-tone="soft">Every day is open.</span>
        ) : (
          <>
            Closed up to <b data-strong>{formatDay(lockedTo, today)}</b>. What comes late stands on{" "}
            {formatDay(addDays(lockedTo, 1), today)}, and says for which day it is.
          </>
        )}
      </p>
      <ActRow
        as="form"
        onSubmit={(event) => {
          event.preventDefault();
          set(to, "Those days are closed.");
        }}
      >
        <label data-tone="soft">
          up to <LineDay value={to} onDay={setTo} />
        </label>
        <LineField
          kind="words"
          width="220px"
          aria-label="Why days are closed or opened"
          placeholder="why, in a few words"
          maxLength={200}
          value={why}
          onChange={(event) => setWhy(event.target.value)}
        />
        <Act type="submit" disabled={busy || why.trim().length < 3 || to === ""}>
          Close them
        </Act>
        {lockedTo === null ? null : (
          <Act
            onClick={() => set(null, "Every day is open again.")}
            disabled={busy || why.trim().length < 3}
          >
            Open all again
          </Act>
        )}
      </ActRow>
    </>
  );
}

/** The last day of the month before. */
function lastOfMonthBefore(today: Day): Day {
  return addDays(`${today.slice(0, 8)}01` as Day, -1);
}
