import { z } from "zod";

import { LANGUAGES } from "@/core/followup";

export const which = {
  ladderId: z.number().int().min(0),
  tone: z.number().int().min(1).max(4),
  language: z.enum(LANGUAGES),
};
