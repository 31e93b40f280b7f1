import type { ReactNode } from "react";

import type { MethodOnFile } from "@/contracts/payMethods";
import type { WayToPay } from "@/core/paying";

import { PayChoices, PayHeading, PayLine, PayRadio, PayWord, WayCard } from "../kit/pay";
import { say } from "./say";
import type { StepProps } from "./stepProps";

/** By what it is paid: what is on file first, then a new account or card. */
export function Ways({ facts, paying, words, sum, day }: StepProps): ReactNode {
  const { chosen, setChosen } = paying;
  // Invoices that are offered in different ways are paid one after the other.
  if (paying.ways.length === 0) return <p data-tone="waits">{words.notTogether}</p>;
  const methods = facts.methods.filter(({ way }) => paying.ways.includes(way));
  const cost = (way: WayToPay): string => {
    const more = paying.costOf(way);
    if (more === 0) return words.costsNothing;
    return say(more > 0 ? words.costs : words.saves, { sum: sum(Math.abs(more)) });
  };
  const unproven = ({ sumsThereOn }: MethodOnFile): string =>
    sumsThereOn ? say(words.proveNote, { day: day(sumsThereOn) }) : words.proveBefore;
  const notes = {
    card: `${words.cardNote}, ${cost("card")}`,
    bank: `${say(words.bankNote, { day: day(facts.debitSettlesOn) })}, ${cost("bank")}`,
  };
  return (
    <PayChoices aria-label={words.how}>
      <PayHeading>{words.how}</PayHeading>
      {methods.map((method) => (
        <PayLine key={method.id}>
          <WayCard>
            <span>
              <b data-strong>{say(facts.method, method)}</b>
              <small>
                {method.usable ? notes[method.way] : unproven(method)}
                {method.expires
                  ? `, ${words.runsOut} ${method.expires.slice(5)}/${method.expires.slice(2, 4)}`
                  : ""}
              </small>
            </span>
            <PayRadio
              checked={"onFile" in chosen && chosen.onFile.id === method.id}
              onChange={() => setChosen({ onFile: method })}
            />
          </WayCard>
          {facts.byClerk || facts.agreed?.methodId === method.id ? null : (
            <PayWord onClick={() => void paying.end(method.id)}>
              {words.remove} {method.lastFour}
            </PayWord>
          )}
        </PayLine>
      ))}
      {[...paying.ways].reverse().map((way) => (
        <WayCard key={way}>
          <span>
            <b data-strong>{words[way]}</b>
            <small>{notes[way]}</small>
          </span>
          <PayRadio
            checked={"fresh" in chosen && chosen.fresh === way}
            onChange={() => setChosen({ fresh: way })}
          />
        </WayCard>
      ))}
    </PayChoices>
  );
}
