import { type LetterRow, setCameBack } from "@/db/letters";
import { setBack } from "@/db/persons";
import type { CommandContext } from "@/server/runtime/context";

/** What became of a mail that was taken in: the letters that it is about, or why nothing was done. */
export type Returned = {
  file: string;
  letters: { letterId: number; customerId: number; address: string; why: string }[];
  words: string;
};
export function noteBack(
  ctx: CommandContext,
  letter: LetterRow,
  address: string,
  why: string,
): void {
  setCameBack(ctx.db, letter.id, why);
  setBack(ctx.db, address, why, ctx.today);
  ctx.act(
    "settings",
    { kind: "customer", id: letter.customerId, customerId: letter.customerId },
    `the letter to ${address} came back: ${why}`,
  );
}
