"use client";

import { type ReactNode, useState } from "react";

import type { Day } from "@/core/calendar";
import { type Language, LANGUAGES } from "@/core/followup";
import { type Currency, type Minor, parseAmount, toDecimal } from "@/core/money";

import { Act } from "../kit/Act";
import { useActing } from "../shell/Notices";

export type Followed = {
  customerId: number;
  ladderId: number | null;
  language: Language;
  byItself: boolean;
  smallest: Minor | null;
  quietUntil: Day | null;
};
type Props = {
  followed: Followed;
  ladders: readonly { id: number; name: string; standard: boolean }[];
  why: string;
  currency: Currency;
};

export const LANGUAGE_WORDS: Record<Language, string> = {
  en: "English",
  es: "Spanish",
  fr: "French",
  de: "German",
};

/** How a customer is followed up, and why it is, or is not, on today's list. */
export function FollowedAs({ followed, ladders, why, currency }: Props): ReactNode {
  const { act, busy, complain } = useActing();
  const [draft, setDraft] = useState(followed);
  const [smallest, setSmallest] = useState(
    followed.smallest === null ? "" : toDecimal(followed.smallest, currency),
  );
  const changed =
    JSON.stringify(draft) !== JSON.stringify(followed) ||
    smallest !== (followed.smallest === null ? "" : toDecimal(followed.smallest, currency));
  const keep = (): void => {
    const sum = smallest.trim() === "" ? null : parseAmount(smallest, ".", currency);
    if (sum && !sum.ok)
      return complain("The smallest sum cannot be read. Write it like 25.00, or leave it empty.");
    void act("setFollowUp", { ...draft, smallest: sum?.ok ? sum.value : null }, () => ({
      words: "Kept.",
    }));
  };
  const field = { fontFamily: "inherit", textAlign: "left" as const };
  return (
    <>
      <h2>Follow-up</h2>
      <p className="soft">{why}</p>
      <dl className="facts">
        <dt>Ladder</dt>
        <dd>
          <select
            className="sumfield"
            style={field}
            aria-label="Ladder"
            value={draft.ladderId ?? ""}
            onChange={(event) =>
              setDraft({
                ...draft,
                ladderId: event.target.value === "" ? null : Number(event.target.value),
              })
            }
          >
            <option value="">
              {ladders.find(({ standard }) => standard)?.name ?? "Standard"}, as the book
            </option>
            {ladders
              .filter(({ standard }) => !standard)
              .map((one) => (
                <option key={one.id} value={one.id}>
                  {one.name}
                </option>
              ))}
          </select>
        </dd>
        <dt>Letters in</dt>
        <dd>
          <select
            className="sumfield"
            style={field}
            aria-label="Language of the letters"
            value={draft.language}
            onChange={(event) => setDraft({ ...draft, language: event.target.value as Language })}
          >
            {LANGUAGES.map((one) => (
              <option key={one} value={one}>
                {LANGUAGE_WORDS[one]}
              </option>
            ))}
          </select>
        </dd>
        <dt>Not until</dt>
        <dd>
          <input
            className="sumfield"
            style={field}
            type="date"
            aria-label="No reminders until"
            value={draft.quietUntil ?? ""}
            onChange={(event) =>
              setDraft({
                ...draft,
                quietUntil: event.target.value === "" ? null : (event.target.value as Day),
              })
            }
          />{" "}
          <span className="soft">nor for less than</span>{" "}
          <input
            className="sumfield"
            style={{ width: 80 }}
            inputMode="decimal"
            aria-label="Smallest sum asked for"
            placeholder="the book’s"
            value={smallest}
            onChange={(event) => setSmallest(event.target.value)}
          />
        </dd>
        <dt>By itself</dt>
        <dd>
          <label>
            <input
              type="checkbox"
              checked={draft.byItself}
              onChange={(event) => setDraft({ ...draft, byItself: event.target.checked })}
            />{" "}
            letters may go without a look, where the step says so too
          </label>
        </dd>
      </dl>
      {changed ? (
        <div className="acts">
          <Act main onClick={keep} disabled={busy}>
            Keep it
          </Act>
        </div>
      ) : null}
    </>
  );
}
