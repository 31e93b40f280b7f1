"use client";

import { chakra } from "@chakra-ui/react";
import { usePathname, useRouter, useSearchParams } from "next/navigation";
import { type ReactNode, useState } from "react";

import type { Day } from "@/core/calendar";
import type { AgedBy, AgeSpan } from "@/core/metrics";
import type { Currency } from "@/core/money";

import { RowButton } from "../kit/buttons";
import { LineChoice, LineField } from "../kit/fields";
import { ActRow } from "../kit/layout";
import { useActing } from "../shell/Notices";

export type Asked = {
  asOf: Day;
  by: AgedBy;
  edges: readonly number[];
  spans: readonly AgeSpan[];
  of: "customer" | "group";
  currency: Currency | null;
};
/** What the aging is asked for; it stands in the address. */
export function Ask({
  asked,
  currencies,
  own,
  files,
}: {
  asked: Asked;
  currencies: readonly Currency[];
  own: Currency;
  files: ReactNode;
}): ReactNode {
  const { complain, act } = useActing();
  const [router, path, search] = [useRouter(), usePathname(), useSearchParams()];
  const [days, setDays] = useState(asked.edges.join(", "));
  const go = (name: string, value: string): void => {
    const query = new URLSearchParams(search);
    for (const name of ["open", "page"]) query.delete(name);
    if (value === "") query.delete(name);
    else query.set(name, value);
    router.replace(`${path}?${query}`);
  };
  const edges = days
    .split(/[,;\s]+/)
    .filter((name) => name !== "")
    .map(Number);
  const rising =
    edges.length > 0 &&
    edges.length <= 8 &&
    edges.every((edge, at) => Number.isInteger(edge) && edge > (edges[at - 1] ?? 0));
  return (
    <ActRow
      as="form"
      margin="0 0 6px"
      onSubmit={(event) => {
        event.preventDefault();
        if (rising) go("days", edges.join(","));
        else complain("Write rising whole days, at most eight, like 30, 60, 90.");
      }}
    >
      <AgeFrom asked={asked} go={go} />
      <label data-tone="soft">
        in steps of{" "}
        <LineField
          kind="text"
          width="110px"
          aria-label="Days of the columns"
          value={days}
          onChange={(event) => setDays(event.target.value)}
        />{" "}
        days
      </label>
      <AgeOf asked={asked} go={go} />
      {currencies.length > 1 ? (
        <AgeCurrency asked={asked} currencies={currencies} go={go} own={own} />
      ) : null}
      {search.get("days") !== null ? (
        <RowButton
          data-tone="soft"
          onClick={() =>
            void act("changeSettings", { agingDays: asked.edges }, () => ({
              words: "These steps are the book’s from now on.",
            }))
          }
        >
          keep these steps
        </RowButton>
      ) : null}
      <chakra.span data-tone="soft" marginLeft="auto">
        as it stands here{files}
      </chakra.span>
    </ActRow>
  );
}
type AgeFromProps = {
  asked: Asked;
  go: (name: string, value: string) => void;
};
function AgeFrom({ asked, go }: AgeFromProps): ReactNode {
  return (
    <LineChoice
      kind="text"
      aria-label="Age counts from"
      value={asked.by}
      onChange={(event) => go("by", event.target.value === "due" ? "" : event.target.value)}
    >
      <option value="due">from the due day</option>
      <option value="issued">from the day of issue</option>
    </LineChoice>
  );
}
type AgeOfProps = {
  asked: Asked;
  go: (name: string, value: string) => void;
};
function AgeOf({ asked, go }: AgeOfProps): ReactNode {
  return (
    <LineChoice
      kind="text"
      aria-label="By"
      value={asked.of}
      onChange={(event) => go("of", event.target.value === "customer" ? "" : event.target.value)}
    >
      <option value="customer">by customer</option>
      <option value="group">by group</option>
    </LineChoice>
  );
}
type AgeCurrencyProps = {
  asked: Asked;
  currencies: readonly Currency[];
  go: (name: string, value: string) => void;
  own: Currency;
};
function AgeCurrency({ asked, currencies, go, own }: AgeCurrencyProps): ReactNode {
  return (
    <LineChoice
      kind="text"
      aria-label="Currency"
      value={asked.currency ?? ""}
      onChange={(event) => go("currency", event.target.value)}
    >
      <option value="">everything, in {own}</option>
      {currencies.map((currency) => (
        <option key={currency} value={currency}>
          only what is in {currency}
        </option>
      ))}
    </LineChoice>
  );
}
