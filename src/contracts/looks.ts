import { z } from "zod";

/** A look as it is typed; `logo`: the hash of a picture that was given before. */
export const lookInput = z.object({
  name: z.string().trim().min(1, "A look has a name.").max(40),
  accent: z.string().regex(/^#[0-9a-f]{6}$/, "A colour like #1f4e79."),
  letters: z.enum(["plain", "serif"]),
  size: z.enum(["usual", "letter", "a4"]),
  above: z.string().trim().max(500),
  below: z.string().trim().max(500),
  quantities: z.boolean(),
  rates: z.boolean(),
  lines: z.enum(["all", "items", "one"]),
  oneLine: z.string().trim().max(200),
  bank: z.string().trim().max(500),
  code: z.boolean(),
  slip: z.boolean(),
  logo: z
    .string()
    .regex(/^[0-9a-f]{64}$/)
    .nullable(),
});
