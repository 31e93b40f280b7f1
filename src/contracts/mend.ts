import { z } from "zod";

import { FILE_KINDS } from "@/core/formats";

/** A cell of a list that is kept, as it should have come. */
export const mendInput = z.object({
  sha256: z.string().regex(/^[0-9a-f]{64}$/),
  name: z.string().min(1).max(255),
  kind: z.enum(FILE_KINDS).optional(),
  line: z.number().int().min(1),
  column: z.string().min(1).max(500),
  cell: z.string().max(2000),
  /** The line on which the head of the list was said to stand, 0 where it has none. */
  head: z.number().int().min(0).max(999_999).optional(),
});
