import type { ReactNode } from "react";

import type { PayItem } from "@/contracts/paying";

import { Total } from "../kit/Amount";
import {
  PayBox,
  PayButton,
  PayField,
  PayFoot,
  PayLine,
  PayList,
  PayRow,
  PaySelect,
  PaySum,
  PayTitle,
  PayWord,
} from "../kit/pay";
import { Plan, PlanParts } from "./Plan";
import { say } from "./say";
import type { StepProps } from "./stepProps";
import { Ways } from "./Ways";

/** What is open, those past their day first; which of it is paid, and by what. It reads without scripts. */
export function ChooseStep(props: StepProps): ReactNode {
  const { facts, paying, words, day } = props;
  const { items, agreed } = facts;
  const canPay = facts.processor !== "" && facts.ways.length > 0 && paying.payable.length > 0;
  const method = facts.methods.find(({ id }) => id === agreed?.methodId);
  return (
    <>
      <header>
        <p>{say(words.asks, { business: facts.business })}</p>
        <PayTitle>{facts.customer}</PayTitle>
      </header>
      {items.length === 0 ? (
        <p data-tone="good">{facts.ended ? words.ended : words.nothing}</p>
      ) : null}
      <PayList>
        {items.map((item) => (
          <Item key={item.id} item={item} {...props} />
        ))}
      </PayList>
      <Sum {...props} canPay={canPay} />
      <Besides {...props} />
      {agreed && method ? (
        <p data-words>
          {say(words.agreed, {
            method: say(facts.method, method),
            day: day(agreed.onDay),
          })}{" "}
          <PayWord onClick={() => void paying.end(null)}>{words.end}</PayWord>
        </p>
      ) : null}
      {canPay ? <Ways {...props} /> : null}
      <Questions {...props} />
      {canPay ? (
        <PayFoot>
          <noscript>
            <p>{words.script}</p>
          </noscript>
          <PayButton
            type="button"
            disabled={paying.parts.length === 0 || paying.ways.length === 0}
            onClick={paying.goOn}
          >
            {words.goOn}
          </PayButton>
          <p>{words.notYet}</p>
        </PayFoot>
      ) : null}
      {items.length > 0 && !canPay ? <p data-tone="soft">{words.notHere}</p> : null}
    </>
  );
}

/** What is paid of what is chosen. */
function Sum({ canPay, ...props }: StepProps & { canPay: boolean }): ReactNode {
  if (props.facts.items.length === 0) return null;
  return (
    <>
      <PaySum>
        <span>{props.words.youPay}</span>
        <Total>{props.sum(props.paying.sum)}</Total>
      </PaySum>
      {canPay && props.paying.plan.length === 0 ? <OwnSum {...props} /> : null}
      {canPay ? <InParts {...props} /> : null}
    </>
  );
}

/** A sum of one's own, where the business lets its customers choose it. */
function OwnSum({ paying, words, sum }: StepProps): ReactNode {
  const { bounds, isFixed, isWrong } = paying;
  if (bounds === null || bounds.to <= 0) return null;
  const limits = { from: sum(bounds.from), to: sum(bounds.to) };
  if (isFixed) return <p data-words>{words.fixed}</p>;
  if (bounds.from >= bounds.to) return null;
  return (
    <PayField
      label={words.ownSum}
      name="ownSum"
      inputMode="decimal"
      autoComplete="off"
      value={paying.ownSum}
      help={say(words.limits, limits)}
      error={isWrong ? say(words.outside, limits) : undefined}
      onChange={(event) => paying.setOwnSum(event.target.value)}
    />
  );
}

/** Whether it is paid at once, or what is overdue in parts, each with its day. */
function InParts({ facts, paying, words, sum, day }: StepProps): ReactNode {
  if (!paying.mayPlan) return null;
  const counts = Array.from({ length: facts.planParts - 1 }, (_, at) => at + 2);
  return (
    <>
      <PaySelect
        label={words.inParts}
        options={[
          ["1", words.notInParts] as const,
          ...counts.map((count) => [String(count), say(words.parts, { count })] as const),
        ]}
        value={String(paying.count)}
        onChange={(event) => paying.setCount(Number(event.target.value))}
      />
      <PlanParts parts={paying.plan} sum={sum} day={day} />
    </>
  );
}

/** What else stands on the account: credit, what is open in other currencies, what is on its way. */
function Besides({ facts, paying, words, sum, day, base }: StepProps): ReactNode {
  return (
    <>
      {facts.credit > 0 ? (
        <p data-words>{say(words.onAccount, { sum: sum(facts.credit) })}</p>
      ) : null}
      {facts.others.map((currency) => (
        <p key={currency}>
          <a href={`${base}?currency=${currency}`}>{say(words.otherCurrency, { currency })}</a>
        </p>
      ))}
      {facts.plans.map((plan) => (
        <Plan key={plan.id} plan={plan} paying={paying} words={words} sum={sum} day={day} />
      ))}
      {facts.onWay.map(({ amount, settlesOn }, at) => (
        <p key={at} data-tone="waits">
          {say(words.onWay, { sum: sum(amount), day: settlesOn ? day(settlesOn) : "" })}
        </p>
      ))}
    </>
  );
}

function Questions({ facts: { byClerk, ended }, words, base }: StepProps): ReactNode {
  if (byClerk || ended) return null;
  return (
    <small>
      <a href={`${base}/questions`}>{words.questions}</a>
    </small>
  );
}

/** An invoice with its box; one that is being paid already has none. */
function Item({ item, facts, paying, words, sum, day }: StepProps & { item: PayItem }): ReactNode {
  const isLate = item.dueOn < facts.today;
  const left = item.balance - item.beingPaid;
  const name = (
    <>
      <span data-name>
        <b data-strong>{item.number}</b> {item.description ?? ""}
        <small data-tone={isLate ? "off" : undefined}>
          {left > 0 && !item.inPlan
            ? `${isLate ? words.wasDue : words.due} ${day(item.dueOn)}`
            : beingPaidBy(item, words)}
        </small>
      </span>
      <span data-sum>{sum(item.balance)}</span>
    </>
  );
  if (left <= 0 || item.inPlan)
    return (
      <PayRow>
        <PayLine>
          <span />
          {name}
        </PayLine>
      </PayRow>
    );
  return (
    <PayRow>
      <label>
        <PayBox checked={!paying.out.has(item.id)} onChange={() => paying.toggle(item.id)} />
        {name}
      </label>
    </PayRow>
  );
}

const beingPaidBy = ({ inPlan }: PayItem, words: StepProps["words"]): string =>
  inPlan ? words.inPlan : words.beingPaid;
