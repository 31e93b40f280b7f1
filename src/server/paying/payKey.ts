import { createHash } from "node:crypto";

/** The key of a payment by what it is for: the same whenever it is asked for again. */
export const payKey = (by: string, itemIds: readonly number[], tries: number): string =>
  `${by}-${createHash("sha256")
    .update(JSON.stringify([...itemIds, tries]))
    .digest("hex")
    .slice(0, 40)}`;
