/** What a schedule makes of each period. */
export const MAKES_WORDS = {
  draft: "to the drafts",
  approved: "approved",
  sent: "approved, sent",
} as const;

export const STATE_WORDS = {
  running: "running",
  paused: "◔ paused",
  ended: "ended",
} as const;
