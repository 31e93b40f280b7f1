import { z } from "zod";

import { isEmailAddress } from "@/core/gate";
import { type ContactPerson, LETTER_SHARES } from "@/core/parties";
import { fail, ok, type Result } from "@/core/result";
import { customerById } from "@/db/customers";
import { setPersons } from "@/db/persons";
import { defineCommand } from "@/server/runtime/command";

const person = z
  .object({
    name: z.string().trim().max(200),
    duty: z.string().trim().max(200),
    email: z
      .string()
      .trim()
      .max(200)
      .refine(
        (text) => text === "" || isEmailAddress(text),
        "An e-mail address, or leave it empty.",
      ),
    phone: z.string().trim().max(40),
    letters: z.enum(LETTER_SHARES),
    calls: z.boolean(),
  })
  .refine(({ letters, email }) => letters === "none" || email !== "", {
    message: "Who gets letters needs an e-mail address.",
    path: ["email"],
  });
/** Keeps a customer's contact persons, all of them anew; a row with nothing in it is none. */
export const setContactPersons = defineCommand({
  name: "setContactPersons",
  schema: z.object({
    customerId: z.number().int(),
    persons: z.array(person).max(20, "At most 20 persons."),
  }),
  run(ctx, input): Result<{ persons: ContactPerson[] }> {
    const customer = customerById(ctx.db, input.customerId);
    if (!customer) return fail("customer.unknown", { id: input.customerId });
    const persons = input.persons.filter(
      ({ name, email, phone }) => name !== "" || email !== "" || phone !== "",
    );
    setPersons(ctx.db, customer.id, persons);
    ctx.act(
      "settings",
      { kind: "customer", id: customer.id, customerId: customer.id },
      `contact persons: ${persons.map(({ name, email, phone }) => name || email || phone).join(", ") || "none"}`,
    );
    return ok({ persons });
  },
});
