"use client";

import { Box, chakra } from "@chakra-ui/react";
import NextLink from "next/link";
import {
  type Dispatch,
  type ReactNode,
  type SetStateAction,
  useCallback,
  useEffect,
  useState,
} from "react";
import { useHotkeys } from "react-hotkeys-hook";

import type {
  BankLine,
  Explanation,
  PayoutItem,
  PayoutRow,
  PayoutState,
  PayoutWorkings as Workings,
  Remedy,
} from "@/contracts/payouts";
import { PROCESSOR_ITEM_KINDS } from "@/core/activity";
import { type Day, formatDay } from "@/core/calendar";
import { type Currency, formatAmount, type Minor, sumOf } from "@/core/money";

import { Amount, Total } from "../kit/Amount";
import { Act, RowButton } from "../kit/buttons";
import { LineField, Tick } from "../kit/fields";
import { Subheading } from "../kit/headings";
import { onOwnControl } from "../kit/keys";
import { ActRow, WorkingsGrid } from "../kit/layout";
import { Cell, DetailTable, TermTable } from "../kit/tables";
import { useActing } from "../shell/Notices";
import { load } from "../shell/send";
import { ForeignTying } from "./ForeignTying";

type Props = { row: PayoutRow; currency: Currency; today: Day; done: () => void };

/** A payout opened: the bank lines it ties to and what is left, its items each with its receipt, and the entry. */
export function PayoutWorkings({ row, currency, today, done }: Props): ReactNode {
  const { book, complain } = useActing();
  const [workings, setWorkings] = useState<Workings | null>(null);
  useEffect(() => {
    let current = true;
    void load<Workings>(`/api/v1/b/${book}/payouts/${row.id}/workings`).then((sent) => {
      if (current) {
        if (sent.ok) setWorkings(sent.value);
        else complain(sent.message);
      }
    });
    return () => {
      current = false;
    };
  }, [book, complain, row.id, row.shown]);
  if (!workings) return <p data-tone="soft">Reading …</p>;
  return (
    <WorkingsGrid>
      <Box>
        {workings.payout.shown === "tied" ? (
          <Tied workings={workings} row={row} currency={currency} today={today} />
        ) : workings.payout.abroad ? (
          <ForeignTying
            workings={workings}
            row={row}
            currency={currency}
            today={today}
            done={done}
          />
        ) : (
          <Tying workings={workings} row={row} currency={currency} today={today} done={done} />
        )}
      </Box>
      <PayoutItems workings={workings} currency={workings.payout.currency} today={today} />
      <Entry workings={workings} currency={currency} today={today} />
    </WorkingsGrid>
  );
}

function Tied({
  workings,
  row,
  currency,
  today,
}: {
  workings: Workings;
  row: PayoutRow;
  currency: Currency;
  today: Day;
}): ReactNode {
  const { book } = useActing();
  return (
    <>
      <Subheading>Tied to</Subheading>
      <DetailTable>
        <tbody>
          {workings.lines.map((line) => (
            <tr key={line.id}>
              <td>
                {formatDay(line.postedOn, today)} <span data-tone="soft">{line.description}</span>
              </td>
              <td data-numeric>
                <Amount of={line.amount} currency={currency} />
              </td>
            </tr>
          ))}
        </tbody>
      </DetailTable>
      <ActRow>
        <NextLink href={`/b/${book}/payouts/${row.id}`}>History, with undo</NextLink>
      </ActRow>
    </>
  );
}

function Tying({
  workings,
  row,
  currency,
  today,
  done,
}: {
  workings: Workings;
  row: PayoutRow;
  currency: Currency;
  today: Day;
  done: () => void;
}): ReactNode {
  const { act, busy, book } = useActing();
  const { payout, openLines } = workings;
  const [chosen, setChosen] = useState<ReadonlySet<number>>(
    new Set(payout.candidate ? [payout.candidate.id] : []),
  );
  const [parking, setParking] = useState(false);
  const [reason, setReason] = useState("");
  const lines = openLines.filter((line) => chosen.has(line.id));
  const bank = sumOf(lines, (line) => line.amount);
  const off = bank - payout.net;
  const tie = useCallback(
    (difference: object | null) => {
      void act<{ actId: number }>(
        "tiePayout",
        { payoutId: row.id, bankLineIds: [...chosen], difference },
        (value) => ({ words: `Payout ${row.externalId} tied to the bank.`, undo: value.actId }),
      ).then((value) => {
        if (value) done();
      });
    },
    [act, chosen, done, row.externalId, row.id],
  );
  const tieTogether = ({ payoutIds, bankLineIds }: Workings["together"][number]): void => {
    const sent =
      payoutIds.length > 1
        ? (["tiePayouts", { payoutIds, lineId: bankLineIds[0] }] as const)
        : (["tiePayout", { payoutId: row.id, bankLineIds }] as const);
    void act<{ actId: number }>(sent[0], sent[1], (value) => ({
      words: `${payoutIds.length > 1 ? `${payoutIds.length} payouts` : `Payout ${row.externalId}`} tied to the bank.`,
      undo: value.actId,
    })).then((value) => {
      if (value) done();
    });
  };
  const none = chosen.size === 0 || busy;
  // Explanations are of the difference to the proposed line; for other lines there are none.
  const explanations = off === payout.offBy ? workings.explanations : [];
  const [best] = explanations.filter(({ remedy }) => remedy.as !== "ask");
  const main = (): void => {
    if (!none && off === 0) tie(null);
    else if (!none && best) tie(best.remedy);
  };
  useHotkeys(
    "enter",
    main,
    { enabled: !parking, ignoreEventWhen: onOwnControl, preventDefault: true },
    [main],
  );
  useHotkeys(
    "1,2,3,4,5",
    (_event, key) => {
      const chosenOne = explanations[Number(key.keys?.join("")) - 1];
      if (!none && chosenOne && chosenOne.remedy.as !== "ask") tie(chosenOne.remedy);
    },
    { enabled: !parking },
    [explanations, none, tie],
  );
  useHotkeys(
    "p",
    () => {
      if (!none && off !== 0) setParking(true);
    },
    { preventDefault: true },
    [none, off],
  );
  const toggle = (id: number): void =>
    setChosen(
      new Set(chosen.has(id) ? [...chosen].filter((amount) => amount !== id) : [...chosen, id]),
    );
  return (
    <>
      <Subheading>
        {openLines.length === 0 ? "No bank line is open near it" : "Bank lines not explained yet"}
      </Subheading>
      <LinesTally
        chosen={chosen}
        currency={currency}
        off={off}
        openLines={openLines}
        payout={payout}
        today={today}
        toggle={toggle}
      />
      {payout.statedNet !== null && payout.statedNet !== payout.net ? (
        <p data-tone="off">
          The file says {formatAmount(payout.statedNet, currency)} was paid; its items make{" "}
          {formatAmount(payout.net, currency)}.
        </p>
      ) : null}
      {off !== 0 && chosen.size > 0 ? (
        <Explanations
          explanations={explanations}
          off={off}
          currency={currency}
          none={none}
          tie={tie}
        />
      ) : null}
      {workings.together.length > 0 ? (
        <Together tieTogether={tieTogether} workings={workings} />
      ) : null}
      {chosen.size === 0 ? (
        <p data-tone="soft">
          It should be at the bank on {formatDay(row.expectedOn, today)}. Tick its line when the
          statement is in.
        </p>
      ) : null}
      {parking ? (
        <ParkForm
          currency={currency}
          none={none}
          off={off}
          reason={reason}
          setParking={setParking}
          setReason={setReason}
          tie={tie}
        />
      ) : (
        <TieActs
          best={best}
          chosen={chosen}
          currency={currency}
          none={none}
          off={off}
          row={row}
          setParking={setParking}
          tie={tie}
        />
      )}
    </>
  );
}

type LinesTallyProps = {
  chosen: ReadonlySet<number>;
  currency: Currency;
  off: number;
  openLines: BankLine[];
  payout: {
    id: number;
    net: Minor;
    statedNet: Minor | null;
    offBy: Minor | null;
    candidate: { id: number; on: Day; amount: Minor; description: string } | null;
    shown: PayoutState;
    processorName: string;
    currency: Currency;
    abroad: boolean;
    bookNet: Minor;
  };
  today: Day;
  toggle: (id: number) => void;
};

function LinesTally({
  chosen,
  currency,
  off,
  openLines,
  payout,
  today,
  toggle,
}: LinesTallyProps): ReactNode {
  return (
    <TermTable>
      <tbody>
        {openLines.map((line) => (
          <tr key={line.id}>
            <td>
              <chakra.label cursor="pointer">
                <Tick checked={chosen.has(line.id)} onChange={() => toggle(line.id)} />{" "}
                {formatDay(line.postedOn, today)} <span data-tone="soft">{line.description}</span>
              </chakra.label>
            </td>
            <td data-numeric>
              <Amount of={line.amount} currency={currency} />
            </td>
          </tr>
        ))}
        <tr>
          <td data-tone="soft">less what its items make</td>
          <td data-numeric>
            <Amount of={-payout.net} currency={currency} />
          </td>
        </tr>
        <tr data-last>
          <td data-tone="soft">Off by</td>
          <td data-numeric>
            <Total large tone={off === 0 ? "good" : "off"}>
              {formatAmount(chosen.size === 0 ? 0 : off, currency)}
            </Total>
          </td>
        </tr>
      </tbody>
    </TermTable>
  );
}

type TogetherProps = {
  tieTogether: ({ payoutIds, bankLineIds }: Workings["together"][number]) => void;
  workings: Workings;
};

function Together({ tieTogether, workings }: TogetherProps): ReactNode {
  const { busy } = useActing();
  return (
    <>
      <Subheading>
        It comes out{" "}
        {workings.together.length === 1 ? "only together" : "together, in more than one way"}
      </Subheading>
      <DetailTable aria-label="Ties together">
        <tbody>
          {workings.together.map((way) => (
            <tr key={way.words}>
              <td data-wrap>
                <RowButton disabled={busy} onClick={() => tieTogether(way)}>
                  {way.words}
                </RowButton>
              </td>
            </tr>
          ))}
        </tbody>
      </DetailTable>
    </>
  );
}

type ParkFormProps = {
  currency: Currency;
  none: boolean;
  off: number;
  reason: string;
  setParking: Dispatch<SetStateAction<boolean>>;
  setReason: Dispatch<SetStateAction<string>>;
  tie: (difference: object | null) => void;
};

function ParkForm({
  currency,
  none,
  off,
  reason,
  setParking,
  setReason,
  tie,
}: ParkFormProps): ReactNode {
  return (
    <ActRow
      as="form"
      onSubmit={(event) => {
        event.preventDefault();
        tie({ as: "park", reason });
      }}
    >
      <LineField
        kind="words"
        width="220px"
        autoFocus
        aria-label="Why it is parked"
        placeholder="Why it cannot be explained"
        value={reason}
        onChange={(event) => setReason(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === "Escape") setParking(false);
        }}
      />
      <Act main type="submit" disabled={reason.trim() === "" || none}>
        Park {formatAmount(off, currency)}
      </Act>
    </ActRow>
  );
}

type TieActsProps = {
  best: Explanation | undefined;
  chosen: ReadonlySet<number>;
  currency: Currency;
  none: boolean;
  off: number;
  row: PayoutRow;
  setParking: Dispatch<SetStateAction<boolean>>;
  tie: (difference: object | null) => void;
};

function TieActs({
  best,
  chosen,
  currency,
  none,
  off,
  row,
  setParking,
  tie,
}: TieActsProps): ReactNode {
  const { book } = useActing();
  return (
    <ActRow>
      {off === 0 || chosen.size === 0 ? (
        <Act main hint="Enter" onClick={() => tie(null)} disabled={none}>
          Tie
        </Act>
      ) : null}
      {off !== 0 && best && chosen.size > 0 ? (
        <Act main hint="Enter" onClick={() => tie(best.remedy)} disabled={none}>
          {remedyWords(best.remedy, off, currency)}
        </Act>
      ) : null}
      {off < 0 && !best && chosen.size > 0 ? (
        <Act onClick={() => tie({ as: "fee", kind: "processing" })} disabled={none}>
          Book {formatAmount(-off, currency)} as a processing fee
        </Act>
      ) : null}
      {off !== 0 && chosen.size > 0 ? (
        <Act hint="P" onClick={() => setParking(true)} disabled={none}>
          Park the difference
        </Act>
      ) : null}
      <NextLink href={`/b/${book}/payouts/${row.id}`}>History</NextLink>
    </ActRow>
  );
}

/** What a remedy does, as a button says it. */
function remedyWords(remedy: Remedy, off: number, currency: Currency): string {
  switch (remedy.as) {
    case "fee":
      return off < 0
        ? `Book ${formatAmount(-off, currency)} as a ${remedy.kind} fee`
        : `Book ${formatAmount(off, currency)} as a fee given back`;
    case "take_in":
      return "Take it into this payout, and tie";
    case "take_out":
      return "Leave it for another payout, and tie";
    case "ask":
      return "Ask the processor: the file is wrong";
    default:
      throw remedy satisfies never;
  }
}

function Explanations({
  explanations,
  off,
  currency,
  none,
  tie,
}: {
  explanations: readonly Explanation[];
  off: number;
  currency: Currency;
  none: boolean;
  tie: (difference: object) => void;
}): ReactNode {
  if (explanations.length === 0)
    return (
      <p data-tone="waits">
        Nothing in the book explains {formatAmount(off, currency)}. Park it with a reason, and the
        proofs go on showing it.
      </p>
    );
  return (
    <>
      <Subheading>What would explain it</Subheading>
      <DetailTable aria-label="What would explain it">
        <tbody>
          {explanations.map(({ code, words, remedy }, at) => (
            <tr key={`${code} ${at}`}>
              <td data-wrap>
                {remedy.as === "ask" ? (
                  <span data-tone="soft">
                    {words}: {remedyWords(remedy, off, currency)}
                  </span>
                ) : (
                  <RowButton
                    disabled={none}
                    onClick={() => tie(remedy)}
                    title={remedyWords(remedy, off, currency)}
                  >
                    <kbd>{at + 1}</kbd> {words}
                  </RowButton>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </DetailTable>
    </>
  );
}

export function PayoutItems({
  workings,
  currency,
  today,
}: {
  workings: { items: PayoutItem[]; payout: { net: Minor } };
  currency: Currency;
  today: Day;
}): ReactNode {
  const { book } = useActing();
  const { items } = workings;
  return (
    <Box>
      <Subheading>{items.length} items</Subheading>
      <Box
        maxHeight="240px"
        overflow="auto"
        tabIndex={0}
        role="group"
        aria-label="Items of the payout"
      >
        <DetailTable>
          <tbody>
            {items.map((item) => (
              <tr key={item.id}>
                <td
                  title={`${item.externalId}, settled ${formatDay(item.settledOn, today)}${item.reason ? `, ${item.reason}` : ""}`}
                >
                  {PROCESSOR_ITEM_KINDS[item.kind].label}{" "}
                  {item.receiptId === null ? (
                    <span data-tone="soft">{item.reason ?? item.externalId}</span>
                  ) : (
                    <NextLink href={`/b/${book}/receipts/${item.receiptId}`}>
                      {item.payer || item.externalId}
                    </NextLink>
                  )}
                </td>
                <td data-numeric>
                  <Amount of={item.amount} currency={currency} />
                </td>
              </tr>
            ))}
            <tr>
              <td data-tone="soft">should be</td>
              <td data-numeric>
                <Total>
                  <Amount of={workings.payout.net} currency={currency} />
                </Total>
              </td>
            </tr>
          </tbody>
        </DetailTable>
      </Box>
    </Box>
  );
}

function Entry({
  workings,
  currency,
  today,
}: {
  workings: Workings;
  currency: Currency;
  today: Day;
}): ReactNode {
  const { payout, lines } = workings;
  const cleared = payout.bookNet;
  const bank =
    lines.length > 0 ? sumOf(lines, (line) => line.amount) : (payout.candidate?.amount ?? cleared);
  const on = lines[0]?.postedOn ?? payout.candidate?.on;
  const off = bank - cleared;
  const [lost, gained] = payout.abroad ? ["Exchange", "Exchange"] : ["Fee, or parked", "Parked"];
  return (
    <Box>
      <Subheading>
        {payout.shown === "tied" ? "Posted" : "It will post"}
        {on ? `, ${formatDay(on, today)}` : ""}
      </Subheading>
      <DetailTable>
        <tbody>
          <tr>
            <td>Operating bank</td>
            <td data-numeric data-sum>
              {formatAmount(bank, currency)}
            </td>
            <td data-numeric />
          </tr>
          {off !== 0 ? (
            <tr>
              <td>{off < 0 ? lost : gained}</td>
              <td data-numeric data-sum>
                {off < 0 ? formatAmount(-off, currency) : ""}
              </td>
              <td data-numeric data-sum>
                {off > 0 ? formatAmount(off, currency) : ""}
              </td>
            </tr>
          ) : null}
          <tr>
            <Cell paddingLeft="16px">Clearing, {payout.processorName}</Cell>
            <td data-numeric />
            <td data-numeric data-sum>
              {formatAmount(cleared, currency)}
            </td>
          </tr>
        </tbody>
      </DetailTable>
      <p data-tone="soft">Charges and fees were booked apart when the file was taken in.</p>
    </Box>
  );
}
