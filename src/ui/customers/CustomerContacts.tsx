"use client";

import { Fragment, type ReactNode, useState } from "react";

import { RowButton } from "../kit/buttons";
import { InlineField, LineField } from "../kit/fields";
import { Subheading } from "../kit/headings";
import { FactList, Form, Tag } from "../kit/layout";
import { DetailTable } from "../kit/tables";
import { Works } from "../overdue/ReturnedLetters";
import { useActing } from "../shell/Notices";
import type { Customer, Props } from "./customerTypes";

type ContactsProps = {
  aliases: Props["aliases"];
  back: Props["back"];
  customer: Props["customer"];
};
export function Contacts({ aliases, back, customer }: ContactsProps): ReactNode {
  return (
    <FactList>
      <dt>E-mail</dt>
      <dd>{customer.email ?? <span data-tone="waits">none: letters need one</span>}</dd>
      {customer.phone ? (
        <>
          <dt>Telephone</dt>
          <dd>{customer.phone}</dd>
        </>
      ) : null}
      {back.map(({ address, why: said }) => (
        <Fragment key={address}>
          <dt>Letters</dt>
          <dd data-tone="off">
            to {address} come back: {said} <Works address={address} customerId={customer.id} />
          </dd>
        </Fragment>
      ))}
      <dt>Account page</dt>
      <dd>
        <NewLink customerId={customer.id} />
      </dd>
      <dt>Goes by</dt>
      <dd>
        <OtherNames customer={customer} aliases={aliases} />
      </dd>
    </FactList>
  );
}
/** Names that the customer goes by besides its own; payments under them are known to be its. */
function OtherNames({
  customer,
  aliases,
}: {
  customer: Customer;
  aliases: readonly string[];
}): ReactNode {
  const { act, busy } = useActing();
  const [name, setName] = useState("");
  const change = async (alias: string, known: boolean): Promise<void> => {
    const done = await act("changeAlias", { customerId: customer.id, alias, known }, () => ({
      words: known
        ? `Payments from ${alias} are known to be this customer's.`
        : `${alias} is no name of this customer's any more.`,
    }));
    if (done && known) setName("");
  };
  return (
    <>
      {aliases.map((alias) => (
        <Tag key={alias}>
          {alias}{" "}
          <RowButton
            data-tone="soft"
            aria-label={`Take away ${alias}`}
            disabled={busy}
            onClick={() => void change(alias, false)}
          >
            ×
          </RowButton>
        </Tag>
      ))}
      <Form
        display="inline"
        onSubmit={(event) => {
          event.preventDefault();
          if (name.trim() !== "") void change(name.trim(), true);
        }}
      >
        <InlineField
          value={name}
          maxLength={120}
          placeholder="another name"
          aria-label="Another name that the customer goes by"
          onChange={(event) => setName(event.target.value)}
        />{" "}
        <RowButton data-strong type="submit" disabled={busy || name.trim() === ""}>
          Add
        </RowButton>
      </Form>
    </>
  );
}
/** What matching has learned of this customer, each with a way to have it forgotten. */
export function LearnedOf({ customer, learned }: Pick<Props, "customer" | "learned">): ReactNode {
  const { act, busy } = useActing();
  const forget = (what: "payer" | "habit", payerName = "", payerEmail = ""): void =>
    void act<{ actId: number }>(
      "forget",
      { customerId: customer.id, what, payerName, payerEmail },
      (value) => ({ words: "Forgotten: matching goes by it no more.", undo: value.actId }),
    );
  if (learned.payers.length === 0 && learned.habit === null) return null;
  return (
    <>
      <Subheading>What matching has learned</Subheading>
      <DetailTable aria-label="What matching has learned">
        <tbody>
          {learned.payers.slice(0, 20).map((payer) => (
            <tr key={`${payer.payerName} ${payer.payerEmail}`}>
              <td>
                {payer.payerName || <span data-tone="soft">no name</span>}{" "}
                <span data-tone="soft">{payer.payerEmail}</span>
              </td>
              <td data-tone="soft">paid {payer.times === 1 ? "once" : `${payer.times} times`}</td>
              <td data-numeric>
                <RowButton
                  data-tone="soft"
                  disabled={busy}
                  onClick={() => forget("payer", payer.payerName, payer.payerEmail)}
                >
                  forget
                </RowButton>
              </td>
            </tr>
          ))}
          {learned.habit === null ? null : (
            <tr>
              <td colSpan={2}>{learned.habit}</td>
              <td data-numeric>
                <RowButton data-tone="soft" disabled={busy} onClick={() => forget("habit")}>
                  forget
                </RowButton>
              </td>
            </tr>
          )}
        </tbody>
      </DetailTable>
      {learned.payers.length > 20 ? (
        <p data-tone="soft">and {learned.payers.length - 20} more payers</p>
      ) : null}
    </>
  );
}
/** A new address for the account page; what was sent before leads nowhere then. */
function NewLink({ customerId }: { customerId: number }): ReactNode {
  const { act, busy } = useActing();
  return (
    <RowButton
      data-tone="soft"
      disabled={busy}
      onClick={() =>
        void act("newAccountLink", { customerId }, () => ({
          words: "The page has a new address. The links in letters sent so far lead nowhere.",
        }))
      }
    >
      give it a new address
    </RowButton>
  );
}
/** Notes that a letter came back, where a mail said so. */
export function CameBack({ letterId }: { letterId: number }): ReactNode {
  const { act, busy } = useActing();
  const [asking, setAsking] = useState(false);
  const [why, setWhy] = useState("");
  if (!asking)
    return (
      <RowButton data-tone="soft" disabled={busy} onClick={() => setAsking(true)}>
        it came back
      </RowButton>
    );
  return (
    <Form
      onSubmit={(event) => {
        event.preventDefault();
        void act("letterCameBack", { letterId, why }, () => ({
          words: "Noted: no letter goes to that address until it is said to work.",
        })).then((value) => {
          if (value !== undefined) setAsking(false);
        });
      }}
    >
      <LineField
        kind="words"
        width="220px"
        autoFocus
        aria-label="Why it came back"
        placeholder="what the mail says, then Enter"
        value={why}
        onChange={(event) => setWhy(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === "Escape") setAsking(false);
        }}
      />
    </Form>
  );
}
