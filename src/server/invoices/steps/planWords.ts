import { formatDay } from "@/core/calendar";
import type { Plan } from "@/core/invoices";

/** A plan in words. @example "every 2 months from Sun 1 Nov, 12 times" */
export function planWords({ every, startsOn, until, times }: Plan): string {
  const often = every.count === 1 ? `every ${every.unit}` : `every ${every.count} ${every.unit}s`;
  const last = every.monthEnd ? " on its last day" : "";
  const end = until === null ? "" : ` until ${formatDay(until)} ${until.slice(0, 4)}`;
  const most = times === null ? "" : `, ${times === 1 ? "once" : `${times} times`}`;
  return `${often}${last} from ${formatDay(startsOn)} ${startsOn.slice(0, 4)}${end}${most}`;
}
