/** Names by their letters in order, to find those that begin as a field that was cut off shows. */
export class Beginnings {
  private readonly entries: readonly (readonly [letters: string, id: number])[];

  constructor(entries: Iterable<readonly [letters: string, id: number]>) {
    this.entries = [...entries].sort(([a], [b]) => (a < b ? -1 : Number(a > b)));
  }

  /** Whose names begin so, whether or not they go on; at most `most` names. */
  of(letters: string, most: number): number[] {
    const found: number[] = [];
    for (let at = this.first(letters); at < this.entries.length && found.length < most; at += 1) {
      const [name, id] = this.entries[at] ?? ["", 0];
      if (!name.startsWith(letters)) break;
      found.push(id);
    }
    return found;
  }

  private first(letters: string): number {
    let [low, high] = [0, this.entries.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if ((this.entries[middle]?.[0] ?? "") < letters) low = middle + 1;
      else high = middle;
    }
    return low;
  }
}
