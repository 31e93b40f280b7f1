import { type ReactNode, useEffect, useState } from "react";

import { PayWord } from "../kit/pay";
import { PayFrame } from "../kit/payFrame";
import type { StepProps } from "./stepProps";
import type { Taken } from "./onStep";

/** An account is taken by signing in at its bank, on the processor's own page within this one. */
export function SignIn({ facts, paying, words }: StepProps): ReactNode {
  const [isOpen, setOpen] = useState(false);
  const { takeSigned } = paying;
  const { origin } = new URL(facts.processor);
  useEffect(() => {
    const hear = (event: MessageEvent<{ account?: Taken }>): void => {
      if (event.origin === origin && event.data.account) takeSigned(event.data.account);
    };
    window.addEventListener("message", hear);
    return () => window.removeEventListener("message", hear);
  });
  if (!isOpen) return <PayWord onClick={() => setOpen(true)}>{words.signIn}</PayWord>;
  const around = encodeURIComponent(window.location.origin);
  return <PayFrame title={words.signIn} src={`${facts.processor}/sign-in?for=${around}`} />;
}
