"use client";

import { type Dispatch, type ReactNode, type SetStateAction, useState } from "react";

import { type Ladder } from "@/core/followup";
import { type Currency, minor, parseAmount, toDecimal } from "@/core/money";

import { Act } from "../kit/buttons";
import { LineField } from "../kit/fields";
import { Subheading } from "../kit/headings";
import { ActRow, Section } from "../kit/layout";
import { DetailTable } from "../kit/tables";
import { useActing } from "../shell/Notices";
import { feeDraft, FeeRule, feeRule } from "./FeeRule";
import { type Draft, StepRow } from "./LadderStepRow";

type StepsProps = {
  ladder: Ladder;
  customers: number;
  currency: Currency;
  close?: () => void;
};
export function Steps(props: StepsProps): ReactNode {
  const { ladder, customers, close } = props;
  const { name, setName, steps, setSteps, fee, setFee, changed, set, keep } = useLadder(props);
  return (
    <Section marginBottom="18px">
      <Subheading display="flex" gap="10px" alignItems="baseline">
        <LineField
          kind="words"
          width="200px"
          fontWeight={600}
          aria-label="Name of the ladder"
          placeholder="Name of the ladder"
          value={name}
          onChange={(event) => setName(event.target.value)}
        />{" "}
        <span data-tone="soft">
          {ladder.standard
            ? "for everybody without one of their own"
            : `${customers} ${customers === 1 ? "customer" : "customers"}`}
        </span>
      </Subheading>
      <DetailTable folds aria-label={`Steps of ${ladder.name || "the new ladder"}`}>
        <thead>
          <tr>
            <th scope="col">Days</th>
            <th scope="col">What</th>
            <th scope="col">Tone</th>
            <th scope="col">With it</th>
            <th scope="col">Fee</th>
            <th scope="col">By itself</th>
            <td />
          </tr>
        </thead>
        <tbody>
          {steps.map((step, at) => (
            <StepRow key={at} at={at} set={set} setSteps={setSteps} step={step} steps={steps} />
          ))}
        </tbody>
      </DetailTable>
      <FeeRule draft={fee} set={setFee} />
      <LadderActs
        changed={changed}
        close={close}
        keep={keep}
        ladder={ladder}
        name={name}
        setSteps={setSteps}
        steps={steps}
      />
    </Section>
  );
}

function useLadder({ ladder, currency, close }: StepsProps) {
  const { act, complain } = useActing();
  const drafts = (): Draft[] =>
    ladder.steps.map(({ fromDays, act: does, tone, byItself, attach, fee: withIt }) => ({
      fromDays: String(fromDays),
      act: does,
      tone,
      byItself,
      attach,
      fee: withIt === 0 ? "" : toDecimal(withIt, currency),
    }));
  const [name, setName] = useState(ladder.name);
  const [steps, setSteps] = useState<Draft[]>(drafts);
  const [fee, setFee] = useState(() => feeDraft(ladder.fee, currency));
  const changed =
    name !== ladder.name ||
    JSON.stringify(fee) !== JSON.stringify(feeDraft(ladder.fee, currency)) ||
    JSON.stringify(steps) !== JSON.stringify(drafts());
  const set = (at: number, to: Partial<Draft>): void =>
    setSteps(steps.map((step, index) => (index === at ? { ...step, ...to } : step)));
  const keep = (): void => {
    if (steps.some(({ fromDays }) => !/^-?\d{1,3}$/.test(fromDays.trim())))
      return complain(
        "Days are whole numbers: 15 is fifteen days after the due day, -3 three days before it.",
      );
    const rule = feeRule(fee, currency);
    if (rule === null)
      return complain(
        "The late fee cannot be read: sums like 25.00, per cent like 1.5, whole days.",
      );
    const fees = steps.map((step) =>
      step.act !== "letter" || step.fee.trim() === ""
        ? { ok: true as const, value: minor(0) }
        : parseAmount(step.fee, ".", currency),
    );
    const unread = fees.findIndex(({ ok }) => !ok);
    if (unread >= 0)
      return complain(
        `The fee of step ${unread + 1} cannot be read. Write it like 25.00, or leave it empty.`,
      );
    void act<{ id: number }>(
      "setLadder",
      {
        id: ladder.id === 0 ? null : ladder.id,
        name,
        fee: rule,
        steps: steps.map((step, at) => {
          const withIt = fees[at];
          return { ...step, fromDays: Number(step.fromDays), fee: withIt?.ok ? withIt.value : 0 };
        }),
      },
      () => ({ words: `${name} is kept.` }),
    ).then((value) => {
      if (value) close?.();
    });
  };
  return { name, setName, steps, setSteps, fee, setFee, changed, set, keep };
}
type LadderActsProps = {
  changed: boolean;
  close: (() => void) | undefined;
  keep: () => void;
  ladder: Ladder;
  name: string;
  setSteps: Dispatch<SetStateAction<Draft[]>>;
  steps: Draft[];
};
function LadderActs({
  changed,
  close,
  keep,
  ladder,
  name,
  setSteps,
  steps,
}: LadderActsProps): ReactNode {
  const { busy } = useActing();
  return (
    <ActRow>
      {changed || close ? (
        <Act main onClick={keep} disabled={busy || name.trim() === "" || steps.length === 0}>
          Keep it
        </Act>
      ) : null}
      <Act
        onClick={() =>
          setSteps([
            ...steps,
            {
              fromDays: String(Number(steps.at(-1)?.fromDays ?? 0) + 15),
              act: "letter",
              tone: 4,
              byItself: false,
              attach: "statement",
              fee: "",
            },
          ])
        }
      >
        Another step
      </Act>
      <CloseOrRemove close={close} ladder={ladder} />
    </ActRow>
  );
}

type CloseOrRemoveProps = {
  close: (() => void) | undefined;
  ladder: Ladder;
};
function CloseOrRemove({ close, ladder }: CloseOrRemoveProps): ReactNode {
  const { act, busy } = useActing();
  if (close) return <Act onClick={close}>Not now</Act>;
  if (ladder.standard) return null;
  return (
    <Act
      onClick={() =>
        void act("removeLadder", { id: ladder.id }, () => ({
          words: `${ladder.name} is taken away; its customers are on the standard one.`,
        }))
      }
      disabled={busy}
    >
      Take the ladder away
    </Act>
  );
}
