import { useState } from "react";

import { useLeave, useRowKeys } from "../kit/lists/opening";
import { useActing } from "../shell/Notices";
import { sendCommand } from "../shell/send";
import type { Line } from "./lineTypes";

export type ExplainAs = "receipt" | "elsewhere";

/** A rule at its last look: what its lines become, and how many it takes now. */
type Looking = { as: ExplainAs; rule: string; lines: number };

type Props = {
  line: Line;
  /** The words of a rule for its like; null where only this line is explained. */
  rule: string | null;
  done: () => void;
};

/**
 * Says what a bank line is. One line is explained at once; a rule is rehearsed first, and made only
 * after a look at how many lines it takes. One undo takes back the rule and all that it took.
 */
export function useExplain({ line, rule, done }: Props) {
  const { act, book, busy, complain } = useActing();
  const [looked, setLooking] = useState<Looking | null>(null);
  // Words that were changed since are another rule: it has not been looked at.
  const looking = looked?.rule === rule ? looked : null;
  const asked = (as: ExplainAs): object => ({
    lineId: line.id,
    as,
    rule: rule === null ? null : { contains: rule },
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
    void sendCommand<{ lines: number }>(book, "explainLine", asked(as), { rehearse: true }).then(
      (sent) => {
        if (sent.ok) setLooking({ as, rule, lines: sent.value.lines });
        else complain(sent.message);
      },
    );
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
