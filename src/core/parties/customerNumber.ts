/**
 * The next number for a new customer: after the highest of those that are written as the latest one
 * is (`C-0219` gives `C-0220`); without any, `C1`.
 */
export function nextCustomerNumber(
  latest: string | null,
  taken: (number: string) => boolean,
): string {
  const match = /^(.*?)(\d{1,12})$/u.exec(latest ?? "C0");
  const [, prefix = "C", digits = "0"] = match ?? [];
  for (let next = Number(digits) + 1; ; next += 1) {
    const number = `${prefix}${String(next).padStart(digits.length, "0")}`;
    if (!taken(number)) return number;
  }
}
