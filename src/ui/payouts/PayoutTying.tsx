"use client";

import { chakra } from "@chakra-ui/react";
import NextLink from "next/link";
import { type Dispatch, type ReactNode, type SetStateAction, useCallback, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";

import type {
  BankLine,
  Explanation,
  PayoutRow,
  PayoutState,
  PayoutWorkings as Workings,
} from "@/contracts/payouts";
import { type Day, formatDay } from "@/core/calendar";
import { type Currency, formatAmount, type Minor, sumOf } from "@/core/money";

import { Amount, Total } from "../kit/Amount";
import { Act, RowButton } from "../kit/buttons";
import { LineField, Tick } from "../kit/fields";
import { Subheading } from "../kit/headings";
import { onOwnControl } from "../kit/keys";
import { ActRow } from "../kit/layout";
import { DetailTable, TermTable } from "../kit/tables";
import { useActing } from "../shell/Notices";
import { Explanations, remedyWords } from "./Explanations";

export type Props = { row: PayoutRow; currency: Currency; today: Day; done: () => void };
type TyingProps = {
  workings: Workings;
  row: PayoutRow;
  currency: Currency;
  today: Day;
  done: () => void;
};
export function Tying(props: TyingProps): ReactNode {
  const { workings, row, currency, today } = props;
  const {
    payout,
    openLines,
    chosen,
    parking,
    setParking,
    reason,
    setReason,
    off,
    tie,
    tieTogether,
    none,
    explanations,
    best,
    toggle,
  } = useTying(props);
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

function useTying({ workings, row, done }: TyingProps) {
  const { act, busy } = useActing();
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
  return {
    payout,
    openLines,
    chosen,
    parking,
    setParking,
    reason,
    setReason,
    off,
    tie,
    tieTogether,
    none,
    explanations,
    best,
    toggle,
  };
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
