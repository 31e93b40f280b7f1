import vm from "node:vm";

/**
 * What work returns, or "stopped" when it does not return within `ms`: a pattern that goes back, or
 * a loop without an end, is named so by the test that meets it and does not hold all the others up.
 * Only what runs before the first `await` of the work is stopped.
 */
export function stoppedAfter<T>(ms: number, work: () => T): T | "stopped" {
  try {
    return vm.runInNewContext("work()", { work }, { timeout: ms }) as T;
  } catch (thrown) {
    // It is an error of Node's own realm, where a test runs in another.
    const { code } = thrown as { readonly code?: string };
    if (code === "ERR_SCRIPT_EXECUTION_TIMEOUT") return "stopped";
    throw thrown;
  }
}
