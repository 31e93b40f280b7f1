import { lastActs } from "@/db/acts";

import { defineSheet } from "../defineSheet";
import { ALL, noQuery } from "../queries";
import { momentInZone } from "@/core/calendar";

export const auditTrailList = defineSheet({
  name: "trail",
  query: noQuery,
  rows: ({ db }) => lastActs(db, ALL, 0),
  columns: {
    on: (act) => act.onDay,
    at: (act, { settings }) => momentInZone(act.at, settings.timeZone),
    actor: (act) => act.actor,
    what: (act) => act.text,
    undone_by: (act) => (act.undoneBy === null ? "" : String(act.undoneBy)),
  },
});
