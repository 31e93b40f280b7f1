"use client";

import { type Dispatch, type ReactNode, type SetStateAction } from "react";

import {
  ATTACHED,
  type Attached,
  LADDER_ACTS,
  type LadderAct,
  type LadderStep,
  TONES,
} from "@/core/followup";

import { RowButton } from "../kit/buttons";
import { LineChoice, LineField, Tick } from "../kit/fields";
import { Cell } from "../kit/tables";

export type Draft = Omit<LadderStep, "step" | "fromDays" | "fee"> & {
  fromDays: string;
  fee: string;
};

const ACT_WORDS: Record<LadderAct, string> = {
  letter: "letter",
  call: "call",
  task: "task",
  stop: "stop of supply",
};

const WITH: Record<Attached, string> = {
  none: "nothing",
  statement: "the statement",
  invoices: "statement and invoices",
};

type StepRowProps = {
  at: number;
  set: (at: number, to: Partial<Draft>) => void;
  setSteps: Dispatch<SetStateAction<Draft[]>>;
  step: Draft;
  steps: Draft[];
};

export function StepRow({ at, set, setSteps, step, steps }: StepRowProps): ReactNode {
  return (
    <tr>
      <Cell width="90px">
        <LineField
          width="60px"
          inputMode="numeric"
          aria-label={`Days of step ${at + 1}`}
          value={step.fromDays}
          onChange={(event) => set(at, { fromDays: event.target.value })}
        />
      </Cell>
      <td>
        <LineChoice
          kind="text"
          aria-label={`What step ${at + 1} is`}
          value={step.act}
          onChange={(event) => set(at, { act: event.target.value as LadderAct })}
        >
          {LADDER_ACTS.map((name) => (
            <option key={name} value={name}>
              {ACT_WORDS[name]}
            </option>
          ))}
        </LineChoice>
      </td>
      <td>
        {step.act === "letter" ? (
          <LineChoice
            kind="text"
            aria-label={`Tone of step ${at + 1}`}
            value={step.tone}
            onChange={(event) => set(at, { tone: Number(event.target.value) })}
          >
            {TONES.map((name, tone) => (
              <option key={name} value={tone + 1}>
                {name}
              </option>
            ))}
          </LineChoice>
        ) : (
          "–"
        )}
      </td>
      <td>
        {step.act === "letter" ? (
          <LineChoice
            kind="text"
            aria-label={`What goes with step ${at + 1}`}
            value={step.attach}
            onChange={(event) => set(at, { attach: event.target.value as Attached })}
          >
            {ATTACHED.map((name) => (
              <option key={name} value={name}>
                {WITH[name]}
              </option>
            ))}
          </LineChoice>
        ) : (
          "–"
        )}
      </td>
      <td>
        {step.act === "letter" ? (
          <LineField
            width="70px"
            inputMode="decimal"
            placeholder="none"
            aria-label={`Fee of step ${at + 1}`}
            value={step.fee}
            onChange={(event) => set(at, { fee: event.target.value })}
          />
        ) : (
          "–"
        )}
      </td>
      <td>
        {step.act === "letter" ? (
          <Tick
            aria-label={`Step ${at + 1} may go by itself`}
            checked={step.byItself}
            onChange={(event) => set(at, { byItself: event.target.checked })}
          />
        ) : (
          "–"
        )}
      </td>
      <td data-numeric>
        <RowButton
          data-tone="soft"
          onClick={() => setSteps(steps.filter((_, index) => index !== at))}
        >
          take off
        </RowButton>
      </td>
    </tr>
  );
}
