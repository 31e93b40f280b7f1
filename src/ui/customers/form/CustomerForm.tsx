"use client";

import { Box } from "@chakra-ui/react";
import NextLink from "next/link";
import type { ComponentProps, ReactNode } from "react";
import { useHotkeys } from "react-hotkeys-hook";

import type { Alike, CustomerFacts } from "@/contracts/customers";
import type { Currency } from "@/core/money";

import { Act, RowButton } from "../../kit/buttons";
import { SearchChoice } from "../../kit/choices";
import { Choice, Labels, LineText, TextField } from "../../kit/fields";
import { ActRow, Form } from "../../kit/layout";
import { COUNTRIES, CURRENCIES } from "../../kit/places";
import { CustomerFinder } from "../CustomerFinder";
import { useCustomerForm } from "./useCustomerForm";

type CustomerFormProps = {
  facts: CustomerFacts;
  book: string;
  currency: Currency;
  /** Only what an invoice needs at once; the rest can be written later. */
  short?: boolean;
  kept: (customer: { id: number; name: string; terms: string }) => void;
  leave?: () => void;
  /** One of the doubles is meant. */
  meant?: (customer: Alike) => void;
};

/** A customer as it is written: doubles are pointed out while its name is typed. */
export function CustomerForm(props: CustomerFormProps): ReactNode {
  const { facts, book, currency, short = false, kept, leave, meant } = props;
  const form = useCustomerForm(facts, kept);
  const { typed, set, doubles, keep, busy } = form;
  useHotkeys("ctrl+enter, meta+enter", keep, { enableOnFormTags: true }, [keep]);
  return (
    <Form
      maxWidth="760px"
      onSubmit={(event) => {
        event.preventDefault();
        event.stopPropagation();
        keep();
      }}
      noValidate
    >
      <Box display="grid" gridTemplateColumns={{ base: "1fr", lg: "2fr 2fr 1fr" }} gap="12px">
        <TypedField label="Name" autoFocus of="name" typed={typed} set={set} />
        <TypedField label="E-mail" inputMode="email" of="email" typed={typed} set={set} />
        <TypedField label="Terms" placeholder="as the book" of="terms" typed={typed} set={set} />
      </Box>
      <Doubles doubles={doubles} book={book} meant={meant} />
      {short ? null : <Rest typed={typed} set={set} currency={currency} />}
      <ActRow>
        <Act main hint={short ? "Enter" : "Ctrl Enter"} type="submit" disabled={busy}>
          {typed.id === null ? "Keep the customer" : "Keep the change"}
        </Act>
        {leave ? <Act onClick={leave}>Leave it</Act> : null}
      </ActRow>
    </Form>
  );
}

type Words = { [Name in keyof CustomerFacts]: CustomerFacts[Name] extends string ? Name : never };

/** A field of a customer that is words. */
function TypedField({
  of,
  typed,
  set,
  ...field
}: ComponentProps<typeof TextField> & {
  of: NonNullable<Words[keyof CustomerFacts]>;
  typed: CustomerFacts;
  set: (changed: Partial<CustomerFacts>) => void;
}): ReactNode {
  return (
    <TextField
      {...field}
      value={typed[of]}
      onChange={(event) => set({ [of]: event.target.value })}
    />
  );
}

type DoublesProps = Pick<CustomerFormProps, "book" | "meant"> & { doubles: readonly Alike[] };

/** Who is in the book already and may be meant. */
function Doubles({ doubles, book, meant }: DoublesProps): ReactNode {
  if (doubles.length === 0) return null;
  return (
    <p role="status" data-tone="waits">
      In the book already:{" "}
      {doubles.map((double, at) => (
        <span key={double.id}>
          {at > 0 ? "; " : ""}
          {meant ? (
            <RowButton onClick={() => meant(double)}>{double.name}</RowButton>
          ) : (
            <NextLink href={`/b/${book}/customers/${double.id}`}>{double.name}</NextLink>
          )}{" "}
          {double.number} ({double.why})
        </span>
      ))}
    </p>
  );
}

type RestProps = {
  typed: CustomerFacts;
  set: (changed: Partial<CustomerFacts>) => void;
  currency: Currency;
};

const WAYS = [
  ["mail", "by mail"],
  ["paper", "on paper"],
  ["none", "not at all"],
] as const;

const PAYS = [
  ["", "as the book says"],
  ["card", "by card only"],
  ["bank", "from a bank account only"],
  ["card,bank", "by both"],
] as const;

function Rest({ typed, set, currency }: RestProps): ReactNode {
  return (
    <>
      <Box
        display="grid"
        gridTemplateColumns={{ base: "1fr", lg: "1fr 1fr 1fr" }}
        gap="12px"
        paddingTop="12px"
      >
        <TypedField
          label="Number"
          placeholder="the next"
          help={typed.id === null ? undefined : "Files know it by this; it stays."}
          readOnly={typed.id !== null}
          of="number"
          typed={typed}
          set={set}
        />
        <TypedField label="Telephone" of="phone" typed={typed} set={set} />
        <TypedField
          label="Tax number"
          help="EIN, VAT number or GSTIN; its check digits are looked at."
          of="taxNumber"
          typed={typed}
          set={set}
        />
        <SearchChoice
          label="Country"
          options={COUNTRIES}
          value={typed.country}
          onValue={(country) => set({ country })}
        />
        <SearchChoice
          label="Currency"
          options={CURRENCIES}
          value={typed.currency}
          onValue={(chosen) => set({ currency: chosen })}
        />
        <Choice
          label="Invoices come"
          options={WAYS}
          value={typed.way}
          onChange={(event) => set({ way: event.target.value as CustomerFacts["way"] })}
        />
        <Choice
          label="May pay"
          options={PAYS}
          value={typed.paysBy}
          onChange={(event) => set({ paysBy: event.target.value as CustomerFacts["paysBy"] })}
        />
        <TypedField
          label="Look of its papers"
          placeholder="the usual one"
          of="look"
          typed={typed}
          set={set}
        />
      </Box>
      <Box
        display="grid"
        gridTemplateColumns={{ base: "1fr", lg: "1fr 1fr" }}
        gap="12px"
        paddingTop="12px"
      >
        <Labels label="Address">
          <LineText
            kind="words"
            rows={4}
            width="100%"
            aria-label="Address"
            value={typed.address}
            onChange={(event) => set({ address: event.target.value })}
          />
        </Labels>
        <Labels label="Notes, for us alone">
          <LineText
            kind="words"
            rows={4}
            width="100%"
            aria-label="Notes, for us alone"
            value={typed.notes}
            onChange={(event) => set({ notes: event.target.value })}
          />
        </Labels>
      </Box>
      <HeadOffice typed={typed} set={set} currency={currency} />
    </>
  );
}

function HeadOffice({ typed, set, currency }: RestProps): ReactNode {
  if (typed.parent)
    return (
      <p>
        A site of <b data-strong>{typed.parent.name}</b>{" "}
        <RowButton data-tone="soft" onClick={() => set({ parent: null })}>
          no more
        </RowButton>
      </p>
    );
  return (
    <CustomerFinder
      label="Head office"
      placeholder="a site of: part of the head office’s name …"
      currency={currency}
      choose={({ id, name }) => set({ parent: { id, name } })}
    />
  );
}
