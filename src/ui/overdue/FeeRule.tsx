import { chakra } from "@chakra-ui/react";
import type { ReactNode } from "react";

import { FEE_KINDS, type LateFeeRule } from "@/core/followup";
import { type Currency, minor, parseAmount, toDecimal } from "@/core/money";

import { LineChoice, LineField } from "../kit/fields";

/** A rule for late fees while it is typed. */
export type FeeDraft = {
  kind: LateFeeRule["kind"];
  fixed: string;
  percent: string;
  grace: string;
  least: string;
  most: string;
};
const WORDS: Record<LateFeeRule["kind"], string> = {
  none: "nothing",
  fixed: "a fixed sum once",
  monthly: "per cent a month",
  yearly: "per cent a year",
};

export function feeDraft(fee: LateFeeRule, currency: Currency): FeeDraft {
  return {
    kind: fee.kind,
    fixed: toDecimal(fee.fixed, currency),
    percent: fee.percent,
    grace: String(fee.grace),
    least: toDecimal(fee.least, currency),
    most: fee.most === null ? "" : toDecimal(fee.most, currency),
  };
}

/** The rule as it was typed; null where something of it cannot be read. */
export function feeRule(draft: FeeDraft, currency: Currency): LateFeeRule | null {
  const [fixed, least, most] = [draft.fixed, draft.least, draft.most].map((text) =>
    text.trim() === "" ? null : parseAmount(text, ".", currency),
  );
  if (
    [fixed, least, most].some((result) => result && !result.ok) ||
    !/^\d{1,2}(\.\d{1,4})?$/.test(draft.percent.trim()) ||
    !/^\d{1,3}$/.test(draft.grace.trim())
  )
    return null;
  return {
    kind: draft.kind,
    fixed: fixed?.ok ? fixed.value : minor(0),
    percent: draft.percent.trim(),
    grace: Number(draft.grace),
    least: least?.ok ? least.value : minor(0),
    most: most?.ok ? most.value : null,
  };
}

/** What a ladder charges for paying late. */
export function FeeRule({
  draft,
  set,
}: {
  draft: FeeDraft;
  set: (draft: FeeDraft) => void;
}): ReactNode {
  const field = (name: keyof Omit<FeeDraft, "kind">, label: string, width: number): ReactNode => (
    <label data-tone="soft">
      {label}{" "}
      <LineField
        width={`${width}px`}
        inputMode="decimal"
        value={draft[name]}
        onChange={(event) => set({ ...draft, [name]: event.target.value })}
      />
    </label>
  );
  return (
    <chakra.p display="flex" gap="12px" flexWrap="wrap" alignItems="baseline" margin="8px 0">
      <label data-tone="soft">
        For paying late{" "}
        <LineChoice
          kind="words"
          fontSize="14px"
          value={draft.kind}
          onChange={(event) => set({ ...draft, kind: event.target.value as LateFeeRule["kind"] })}
        >
          {FEE_KINDS.map((kind) => (
            <option key={kind} value={kind}>
              {WORDS[kind]}
            </option>
          ))}
        </LineChoice>
      </label>
      {draft.kind === "fixed" ? field("fixed", "sum", 70) : null}
      {draft.kind === "monthly" || draft.kind === "yearly"
        ? field("percent", "per cent", 50)
        : null}
      {draft.kind === "none" ? null : (
        <>
          {field("grace", "days of grace", 40)}
          {field("least", "at least", 70)}
          {field("most", "at most", 70)}
        </>
      )}
    </chakra.p>
  );
}
