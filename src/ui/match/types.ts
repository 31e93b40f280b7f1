import type { Day } from "@/core/calendar";
import type { Minor } from "@/core/money";

/** What the Match page is given; the server's queries have the same shapes. */
export type QueueName = "sure" | "check" | "none" | "aside";
export type MatchRow = { id: number; paidOn: Day; method: string; from: string; memo: string; best: string; look: string; lookAgainst: boolean; amount: Minor; leftOver: Minor | null; confidence: number };
export type Item = { itemId: number; number: string; customer: string; description: string; dueOn: Day; open: Minor };
export type ReadingLine = { itemId: number; number: string; description: string; open: Minor; amount: Minor; discount: Minor };
export type ShownReading = { customerId: number | null; customer: string; words: string; lines: ReadingLine[]; onAccount: Minor; confidence: number; reasons: { words: string; against: boolean }[] };
export type Workings = { receiptId: number; amount: Minor; readings: ShownReading[]; customerId: number | null; customer: string; items: Item[]; itemsSum: Minor; settledOn: Day; account: string; fee: Minor; disputed: boolean };
export type FoundCustomer = { id: number; name: string; externalId: string; open: Minor };
