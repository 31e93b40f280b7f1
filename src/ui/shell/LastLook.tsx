"use client";

import { type ReactNode, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";

import { Act } from "../kit/buttons";
import { onOwnControl } from "../kit/keys";
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
 * second does it. Escape, or a second thought, does nothing.
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
    { enabled: enabled && asking, ignoreEventWhen: onOwnControl, preventDefault: true },
    [onGo],
  );
  useHotkeys(hint?.toLowerCase() ?? "", () => setAsking(true), {
    enabled: enabled && !asking && hint !== undefined,
    ignoreEventWhen: onOwnControl,
    preventDefault: true,
  });
  useHotkeys("escape", () => setAsking(false), { enabled: asking });
  if (!asking)
    return (
      <Act main {...(hint ? { hint } : {})} onClick={() => setAsking(true)} disabled={!enabled}>
        {ask}
      </Act>
    );
  return (
    <>
      <span>{words}</span>
      <Act main hint="Enter" onClick={confirm} disabled={!enabled}>
        {go}
      </Act>
      <Act hint="Esc" onClick={() => setAsking(false)}>
        Not yet
      </Act>
    </>
  );
}
