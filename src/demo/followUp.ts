import { DEFAULT_STEPS } from "@/core/followup";
import { linkOf } from "@/db/accountPages";
import type { Db } from "@/db/connection";
import { customerIdByName } from "@/db/customers";
import { lastLetterId } from "@/db/letters";
import type { CommandName, InputOf, OutputOf } from "@/server/commands";
import { proposalsOf } from "@/server/match/proposals";
import { overdueRows } from "@/server/overdue/queries/overdue";

import { TODAY } from "./types";

type Do = <Name extends CommandName>(name: Name, input: InputOf<Name>) => OutputOf<Name>;
const AS_THE_BOOK = {
  ladderId: null,
  language: "en",
  byItself: false,
  smallest: null,
  quietUntil: null,
} as const;

/**
 * How the demo book follows its customers up: its ladders, who is written to without a look, and
 * who is who at the districts.
 */
export function demoFollowUp(db: Db, act: Do): void {
  const idOf = (name: string): number => customerIdByName(db, name);
  ladders(act, idOf);
  byThemselves(db, act, idOf);
  persons(db, act, idOf);
}

/** The standard ladder with its late fee, and a slower one for the districts. */
function ladders(act: Do, idOf: (name: string) => number): void {
  const none = { kind: "none" as const, fixed: 0, percent: "0", grace: 0, least: 0, most: null };
  act("setLadder", {
    id: 1,
    name: "Standard",
    steps: DEFAULT_STEPS.map(({ step, ...one }) => ({
      ...one,
      byItself: step === 1,
      fee: step === 3 ? 1500 : 0,
    })),
    fee: { ...none, kind: "monthly", percent: "1.5", grace: 10, least: 100 },
  });
  const { id: ladderId } = act("setLadder", {
    name: "Districts",
    steps: [
      { fromDays: 10, act: "letter", attach: "statement" },
      { fromDays: 30, act: "letter", tone: 2, attach: "invoices" },
      { fromDays: 45, act: "task" },
      { fromDays: 60, act: "call" },
    ],
    fee: none,
  });
  for (const name of ["Brightwater Unified", "Tallow County Schools"])
    act("setFollowUp", { ...AS_THE_BOOK, customerId: idOf(name), ladderId });
}

/**
 * First letters go by themselves on Tuesdays and Thursdays to those who agreed; a customer has
 * looked at its account.
 */
function byThemselves(db: Db, act: Do, idOf: (name: string) => number): void {
  act("changeSettings", {
    linkBase: "https://accounts.kestrelrow.example",
    letterRun: { weekdays: [2, 4], hour: 9 },
  });
  const late = overdueRows(db, TODAY, proposalsOf(db))
    .filter(
      ({ state, next, followed }) =>
        state === "ready" && next.step.step === 1 && followed.ladderId === null,
    )
    .slice(0, 4);
  for (const { customer } of late)
    act("setFollowUp", { ...AS_THE_BOOK, customerId: customer.id, byItself: true });
  const token = linkOf(db, idOf("Fernhill Studio"));
  act("noteVisit", { token, what: "opened" });
  act("noteVisit", { token, what: "statement" });
}

/** Contact persons of the districts, and a letter that came back. */
function persons(db: Db, act: Do, idOf: (name: string) => number): void {
  const person = { duty: "", email: "", phone: "", letters: "none" as const, calls: false };
  act("setContactPersons", {
    customerId: idOf("Brightwater Unified"),
    persons: [
      {
        ...person,
        name: "Ms Okafor",
        duty: "accounts payable",
        email: "payables@brightwater.example",
        phone: "+1 312 555 0142",
        letters: "to",
        calls: true,
      },
      {
        ...person,
        name: "Mr Adeyemi",
        duty: "purchasing",
        email: "purchasing@brightwater.example",
        letters: "copy",
      },
    ],
  });
  act("setContactPersons", {
    customerId: idOf("Tallow County Schools"),
    persons: [
      {
        ...person,
        name: "Ms Ferreira",
        duty: "business office",
        email: "office@tallowschools.example",
        phone: "+1 312 555 0177",
        letters: "to",
        calls: true,
      },
    ],
  });
  const last = lastLetterId(db);
  if (last !== undefined)
    act("letterCameBack", { letterId: last, why: "550 5.1.1 no such mailbox here" });
}
