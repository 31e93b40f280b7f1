"use client";

import { type ReactNode, useState } from "react";

import { Act } from "../kit/Act";
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
      <h2>People</h2>
      <table className="small" aria-label="People">
        <tbody>
          {people.map((one) => (
            <tr key={one}>
              <td>{one}</td>
              <td className="num">
                {people.length > 1 ? (
                  <button
                    type="button"
                    className="row-open soft"
                    disabled={busy}
                    onClick={() =>
                      keep(
                        people.filter((other) => other !== one),
                        `${one} works here no more; what ${one} did keeps the name.`,
                      )
                    }
                  >
                    take off the list
                  </button>
                ) : null}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <form
        className="acts"
        onSubmit={(event) => {
          event.preventDefault();
          if (name.trim() !== "")
            keep([...people, name.trim()], `${name.trim()} can be chosen in the header now.`);
        }}
      >
        <input
          className="sumfield words"
          style={{ width: 200 }}
          aria-label="Name of a person"
          placeholder="another name"
          maxLength={40}
          value={name}
          onChange={(event) => setName(event.target.value)}
        />
        <Act type="submit" disabled={busy || name.trim() === ""}>
          Add
        </Act>
      </form>
      <p className="soft">A write-off over the limit for small differences needs two of them.</p>
    </>
  );
}
