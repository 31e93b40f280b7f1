"use client";

import { type ReactNode, useEffect, useRef, useState } from "react";

import { type Currency, formatAmount } from "@/core/money";

import { useActing } from "../shell/Notices";
import { load } from "../shell/send";
import type { Tally } from "./tally";
import type { FoundCustomer } from "./types";

/** Finds the customer of a receipt by hand: type part of a name, arrow down, Enter. */
export function CustomerChoice({
  tally,
  choose,
  currency,
}: {
  tally: Tally;
  choose: (customer: FoundCustomer) => void;
  currency: Currency;
}): ReactNode {
  const { book } = useActing();
  const [text, setText] = useState("");
  const [found, setFound] = useState<FoundCustomer[]>([]);
  const [at, setAt] = useState(0);
  useEffect(() => {
    let current = true;
    if (text.trim().length < 2) {
      setFound([]);
      return;
    }
    void load<FoundCustomer[]>(`/api/v1/b/${book}/customers?q=${encodeURIComponent(text)}`).then(
      (sent) => {
        if (current) {
          setFound(sent.ok ? sent.value : []);
          setAt(0);
        }
      },
    );
    return () => {
      current = false;
    };
  }, [book, text]);
  const field = useRef<HTMLInputElement>(null);
  const take = (customer: FoundCustomer | undefined): void => {
    if (!customer) return;
    choose(customer);
    setText("");
    // The keys of the row act again.
    field.current?.blur();
  };
  return (
    <div style={{ position: "relative", marginTop: 6 }}>
      <input
        ref={field}
        className="sumfield words"
        style={{ width: "100%", fontFamily: "inherit", fontSize: 13.5 }}
        value={text}
        onChange={(event) => setText(event.target.value)}
        role="combobox"
        aria-expanded={found.length > 0}
        aria-controls="customers-found"
        aria-label="Another customer"
        placeholder={
          tally.customerId === null
            ? "whose is it: part of a name or number …"
            : "another customer …"
        }
        onKeyDown={(event) => {
          if (event.key === "ArrowDown") {
            event.preventDefault();
            setAt(Math.min(at + 1, found.length - 1));
          }
          if (event.key === "ArrowUp") {
            event.preventDefault();
            setAt(Math.max(at - 1, 0));
          }
          if (event.key === "Enter") {
            event.preventDefault();
            take(found[at]);
          }
          if (event.key === "Escape") {
            setText("");
            event.currentTarget.blur();
          }
        }}
      />
      {found.length > 0 ? (
        <ul
          id="customers-found"
          role="listbox"
          aria-label="Customers found"
          style={{
            position: "absolute",
            zIndex: 5,
            insetInline: 0,
            background: "var(--d-colors-sheet)",
            border: "1px solid var(--d-colors-line)",
          }}
        >
          {found.map((customer, index) => (
            <li
              key={customer.id}
              role="option"
              aria-selected={index === at}
              style={{
                padding: "4px 8px",
                cursor: "pointer",
                background: index === at ? "var(--d-colors-strip)" : undefined,
                display: "flex",
                justifyContent: "space-between",
              }}
              onMouseDown={() => take(customer)}
            >
              <span>
                {customer.name} <span className="soft">{customer.externalId}</span>
              </span>
              <span className="sum">{formatAmount(customer.open, currency)}</span>
            </li>
          ))}
        </ul>
      ) : null}
    </div>
  );
}
