import { type Day, day } from "@/core/calendar";
import { customerIdByName } from "@/db/customers";
import type { Db } from "@/db/connection";
import type { CommandName, InputOf, OutputOf } from "@/server/commands";

import { TODAY } from "./types";

type Do = <Name extends CommandName>(name: Name, input: InputOf<Name>) => OutputOf<Name>;

type Rented = {
  name: string;
  what: string;
  rate: string;
  from: Day;
  countedFrom?: Day;
  makes: "draft" | "approved";
};

/** Rooms and shelves that are rented by the month; who moves in within one pays for its days. */
const RENTED: Rented[] = [
  {
    name: "Alder Lane Gallery",
    what: "Shelf in the shop",
    rate: "180",
    from: day("2026-12-01"),
    makes: "draft",
  },
  {
    name: "Fernhill Studio",
    what: "Kiln room, shared",
    rate: "420",
    from: day("2026-12-01"),
    makes: "draft",
  },
  {
    name: "Heron Point Pottery Co-op",
    what: "Studio 4",
    rate: "615.50",
    from: day("2026-12-09"),
    countedFrom: day("2026-12-01"),
    makes: "approved",
  },
];

/** What the demo book writes by itself: schedules of rooms and shelves, whose next drafts wait a week before. */
export function demoWriting(db: Db, act: Do): void {
  for (const { name, what, rate, from, countedFrom, makes } of RENTED) {
    const customerId = customerIdByName(db, name);
    if (customerId === 0) throw new Error(`the demo has no ${name}`);
    act("setSchedule", {
      name: what,
      plan: {
        startsOn: from,
        countedFrom: countedFrom ?? null,
        everyCount: 1,
        everyUnit: "month",
        ahead: 7,
        makes,
      },
      billed: {
        customerId,
        terms: "n/10",
        lines: [{ description: `${what}, {month}`, quantity: "1", rate }],
      },
    });
  }
  act("runSchedules", {});
  act("writeDraft", {
    draft: {
      customerId: customerIdByName(db, "Fernhill Studio"),
      issuedOn: TODAY,
      terms: "2/10 n/30",
      poNumber: "FS-118",
      lines: [
        { item: "CL25", description: "Stoneware, 25 kg bags", quantity: "24", rate: "24.25" },
        {
          item: "GL-C",
          description: "Celadon glaze, litres",
          quantity: "7.5",
          rate: "18.4",
          discountPercent: "10",
        },
        { description: "Delivery", quantity: "1", rate: "65" },
      ],
    },
  });
}
