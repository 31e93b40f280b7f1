import type { Day } from "@/core/calendar";
import { accountFace, cardFace } from "@/core/paying";
import type { Result } from "@/core/result";

import type { Typed } from "./typed";

/** Whether a card or account is typed as one can be; what is wrong with it, and in which field, else. */
export const faceOfTyped = (isCard: boolean, typed: Typed, today: Day): Result<unknown> =>
  isCard ? cardFace(typed, today) : accountFace(typed);
