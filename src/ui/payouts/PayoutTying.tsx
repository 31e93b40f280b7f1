"use client";

import { chakra } from "@chakra-ui/react";
import { type ReactNode } from "react";

import type { BankLine, PayoutRow, PayoutWorkings } from "@/contracts/payouts";
import { type Day, formatDay } from "@/core/calendar";
import { type Currency, formatAmount } from "@/core/money";

import { Amount, Total } from "../kit/Amount";
import { Tick } from "../kit/fields";
import { Subheading } from "../kit/headings";
import { TermTable } from "../kit/tables";
import { Explanations } from "./Explanations";
import { ParkForm, TieActs, Together } from "./TyingParts";
import { type TyingProps, useTying } from "./useTying";

export type Props = { row: PayoutRow; currency: Currency; today: Day; done: () => void };
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
type LinesTallyProps = {
  chosen: ReadonlySet<number>;
  currency: Currency;
  off: number;
  openLines: BankLine[];
  payout: PayoutWorkings["payout"];
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
