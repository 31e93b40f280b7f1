import { useCallback, useState } from "react";

import { type PayoutRow, type PayoutWorkings as Workings } from "@/contracts/payouts";
import { type Day } from "@/core/calendar";
import { type Currency, sumOf } from "@/core/money";

import { useRowKeys } from "../kit/lists/opening";
import { useActing } from "../shell/Notices";

export type TyingProps = {
  workings: Workings;
  row: PayoutRow;
  currency: Currency;
  today: Day;
  done: () => void;
};

export function useTying({ workings, row, done }: TyingProps) {
  const { busy } = useActing();
  const { payout, openLines } = workings;
  const [chosen, setChosen] = useState<ReadonlySet<number>>(
    new Set(payout.candidate ? [payout.candidate.id] : []),
  );
  const [parking, setParking] = useState(false);
  const [reason, setReason] = useState("");
  const lines = openLines.filter((line) => chosen.has(line.id));
  const bank = sumOf(lines, (line) => line.amount);
  const off = bank - payout.net;
  const { tie, tieTogether } = useTies({ row, chosen, done });
  const none = chosen.size === 0 || busy;
  // Explanations are of the difference to the proposed line; for other lines there are none.
  const explanations = off === payout.offBy ? workings.explanations : [];
  const [best] = explanations.filter(({ remedy }) => remedy.as !== "ask");
  const main = (): void => {
    if (!none && off === 0) tie(null);
    else if (!none && best) tie(best.remedy);
  };
  useTyingKeys({ main, tie, explanations, parking, none, off, park: () => setParking(true) });
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

type TiesProps = Pick<TyingProps, "row" | "done"> & { chosen: ReadonlySet<number> };

/** Ties the payout to the chosen lines, or together with others. */
function useTies({ row, chosen, done }: TiesProps) {
  const { act } = useActing();
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
  return { tie, tieTogether };
}

type TyingKeysProps = {
  main: () => void;
  tie: (difference: object | null) => void;
  explanations: Workings["explanations"];
  parking: boolean;
  none: boolean;
  off: number;
  park: () => void;
};

/** Enter ties, a digit books an explanation, P parks the difference. */
function useTyingKeys(props: TyingKeysProps): void {
  const { main, tie, explanations, parking, none, off, park } = props;
  useRowKeys("enter", main, { enabled: !parking });
  useRowKeys(
    "1,2,3,4,5",
    (key) => {
      const chosenOne = explanations[Number(key) - 1];
      if (!none && chosenOne && chosenOne.remedy.as !== "ask") tie(chosenOne.remedy);
    },
    { enabled: !parking },
  );
  useRowKeys("p", () => {
    if (!none && off !== 0) park();
  });
}
