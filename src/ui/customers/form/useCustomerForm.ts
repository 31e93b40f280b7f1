"use client";

import { useEffect, useState } from "react";

import type { Alike, CustomerFacts } from "@/contracts/customers";

import { useActing } from "../../shell/Notices";
import { load } from "../../shell/send";

/** Milliseconds without a key after which doubles are looked for. */
const LOOKED_AFTER = 300;

/** A customer as the server takes it. */
const asInput = (typed: CustomerFacts): object => ({
  name: typed.name,
  number: typed.number,
  email: typed.email,
  phone: typed.phone,
  parentId: typed.parent?.id ?? null,
  address: typed.address
    .split("\n")
    .map((line) => line.trim())
    .filter((line) => line !== ""),
  country: typed.country,
  taxNumber: typed.taxNumber,
  terms: typed.terms,
  currency: typed.currency,
  way: typed.way,
  paysBy: typed.paysBy === "" ? null : typed.paysBy.split(","),
  notes: typed.notes,
  look: typed.look,
});

type Kept = { id: number; name: string; terms: string };

/** A customer as it is typed, whom it may be a double of, and how it is kept. */
export function useCustomerForm(facts: CustomerFacts, kept: (customer: Kept) => void) {
  const { act, busy } = useActing();
  const [typed, setTyped] = useState(facts);
  const doubles = useDoubles(typed);
  const set = (changed: Partial<CustomerFacts>): void => setTyped({ ...typed, ...changed });
  const keep = (): void =>
    void act<{ id: number; number: string; actId: number }>(
      "writeCustomer",
      { id: typed.id, customer: asInput(typed) },
      ({ number, actId }) =>
        typed.id === null
          ? { words: `${typed.name} is customer ${number}.` }
          : { words: `${typed.name} is changed.`, undo: actId },
    ).then((done) => {
      if (done) kept({ id: done.id, name: typed.name, terms: typed.terms });
    });
  return { typed, set, doubles, keep, busy };
}

/** Whom what is typed may be a double of, a moment after the last key. */
function useDoubles({ id, name, email, taxNumber }: CustomerFacts): Alike[] {
  const { book } = useActing();
  const [doubles, setDoubles] = useState<Alike[]>([]);
  useEffect(() => {
    let current = true;
    if (name.trim().length < 3 && email === "" && taxNumber === "") {
      setDoubles([]);
      return;
    }
    const asked = new URLSearchParams({ name, email, tax: taxNumber, not: String(id ?? "") });
    const timer = setTimeout(() => {
      void load<Alike[]>(`/api/v1/b/${book}/customers/alike?${asked}`).then((sent) => {
        if (current && sent.ok) setDoubles(sent.value);
      });
    }, LOOKED_AFTER);
    return () => {
      current = false;
      clearTimeout(timer);
    };
  }, [book, id, name, email, taxNumber]);
  return doubles;
}
