import { useState } from "react";

import type { Currency } from "@/core/money";

import { useLeave, useRowKeys } from "../kit/lists/opening";
import { useActing } from "../shell/Notices";
import { sendCommand } from "../shell/send";
import type { Like, Line } from "./lineTypes";
import { ruleAsked, type RuleTyped } from "./RuleFields";

export type ExplainAs = "receipt" | "elsewhere";

/** A rule at its last look: what its lines become, and how many it takes now. */
type Looking = { as: ExplainAs; rule: RuleTyped; lines: number; like: Like };

type Props = {
  line: Line;
  currency: Currency;
  /** A rule for its like; null where only this line is explained. */
  rule: RuleTyped | null;
  done: () => void;
};

/**
 * Says what a bank line is. One line is explained at once; a rule is rehearsed first, and made only
 * after a look at how many lines it takes. One undo takes back the rule and all that it took.
 */
export function useExplain({ line, currency, rule, done }: Props) {
  const { act, book, busy, complain } = useActing();
  const [looked, setLooking] = useState<Looking | null>(null);
  // What was typed since is another rule: it has not been looked at.
  const looking = looked?.rule === rule ? looked : null;
  const asked = (as: ExplainAs): object => ({
    lineId: line.id,
    as,
    rule: rule === null ? null : ruleAsked(rule, currency),
  });
  const send = (as: ExplainAs): void => {
    setLooking(null);
    void act<{ lines: number; commandId: number }>("explainLine", asked(as), (value) => ({
      words: `${value.lines} ${value.lines === 1 ? "line" : "lines"} ${as === "receipt" ? "taken as receipts" : "put aside"}.`,
      undo: { commandId: value.commandId },
    })).then((value) => {
      if (value) done();
    });
  };
  const explain = (as: ExplainAs): void => {
    if (busy) return;
    if (rule === null) return send(as);
    if (ruleAsked(rule, currency) === null)
      return complain("A sum of the rule cannot be read. Write it like 1,234.50, or leave it out.");
    void sendCommand<{ lines: number; like: Like }>(book, "explainLine", asked(as), {
      rehearse: true,
    }).then((sent) => {
      if (sent.ok) setLooking({ as, rule, ...sent.value });
      else complain(sent.message);
    });
  };
  const confirm = (): void => {
    if (looking !== null && !busy) send(looking.as);
  };
  const leave = (): void => setLooking(null);
  const enabled = looking !== null;
  useRowKeys("enter", confirm, { enabled });
  useLeave(leave, enabled);
  return { looking, explain, confirm, leave };
}
