"use client";

import { useCallback, useEffect, useRef, useState } from "react";

/**
 * A long list read in blocks as it is scrolled to. The first block comes with
 * the page; when the page is shown anew, the others are read again where they
 * are looked at, and show what they held until then.
 */
export function useBlocks<Row>(
  first: readonly Row[],
  blockRows: number,
  load: ((from: number) => Promise<Row[] | null>) | undefined,
): { rowAt: (index: number) => Row | undefined; want: (index: number) => void } {
  const [blocks, setBlocks] = useState<ReadonlyMap<number, readonly Row[]>>(new Map());
  const fresh = useRef(new Set<number>());
  useEffect(() => {
    fresh.current = new Set();
  }, [first]);
  const want = useCallback(
    (index: number): void => {
      const block = Math.floor(index / blockRows);
      if (block === 0 || !load || fresh.current.has(block)) return;
      fresh.current.add(block);
      void load(block * blockRows).then((rows) => {
        if (rows) setBlocks((before) => new Map(before).set(block, rows));
      });
    },
    [blockRows, load],
  );
  const rowAt = (index: number): Row | undefined =>
    index < blockRows
      ? first[index]
      : blocks.get(Math.floor(index / blockRows))?.[index % blockRows];
  return { rowAt, want };
}
