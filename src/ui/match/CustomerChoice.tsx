"use client";

import type { ReactNode } from "react";

import type { FoundCustomer } from "@/contracts/match";
import type { Currency } from "@/core/money";

import { CustomerFinder } from "../customers/CustomerFinder";
import type { Tally } from "./tally";

type CustomerChoiceProps = {
  tally: Tally;
  choose: (customer: FoundCustomer) => void;
  currency: Currency;
};

/** Whose a receipt is, found by hand. */
export function CustomerChoice({ tally, choose, currency }: CustomerChoiceProps): ReactNode {
  return (
    <CustomerFinder
      label="Another customer"
      placeholder={
        tally.customerId === null ? "whose is it: part of a name or number …" : "another customer …"
      }
      currency={currency}
      choose={choose}
    />
  );
}
