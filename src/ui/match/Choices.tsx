"use client";

import { Box, chakra } from "@chakra-ui/react";
import {
  type Dispatch,
  type ReactNode,
  type RefObject,
  type SetStateAction,
  useRef,
  useState,
} from "react";
import { useHotkeys } from "react-hotkeys-hook";

import type { WorkingsItem } from "@/contracts/match";
import { type Day, formatDay } from "@/core/calendar";
import { type Currency, formatAmount, type Minor, sumOf } from "@/core/money";

import { RowButton } from "../kit/buttons";
import { LineField, Tick } from "../kit/fields";
import { Subheading } from "../kit/headings";
import { DetailTable } from "../kit/tables";
import type { Tally } from "./tally";
import { useItemFilter } from "./useItemFilter";

const MOST_SHOWN = 300;
/** What is open at the customer and its group; ticked items stand in the tally. The filter takes words and sums. */
export function OpenItems({
  items,
  tally,
  toggle,
  takeSet,
  left,
  currency,
  today,
}: {
  items: readonly WorkingsItem[];
  tally: Tally;
  toggle: (item: WorkingsItem) => void;
  takeSet: (items: readonly WorkingsItem[]) => void;
  left: Minor;
  currency: Currency;
  today: Day;
}): ReactNode {
  const [text, setText] = useState("");
  const { ids, sets } = useItemFilter(items, text, left, currency);
  const field = useRef<HTMLInputElement>(null);
  useHotkeys("f", () => field.current?.focus(), { preventDefault: true });
  if (tally.customerId === null) return null;
  const several = new Set(items.map((item) => item.customer)).size > 1;
  const shown = new Set(ids);
  const listed = items.filter(({ itemId }) => shown.has(itemId));
  const itemsOf = (set: readonly number[]): WorkingsItem[] =>
    items.filter(({ itemId }) => set.includes(itemId));
  return (
    <>
      <Subheading>
        Open at {tally.customer}
        {several ? " and its group" : ""}{" "}
        <span data-tone="soft" data-light>
          {listed.length === items.length ? "" : `${listed.length} of `}
          {items.length} {items.length === 1 ? "item" : "items"},{" "}
          {formatAmount(
            sumOf(listed, (item) => item.open),
            currency,
          )}
        </span>
      </Subheading>
      {items.length > 4 ? (
        <ItemFilter
          field={field}
          itemsOf={itemsOf}
          listed={listed}
          setText={setText}
          sets={sets}
          takeSet={takeSet}
          text={text}
          toggle={toggle}
        />
      ) : null}
      {text.trim() !== "" && sets.length > 0 ? (
        <SetsOfSum currency={currency} itemsOf={itemsOf} sets={sets} takeSet={takeSet} />
      ) : null}
      {text.trim() !== "" && listed.length === 0 && sets.length === 0 ? (
        <p data-tone="soft">Nothing open is that, nor makes that sum.</p>
      ) : null}
      <Box
        maxHeight="210px"
        overflow="auto"
        tabIndex={0}
        role="group"
        aria-label={`Open at ${tally.customer}`}
      >
        <DetailTable>
          <tbody>
            {listed.slice(0, MOST_SHOWN).map((item) => (
              <OpenItemRow
                key={item.itemId}
                currency={currency}
                item={item}
                several={several}
                tally={tally}
                today={today}
                toggle={toggle}
              />
            ))}
          </tbody>
        </DetailTable>
        {listed.length > MOST_SHOWN ? (
          <p data-tone="soft">
            and {listed.length - MOST_SHOWN} more: filter them by a sum or a number
          </p>
        ) : null}
      </Box>
    </>
  );
}
type ItemFilterProps = {
  field: RefObject<HTMLInputElement | null>;
  itemsOf: (set: readonly number[]) => WorkingsItem[];
  listed: WorkingsItem[];
  setText: Dispatch<SetStateAction<string>>;
  sets: readonly { readonly ids: readonly number[]; readonly sum: Minor }[];
  takeSet: (items: readonly WorkingsItem[]) => void;
  text: string;
  toggle: (item: WorkingsItem) => void;
};
function ItemFilter({
  field,
  itemsOf,
  listed,
  setText,
  sets,
  takeSet,
  text,
  toggle,
}: ItemFilterProps): ReactNode {
  return (
    <LineField
      kind="words"
      width="100%"
      marginBottom="4px"
      ref={field}
      type="search"
      aria-label="Filter the open items"
      placeholder="F  a sum, > 500, 100-200, = what is left, or words"
      value={text}
      onChange={(event) => setText(event.target.value)}
      onKeyDown={(event) => {
        if (event.key === "Escape") {
          setText("");
          event.currentTarget.blur();
        }
        const [only] = listed;
        const [set] = sets;
        if (event.key === "Enter" && only && listed.length === 1) toggle(only);
        else if (event.key === "Enter" && set && listed.length === 0) takeSet(itemsOf(set.ids));
      }}
    />
  );
}
type SetsOfSumProps = {
  currency: Currency;
  itemsOf: (set: readonly number[]) => WorkingsItem[];
  sets: readonly { readonly ids: readonly number[]; readonly sum: Minor }[];
  takeSet: (items: readonly WorkingsItem[]) => void;
};
function SetsOfSum({ currency, itemsOf, sets, takeSet }: SetsOfSumProps): ReactNode {
  return (
    <DetailTable aria-label="Several that make this sum">
      <tbody>
        {sets.map((set) => (
          <tr key={set.ids.join()}>
            <td>
              <RowButton onClick={() => takeSet(itemsOf(set.ids))}>
                {itemsOf(set.ids)
                  .map(({ number }) => number)
                  .join(" + ")}
              </RowButton>
            </td>
            <td data-numeric data-sum>
              {formatAmount(set.sum, currency)}
            </td>
          </tr>
        ))}
      </tbody>
    </DetailTable>
  );
}
type OpenItemRowProps = {
  currency: Currency;
  item: WorkingsItem;
  several: boolean;
  tally: Tally;
  today: Day;
  toggle: (item: WorkingsItem) => void;
};
function OpenItemRow({
  currency,
  item,
  several,
  tally,
  today,
  toggle,
}: OpenItemRowProps): ReactNode {
  return (
    <tr>
      <td>
        <chakra.label cursor="pointer" title={`${item.customer}, ${item.description}`}>
          <Tick
            checked={tally.terms.some((term) => term.itemId === item.itemId)}
            onChange={() => toggle(item)}
          />{" "}
          {item.number}{" "}
          <span data-tone={item.dueOn < today ? "waits" : "soft"}>
            {item.open < 0 ? "credit note" : `due ${formatDay(item.dueOn, today)}`}
          </span>
          {several ? <span data-tone="soft"> {item.customer}</span> : null}
        </chakra.label>
      </td>
      <td data-numeric data-sum>
        {formatAmount(item.open, currency)}
      </td>
    </tr>
  );
}
