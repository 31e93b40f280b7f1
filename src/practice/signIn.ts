import { ok, type Result } from "@/core/result";
import type { KeptMethod } from "@/core/paying";

import { seedOf } from "./habits";
import { practiceAccount, PRACTICE_ROUTING } from "./numbers";
import type { PracticeProcessor } from "./processor";

/** The accounts that whoever signs in at the practice bank has there. */
export const ACCOUNTS = ["Checking", "Savings"] as const;
export type AccountName = (typeof ACCOUNTS)[number];

/** Takes one of the accounts of whoever has signed in: its bank says that it is theirs. */
export function takeSignedIn(
  processor: PracticeProcessor,
  { name, account }: { name: string; account: AccountName },
): Result<KeptMethod> {
  const number = practiceAccount(seedOf(name.trim().toLowerCase(), account) % 100_000_000);
  const taken = processor.takeAccount(
    { routing: PRACTICE_ROUTING, account: number, again: number },
    true,
  );
  return taken.ok ? ok(taken.value) : taken;
}

/**
 * The practice bank's own page, as it stands within a pay page: whoever signs in chooses an account,
 * and what may be known of it is told to the page around it, and to no other.
 */
export const signInPage = (book: string, around: string): string => `<!doctype html>
<html lang="en">
<meta charset="utf-8">
<title>Harbor Practice Bank</title>
<style>
  body { font: 16px/1.5 system-ui, sans-serif; margin: 0; padding: 14px; color: #22313a; background: #fff; }
  h1 { font-size: 18px; margin: 0 0 4px; }
  label { display: block; margin: 10px 0 4px; }
  input[type=text] { font: inherit; width: 100%; box-sizing: border-box; padding: 8px; border: 1px solid #55666f; }
  button { font: inherit; margin-top: 14px; padding: 10px 16px; border: 0; background: #22313a; color: #fff; width: 100%; }
</style>
<main>
  <h1>Harbor Practice Bank</h1>
  <p>This bank is for practice: any name will do, and no word is asked for.</p>
  <form>
    <label for="name">Your name at this bank</label>
    <input id="name" name="name" type="text" required maxlength="40" autocomplete="off">
    ${ACCOUNTS.map(
      (account, at) =>
        `<label><input type="radio" name="account" value="${account}"${at === 0 ? " checked" : ""}> ${account}</label>`,
    ).join("\n    ")}
    <button>Let it be used</button>
    <p role="alert"></p>
  </form>
</main>
<script>
  const form = document.querySelector("form");
  form.addEventListener("submit", async (event) => {
    event.preventDefault();
    const body = JSON.stringify(Object.fromEntries(new FormData(form)));
    const answer = await fetch("/${book}/signed-in", { method: "POST", body }).catch(() => null);
    if (answer && answer.ok) parent.postMessage({ account: await answer.json() }, ${JSON.stringify(around)});
    else document.querySelector("[role=alert]").textContent = "This did not arrive. Press again.";
  });
</script>
</html>
`;
