import type { Page } from "@playwright/test";

import { alive, DEMO } from "./helpers";

export const PHONE = { width: 390, height: 844 };
export const DESK = { width: 1280, height: 800 };
/** The customer's own pages stand behind the door of customers. */
export const atTheDoor = (path: string, origin: string): string => {
  const url = new URL(path, origin);
  url.port = String(Number(new URL(origin).port) + 1);
  return url.href;
};

/** What is behind the link of a customer's own page. */
export async function tokenOf(page: Page, customer: string): Promise<string> {
  await page.setViewportSize(DESK);
  await page.goto(`${DEMO}/customers?q=${encodeURIComponent(customer)}`);
  await page.getByRole("link", { name: customer }).first().click();
  await alive(page);
  const account = await page.getByRole("link", { name: "What they see" }).getAttribute("href");
  await page.setViewportSize(PHONE);
  return /[0-9a-f]{48}/.exec(account ?? "")?.[0] ?? "";
}

/** Keeps the page's scripts on their way until they are released. */
export async function heldScripts(page: Page): Promise<{ release: () => void }> {
  let release = (): void => undefined;
  const released = new Promise<void>((resolve) => {
    release = resolve;
  });
  await page.route("**/_next/static/**/*.js", async (route) => {
    await released;
    await route.continue();
  });
  return { release };
}
