"use client";

import NextLink from "next/link";
import { type ReactNode, useRef, useState } from "react";

import { type Day, formatDay } from "@/core/calendar";
import type { BackAddress } from "@/core/parties";

import { RowButton } from "../kit/buttons";
import { FileField } from "../kit/fields";
import { Subheading } from "../kit/headings";
import { Section } from "../kit/layout";
import { Cell, DetailTable, NoneRow } from "../kit/tables";
import { useActing } from "../shell/Notices";
import { post } from "../shell/send";

type Read = {
  reports: { file: string; messageId: string | null; recipients: unknown[] }[];
  problems: string[];
};
type Returned = { returned: { file: string; letters: unknown[]; words: string }[] };

/**
 * Addresses that no letter goes to, as letters came back from there; and the mails that say so,
 * taken in as they were saved.
 */
export function ReturnedLetters({
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
    <Section
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
      <Subheading>
        Letters come back from <span data-tone="soft">{back.length}</span>
      </Subheading>
      <DetailTable aria-label="Addresses that letters come back from">
        <tbody>
          {back.map((backAddress) => (
            <tr key={backAddress.address}>
              <td title={backAddress.address}>
                {backAddress.customerId === null ? (
                  backAddress.address
                ) : (
                  <NextLink
                    href={`/b/${book}/customers/${backAddress.customerId}`}
                    prefetch={false}
                  >
                    {backAddress.address}
                  </NextLink>
                )}
                <br />
                <span data-tone="off" title={backAddress.why}>
                  {backAddress.why}
                </span>{" "}
                <span data-tone="soft">since {formatDay(backAddress.since, today)}</span>
              </td>
              <Cell data-numeric width="96px" verticalAlign="top">
                <Works address={backAddress.address} customerId={backAddress.customerId} />
              </Cell>
            </tr>
          ))}
          <NoneRow of={back}>No address, as far as is known.</NoneRow>
        </tbody>
      </DetailTable>
      <p data-strong={over || undefined} data-tone={over ? undefined : "soft"}>
        Mails that say so:{" "}
        <RowButton data-strong disabled={busy} onClick={() => chooser.current?.click()}>
          choose them
        </RowButton>{" "}
        or drop them here (.eml).
      </p>
      <FileField
        data-hidden
        ref={chooser}

        multiple
        accept=".eml,message/rfc822"
        tabIndex={-1}
        aria-label="Mails that came back"
        onChange={(event) => {
          void take([...(event.target.files ?? [])]);
          event.target.value = "";
        }}
      />
    </Section>
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
    <RowButton
      data-strong
      disabled={busy}
      aria-label={`${address} works again`}
      onClick={() =>
        void act("addressWorks", { address, customerId }, () => ({
          words: `Letters go to ${address} again.`,
        }))
      }
    >
      it works again
    </RowButton>
  );
}
