/** What would make a document stand at another sum than its entries say. */
export type OffReason = "missing" | "left" | "sign" | "digits" | "twice" | "other";

/**
 * What explains that a document and the journal's own lines about it differ:
 * the journal does not know it, or still holds what the document has let go; its
 * sign is turned; it counts twice; or two neighbouring digits have changed
 * places (then the difference is divisible by 9). The first that fits.
 * @example whatIsOff(0, 6000) // "missing"
 */
export function whatIsOff(journal: number, documents: number): OffReason {
  if (journal === 0) return "missing";
  if (documents === 0) return "left";
  if (journal === -documents) return "sign";
  if (documents === 2 * journal || journal === 2 * documents) return "twice";
  return swapped(Math.abs(journal), Math.abs(documents)) ? "digits" : "other";
}

/** Whether two numbers differ by one swap of neighbouring digits. */
function swapped(a: number, b: number): boolean {
  const [left, right] = [String(a), String(b)];
  if (left.length !== right.length || (a - b) % 9 !== 0) return false;
  const at = [...left].findIndex((digit, index) => digit !== right[index]);
  return (
    at >= 0 &&
    left[at] === right[at + 1] &&
    left[at + 1] === right[at] &&
    left.slice(at + 2) === right.slice(at + 2)
  );
}

export function offInWords(reason: OffReason): string {
  const words: Record<OffReason, string> = {
    missing: "no entry stands for it",
    left: "its entries stand, but it has let go of the sum",
    sign: "its sign is turned",
    digits: "two digits have changed places",
    twice: "it counts twice on one side",
    other: "nothing simple explains it: look at its entries one by one",
  };
  return words[reason];
}
