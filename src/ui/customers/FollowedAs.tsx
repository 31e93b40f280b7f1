"use client";

import { type Dispatch, type ReactNode, type SetStateAction, useState } from "react";

import { type Language, LANGUAGES } from "@/core/followup";
import type { FollowedRow } from "@/core/followup";
import { type Currency, parseAmount, toDecimal } from "@/core/money";

import { Act } from "../kit/buttons";
import { LineChoice, LineField, Tick } from "../kit/fields";
import { Subheading } from "../kit/headings";
import { ActRow, FactList } from "../kit/layout";
import { useActing } from "../shell/Notices";
import { LineDay } from "@/ui/kit/days";

type Props = {
  followed: FollowedRow;
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
  return (
    <>
      <Subheading>Follow-up</Subheading>
      <p data-tone="soft">{why}</p>
      <FollowUpFields
        draft={draft}
        ladders={ladders}
        setDraft={setDraft}
        setSmallest={setSmallest}
        smallest={smallest}
      />
      {changed ? (
        <ActRow>
          <Act main onClick={keep} disabled={busy}>
            Keep it
          </Act>
        </ActRow>
      ) : null}
    </>
  );
}

type FollowUpFieldsProps = {
  draft: FollowedRow;
  ladders: Props["ladders"];
  setDraft: Dispatch<SetStateAction<FollowedRow>>;
  setSmallest: Dispatch<SetStateAction<string>>;
  smallest: string;
};

function FollowUpFields({
  draft,
  ladders,
  setDraft,
  setSmallest,
  smallest,
}: FollowUpFieldsProps): ReactNode {
  return (
    <FactList>
      <dt>Ladder</dt>
      <dd>
        <LineChoice
          kind="text"
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
            .map((ladder) => (
              <option key={ladder.id} value={ladder.id}>
                {ladder.name}
              </option>
            ))}
        </LineChoice>
      </dd>
      <dt>Letters in</dt>
      <dd>
        <LineChoice
          kind="text"
          aria-label="Language of the letters"
          value={draft.language}
          onChange={(event) => setDraft({ ...draft, language: event.target.value as Language })}
        >
          {LANGUAGES.map((name) => (
            <option key={name} value={name}>
              {LANGUAGE_WORDS[name]}
            </option>
          ))}
        </LineChoice>
      </dd>
      <dt>Not until</dt>
      <dd>
        <LineDay
          aria-label="No reminders until"
          value={draft.quietUntil ?? ""}
          onDay={(day) => setDraft({ ...draft, quietUntil: day === "" ? null : day })}
        />{" "}
        <span data-tone="soft">nor for less than</span>{" "}
        <LineField
          width="80px"
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
          <Tick
            checked={draft.byItself}
            onChange={(event) => setDraft({ ...draft, byItself: event.target.checked })}
          />{" "}
          letters may go without a look, where the step says so too
        </label>
      </dd>
    </FactList>
  );
}
