import { expect, type Page } from "@playwright/test";

export const DEMO = "/b/kestrel-row";

/** Collects what must never happen on a page: console messages, errors, and requests to anywhere but this server. */
export function watch(page: Page): { problems: string[]; outside: string[] } {
  const seen = { problems: [] as string[], outside: [] as string[] };
  page.on("console", (message) =>
    seen.problems.push(`${message.type()}: ${message.text()} ${message.location().url}`),
  );
  page.on("pageerror", (error) => seen.problems.push(`error: ${error.message}`));
  page.on("request", (request) => {
    if (!/^(http:\/\/127\.0\.0\.1:|data:|blob:http:\/\/127\.0\.0\.1:)/.test(request.url()))
      seen.outside.push(request.url());
  });
  return seen;
}

/** The proof strip shows every proof as holding. */
export async function proofsHold(page: Page): Promise<void> {
  const strip = page.getByRole("contentinfo", { name: "Proofs" });
  await expect(strip.getByText("comes out")).toHaveCount(3);
  await expect(strip.getByText("off", { exact: true })).toHaveCount(0);
}

/**
 * Waits until the page has come alive, so that keys are heard, and what it opened by itself is read,
 * so that nothing moves away from under a click any more.
 */
export async function alive(page: Page): Promise<void> {
  await page.waitForLoadState("load");
  await page.waitForFunction(() =>
    Object.keys(document.querySelector("main") ?? {}).some((key) => key.startsWith("__react")),
  );
  await expect(page.getByText("Reading …")).toHaveCount(0);
}

/**
 * Sums that cannot be read whole: beyond an edge of the screen, or cut by a part of the page that
 * does not show all of itself. What is scrolled away downwards is not cut.
 */
export function cutSums(page: Page): Promise<string[]> {
  return page.evaluate(() => {
    const cut: string[] = [];
    for (const sum of document.querySelectorAll<HTMLElement>("[data-sum], [data-total]")) {
      const { left, right, width } = sum.getBoundingClientRect();
      if (width === 0 || sum.closest("[data-hidden]")) continue;
      let [from, to] = [0, window.innerWidth];
      for (let at = sum.parentElement; at; at = at.parentElement) {
        if (getComputedStyle(at).overflowX === "visible") continue;
        const box = at.getBoundingClientRect();
        [from, to] = [Math.max(from, box.left), Math.min(to, box.right)];
      }
      if (left < from - 1 || right > to + 1)
        cut.push(`${sum.innerText} (${Math.round(left)} to ${Math.round(right)} of ${to})`);
    }
    return cut;
  });
}
