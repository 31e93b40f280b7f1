import type { TypedDraft } from "@/contracts/editor";

type WithDraft = { readonly draft: TypedDraft };

/** Whether what stands around the lines is as it was: while a line is typed it need not be drawn anew. */
export function sameButLines<Props extends WithDraft>(before: Props, now: Props): boolean {
  const differ = (a: object, b: object, but: string): boolean =>
    [...new Set([...Object.keys(a), ...Object.keys(b)])].some(
      (name) => name !== but && a[name as keyof typeof a] !== b[name as keyof typeof b],
    );
  return !differ(before, now, "draft") && !differ(before.draft, now.draft, "lines");
}
