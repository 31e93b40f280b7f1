"use client";

import { Box } from "@chakra-ui/react";
import NextLink from "next/link";
import { Fragment, type ReactNode, useState } from "react";

import type { CreditLine, HistoryLine, PayingFacts } from "@/contracts/customers";
import type { BookFacts } from "@/contracts/shell";
import { type Day, formatDay } from "@/core/calendar";
import type { Aging } from "@/core/metrics";
import { add, type Currency, formatAmount, type Minor, negate, sumOf } from "@/core/money";
import type { ContactPerson } from "@/core/parties";

import { Amount, Total } from "../kit/Amount";
import { RowButton } from "../kit/buttons";
import { InlineField, LineField } from "../kit/fields";
import { HeadingEnd, PageHeading, Subheading, Title } from "../kit/headings";
import { Details, FactList, Form, Halves, LetterText, Section, Tag } from "../kit/layout";
import { Cell, DetailTable } from "../kit/tables";
import { AgeBar } from "../overdue/AgeBar";
import { Works } from "../overdue/ReturnedLetters";
import { useActing } from "../shell/Notices";
import { type Followed, FollowedAs } from "./FollowedAs";
import { Paying } from "./Paying";
import { Persons } from "./Persons";

type Customer = {
  id: number;
  externalId: string;
  name: string;
  email: string | null;
  phone: string | null;
  leftOut: string | null;
};
type Item = {
  id: number;
  number: string;
  kind: string;
  description: string | null;
  dueOn: Day;
  total: Minor;
  balance: Minor;
  currency: Currency;
  bookBalance: Minor;
};

type Props = BookFacts & {
  customer: Customer;
  aliases: string[];
  parent: { id: number; name: string } | null;
  sites: { id: number; name: string; open: Minor }[];
  open: Item[];
  credits: CreditLine[];
  onWay: { id: number; startedOn: Day; sum: Minor; currency: Currency; words: string }[];
  aging: Aging;
  overdue: Minor;
  credit: Minor;
  habit: string;
  learned: {
    payers: { payerName: string; payerEmail: string; times: number }[];
    habit: string | null;
  };
  waits: string[];
  history: HistoryLine[];
  followed: Followed;
  ladders: { id: number; name: string; standard: boolean }[];
  why: string;
  paying: PayingFacts & { kept: number; broken: number };
  account: string;
  persons: ContactPerson[];
  back: { address: string; why: string }[];
};

/**
 * A customer: what is owed and since when, what stands to their credit, and one line of time with
 * all that happened.
 */
export function CustomerPage(props: Props): ReactNode {
  const { customer, parent, aging, book, currency } = props;
  const position = add(aging.total, -props.credit);
  return (
    <>
      <PageHeading>
        <Title>
          {formatAmount(position, currency)}{" "}
          <small>
            {props.credit === 0
              ? "owed"
              : `owed: ${formatAmount(aging.total, currency)} open less ${formatAmount(props.credit, currency)} on account`}
          </small>
        </Title>
        <span>
          <b data-strong>{customer.name}</b> <span data-tone="soft">{customer.externalId}</span>
          {parent ? (
            <>
              , a site of{" "}
              <NextLink href={`/b/${book}/customers/${parent.id}`}>{parent.name}</NextLink>
            </>
          ) : null}
        </span>
        {props.overdue !== 0 ? (
          <NextLink data-tone="off" href={`/b/${book}/overdue?open=${customer.id}`}>
            {formatAmount(props.overdue, currency)} overdue
          </NextLink>
        ) : (
          <span data-tone="good">nothing overdue</span>
        )}
        {customer.leftOut ? (
          <span data-tone="waits">left out of follow-up: {customer.leftOut}</span>
        ) : null}
        {props.waits.length > 0 ? (
          <span data-tone="waits">waits for {props.waits.join(", ")}</span>
        ) : null}
        <HeadingEnd>
          <NextLink href={`/b/${book}/customers/${customer.id}/statement`}>Statement</NextLink>
          <a href={`${props.account}?look`} target="_blank" rel="noreferrer">
            What they see
          </a>
        </HeadingEnd>
      </PageHeading>
      <Box maxWidth="760px">
        <AgeBar aging={aging} currency={currency} words />
      </Box>
      <Halves ratio="4:5">
        <CustomerSidebar {...props} />
        <TimeLine {...props} />
      </Halves>
    </>
  );
}

function CustomerSidebar({
  customer,
  aliases,
  sites,
  open,
  credits,
  onWay,
  habit,
  learned,
  followed,
  ladders,
  why,
  paying,
  persons,
  back,
  book,
  currency,
  today,
}: Props): ReactNode {
  return (
    <Section>
      <Subheading>
        Open{" "}
        <span data-tone="soft">
          {open.length} {open.length === 1 ? "item" : "items"}
        </span>
      </Subheading>
      {open.length === 0 ? (
        <p data-tone="good">✓ Nothing is open.</p>
      ) : (
        <OpenItemsTable book={book} currency={currency} open={open} today={today} />
      )}
      {onWay.length > 0 ? <OnTheirWay onWay={onWay} today={today} /> : null}
      {credits.length > 0 ? (
        <OnAccount book={book} credits={credits} open={open} today={today} />
      ) : null}
      {sites.length > 0 ? <Sites book={book} currency={currency} sites={sites} /> : null}
      <FollowedAs
        key={JSON.stringify(followed)}
        followed={followed}
        ladders={ladders}
        why={why}
        currency={currency}
      />
      <Subheading>How to reach them</Subheading>
      <Contacts aliases={aliases} back={back} customer={customer} />
      <Persons
        key={JSON.stringify(persons)}
        customerId={customer.id}
        persons={persons}
        own={customer}
      />
      <Paying paying={paying} words={habit} book={book} customerId={customer.id} />
      <LearnedOf customer={customer} learned={learned} />
    </Section>
  );
}

type OpenItemsTableProps = {
  book: Props["book"];
  currency: Props["currency"];
  open: Props["open"];
  today: Props["today"];
};

function OpenItemsTable({ book, currency, open, today }: OpenItemsTableProps): ReactNode {
  return (
    <DetailTable aria-label="Open items">
      <tbody>
        {open.map((item) => (
          <tr key={item.id}>
            <td>
              <NextLink href={`/b/${book}/invoices/${item.id}`} prefetch={false}>
                <b data-strong>{item.number}</b>
              </NextLink>{" "}
              {item.kind === "credit_note" ? "credit note" : (item.description ?? "")}
            </td>
            <td data-tone={item.balance > 0 && item.dueOn < today ? "off" : "soft"}>
              {item.kind === "credit_note" ? "" : `due ${formatDay(item.dueOn, today)}`}
            </td>
            <td data-numeric>
              <Amount of={item.balance} currency={item.currency} />
            </td>
          </tr>
        ))}
        <tr>
          <td data-tone="soft">open</td>
          <td />
          <td data-numeric>
            <Total>
              {formatAmount(
                sumOf(open, (item) => item.bookBalance),
                currency,
              )}
            </Total>
          </td>
        </tr>
      </tbody>
    </DetailTable>
  );
}

type OnTheirWayProps = {
  onWay: Props["onWay"];
  today: Props["today"];
};

function OnTheirWay({ onWay, today }: OnTheirWayProps): ReactNode {
  return (
    <>
      <Subheading>
        On its way by ACH <span data-tone="soft">not money yet</span>
      </Subheading>
      <DetailTable aria-label="On its way by ACH">
        <tbody>
          {onWay.map((entry) => (
            <tr key={entry.id}>
              <td>{entry.words || "no memo"}</td>
              <td data-tone="soft">since {formatDay(entry.startedOn, today)}</td>
              <td data-numeric>
                <Amount of={entry.sum} currency={entry.currency} />
              </td>
            </tr>
          ))}
        </tbody>
      </DetailTable>
    </>
  );
}

type OnAccountProps = {
  book: Props["book"];
  credits: Props["credits"];
  open: Props["open"];
  today: Props["today"];
};

function OnAccount({ book, credits, open, today }: OnAccountProps): ReactNode {
  return (
    <>
      <Subheading>On account</Subheading>
      <DetailTable aria-label="On account">
        <tbody>
          {credits.map((credit) => (
            <tr key={credit.receiptId}>
              <td>
                <NextLink href={`/b/${book}/receipts/${credit.receiptId}`} prefetch={false}>
                  {credit.words}
                </NextLink>
              </td>
              <td data-tone="soft">{formatDay(credit.on, today)}</td>
              <td data-numeric>
                <Amount of={negate(credit.sum)} currency={credit.currency} />
              </td>
              <td data-numeric>
                <UseCredit credit={credit} open={open} />
              </td>
            </tr>
          ))}
        </tbody>
      </DetailTable>
    </>
  );
}

type SitesProps = {
  book: Props["book"];
  currency: Props["currency"];
  sites: Props["sites"];
};

function Sites({ book, currency, sites }: SitesProps): ReactNode {
  return (
    <>
      <Subheading>Sites</Subheading>
      <DetailTable>
        <tbody>
          {sites.map((site) => (
            <tr key={site.id}>
              <td>
                <NextLink href={`/b/${book}/customers/${site.id}`} prefetch={false}>
                  {site.name}
                </NextLink>
              </td>
              <td data-numeric data-sum>
                {formatAmount(site.open, currency, { dash: true })}
              </td>
            </tr>
          ))}
        </tbody>
      </DetailTable>
    </>
  );
}

type ContactsProps = {
  aliases: Props["aliases"];
  back: Props["back"];
  customer: Props["customer"];
};

function Contacts({ aliases, back, customer }: ContactsProps): ReactNode {
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

/** Gives a sum on account to the open invoices, oldest first, as far as it goes. */
function UseCredit({ credit, open }: { credit: CreditLine; open: readonly Item[] }): ReactNode {
  const { act, busy } = useActing();
  const due = open.filter((item) => item.balance > 0 && item.currency === credit.currency);
  if (credit.sum <= 0 || due.length === 0) return null;
  const use = (): void => {
    let left: number = credit.sum;
    const lines = due.flatMap((item) => {
      const amount = Math.min(left, item.balance);
      left -= amount;
      return amount > 0 ? [{ itemId: item.id, amount }] : [];
    });
    void act<{ actId: number }>(
      "useCredit",
      { receiptId: credit.receiptId, customerId: null, lines },
      (value) => ({
        words: `Given to ${lines.length === 1 ? "the oldest invoice" : `the ${lines.length} oldest invoices`}.`,
        undo: value.actId,
      }),
    );
  };
  return (
    <RowButton data-strong disabled={busy} onClick={use}>
      Give to the oldest
    </RowButton>
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
function LearnedOf({ customer, learned }: Pick<Props, "customer" | "learned">): ReactNode {
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
function CameBack({ letterId }: { letterId: number }): ReactNode {
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

function TimeLine({ history, book, today }: Props): ReactNode {
  const { act, busy } = useActing();
  return (
    <Section>
      <Subheading>
        History <span data-tone="soft">{history.length}</span>
      </Subheading>
      {history.length === 0 ? (
        <p data-tone="soft">Nothing yet.</p>
      ) : (
        <DetailTable aria-label="History">
          <tbody>
            {history.slice(0, 250).map((line, at) => (
              <tr key={at}>
                <Cell data-tone="soft" width="122px" verticalAlign="baseline">
                  {formatDay(line.on, today)}
                </Cell>
                <Cell data-tone="soft" width="84px" verticalAlign="baseline">
                  {line.kind}
                </Cell>
                <Cell whiteSpace="normal" verticalAlign="baseline">
                  {line.href ? (
                    <NextLink href={`/b/${book}/${line.href}`} prefetch={false}>
                      {line.undone ? <s>{line.words}</s> : line.words}
                    </NextLink>
                  ) : line.undone ? (
                    <s>{line.words}</s>
                  ) : (
                    line.words
                  )}
                  {line.kind === "letter" ? (
                    <Details>
                      <summary data-tone="soft">its words</summary>
                      <LetterText>{line.more}</LetterText>
                      {line.letterId !== null ? <CameBack letterId={line.letterId} /> : null}
                    </Details>
                  ) : line.more ? (
                    <span data-tone="soft"> {line.more}</span>
                  ) : null}
                </Cell>
                <Cell data-numeric width="56px">
                  {line.actId !== null ? (
                    <RowButton
                      data-strong
                      disabled={busy}
                      onClick={() =>
                        void act("undo", { actId: line.actId }, () => ({
                          words: "Undone. Both entries stay in the journal.",
                        }))
                      }
                    >
                      Undo
                    </RowButton>
                  ) : null}
                </Cell>
              </tr>
            ))}
          </tbody>
        </DetailTable>
      )}
    </Section>
  );
}
