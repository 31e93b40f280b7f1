import { addDays, day } from "@/core/calendar";
import { Matcher, propose, type MatchingInput } from "@/core/matching";
import { currencyOf, minor, type Currency } from "@/core/money";

import { seconds } from "./importing";
import type { Measure } from "./measure";

const USD = currencyOf("USD") as Currency;

function book(customers: number, items: number, receipts: number): MatchingInput {
  const today = day("2026-11-20");
  return {
    customers: Array.from({ length: customers }, (_, at) => ({
      id: at + 1,
      externalId: `C${at}`,
      name: `${["Alder", "Heron", "Cobalt", "Larkspur", "Juniper"][at % 5]} ${["Lane", "Point", "Row", "Hill"][at % 4]} Pottery ${at}`,
      email: `office${at}@customer${at}.example`,
      parentId: null,
    })),
    items: Array.from({ length: items }, (_, at) => ({
      id: at + 1,
      number: `INV-${100_000 + at}`,
      customerId: 1 + ((at * 7919) % customers),
      issuedOn: addDays(today, -(at % 60)),
      dueOn: addDays(today, 30 - (at % 60)),
      currency: USD,
      total: minor(1000 + ((at * 37) % 90_000)),
      balance: minor(1000 + ((at * 37) % 90_000)),
      poNumber: null,
      terms: "n/30",
    })),
    receipts: Array.from({ length: receipts }, (_, at) => {
      const item = (at * 104_729) % items;
      const owner = (item * 7919) % customers;
      return {
        id: at + 1,
        paidOn: today,
        method: "card" as const,
        currency: USD,
        amount: minor(1000 + ((item * 37) % 90_000)),
        payerName:
          at % 3 === 0
            ? ""
            : `${["Alder", "Heron", "Cobalt", "Larkspur", "Juniper"][owner % 5]} ${["Lane", "Point", "Row", "Hill"][owner % 4]} Pottery ${owner}`,
        payerEmail: at % 2 === 0 ? `office${owner}@customer${owner}.example` : "",
        reference: at % 4 === 0 ? `invoice ${100_000 + item}` : "",
      };
    }),
    history: [],
    closed: [],
    placed: [],
    settings: { discountGraceDays: 0, smallDifferenceLimit: 0 },
  };
}

/** One receipt again, and all that one posting can reach, in the large book. */
function again(): Measure[] {
  const input = book(10_000, 100_000, 10_000);
  const matcher = new Matcher(input);
  const proposals = matcher.all();
  const times = input.receipts.slice(0, 200).map((receipt) => {
    const from = performance.now();
    matcher.again(receipt);
    return performance.now() - from;
  });
  const fresh = new Matcher(input);
  fresh.all();
  const [first] = proposals.filter(({ decision }) => decision === "sure");
  const taken = new Set(first?.readings[0]?.lines.map(({ itemId }) => itemId));
  const next = {
    ...input,
    receipts: input.receipts.filter(({ id }) => id !== first?.receiptId),
    items: input.items.filter(({ id }) => !taken.has(id)),
  };
  const from = performance.now();
  const updated = fresh.update(next);
  return [
    {
      work: "Propose again for one receipt in that book, mean of 200",
      took: `${(times.reduce((sum, time) => sum + time, 0) / times.length).toFixed(1)} ms`,
      must: "20 ms",
    },
    {
      work: `Propose what one posting can reach, in that book (${updated?.length ?? 0} receipts told)`,
      took: seconds(performance.now() - from),
      must: "–",
    },
  ];
}

export function matching(): Measure[] {
  const all = [
    [1000, 10_000, 1000],
    [5000, 50_000, 5000],
    [10_000, 100_000, 10_000],
  ].map(([customers = 0, items = 0, receipts = 0]) => {
    const input = book(customers, items, receipts);
    global.gc?.();
    const from = performance.now();
    const sure = propose(input).filter(({ decision }) => decision === "sure").length;
    return {
      work: `Match ${receipts.toLocaleString("en")} receipts against ${items.toLocaleString("en")} open invoices (${sure} sure)`,
      took: `${seconds(performance.now() - from)}, ${Math.round(process.memoryUsage().rss / 1e6)} MB`,
      must: receipts === 10_000 ? "5 s, 700 MB" : "–",
    };
  });
  return [...all, ...again()];
}
