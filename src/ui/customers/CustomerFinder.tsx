"use client";

import { Box, chakra } from "@chakra-ui/react";
import { type ReactNode, useEffect, useRef, useState } from "react";

import type { FoundCustomer } from "@/contracts/match";
import { type Currency, formatAmount } from "@/core/money";

import { LineField } from "../kit/fields";
import { useActing } from "../shell/Notices";
import { load } from "../shell/send";

type CustomerFinderProps = {
  label: string;
  placeholder: string;
  currency: Currency;
  choose: (customer: FoundCustomer) => void;
  autoFocus?: boolean;
  /** Where a new one may be written: hears the name that was typed. */
  create?: (name: string) => void;
};

/** Finds a customer: type part of a name or number, arrow down, Enter. */
export function CustomerFinder(props: CustomerFinderProps): ReactNode {
  const { label, placeholder, currency, autoFocus = false, create } = props;
  const { text, setText, found, answered, at, setAt, field, take } = useFinder(props);
  // A new one is offered once it is known who is there.
  const mayCreate = create !== undefined && answered === text && text.trim().length > 1;
  return (
    <Box position="relative" marginTop="6px">
      <LineField
        kind="words"
        width="100%"
        ref={field}
        value={text}
        autoFocus={autoFocus}
        onChange={(event) => setText(event.target.value)}
        role="combobox"
        aria-expanded={found.length > 0}
        aria-controls="customers-found"
        aria-label={label}
        placeholder={placeholder}
        onKeyDown={(event) => {
          if (event.key === "ArrowDown") {
            event.preventDefault();
            setAt(Math.min(at + 1, mayCreate ? found.length : found.length - 1));
          }
          if (event.key === "ArrowUp") {
            event.preventDefault();
            setAt(Math.max(at - 1, 0));
          }
          if (event.key === "Enter") {
            event.preventDefault();
            if (found[at]) take(found[at]);
            else if (mayCreate) create(text.trim());
          }
          if (event.key === "Escape") {
            setText("");
            event.currentTarget.blur();
          }
        }}
      />
      {found.length > 0 || mayCreate ? (
        <Found
          found={found}
          at={at}
          currency={currency}
          take={take}
          {...(mayCreate ? { create, text: text.trim() } : {})}
        />
      ) : null}
    </Box>
  );
}

type FoundProps = {
  found: FoundCustomer[];
  at: number;
  currency: Currency;
  take: (customer: FoundCustomer) => void;
  create?: (name: string) => void;
  text?: string;
};

function Found({ found, at, currency, take, create, text = "" }: FoundProps): ReactNode {
  return (
    <chakra.ul
      position="absolute"
      zIndex={5}
      insetInline="0"
      background="sheet"
      border="1px solid {colors.line}"
      id="customers-found"
      role="listbox"
      aria-label="Customers found"
    >
      {found.map((customer, index) => (
        <chakra.li
          padding="4px 8px"
          cursor="pointer"
          background={index === at ? "{colors.strip}" : undefined}
          display="flex"
          justifyContent="space-between"
          key={customer.id}
          role="option"
          aria-selected={index === at}
          onMouseDown={() => take(customer)}
        >
          <span>
            {customer.name} <span data-tone="soft">{customer.externalId}</span>
          </span>
          <span data-sum>{formatAmount(customer.open, currency)}</span>
        </chakra.li>
      ))}
      {create ? (
        <chakra.li
          padding="4px 8px"
          cursor="pointer"
          background={at === found.length ? "{colors.strip}" : undefined}
          role="option"
          aria-selected={at === found.length}
          onMouseDown={() => create(text)}
        >
          + a new customer, <b>{text}</b>
        </chakra.li>
      ) : null}
    </chakra.ul>
  );
}

function useFinder({ choose }: CustomerFinderProps) {
  const { book } = useActing();
  const [text, setText] = useState("");
  const [found, setFound] = useState<FoundCustomer[]>([]);
  const [answered, setAnswered] = useState<string | null>(null);
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
          setAnswered(sent.ok ? text : null);
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
    // The keys of the page act again.
    field.current?.blur();
  };
  return { text, setText, found, answered, at, setAt, field, take };
}
