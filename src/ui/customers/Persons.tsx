"use client";

import { Box } from "@chakra-ui/react";
import { type Dispatch, type ReactNode, type SetStateAction, useState } from "react";

import { type ContactPerson, LETTER_SHARES, type LetterShare } from "@/core/parties";

import { Act, RowButton } from "../kit/buttons";
import { LineChoice, LineField, Tick } from "../kit/fields";
import { ActRow } from "../kit/layout";
import { useActing } from "../shell/Notices";

type Props = {
  customerId: number;
  persons: readonly ContactPerson[];
  own: { email: string | null; phone: string | null };
};

const SHARE_WORDS: Record<LetterShare, string> = {
  to: "get letters",
  copy: "get a copy",
  none: "get none",
};
const NOBODY: ContactPerson = {
  name: "",
  duty: "",
  email: "",
  phone: "",
  letters: "to",
  calls: false,
};

/** Who is who at a customer's: who gets the letters, who a copy, and whom to call. */
export function Persons({ customerId, persons, own }: Props): ReactNode {
  const { act, busy } = useActing();
  const [draft, setDraft] = useState<readonly ContactPerson[]>(persons);
  const changed = JSON.stringify(draft) !== JSON.stringify(persons);
  const set = (at: number, to: Partial<ContactPerson>): void =>
    setDraft(
      draft.map((contactPerson, index) =>
        index === at ? { ...contactPerson, ...to } : contactPerson,
      ),
    );
  const keep = (): void =>
    void act<{ persons: ContactPerson[] }>(
      "setContactPersons",
      { customerId, persons: draft },
      (value) => ({
        words: value.persons.length === 0 ? "Letters go to the customer’s own address." : "Kept.",
      }),
    );
  const text = (
    at: number,
    name: "name" | "duty" | "email" | "phone",
    label: string,
    share: number,
  ): ReactNode => (
    <LineField
      kind="words"
      flex={share}
      width="0"
      minWidth="60px"
      aria-label={`${label} of person ${at + 1}`}
      placeholder={label}
      value={draft[at]?.[name] ?? ""}
      onChange={(event) => set(at, { [name]: event.target.value })}
    />
  );
  return (
    <>
      {draft.map((contactPerson, at) => (
        <PersonFields
          key={at}
          at={at}
          contactPerson={contactPerson}
          draft={draft}
          set={set}
          setDraft={setDraft}
          text={text}
        />
      ))}
      {draft.some(({ letters }) => letters === "to") ? null : (
        <p data-tone="soft">
          {own.email === null ? (
            <span data-tone="waits">No e-mail address: letters need one.</span>
          ) : (
            `Letters go to ${own.email}.`
          )}
        </p>
      )}
      <ActRow>
        {changed ? (
          <Act main onClick={keep} disabled={busy}>
            Keep the persons
          </Act>
        ) : null}
        <Act onClick={() => setDraft([...draft, NOBODY])}>Another person</Act>
      </ActRow>
    </>
  );
}

type PersonFieldsProps = {
  at: number;
  contactPerson: ContactPerson;
  draft: readonly ContactPerson[];
  set: (at: number, to: Partial<ContactPerson>) => void;
  setDraft: Dispatch<SetStateAction<readonly ContactPerson[]>>;
  text: (
    at: number,
    name: "name" | "duty" | "email" | "phone",
    label: string,
    share: number,
  ) => ReactNode;
};

function PersonFields({
  at,
  contactPerson,
  draft,
  set,
  setDraft,
  text,
}: PersonFieldsProps): ReactNode {
  return (
    <Box
      padding="4px 0"
      borderBottom="1px solid {colors.rule}"
      role="group"
      aria-label={`Contact person ${at + 1}`}
    >
      <Box display="flex" gap="8px">
        {text(at, "name", "Name", 4)}
        {text(at, "duty", "What they do", 3)}
        {text(at, "phone", "Telephone", 3)}
      </Box>
      <Box display="flex" gap="8px" alignItems="baseline" marginTop="3px">
        {text(at, "email", "E-mail", 1)}
        <LineChoice
          kind="words"
          fontSize="14px"
          aria-label={`Letters of person ${at + 1}`}
          value={contactPerson.letters}
          onChange={(event) => set(at, { letters: event.target.value as LetterShare })}
        >
          {LETTER_SHARES.map((share) => (
            <option key={share} value={share}>
              {SHARE_WORDS[share]}
            </option>
          ))}
        </LineChoice>
        <label data-nowrap>
          <Tick
            aria-label={`Person ${at + 1} is called`}
            checked={contactPerson.calls}
            onChange={(event) => set(at, { calls: event.target.checked })}
          />{" "}
          call
        </label>
        <RowButton
          data-tone="soft"
          aria-label={`Take off person ${at + 1}`}
          onClick={() => setDraft(draft.filter((_, index) => index !== at))}
        >
          take off
        </RowButton>
      </Box>
    </Box>
  );
}
