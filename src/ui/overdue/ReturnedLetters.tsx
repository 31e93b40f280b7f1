"use client";

import NextLink from "next/link";
import { type ReactNode, useRef, useState } from "react";

import { type Day, formatDay } from "@/core/calendar";

import { useActing } from "../shell/Notices";
import { post } from "../shell/send";

export type BackAddress = {
  address: string;
  why: string;
  since: Day;
  customerId: number | null;
  customer: string | null;
};
type Read = {
  reports: { file: string; messageId: string | null; recipients: unknown[] }[];
  problems: string[];
};
type Returned = { returned: { file: string; letters: unknown[]; words: string }[] };

/** Addresses that no letter goes to, as letters came back from there; and the mails that say so, taken in as they were saved. */
export function CameBack({
  book,
  back,
  today,
}: {
  book: string;
  back: readonly BackAddress[];
  today: Day;
}): ReactNode {
  const { act, busy, complain } = useActing();
  const [over, setOver] = useState(false);
  const chooser = useRef<HTMLInputElement>(null);
  const take = async (files: readonly File[]): Promise<void> => {
    if (files.length === 0) return;
    const form = new FormData();
    for (const file of files) form.append("mail", file);
    const read = await post<Read>(`/api/v1/b/${book}/mails`, form);
    if (!read.ok) return complain(read.message);
    const { reports, problems } = read.value;
    if (reports.length === 0) return complain(problems.join(" "));
    await act<Returned>("takeReturnedMail", { reports }, ({ returned }) => ({
      words: [...returned.map(({ file, words }) => `${file}: ${words}.`), ...problems].join(" "),
    }));
  };
  return (
    <section
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={(event) => {
        event.preventDefault();
        setOver(false);
        void take([...event.dataTransfer.files]);
      }}
    >
      <h2>
        Letters come back from <span className="soft">{back.length}</span>
      </h2>
      <table className="small" aria-label="Addresses that letters come back from">
        <tbody>
          {back.map((one) => (
            <tr key={one.address}>
              <td title={one.address}>
                {one.customerId === null ? (
                  one.address
                ) : (
                  <NextLink href={`/b/${book}/customers/${one.customerId}`} prefetch={false}>
                    {one.address}
                  </NextLink>
                )}
                <br />
                <span className="off" title={one.why}>
                  {one.why}
                </span>{" "}
                <span className="soft">since {formatDay(one.since, today)}</span>
              </td>
              <td className="num" style={{ width: 96, verticalAlign: "top" }}>
                <Works address={one.address} customerId={one.customerId} />
              </td>
            </tr>
          ))}
          {back.length === 0 ? (
            <tr>
              <td className="soft">No address, as far as is known.</td>
            </tr>
          ) : null}
        </tbody>
      </table>
      <p className={over ? "strong" : "soft"}>
        Mails that say so:{" "}
        <button
          type="button"
          className="row-open strong"
          disabled={busy}
          onClick={() => chooser.current?.click()}
        >
          choose them
        </button>{" "}
        or drop them here (.eml).
      </p>
      <input
        ref={chooser}
        type="file"
        multiple
        accept=".eml,message/rfc822"
        className="visually-hidden"
        tabIndex={-1}
        aria-label="Mails that came back"
        onChange={(event) => {
          void take([...(event.target.files ?? [])]);
          event.target.value = "";
        }}
      />
    </section>
  );
}

/** Says that letters reach an address after all. */
export function Works({
  address,
  customerId,
}: {
  address: string;
  customerId: number | null;
}): ReactNode {
  const { act, busy } = useActing();
  return (
    <button
      type="button"
      className="row-open strong"
      disabled={busy}
      aria-label={`${address} works again`}
      onClick={() =>
        void act("addressWorks", { address, customerId }, () => ({
          words: `Letters go to ${address} again.`,
        }))
      }
    >
      it works again
    </button>
  );
}
