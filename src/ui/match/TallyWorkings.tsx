"use client";

import { Box, chakra } from "@chakra-ui/react";
import {
  type Dispatch,
  type ReactNode,
  type SetStateAction,
  useEffect,
  useRef,
  useState,
} from "react";
import { useHotkeys } from "react-hotkeys-hook";

import type {
  MatchRow,
  MatchWorkings,
  OnAccount,
  WorkingsItem,
  WorkingsReading,
} from "@/contracts/match";
import { type Day, formatDay } from "@/core/calendar";
import { add, type Currency, formatAmount, type Minor, sumOf } from "@/core/money";

import { Total } from "../kit/Amount";
import { Act } from "../kit/buttons";
import { LineField, Tick } from "../kit/fields";
import { Subheading } from "../kit/headings";
import { onOwnControl } from "../kit/keys";
import { ActRow, WorkingsGrid } from "../kit/layout";
import { DetailTable, TermTable } from "../kit/tables";
import { useActing } from "../shell/Notices";
import { load } from "../shell/send";
import { CameIn, TwinTable } from "./CameIn";
import { OpenItems, OtherReadings } from "./Choices";
import { CustomerChoice } from "./CustomerChoice";
import { recovering, type Tally, tallyOf, toggled, withSet, type Worked, workOut } from "./tally";

type Props = { row: MatchRow; currency: Currency; today: Day; done: () => void };

/** The open receipt: its tally with what is left over, why, what it will post, and what else it could be. */
export function TallyWorkings(props: Props): ReactNode {
  const { book, complain } = useActing();
  const [workings, setWorkings] = useState<MatchWorkings | null>(null);
  useEffect(() => {
    let current = true;
    void load<MatchWorkings>(`/api/v1/b/${book}/receipts/${props.row.id}/workings`).then((sent) => {
      if (!current) return;
      if (sent.ok) setWorkings(sent.value);
      else complain(sent.message);
    });
    return () => {
      current = false;
    };
  }, [book, complain, props.row.id]);
  return workings === null ? (
    <chakra.p data-tone="soft" paddingLeft="16px">
      Reading …
    </chakra.p>
  ) : (
    <TallyEditor {...props} workings={workings} />
  );
}

function TallyEditor({
  row,
  currency,
  today,
  done,
  workings,
}: Props & { workings: MatchWorkings }): ReactNode {
  const { act, busy, book, complain } = useActing();
  const [chosen, setChosen] = useState(0);
  const [tally, setTally] = useState<Tally>(() =>
    tallyOf(workings.readings[0], currency, workings.credits),
  );
  const [credits, setCredits] = useState<readonly OnAccount[]>(workings.credits);
  const [items, setItems] = useState<WorkingsItem[]>(workings.items);
  const [givenUp, setGivenUp] = useState(workings.givenUp);
  const [asking, setAsking] = useState<"aside" | "second" | null>(null);
  const fields = useRef<HTMLDivElement>(null);
  const worked = workOut(tally, workings.amount, currency, workings.limit);
  const reading = workings.readings[chosen];
  const choose = (at: number): void => {
    const other = workings.readings[at];
    if (!other) return;
    setChosen(at);
    setTally(tallyOf(other, currency, credits));
    if (other.customerId !== null && other.customerId !== tally.customerId)
      void itemsOf(other.customerId);
  };
  const itemsOf = async (customerId: number): Promise<void> => {
    const sent = await load<Pick<MatchWorkings, "items" | "credits" | "givenUp">>(
      `/api/v1/b/${book}/customers/${customerId}/items?currency=${currency}`,
    );
    if (!sent.ok) return complain(sent.message);
    setItems(sent.value.items);
    setCredits(sent.value.credits);
    setGivenUp(sent.value.givenUp);
  };
  const post = (): void => {
    if (busy || worked.problem !== null)
      return worked.problem === null ? undefined : complain(worked.problem);
    if (tally.customerId === null)
      return complain("Say whose it is first: find the customer, or set the receipt aside.");
    if (worked.left > 0 && !tally.restOnAccount)
      return complain(
        `${formatAmount(worked.left, currency)} is left over. Give it to an invoice, or keep the rest on account (K).`,
      );
    if (worked.overLimit !== 0)
      return workings.people < 2
        ? complain(
            "A write-off over the limit needs a second person. Add one under Set-up, or leave the rest open.",
          )
        : setAsking("second");
    void act<{ actId: number; commandId: number }>(
      "applyReceipt",
      {
        receiptId: row.id,
        customerId: tally.customerId,
        lines: worked.lines,
        credits: worked.credits,
        surcharge: tally.surcharge,
        recovered: tally.recovered,
        proposedCustomerId: workings.customerId,
      },
      (value) => ({
        words: `${formatAmount(workings.amount, currency)} of ${row.from} posted.`,
        undo: worked.credits.length > 0 ? { commandId: value.commandId } : value.actId,
      }),
    ).then((value) => {
      if (value) done();
    });
  };
  const keep = (): void => {
    if (tally.customerId === null) return complain("Say whose account it is first.");
    if (worked.left > 0 && tally.terms.length > 0) setTally({ ...tally, restOnAccount: true });
    else
      void act<{ actId: number }>(
        "applyReceipt",
        {
          receiptId: row.id,
          customerId: tally.customerId,
          lines: [],
          proposedCustomerId: workings.customerId,
        },
        (value) => ({
          words: `${formatAmount(workings.amount, currency)} kept on account of ${tally.customer}.`,
          undo: value.actId,
        }),
      ).then((value) => {
        if (value) done();
      });
  };
  useHotkeys("enter", post, { enabled: asking === null, ignoreEventWhen: onOwnControl }, [post]);
  useHotkeys("k", keep, [keep]);
  useHotkeys("s", () => setAsking("aside"), { preventDefault: true });
  useHotkeys("e", () => fields.current?.querySelector("input")?.focus(), { preventDefault: true });
  useHotkeys("1,2,3,4,5,6", (_event, key) => choose(Number(key.keys?.join("")) - 1), [choose]);
  return (
    <>
      <CameIn
        row={row}
        workings={workings}
        reasons={reading?.reasons ?? []}
        currency={currency}
        today={today}
      />
      <WorkingsGrid ref={fields}>
        <Box>
          <TwinTable row={row} workings={workings} currency={currency} today={today} />
          <TallyTable
            tally={tally}
            worked={worked}
            currency={currency}
            limit={workings.limit}
            credits={credits}
            surcharges={workings.surcharges}
            givenUp={givenUp}
            today={today}
            change={setTally}
            post={post}
          />
          <CustomerChoice
            tally={tally}
            choose={(customer) => {
              setTally({
                customerId: customer.id,
                customer: customer.name,
                terms: [],
                restOnAccount: false,
                credits: [],
                surcharge: add(0),
                recovered: add(0),
              });
              void itemsOf(customer.id);
            }}
            currency={currency}
          />
          {asking === "aside" ? (
            <AsideQuestion row={row} close={() => setAsking(null)} done={done} />
          ) : asking === "second" ? (
            <SecondQuestion
              row={row}
              tally={tally}
              worked={worked}
              currency={currency}
              close={() => setAsking(null)}
              done={done}
            />
          ) : (
            <TallyActs
              keep={keep}
              post={post}
              row={row}
              setAsking={setAsking}
              tally={tally}
              worked={worked}
            />
          )}
        </Box>
        <Box>
          <Subheading>Why</Subheading>
          <Reasons reading={reading} />
          <WillPost tally={tally} worked={worked} amount={workings.amount} currency={currency} />
          <p data-tone="soft">
            {workings.account} {formatAmount(workings.amount, currency)}
            {workings.fee > 0 ? ` and its fee ${formatAmount(workings.fee, currency)}` : ""} stand
            since {formatDay(workings.settledOn, today)}
          </p>
        </Box>
        <Box>
          <OtherReadings
            readings={workings.readings}
            chosen={chosen}
            choose={choose}
            currency={currency}
            amount={workings.amount}
          />
          <OpenItems
            items={items}
            tally={tally}
            toggle={(item) => setTally(toggled(tally, item, worked.left, currency))}
            takeSet={(set) => setTally(withSet(tally, set, currency))}
            left={worked.left}
            currency={currency}
            today={today}
          />
        </Box>
      </WorkingsGrid>
    </>
  );
}

type TallyActsProps = {
  keep: () => void;
  post: () => void;
  row: (Props & { workings: MatchWorkings })["row"];
  setAsking: Dispatch<SetStateAction<"aside" | "second" | null>>;
  tally: Tally;
  worked: Worked;
};

function TallyActs({ keep, post, row, setAsking, tally, worked }: TallyActsProps): ReactNode {
  const { book, busy } = useActing();
  return (
    <ActRow>
      <Act main hint="Enter" onClick={post} disabled={busy}>
        {worked.overLimit === 0 ? "Post" : "Ask a second person"}
      </Act>
      <Act hint="K" onClick={keep} disabled={busy}>
        {worked.left > 0 && tally.terms.length > 0 ? "Rest on account" : "On account"}
      </Act>
      <Act hint="S" onClick={() => setAsking("aside")}>
        Set aside
      </Act>
      <a href={`/b/${book}/receipts/${row.id}`}>History</a>
    </ActRow>
  );
}

type ReasonsProps = {
  reading: WorkingsReading | undefined;
};

function Reasons({ reading }: ReasonsProps): ReactNode {
  return (
    <ul>
      {reading ? (
        reading.reasons
          .filter(({ against }) => !against)
          .map(({ words }) => <li key={words}>{capital(words)}</li>)
      ) : (
        <li data-tone="soft">No payer, number or sum is known.</li>
      )}
      {reading?.reasons
        .filter(({ against }) => against)
        .map(({ words }) => (
          <li data-tone="waits" key={words}>
            Against: {words}
          </li>
        ))}
      {reading ? <li data-tone="soft">Right {certainty(reading.confidence)}</li> : null}
    </ul>
  );
}

function capital(words: string): string {
  return words.charAt(0).toUpperCase() + words.slice(1);
}

/** A probability in words that mean what they say. */
function certainty(confidence: number): string {
  if (confidence >= 0.999) return "in 999 of 1,000 such cases or more";
  if (confidence >= 0.5)
    return `in about ${Math.min(99, Math.round(confidence * 100))} of 100 such cases`;
  return confidence >= 0.05
    ? `in about ${Math.round(confidence * 100)} of 100 such cases only`
    : "very seldom in such cases";
}

function TallyTable({
  tally,
  worked,
  currency,
  limit,
  credits,
  surcharges,
  givenUp,
  today,
  change,
  post,
}: {
  tally: Tally;
  worked: Worked;
  currency: Currency;
  limit: number;
  credits: readonly OnAccount[];
  surcharges: boolean;
  givenUp: Minor;
  today: Day;
  change: (tally: Tally) => void;
  post: () => void;
}): ReactNode {
  const set = (at: number, part: Partial<Tally["terms"][number]>): void =>
    change({
      ...tally,
      terms: tally.terms.map((term, index) => (index === at ? { ...term, ...part } : term)),
    });
  return (
    <TermTable>
      <thead>
        <tr>
          <th scope="col">Goes to</th>
          <th data-numeric scope="col">
            open
          </th>
          <th data-numeric scope="col">
            from this
          </th>
        </tr>
      </thead>
      <tbody>
        {tally.terms.map((term, at) => {
          const line = worked.lines[at];
          const along = sumOf(
            worked.credits.filter(({ itemId }) => itemId === term.itemId),
            ({ amount }) => amount,
          );
          const short = line ? term.open - line.amount - line.discount - along : 0;
          return (
            <tr key={term.itemId}>
              <td>
                <b data-strong>{term.number}</b> {term.description}
                {term.discount !== 0 ? (
                  <span data-tone="soft">
                    {" "}
                    less discount {formatAmount(term.discount, currency)}
                  </span>
                ) : null}
                {short > 0 && term.open > 0 ? (
                  <chakra.label data-tone="waits" marginLeft="6px" whiteSpace="nowrap">
                    <Tick
                      checked={term.small}
                      onChange={(event) => set(at, { small: event.target.checked })}
                    />{" "}
                    write off {formatAmount(short, currency)}
                    {short > limit ? ", by two" : ""}
                  </chakra.label>
                ) : null}
              </td>
              <td data-numeric data-tone="soft">
                {formatAmount(term.open, currency)}
              </td>
              <td data-numeric>
                <LineField
                  aria-label={`From this to ${term.number}`}
                  value={term.amount}
                  inputMode="decimal"
                  onChange={(event) => set(at, { amount: event.target.value })}
                  onKeyDown={(event) => {
                    if (event.key === "Enter") post();
                    if (event.key === "Escape") event.currentTarget.blur();
                  }}
                />
              </td>
            </tr>
          );
        })}
        {tally.terms.length === 0 ? <NothingYet tally={tally} /> : null}
        {tally.terms.length > 0
          ? credits.map((credit) => {
              const used = sumOf(
                worked.credits.filter(({ receiptId }) => receiptId === credit.receiptId),
                ({ amount }) => amount,
              );
              const ticked = tally.credits.some(({ receiptId }) => receiptId === credit.receiptId);
              return (
                <tr key={`credit ${credit.receiptId}`}>
                  <td>
                    <label>
                      <Tick
                        checked={ticked}
                        onChange={() =>
                          change({
                            ...tally,
                            credits: ticked
                              ? tally.credits.filter(
                                  ({ receiptId }) => receiptId !== credit.receiptId,
                                )
                              : [...tally.credits, credit],
                          })
                        }
                      />{" "}
                      use what stands on account since {formatDay(credit.on, today)}
                    </label>
                  </td>
                  <td data-numeric data-tone="soft">
                    {formatAmount(credit.sum, currency)}
                  </td>
                  <td data-numeric data-sum>
                    {used > 0 ? (
                      <span title="besides this receipt">({formatAmount(used, currency)})</span>
                    ) : (
                      "–"
                    )}
                  </td>
                </tr>
              );
            })
          : null}
        {tally.surcharge > 0 || (surcharges && worked.left > 0 && tally.terms.length > 0) ? (
          <SurchargeRow change={change} currency={currency} tally={tally} worked={worked} />
        ) : null}
        {givenUp > 0 ? (
          <RecoveryRow
            change={change}
            currency={currency}
            givenUp={givenUp}
            tally={tally}
            worked={worked}
          />
        ) : null}
        {tally.restOnAccount && worked.left > 0 ? (
          <tr>
            <td>On account of {tally.customer}</td>
            <td />
            <td data-numeric data-sum>
              {formatAmount(worked.left, currency)}
            </td>
          </tr>
        ) : null}
        <tr data-last>
          <td data-tone="soft">Left over</td>
          <td data-numeric data-tone="off">
            {worked.problem ? "✗" : ""}
          </td>
          <td data-numeric>
            <Total large tone={leftOf(tally, worked) === 0 ? "good" : "off"} testId="left-over">
              {formatAmount(leftOf(tally, worked), currency)}
            </Total>
          </td>
        </tr>
      </tbody>
    </TermTable>
  );
}

type NothingYetProps = {
  tally: Tally;
};

function NothingYet({ tally }: NothingYetProps): ReactNode {
  return (
    <tr>
      <td data-tone="soft" colSpan={3}>
        {tally.customerId === null
          ? "Nothing yet: find the customer below."
          : tally.restOnAccount
            ? `All of it on account of ${tally.customer}.`
            : "Nothing yet: tick what it pays, at the right."}
      </td>
    </tr>
  );
}

type SurchargeRowProps = {
  change: (tally: Tally) => void;
  currency: Currency;
  tally: Tally;
  worked: Worked;
};

function SurchargeRow({ change, currency, tally, worked }: SurchargeRowProps): ReactNode {
  return (
    <tr>
      <td>
        <label>
          <Tick
            checked={tally.surcharge > 0}
            onChange={() =>
              change({ ...tally, surcharge: tally.surcharge > 0 ? add(0) : worked.left })
            }
          />{" "}
          surcharge on top
        </label>
      </td>
      <td />
      <td data-numeric data-sum>
        {formatAmount(tally.surcharge > 0 ? tally.surcharge : worked.left, currency)}
      </td>
    </tr>
  );
}

type RecoveryRowProps = {
  change: (tally: Tally) => void;
  currency: Currency;
  givenUp: Minor;
  tally: Tally;
  worked: Worked;
};

function RecoveryRow({ change, currency, givenUp, tally, worked }: RecoveryRowProps): ReactNode {
  return (
    <tr>
      <td>
        <label>
          <Tick
            checked={tally.recovered > 0}
            onChange={() => change(recovering(tally, worked, givenUp))}
          />{" "}
          pays what was written off
        </label>
      </td>
      <td data-numeric data-tone="soft">
        {formatAmount(givenUp, currency)}
      </td>
      <td data-numeric data-sum>
        {tally.recovered > 0 ? formatAmount(tally.recovered, currency) : "–"}
      </td>
    </tr>
  );
}

const leftOf = (tally: Tally, worked: Worked): number =>
  tally.restOnAccount && worked.left > 0 ? 0 : worked.left;

/** The entry beside the tally, as it will stand in the journal. */
function WillPost({
  tally,
  worked,
  amount,
  currency,
}: {
  tally: Tally;
  worked: Worked;
  amount: number;
  currency: Currency;
}): ReactNode {
  const rest = tally.restOnAccount ? Math.max(0, worked.left) : 0;
  const rows: [string, number, number][] = [
    ["Receipts not identified", worked.given + tally.surcharge + tally.recovered + rest, 0],
  ];
  if (worked.discount > 0) rows.push(["Early-payment discounts", worked.discount, 0]);
  const small = worked.small - worked.overLimit;
  if (small !== 0) rows.push(["Small differences", Math.max(0, small), Math.max(0, -small)]);
  if (worked.overLimit !== 0) rows.push(["Bad debt, once approved", worked.overLimit, 0]);
  const receivables = worked.given + worked.discount + worked.small;
  if (receivables !== 0) rows.push(["Accounts receivable", 0, receivables]);
  if (tally.surcharge > 0) rows.push(["Surcharges", 0, tally.surcharge]);
  if (tally.recovered > 0) rows.push(["Recoveries", 0, tally.recovered]);
  if (rest > 0) rows.push(["Credit on account", 0, rest]);
  const along = sumOf(worked.credits, ({ amount }) => amount);
  if (along > 0)
    rows.push(["Credit on account, used along", along, 0], ["Accounts receivable", 0, along]);
  if (worked.given + tally.recovered + rest === 0)
    return (
      <>
        <Subheading>It will post</Subheading>
        <p data-tone="soft">Nothing yet, of {formatAmount(amount, currency)}.</p>
      </>
    );
  return (
    <>
      <Subheading>It will post</Subheading>
      <DetailTable>
        <tbody>
          {rows.map(([name, debit, credit]) => (
            <tr key={name}>
              <td data-indent={credit > 0 || undefined}>{name}</td>
              <td data-numeric data-sum>
                {debit > 0 ? formatAmount(debit, currency) : ""}
              </td>
              <td data-numeric data-sum>
                {credit > 0 ? formatAmount(credit, currency) : ""}
              </td>
            </tr>
          ))}
        </tbody>
      </DetailTable>
    </>
  );
}

function AsideQuestion({
  row,
  close,
  done,
}: {
  row: MatchRow;
  close: () => void;
  done: () => void;
}): ReactNode {
  const { act } = useActing();
  const [reason, setReason] = useState("");
  const set = (as: "parked" | "income"): void =>
    void act<{ actId: number }>("setAside", { receiptId: row.id, reason, as }, (value) => ({
      words: as === "income" ? "Booked as other income." : "Set aside.",
      undo: value.actId,
    })).then((value) => {
      if (value) {
        close();
        done();
      }
    });
  return (
    <ActRow
      as="form"
      onSubmit={(event) => {
        event.preventDefault();
        set("parked");
      }}
    >
      <LineField
        kind="words"
        width="230px"
        autoFocus
        aria-label="Why it is set aside"
        placeholder="Why it is not ours to apply"
        value={reason}
        onChange={(event) => setReason(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === "Escape") close();
        }}
      />
      <Act main type="submit" disabled={reason.trim() === ""}>
        Set aside
      </Act>
      <Act onClick={() => set("income")} disabled={reason.trim() === ""}>
        It is other income
      </Act>
      <Act hint="Esc" onClick={close}>
        Back
      </Act>
    </ActRow>
  );
}

/** A write-off over the limit is asked for with a reason; nothing is posted until a second person has looked. */
function SecondQuestion({
  row,
  tally,
  worked,
  currency,
  close,
  done,
}: {
  row: MatchRow;
  tally: Tally;
  worked: Worked;
  currency: Currency;
  close: () => void;
  done: () => void;
}): ReactNode {
  const { act } = useActing();
  const [why, setWhy] = useState("");
  const ask = (): void =>
    void act<{ actId: number }>(
      "askApproval",
      { receiptId: row.id, customerId: tally.customerId, lines: worked.lines, why },
      (value) => ({
        words: `The write-off of ${formatAmount(worked.overLimit, currency)} waits for a second person.`,
        undo: value.actId,
      }),
    ).then((value) => {
      if (value) {
        close();
        done();
      }
    });
  return (
    <ActRow
      as="form"
      onSubmit={(event) => {
        event.preventDefault();
        ask();
      }}
    >
      <LineField
        kind="words"
        width="250px"
        autoFocus
        aria-label="Why it is written off"
        placeholder={`Why ${formatAmount(worked.overLimit, currency)} is written off`}
        value={why}
        onChange={(event) => setWhy(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === "Escape") close();
        }}
      />
      <Act main type="submit" disabled={why.trim().length < 3}>
        Ask
      </Act>
      <Act hint="Esc" onClick={close}>
        Back
      </Act>
    </ActRow>
  );
}
