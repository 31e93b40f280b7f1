import { ChakraProvider } from "@chakra-ui/react";
import { renderToStaticMarkup } from "react-dom/server";

import { type QueueName, QUEUES } from "@/contracts/match";
import { day } from "@/core/calendar";
import { type Currency, currencyOf, minor, type Minor } from "@/core/money";

import { InBook } from "../kit/book";
import { system } from "../kit/theme";
import { MatchHeading } from "./MatchHeading";

const USD = currencyOf("USD") as Currency;
type Sums = Record<QueueName, { count: number; sum: Minor }>;
const NONE = Object.fromEntries(QUEUES.map((name) => [name, { count: 0, sum: minor(0) }])) as Sums;
const nothing = (): void => undefined;

/** The tabs as they are read, the files that are offered, and the acts. */
function heading(
  sums: Partial<Sums>,
  { queue = "check", handCount = 0 }: { queue?: QueueName | "hand"; handCount?: number } = {},
): { tabs: string[]; file: string | undefined; text: string } {
  const html = renderToStaticMarkup(
    <ChakraProvider value={system}>
      <InBook book="kestrel-row" currency={USD} today={day("2026-11-24")}>
        <MatchHeading
          book="kestrel-row"
          currency={USD}
          handCount={handCount}
          looking={false}
          queue={queue}
          recording={false}
          setLooking={nothing}
          setRecording={nothing}
          sums={{ ...NONE, ...sums }}
          total={minor(1_974_336)}
        />
      </InBook>
    </ChakraProvider>,
  ).replace(/<style[^>]*>.*?<\/style>/gs, "");
  const words = (part: string): string =>
    part
      .replace(/<!-- -->/g, "")
      .replace(/<[^>]+>/g, "")
      .replace(/\s+/g, " ")
      .trim();
  return {
    tabs: [...html.matchAll(/<a[^>]*href="\?queue=[^"]*"[^>]*>(.*?)<\/a>/gs)].map(([, tab = ""]) =>
      words(tab),
    ),
    file: /href="([^"]*export\/match[^"]*)"/.exec(html)?.[1],
    text: words(html),
  };
}

describe("the heading of Match", () => {
  it("says what is to be matched first, and has the queues of the work always", () => {
    const { text, tabs } = heading({});
    expect(text).toMatch(/^To match 19,743\.36 to match/);
    expect(tabs).toEqual(["Sure 0", "To check 0", "No home yet 0"]);
  });
  it("shows a queue beside the work while something is in it, without a sum", () => {
    const { tabs } = heading({
      sure: { count: 36, sum: minor(1_781_574) },
      second: { count: 1, sum: minor(5000) },
    });
    expect(tabs).toEqual(["Sure 36, 17,815.74", "To check 0", "No home yet 0", "Approvals 1"]);
  });
  it("keeps the queue that is open in view, though nothing is in it any more", () => {
    expect(heading({}, { queue: "aside" }).tabs).toContain("Set aside 0");
    expect(heading({}, { queue: "hand" }).tabs).toContain("On hand 0");
    expect(heading({}, { handCount: 4 }).tabs).toContain("On hand 4");
  });
  it.each([...QUEUES, "hand"] as const)("gives the file of the queue that is open: %s", (queue) =>
    expect(heading({}, { queue }).file).toBe(
      `/api/v1/b/kestrel-row/export/match?queue=${queue}&amp;format=csv`,
    ),
  );
  it("offers to look through the sure ones only where there are some", () => {
    expect(heading({}).text).not.toContain("Look through");
    expect(heading({ sure: { count: 2, sum: minor(100) } }).text).toContain("Look through 2 sure");
  });
});
