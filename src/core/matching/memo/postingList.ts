import type { MatchItem } from "../types";

/** Items by a form of their number. Nearly all stand alone there, and are kept without a list around them. */
export class PostingList {
  private readonly items = new Map<string, MatchItem | MatchItem[]>();

  get(key: string): readonly MatchItem[] | undefined {
    const found = this.items.get(key);
    return found === undefined || Array.isArray(found) ? found : [found];
  }

  put(key: string, item: MatchItem): void {
    const found = this.items.get(key);
    if (found === undefined) this.items.set(key, item);
    else if (Array.isArray(found)) found.push(item);
    else this.items.set(key, [found, item]);
  }

  drop(key: string, item: MatchItem): void {
    const left = (this.get(key) ?? []).filter(({ id }) => id !== item.id);
    if (left.length === 0) this.items.delete(key);
    else this.items.set(key, [...left]);
  }
}
