import { type BrowserContext, test as base } from "@playwright/test";

/**
 * The flows' test: its pages are those of one browser profile, as a clerk has it open all day, so
 * that scripts are fetched and compiled once. What a flow leaves in the profile goes with its end.
 */
export const test = base.extend<object, { profile: BrowserContext }>({
  profile: [
    async ({ browser }, use, { project }) => {
      const { baseURL, viewport } = project.use;
      const profile = await browser.newContext({
        ...(baseURL === undefined ? {} : { baseURL }),
        ...(viewport === undefined ? {} : { viewport }),
      });
      await use(profile);
      await profile.close();
    },
    { scope: "worker" },
  ],
  context: async ({ profile }, use) => {
    await use(profile);
    await profile.clearCookies();
  },
  page: async ({ context, viewport, baseURL }, use) => {
    const page = await context.newPage();
    if (viewport) await page.setViewportSize(viewport);
    await use(page);
    const devtools = await context.newCDPSession(page);
    if (baseURL !== undefined)
      await devtools.send("Storage.clearDataForOrigin", {
        origin: baseURL,
        storageTypes: "local_storage",
      });
    for (const left of context.pages()) await left.close();
  },
});
