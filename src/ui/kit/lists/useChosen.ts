import { useState } from "react";

/** The rows of a list that were ticked, by their ids; `changed` is told of each tick. */
export function useChosen(changed: () => void = () => undefined) {
  const [chosen, setChosen] = useState<ReadonlySet<number>>(new Set());
  const toggle = (id: number): void => {
    const next = new Set(chosen);
    if (!next.delete(id)) next.add(id);
    setChosen(next);
    changed();
  };
  return { chosen, toggle, clear: () => setChosen(new Set()) };
}
