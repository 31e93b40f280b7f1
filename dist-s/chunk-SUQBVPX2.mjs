import {
  actTexts,
  chainBegins,
  chainOf,
  digestInRuns,
  entryTexts,
  goneOfRuns,
  hashOf,
  keyOf,
  rowDigest,
  rowsKept,
  trailPlaces,
  valuesOf
} from "./chunk-55UEKTAP.mjs";

// src/server/books/trail/proveTrail.ts
function proveTrail({ first, later, rows, strays: strays2, kept }) {
  if (!first) return { holds: true, records: 0, head: "", problem: null };
  let [head, records] = ["", 0];
  for (const record of joined(first, later)) {
    const chain = chainOf(head, record.command, record);
    if (chain !== record.chain) return { holds: false, records, head, problem: misfit(record) };
    kept.note(record.rows);
    head = chain;
    records += 1;
  }
  const problem = strays2[0] === void 0 ? rowProblem(kept, rows) : `${strays2[0]} belongs to no record`;
  return { holds: problem === null, records, head, problem };
}
function* joined(first, later) {
  yield first;
  yield* later;
}
var misfit = ({ command: { id, name, actor, at } }) => `record ${id} (${name}${actor === "" ? "" : ` by ${actor}`}${at === "" ? "" : `, ${at}`}) does not fit what stands in the book, or the record before it`;
function rowProblem(kept, rows) {
  for (const { place, key, row, digest } of rows) {
    const last = kept.of(place, key);
    if (last === void 0 || last === "")
      return `the row ${key} of ${place} was written by no command`;
    if (last !== (row === void 0 ? digest : rowDigest(row)))
      return `the row ${key} of ${place} was changed by no command`;
  }
  const missing = kept.missing();
  return missing ? `the row ${missing.key} of ${missing.place} was deleted by no command` : null;
}
function rememberedDigests() {
  const last = /* @__PURE__ */ new Map();
  return {
    note: (rows) => {
      for (const row of rows) last.set(`${row.place} ${row.key}`, row);
    },
    of: (place, key) => {
      const name = `${place} ${key}`;
      const found = last.get(name)?.digest;
      last.delete(name);
      return found;
    },
    missing: () => [...last.values()].find(({ digest }) => digest !== "")
  };
}

// src/db/trailRecords.ts
function firstRecord(db) {
  const begins = chainBegins(db);
  if (!begins) return void 0;
  const { commandId: id, chain } = begins;
  return {
    command: { id, key: "", name: "begin", actor: "", at: "", inputHash: "", resultHash: "" },
    chain,
    acts: [hashOf(actTexts(db, 0, id).join("\n"))],
    entries: [hashOf([...entryTexts(db, 0, id)].join("\n"))],
    rows: [...rowsKept(db, id)]
  };
}
function* laterRecords(db, after) {
  for (let last = after; ; ) {
    const next = db.get(
      "SELECT id, key, name, actor, at, input_hash AS inputHash, result, chain FROM command WHERE id > ? ORDER BY id LIMIT 1",
      last
    );
    if (!next) return;
    const { result, chain, ...command } = next;
    last = command.id;
    yield {
      command: { ...command, resultHash: hashOf(result) },
      chain,
      acts: actTexts(db, last, last),
      entries: [...entryTexts(db, last, last)],
      rows: [...rowsKept(db, last)]
    };
  }
}
function strays(db) {
  const acts = db.all(
    "SELECT a.id FROM act a LEFT JOIN command c ON c.id = a.command_id WHERE c.id IS NULL LIMIT 5"
  );
  const entries = db.all(
    "SELECT e.id FROM entry e LEFT JOIN act a ON a.id = e.act_id WHERE a.id IS NULL LIMIT 5"
  );
  const lines = db.all(
    "SELECT l.entry_id AS id FROM entry_line l LEFT JOIN entry e ON e.id = l.entry_id WHERE e.id IS NULL LIMIT 5"
  );
  return [
    ...acts.map(({ id }) => `act ${id}`),
    ...entries.map(({ id }) => `entry ${id}`),
    ...lines.map(({ id }) => `line of entry ${id}`)
  ];
}
function lastDigest(db, place, key) {
  const alone = db.get(
    "SELECT command_id AS commandId, digest FROM trail WHERE place = ? AND row_key = ? ORDER BY command_id DESC LIMIT 1",
    place,
    key
  );
  const inRun = digestInRuns(db, place, key);
  return (inRun?.commandId ?? -1) > (alone?.commandId ?? -1) ? inRun?.digest : alone?.digest;
}
function missingRow(db) {
  for (const place of trailPlaces(db)) {
    const on = place.key.map((column, at) => `t."${column}" = json_extract(x.row_key, '$[${at}]')`);
    const found = db.get(
      `SELECT x.row_key AS key
       FROM trail x
       WHERE x.place = '${place.name}' AND x.digest <> ''
         AND NOT EXISTS (SELECT 1 FROM "${place.name}" t WHERE ${on.join(" AND ")})
         AND NOT EXISTS (
           SELECT 1 FROM trail y
           WHERE y.place = x.place AND y.row_key = x.row_key AND y.command_id > x.command_id)
       LIMIT 1`
    );
    const gone = found?.key ?? goneOfRun(db, place);
    if (gone !== void 0) return { place: place.name, key: gone };
  }
  return void 0;
}
function goneOfRun(db, place) {
  if (!place.isNumbered) return void 0;
  const keys = goneOfRuns(db, place).map((id) => `[${id}]`);
  return keys.find((key) => lastDigest(db, place.name, key) !== "");
}
function* rowsNow(db) {
  for (const place of trailPlaces(db)) yield* rowsOfPlace(db, place);
}
var PIECE = 2e4;
function* rowsOfPlace(db, place) {
  const order = place.key.map((column) => `"${column}"`).join(", ");
  for (let from = 0; ; from += PIECE) {
    const rows = db.all(
      `SELECT ${keyOf(place, "t")} AS key, ${valuesOf(place, "t")} AS row
       FROM "${place.name}" t
       ORDER BY ${order}
       LIMIT ${PIECE} OFFSET ${from}`
    );
    for (const row of rows) yield { place: place.name, ...row };
    if (rows.length < PIECE) return;
  }
}

// src/server/books/trail/bookTrail.ts
function trailOf(db) {
  const first = firstRecord(db);
  return {
    first,
    later: first ? laterRecords(db, first.command.id) : [],
    rows: rowsNow(db),
    strays: strays(db),
    // Looked up one by one: a large book has more rows than should be held in memory.
    kept: {
      note: () => void 0,
      of: (place, key) => lastDigest(db, place, key),
      missing: () => missingRow(db)
    }
  };
}
var proveBookTrail = (db) => proveTrail(trailOf(db));

export {
  proveTrail,
  rememberedDigests,
  trailOf,
  proveBookTrail
};
