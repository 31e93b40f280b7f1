"use client";

import { Box } from "@chakra-ui/react";
import NextLink from "next/link";
import { type ReactNode, useState } from "react";

import { type Currency } from "@/core/money";

import { Act } from "../kit/buttons";
import { Tick } from "../kit/fields";
import { ActRow } from "../kit/layout";
import { useRowKeys } from "../kit/lists/opening";
import { useActing } from "../shell/Notices";
import { OtherChoices } from "./LineChoices";
import type { Line } from "./lineTypes";
import { RuleFields, RuleLook, type RuleTyped, usualRule } from "./RuleFields";
import { type ExplainAs, useExplain } from "./useExplain";

type Props = {
  line: Line;
  currency: Currency;
  /** Whether there is more than one bank account that a rule can be for. */
  mayBeEverywhere: boolean;
  done: () => void;
};

/** A bank line opened: what it may be; what is explained already leads to what it became. */
export function LineWorkings(props: Props): ReactNode {
  const { line } = props;
  return line.state === "open" ? <OpenLine {...props} /> : <ExplainedLine line={line} />;
}

function ExplainedLine({ line }: { line: Line }): ReactNode {
  const { book } = useActing();
  return (
    <ActRow paddingLeft="16px">
      {line.receiptId === null ? null : (
        <NextLink href={`/b/${book}/receipts/${line.receiptId}`}>The receipt</NextLink>
      )}
      <NextLink href={`/b/${book}/books?q=${encodeURIComponent(line.description.slice(0, 40))}`}>
        Its entries, with undo
      </NextLink>
      <LineOfFile line={line} />
    </ActRow>
  );
}

function LineOfFile({ line }: { line: Line }): ReactNode {
  const { book } = useActing();
  if (line.fileId === null) return null;
  return (
    <NextLink href={`/b/${book}/files/${line.fileId}?line=${line.lineNo ?? ""}`}>
      line {line.lineNo} of its file
    </NextLink>
  );
}

const AS_WORDS: Record<ExplainAs, string> = {
  receipt: "taken as receipts",
  elsewhere: "put aside",
};

function OpenLine({ line, currency, done, mayBeEverywhere }: Props): ReactNode {
  const { book, busy } = useActing();
  const [typed, setTyped] = useState<RuleTyped>(() => usualRule(line));
  const [always, setAlways] = useState(false);
  const { looking, explain, confirm, leave } = useExplain({
    line,
    currency,
    rule: always ? typed : null,
    done,
  });
  const comesIn = line.amount > 0;
  const enabled = looking === null;
  useRowKeys("r", () => explain("receipt"), { enabled: enabled && comesIn });
  useRowKeys("o", () => explain("elsewhere"), { enabled });
  return (
    <Box padding="4px 16px">
      <label>
        <Tick checked={always} onChange={(event) => setAlways(event.target.checked)} /> and all{" "}
        {comesIn ? "coming in" : "going out"} whose description has{" "}
      </label>
      <RuleFields
        typed={typed}
        currency={currency}
        mayBeEverywhere={mayBeEverywhere}
        onType={(next) => {
          setTyped(next);
          setAlways(true);
        }}
      />
      <OtherChoices line={line} currency={currency} done={done} />
      {looking === null ? (
        <ActRow>
          {comesIn ? (
            <Act hint="R" main onClick={() => explain("receipt")} disabled={busy}>
              It is a receipt
            </Act>
          ) : null}
          <Act hint="O" main={!comesIn} onClick={() => explain("elsewhere")} disabled={busy}>
            Not of this job: put aside
          </Act>
          <NextLink href={`/b/${book}/payouts?show=open`}>Tie it to a payout</NextLink>
          <LineOfFile line={line} />
        </ActRow>
      ) : (
        <>
          <RuleLook like={looking.like} currency={currency} />
          <ActRow>
            <span>
              The rule takes {looking.lines} open {looking.lines === 1 ? "line" : "lines"} now, and
              every one that comes: {AS_WORDS[looking.as]}.
            </span>
            <Act hint="Enter" main onClick={confirm} disabled={busy}>
              Make the rule
            </Act>
            <Act hint="Esc" onClick={leave}>
              Not yet
            </Act>
          </ActRow>
        </>
      )}
    </Box>
  );
}
