"use client";

import { type ReactNode, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";

import { Act } from "../kit/buttons";
import { inDialog, meantElsewhere } from "../kit/keys";
import { useActing } from "./Notices";

type Props = {
  /** The key that asks; Enter then does it. */
  hint?: string;
  /** What the button says before, and at the last look. */
  ask: string;
  go: string;
  /** What will be done, to how many, and whether it can be undone. */
  words: ReactNode;
  onGo: () => void;
  disabled?: boolean;
};

/**
 * The button of an act over many: the first press shows what will be done and to how many, the
 * second does it. The focus lies on it meanwhile, so that Enter means this and no row of the page.
 * Escape, or a second thought, does nothing.
 */
export function LastLook({ hint, ask, go, words, onGo, disabled = false }: Props): ReactNode {
  const { busy } = useActing();
  const [asking, setAsking] = useState(false);
  const enabled = !busy && !disabled;
  const confirm = (): void => {
    setAsking(false);
    onGo();
  };
  useHotkeys(
    "enter",
    confirm,
    { enabled: enabled && asking, ignoreEventWhen: meantElsewhere, preventDefault: true },
    [onGo],
  );
  useHotkeys(hint?.toLowerCase() ?? "", () => setAsking(true), {
    enabled: enabled && !asking && hint !== undefined,
    ignoreEventWhen: meantElsewhere,
    preventDefault: true,
  });
  useHotkeys("escape", () => setAsking(false), { enabled: asking, ignoreEventWhen: inDialog });
  if (!asking)
    return (
      <Act main {...(hint ? { hint } : {})} onClick={() => setAsking(true)} disabled={!enabled}>
        {ask}
      </Act>
    );
  return (
    <>
      <span>{words}</span>
      <Act main hint="Enter" autoFocus onClick={confirm} disabled={!enabled}>
        {go}
      </Act>
      <Act hint="Esc" onClick={() => setAsking(false)}>
        Not yet
      </Act>
    </>
  );
}
