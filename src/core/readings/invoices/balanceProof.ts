import { type Reading, sumOfCell } from "../canonical";
import type { Row } from "../cells";

/** Whether what was made out, less what was paid of it, is what is open, where columns say the three. */
export function balanceProof(reading: Reading, rows: readonly Row[]): string[] {
  const { cells } = reading;
  if (!cells.has("balance") || !cells.has("paid") || rows.length === 0) return [];
  const off = rows.find((row) => {
    const [total, paid, balance] = ["total", "paid", "balance"].map((field) =>
      Math.abs(sumOfCell(reading, row, field) ?? 0),
    );
    const credited = Math.abs(sumOfCell(reading, row, "credited") ?? 0);
    return (total ?? 0) - (paid ?? 0) - credited !== (balance ?? 0);
  });
  return [
    off
      ? `total less paid is not the balance on line ${off.line}`
      : `total less paid is the balance on all ${rows.length} lines`,
  ];
}
