import { Beginnings } from "./beginnings";

/** Names of payers who paid before, by their letters, so that one that a field cut off is found again. */
export class LearnedNames {
  private readonly times = new Map<string, { key: string; times: number }>();
  private names: readonly string[] = [];
  private beginnings: Beginnings | null = null;

  count(letters: string, key: string, by: number): void {
    if (letters === "") return;
    const known = this.times.get(letters)?.times ?? 0;
    if (known + by > 0) this.times.set(letters, { key, times: known + by });
    else this.times.delete(letters);
    if (known === 0 || known + by <= 0) this.beginnings = null;
  }

  /** Keys of the names that begin so. */
  of(letters: string): string[] {
    if (this.beginnings === null) {
      this.names = [...this.times.keys()];
      this.beginnings = new Beginnings(this.names.map((name, at) => [name, at] as const));
    }
    return this.beginnings
      .of(letters, MOST)
      .flatMap((at) => this.times.get(this.names[at] ?? "")?.key ?? []);
  }
}

/** A beginning that more payers share says nothing. */
const MOST = 8;
