import { fail, ok, type Result } from "@/core/result";
import type { Minor } from "@/core/money";

/** Where the writing of a document stands. Nothing leads back from approved: it is corrected by a credit note. */
export const STAGES = ["draft", "waiting", "approved", "dropped"] as const;
export type Stage = (typeof STAGES)[number];

export type StageEvent = "ask" | "approve" | "return" | "drop" | "take_up";

/** What each event makes of each stage; null: not from there. */
const NEXT: Readonly<Record<StageEvent, Readonly<Record<Stage, Stage | null>>>> = {
  ask: { draft: "waiting", waiting: null, approved: null, dropped: null },
  approve: { draft: "approved", waiting: "approved", approved: null, dropped: null },
  return: { draft: null, waiting: "draft", approved: null, dropped: null },
  drop: { draft: "dropped", waiting: "dropped", approved: null, dropped: null },
  take_up: { draft: null, waiting: null, approved: null, dropped: "draft" },
};

/** The stage after an event. @example nextStage("draft", "approve") // approved */
export function nextStage(stage: Stage, event: StageEvent): Result<Stage, "document.stage"> {
  const next = NEXT[event][stage];
  return next === null ? fail("document.stage", { stage: STAGE_WORDS[stage], event }) : ok(next);
}

export const STAGE_WORDS: Readonly<Record<Stage, string>> = {
  draft: "a draft",
  waiting: "waiting for approval",
  approved: "approved",
  dropped: "dropped",
};

/** How a document stands for whoever looks at it. */
export type DocumentState =
  "draft" | "waiting" | "dropped" | "approved" | "sent" | "opened" | "part paid" | "paid" | "void";

/**
 * A document's state from what is known of it; sums in its currency, minor units. An approved
 * document whose whole is taken back by credit notes is void; one with nothing left is paid.
 */
export function stateOf(known: {
  stage: Stage;
  total: Minor;
  balance: Minor;
  credited: Minor;
  sent: boolean;
  opened: boolean;
}): DocumentState {
  const { stage, total, balance, credited } = known;
  if (stage !== "approved") return stage;
  if (total !== 0 && credited === total) return "void";
  if (balance === 0) return "paid";
  if (balance !== total) return "part paid";
  if (known.opened) return "opened";
  return known.sent ? "sent" : "approved";
}
