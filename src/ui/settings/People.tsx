"use client";

import { type ReactNode, useState } from "react";

import { Act, RowButton } from "../kit/buttons";
import { LineField } from "../kit/fields";
import { Subheading } from "../kit/headings";
import { ActRow } from "../kit/layout";
import { DetailTable } from "../kit/tables";
import { useActing } from "../shell/Notices";

/** Who works in the book, until there is sign-in. What each does bears the name that the header shows. */
export function People({ people }: { people: readonly string[] }): ReactNode {
  const { act, busy } = useActing();
  const [name, setName] = useState("");
  const keep = (next: readonly string[], words: string): void =>
    void act("changeSettings", { people: next }, () => ({ words })).then((done) => {
      if (done !== null) setName("");
    });
  return (
    <>
      <Subheading>People</Subheading>
      <DetailTable aria-label="People">
        <tbody>
          {people.map((name) => (
            <tr key={name}>
              <td>{name}</td>
              <td data-numeric>
                {people.length > 1 ? (
                  <RowButton
                    data-tone="soft"
                    disabled={busy}
                    onClick={() =>
                      keep(
                        people.filter((other) => other !== name),
                        `${name} works here no more; what ${name} did keeps the name.`,
                      )
                    }
                  >
                    take off the list
                  </RowButton>
                ) : null}
              </td>
            </tr>
          ))}
        </tbody>
      </DetailTable>
      <ActRow
        as="form"
        onSubmit={(event) => {
          event.preventDefault();
          if (name.trim() !== "")
            keep([...people, name.trim()], `${name.trim()} can be chosen in the header now.`);
        }}
      >
        <LineField
          kind="words"
          width="200px"
          aria-label="Name of a person"
          placeholder="another name"
          maxLength={40}
          value={name}
          onChange={(event) => setName(event.target.value)}
        />
        <Act type="submit" disabled={busy || name.trim() === ""}>
          Add
        </Act>
      </ActRow>
      <p data-tone="soft">A write-off over the limit for small differences needs two of them.</p>
    </>
  );
}
