import { day, type Day } from "@/core/calendar";
import { customerByExternalId } from "@/db/customers";

import { OPENING_BALANCE } from "./bank";
import { type Around, newMethod } from "./customers";
import { seedOf } from "./habits";
import type { Hands } from "./hands";
import type { Person } from "./people";
import { Random } from "./random";

/** A practice book that begins: on which day, with whom. */
type Begun = { hands: Hands; around: Around; people: readonly Person[]; first: Day };

/** A practice book's accounts, rates, customers, schedules, and what its customers agreed to. */
export async function setUp(world: Begun): Promise<void> {
  const { hands, people } = world;
  await hands.do("addBankAccount", {
    code: "operating",
    name: "Operating bank",
    lastFour: "4417",
    openingBalance: OPENING_BALANCE,
  });
  const account = (code: string, name: string, delayDays: number): Promise<unknown> =>
    hands.do("addProcessorAccount", {
      code,
      name,
      delayDays,
      descriptor: `PRACTICE PROC ${code.toUpperCase()}`,
    });
  await account("card", "card account", 2);
  await account("ach", "ACH account", 1);
  const agreed = { from: world.first, fixed: 0 };
  await hands.do("agreeRate", {
    ...agreed,
    account: "card",
    method: "card",
    percent: "2.9",
    fixed: 30,
  });
  await hands.do("agreeRate", {
    ...agreed,
    account: "ach",
    method: "ach_debit",
    percent: "0.8",
    most: 500,
  });
  await hands.do("setTaxCode", { code: "SALES", percent: "6", category: "standard" });
  const rows = people.map(({ id, name, email, parent }) =>
    [id, `"${name}"`, email, parent ?? ""].join(","),
  );
  await hands.takeIn({
    kind: "customers",
    name: "customers.csv",
    text: `customer_id,name,email,parent_id\n${rows.join("\n")}\n`,
    account: null,
  });
  for (const person of people) await enrol(world, person);
}

/** Who has a kiln plan is billed by a schedule, and many of them agreed that it is taken. */
async function enrol({ around, hands, first }: Begun, person: Person): Promise<void> {
  const { id, habit } = person;
  const customerId = customerByExternalId(around.db, id)?.id ?? 0;
  if (habit.plan === 0) return;
  await hands.do("setSchedule", {
    name: `Kiln plan ${id}`,
    plan: { startsOn: day("2026-01-03"), everyCount: 1, everyUnit: "month", makes: "approved" },
    billed: {
      customerId,
      terms: "n/10",
      lines: [
        { description: "Kiln plan, {month}", quantity: "1", rate: (habit.plan / 100).toFixed(2) },
      ],
    },
  });
  const random = new Random(seedOf(around.seed, "agrees", id));
  if (habit.pays === "ach_credit" || !random.chance(0.6)) return;
  const methodId = await newMethod(around, { person, customerId, on: first });
  await hands.do("agree", {
    customerId,
    methodId,
    address: "127.0.0.1",
    agent: "practice",
  });
}
