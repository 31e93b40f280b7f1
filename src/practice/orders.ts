import { type Day, isBankingDay } from "@/core/calendar";

import { seedOf } from "./habits";
import type { Person } from "./people";
import { Random } from "./random";

/** What is sold: its words, its price in cents, how many at most. */
export const GOODS = [
  ["Stoneware, bags", 2450, 30],
  ["Porcelain, bags", 3175, 20],
  ["Glaze, pints", 1890, 24],
  ["Kiln shelves", 7400, 8],
  ["Pyrometric cones", 1225, 12],
  ["Kiln furniture", 15_800, 3],
  ["Thermocouples", 4350, 4],
  ["Banding wheels", 8900, 5],
] as const;

const HEAD =
  "document,customer_id,issued_on,terms,due_on,currency,po_number,item,description,quantity,rate,discount_percent,tax_code,tax_percent\n";

/** What is ordered on a day, as orders.csv; null where nothing is. */
export function ordersOf(seed: number, people: readonly Person[], on: Day): string | null {
  if (!isBankingDay(on)) return null;
  const rows = people.flatMap(({ id, habit, parent }) => {
    const random = new Random(seedOf(seed, "order", id, on));
    if (!random.chance(habit.orders / 21)) return [];
    const [words, price, most] = random.pick(GOODS);
    const po = parent || random.chance(0.15) ? `P-${random.whole(10_000, 99_999)}` : "";
    // Schools are exempt; others pay 6 % on goods.
    const tax = habit.terms === "2/10 n/30" ? "," : "SALES,6";
    return [
      `${id}-${on},${id},${on},${habit.terms},,USD,${po},,"${words}",${random.whole(1, most)},${(price / 100).toFixed(2)},,${tax}`,
    ];
  });
  return rows.length === 0 ? null : `${HEAD}${rows.join("\n")}\n`;
}
