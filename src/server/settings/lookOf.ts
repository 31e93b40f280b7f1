import { lookInWords, type PaperLook, USUAL_LOOK } from "@/core/invoices";
import type { Settings } from "@/db/settings";

/** The look of a name, else the book's usual one, with its bank details in words. */
export function lookOf({ looks, bankDetails }: Settings, chosen: string | null): PaperLook {
  const look = looks.find(({ name }) => name === chosen) ?? looks[0] ?? USUAL_LOOK;
  return lookInWords(look, bankDetails);
}
