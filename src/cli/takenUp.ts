/** What became of a file that came by itself: taken in, waiting for a look, or not to be read. */
export type TakenUp = {
  readonly outcome: "taken" | "waits" | "refused";
  readonly text: readonly string[];
  readonly data: object;
};
