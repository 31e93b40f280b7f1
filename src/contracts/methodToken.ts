import { z } from "zod";

/** The word by which the processor knows a card or an account. */
export const methodToken = z.string().regex(/^[a-z]{2,10}_[A-Za-z0-9]{8,64}$/);
