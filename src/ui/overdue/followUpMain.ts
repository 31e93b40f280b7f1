import type { OverdueLine } from "@/contracts/overdue";
import type { LadderAct } from "@/core/followup";

/** What a customer's next step is for the clerk: what Enter does on its row. */
export type FollowUpMain = "letter" | "call" | "done" | "address" | "nothing";

/**
 * The main act on an overdue customer: its ladder's next step and no other. Where a letter is next
 * and none of its addresses takes letters, another address comes first. Nothing while it waits.
 */
export function followUpMain({
  act,
  problem,
  state,
}: Pick<OverdueLine, "act" | "problem" | "state">): FollowUpMain {
  if (state !== "ready") return "nothing";
  switch (act) {
    case "letter":
      return problem === null ? "letter" : "address";
    case "call":
      return "call";
    case "task":
    case "stop":
      return "done";
    default:
      throw act satisfies never;
  }
}

const ACT_WORDS: Record<LadderAct, string> = {
  letter: "Look at the letter",
  call: "Log the call",
  task: "Task is done",
  stop: "Supply is stopped",
};

/** What the main button says; where nothing can be done, what it would do once nothing waits. */
export function mainInWords(main: FollowUpMain, act: LadderAct): string {
  return main === "address" ? "Give another address" : ACT_WORDS[act];
}
