// src/db/acts.ts
var ACT = `SELECT id, command_id AS commandId, kind, subject_kind AS subjectKind, subject_id AS subjectId, customer_id AS customerId, text, on_day AS onDay, at, actor, undone_by AS undoneBy FROM act`;
function insertAct(db, act) {
  return db.run(
    "INSERT INTO act (command_id, kind, subject_kind, subject_id, customer_id, text, on_day, at, actor) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)",
    act.commandId,
    act.kind,
    act.subjectKind,
    act.subjectId,
    act.customerId,
    act.text,
    act.onDay,
    act.at,
    act.actor
  ).id;
}
function markUndone(db, actId, by) {
  db.run("UPDATE act SET undone_by = ? WHERE id = ? AND undone_by IS NULL", by, actId);
}
function actById(db, id) {
  return db.get(`${ACT} WHERE id = ?`, id);
}
function actsOf(db, subjectKind, subjectId) {
  return db.all(
    `${ACT} WHERE subject_kind = ? AND subject_id = ? ORDER BY id`,
    subjectKind,
    subjectId
  );
}
function actsOfCommand(db, commandId) {
  return db.all(`${ACT} WHERE command_id = ? ORDER BY id`, commandId);
}
function commandByKey(db, key) {
  return db.get("SELECT name, result, input_hash AS inputHash FROM command WHERE key = ?", key);
}
function nextCommandId(db) {
  return db.get("SELECT coalesce(max(id), 0) + 1 AS id FROM command")?.id ?? 1;
}
function insertCommand(db, command) {
  db.run(
    "INSERT INTO command (id, key, name, actor, at, input_hash, result) VALUES (?, ?, ?, ?, ?, ?, ?)",
    command.id,
    command.key,
    command.name,
    command.actor,
    command.at,
    command.inputHash,
    command.result
  );
}

// src/db/trailPlaces.ts
var APART = /* @__PURE__ */ new Set([
  "command",
  "act",
  "entry",
  "entry_line",
  "posting",
  "trail",
  "trail_run",
  "trail_start",
  // What mail servers say comes between commands.
  "address_back"
]);
var isIndex = (name) => name.startsWith("item_words");
var BETWEEN_COMMANDS = {
  letter: ["delivery", "reached", "tries", "next_try", "came_back"]
};
function trailPlaces(db) {
  return db.all(
    "SELECT name FROM main.sqlite_schema WHERE type = 'table' AND name NOT LIKE 'sqlite\\_%' ESCAPE '\\' ORDER BY name"
  ).filter(({ name }) => !APART.has(name) && !isIndex(name)).map(({ name }) => placeOf(db, name));
}
function placeOf(db, name) {
  const columns = db.all(
    "SELECT name, pk, type FROM pragma_table_info(?) ORDER BY cid",
    name
  );
  const keys = columns.filter(({ pk }) => pk > 0).sort((a, b) => a.pk - b.pk);
  const key = keys.map((column) => column.name);
  const left = BETWEEN_COMMANDS[name] ?? [];
  return {
    name,
    key: key.length > 0 ? key : ["rowid"],
    columns: columns.map((column) => column.name).filter((column) => !left.includes(column)),
    isNumbered: keys.length === 0 || keys.length === 1 && keys[0]?.type === "INTEGER"
  };
}
var keyOf = ({ key }, of) => `json_array(${key.map((column) => `${of}."${column}"`).join(", ")})`;
var valuesOf = ({ columns }, of) => `json_array(${columns.map((column) => `${of}."${column}"`).join(", ")})`;

// src/db/touched.ts
var watched = /* @__PURE__ */ new WeakMap();
function watchRows(db) {
  const known = watched.get(db);
  if (known) return known;
  const places = trailPlaces(db);
  db.exec(
    `CREATE TEMP TABLE touched (place TEXT NOT NULL, row_key TEXT NOT NULL, PRIMARY KEY (place, row_key)) WITHOUT ROWID;
     CREATE TEMP TABLE mark (place INTEGER PRIMARY KEY, last INTEGER NOT NULL)`
  );
  for (const [at, place] of places.entries())
    db.exec(
      place.isNumbered ? noteNumbered(place, `(SELECT last FROM mark WHERE place = ${at})`) : noteAll(place)
    );
  watched.set(db, places);
  markRows(db);
  return places;
}
function markRows(db) {
  const lasts = watchRows(db).flatMap(
    ({ name, key, isNumbered }, at) => isNumbered ? [`SELECT ${at}, coalesce(max("${key[0]}"), 0) FROM main."${name}"`] : []
  );
  db.run(`INSERT OR REPLACE INTO mark ${lasts.join(" UNION ALL ")}`);
}
var stoodBefore = (places, place, row) => place.isNumbered ? `${row}."${place.key[0]}" <= (SELECT last FROM mark WHERE place = ${places.indexOf(place)})` : "true";
var trigger = ({ name }, event, { when = "", body }) => `CREATE TEMP TRIGGER "touch_${name}_${event}" AFTER ${event} ON main."${name}" ${when} BEGIN ${body} END;`;
function noteNumbered(place, mark) {
  const isOld = (row) => `${row}."${place.key[0]}" <= ${mark}`;
  return [
    trigger(place, "INSERT", { when: `WHEN ${isOld("NEW")}`, body: noteOf(place, "NEW") }),
    trigger(place, "UPDATE", {
      when: `WHEN ${isOld("OLD")} OR ${isOld("NEW")}`,
      body: noteBoth(place)
    }),
    trigger(place, "DELETE", { when: `WHEN ${isOld("OLD")}`, body: noteOf(place, "OLD") })
  ].join("\n");
}
var noteAll = (place) => [
  trigger(place, "INSERT", { body: noteOf(place, "NEW") }),
  trigger(place, "UPDATE", { body: noteBoth(place) }),
  trigger(place, "DELETE", { body: noteOf(place, "OLD") })
].join("\n");
function noteBoth(place) {
  const moved = place.key.map((column) => `OLD."${column}" IS NOT NEW."${column}"`).join(" OR ");
  const after = `SELECT '${place.name}', ${keyOf(place, "NEW")} WHERE ${moved}`;
  return `${noteOf(place, "OLD")} INSERT INTO touched ${after} ON CONFLICT DO NOTHING;`;
}
var noteOf = (place, row) => `INSERT INTO touched VALUES ('${place.name}', ${keyOf(place, row)}) ON CONFLICT DO NOTHING;`;
function touchAll(db) {
  for (const place of watchRows(db))
    db.run(
      `INSERT OR IGNORE INTO touched SELECT '${place.name}', ${keyOf(place, "t")} FROM main."${place.name}" t`
    );
}
function forgetTouched(db) {
  db.run("DELETE FROM touched");
}
function* newRows(db, place) {
  if (!place.isNumbered) return;
  const at = watchRows(db).indexOf(place);
  const first = db.get("SELECT last FROM mark WHERE place = ?", at)?.last ?? 0;
  for (let last = first; ; ) {
    const rows = rowsAfter(db, place, last);
    if (rows.length > 0) yield rows;
    if (rows.length < PIECE) return;
    last = rows.at(-1)?.id ?? last;
  }
}
var PIECE = 1e4;
var rowsAfter = (db, place, last) => db.all(
  `SELECT t."${place.key[0]}" AS id, ${valuesOf(place, "t")} AS row
     FROM main."${place.name}" t
     WHERE t."${place.key[0]}" > ?
     ORDER BY t."${place.key[0]}"
     LIMIT ${PIECE}`,
  last
);
function notedRows(db, place) {
  const on = place.key.map((column, at) => `t."${column}" = json_extract(x.row_key, '$[${at}]')`);
  return db.all(
    `SELECT x.row_key AS key, CASE WHEN t."${place.key[0]}" IS NOT NULL THEN ${valuesOf(place, "t")} END AS row
     FROM touched x
     LEFT JOIN main."${place.name}" t ON ${on.join(" AND ")}
     WHERE x.place = '${place.name}'`
  );
}

// src/db/trail.ts
import { createHash, hash as hashAtOnce } from "node:crypto";

// src/db/trailRuns.ts
var FEW = 64;
var LONGEST = 500;
var DIGITS = 32;
function keepRuns(db, commandId, place, rows) {
  for (let from = 0; from < rows.length; ) {
    const first = rows[from]?.id ?? 0;
    let to = from + 1;
    while (to < rows.length && to - from < LONGEST && rows[to]?.id === first + to - from) to += 1;
    const digests = rows.slice(from, to).map(({ digest }) => digest);
    db.run(
      "INSERT INTO trail_run (command_id, place, first_id, last_id, digests) VALUES (?, ?, ?, ?, ?)",
      commandId,
      place.name,
      first,
      first + to - from - 1,
      digests.join("")
    );
    from = to;
  }
}
function* rowsInRuns(db, commandId) {
  const runs = db.all(
    "SELECT place, first_id AS first, digests FROM trail_run WHERE command_id = ? ORDER BY place, first_id",
    commandId
  );
  for (const { place, first, digests } of runs)
    for (let at = 0; at * DIGITS < digests.length; at += 1)
      yield {
        place,
        key: `[${first + at}]`,
        digest: digests.slice(at * DIGITS, (at + 1) * DIGITS)
      };
}
function digestInRuns(db, place, key) {
  const id = Number(key.slice(1, -1));
  if (!Number.isInteger(id)) return void 0;
  return db.get(
    `SELECT command_id AS commandId, substr(digests, (?2 - first_id) * ${DIGITS} + 1, ${DIGITS}) AS digest
     FROM trail_run
     WHERE place = ?1 AND first_id BETWEEN ?2 - ${LONGEST} + 1 AND ?2 AND last_id >= ?2
     ORDER BY command_id DESC
     LIMIT 1`,
    place,
    id
  );
}
function goneOfRuns(db, place) {
  const [key] = place.key;
  const short = db.all(
    `SELECT r.first_id AS first, r.last_id AS last
     FROM trail_run r
     WHERE r.place = ? AND r.last_id - r.first_id + 1 > (
       SELECT count(*) FROM main."${place.name}" t WHERE t."${key}" BETWEEN r.first_id AND r.last_id)`,
    place.name
  );
  return short.flatMap(({ first, last }) => {
    const standing = db.ids(
      `SELECT "${key}" AS id FROM main."${place.name}" WHERE "${key}" BETWEEN ? AND ?`,
      first,
      last
    );
    const numbers = Array.from({ length: last - first + 1 }, (_, at) => first + at);
    return numbers.filter((id) => !standing.has(id));
  });
}
function spansWritten(db, commandId, place) {
  const spans = [];
  const runs = db.all(
    "SELECT first_id AS first, last_id AS last FROM trail_run WHERE command_id = ? AND place = ? ORDER BY first_id",
    commandId,
    place
  );
  for (const run of runs) {
    const before = spans.at(-1);
    if (before?.last === run.first - 1) before.last = run.last;
    else spans.push({ ...run });
  }
  return spans;
}
function changedInRuns(db, commandId, aside) {
  const places = db.all("SELECT DISTINCT place FROM trail_run WHERE command_id = ?", commandId).filter(({ place }) => !aside.has(place));
  const ofWritten = places.flatMap(
    ({ place }) => spansWritten(db, commandId, place).flatMap((span) => changedWithin(db, commandId, place, span))
  );
  const ofChanged = db.all(
    `SELECT DISTINCT later.command_id AS id, own.place
     FROM trail own
     JOIN trail_run later ON later.place = own.place
       AND later.first_id BETWEEN own.row_key ->> 0 - ${LONGEST} + 1 AND own.row_key ->> 0
       AND later.last_id >= own.row_key ->> 0 AND later.command_id > own.command_id
     WHERE own.command_id = ?`,
    commandId
  );
  return [...ofWritten, ...ofChanged.filter(({ place }) => !aside.has(place)).map(({ id }) => id)];
}
var changedWithin = (db, commandId, place, { first, last }) => db.all(
  `SELECT command_id AS id FROM trail
       WHERE command_id > ?1 AND place = ?2 AND row_key ->> 0 BETWEEN ?3 AND ?4
       UNION
       SELECT command_id FROM trail_run
       WHERE command_id > ?1 AND place = ?2 AND first_id <= ?4 AND last_id >= ?3`,
  commandId,
  place,
  first,
  last
).map(({ id }) => id);

// src/db/trail.ts
var hashOf = (text) => hashAtOnce("sha256", text);
var rowDigest = (values) => hashOf(values).slice(0, 32);
var HASHED_TOGETHER = 1e5;
function chainOf(before, command, written) {
  const { id, key, name, actor, at, inputHash, resultHash } = command;
  const hash = createHash("sha256");
  hash.update(before);
  let waiting = "";
  const line = (text) => {
    waiting += `
${text}`;
    if (waiting.length < HASHED_TOGETHER) return;
    hash.update(waiting);
    waiting = "";
  };
  line(JSON.stringify([id, key, name, actor, at, inputHash, resultHash]));
  for (const act of written.acts) line(act);
  for (const entry of written.entries) line(entry);
  for (const row of written.rows) line(`${row.place} ${row.key} ${row.digest}`);
  return hash.update(waiting).digest("hex");
}
function chainBegins(db) {
  return db.get("SELECT command_id AS commandId, chain FROM trail_start");
}
function beginChain(db) {
  const commandId = db.get("SELECT coalesce(max(id), 0) AS id FROM command")?.id ?? 0;
  touchAll(db);
  const rows = keepTouched(db, commandId);
  const command = {
    id: commandId,
    key: "",
    name: "begin",
    actor: "",
    at: "",
    inputHash: "",
    resultHash: ""
  };
  const chain = chainOf("", command, { ...writtenBefore(db, commandId), rows });
  db.run("INSERT INTO trail_start (command_id, chain) VALUES (?, ?)", commandId, chain);
}
function sealAnew(db, schema) {
  if (!chainBegins(db)) return;
  watchRows(db);
  db.transaction(() => {
    const id = nextCommandId(db);
    const at = (/* @__PURE__ */ new Date()).toISOString();
    const key = `schema ${schema} of ${at}`;
    const record = { id, key, name: "upgrade", actor: "the program", at };
    const told = { inputHash: hashOf(String(schema)), result: "null" };
    insertCommand(db, { ...record, ...told });
    touchAll(db);
    addToChain(db, { ...record, inputHash: told.inputHash, resultHash: hashOf(told.result) });
  });
}
function keepTouched(db, commandId) {
  for (const place of watchRows(db)) {
    const noted = notedRows(db, place);
    keepRows(
      db,
      commandId,
      noted.map(({ key, row }) => [place.name, key, row === null ? "" : rowDigest(row)])
    );
    for (const rows of newRows(db, place)) keepNew(db, commandId, place, rows);
  }
  forgetTouched(db);
  markRows(db);
  return rowsKept(db, commandId);
}
function keepNew(db, commandId, place, rows) {
  if (rows.length >= FEW)
    keepRuns(
      db,
      commandId,
      place,
      rows.map(({ id, row }) => ({ id, digest: rowDigest(row) }))
    );
  else
    keepRows(
      db,
      commandId,
      rows.map(({ id, row }) => [place.name, `[${id}]`, rowDigest(row)])
    );
}
var PIECE2 = 1e3;
function keepRows(db, commandId, rows) {
  for (let from = 0; from < rows.length; from += PIECE2)
    db.run(
      `INSERT OR REPLACE INTO trail (command_id, place, row_key, digest)
       SELECT ?, value ->> 0, value ->> 1, value ->> 2 FROM json_each(?)`,
      commandId,
      JSON.stringify(rows.slice(from, from + PIECE2))
    );
}
function* rowsKept(db, commandId) {
  yield* db.each(
    "SELECT place, row_key AS key, digest FROM trail WHERE command_id = ? ORDER BY place, row_key",
    commandId
  );
  yield* rowsInRuns(db, commandId);
}
function actTexts(db, from, to) {
  return db.all(
    `SELECT json_array('act', id, kind, subject_kind, subject_id, customer_id, text, on_day, at, actor) AS row
       FROM act
       WHERE command_id BETWEEN ? AND ?
       ORDER BY id`,
    from,
    to
  ).map(({ row }) => row);
}
function* entryTexts(db, from, to) {
  const texts = db.each(
    `SELECT json_array(
         'entry', e.id, e.event, e.posted_on, e.document_kind, e.document_id, e.document, e.customer_id, e.act_id,
         e.reverses, e.dated_for, coalesce((SELECT p.last_entry FROM posting p WHERE p.first_entry <= e.id ORDER BY p.first_entry DESC LIMIT 1) >= e.id, 0),
         (SELECT json_group_array(
                   json_array(l.line_no, l.account_id, l.currency, l.amount, l.book_amount, l.item_kind, l.item_id)
                   ORDER BY l.line_no)
          FROM entry_line l
          WHERE l.entry_id = e.id)) AS row
       FROM act a
       JOIN entry e ON e.act_id = a.id
       WHERE a.command_id BETWEEN ? AND ?
       ORDER BY e.id`,
    from,
    to
  );
  for (const { row } of texts) yield row;
}
function writtenBefore(db, commandId) {
  return {
    acts: [hashOf(actTexts(db, 0, commandId).join("\n"))],
    entries: [hashOf([...entryTexts(db, 0, commandId)].join("\n"))]
  };
}
function addToChain(db, command) {
  const before = chainHead(db)?.chain ?? "";
  const rows = keepTouched(db, command.id);
  const { id } = command;
  const written = { acts: actTexts(db, id, id), entries: entryTexts(db, id, id), rows };
  db.run("UPDATE command SET chain = ? WHERE id = ?", chainOf(before, command, written), id);
}
function chainHead(db) {
  return db.get(
    "SELECT id AS commandId, chain FROM command WHERE chain <> '' ORDER BY id DESC LIMIT 1"
  ) ?? chainBegins(db);
}

export {
  insertAct,
  markUndone,
  actById,
  actsOf,
  actsOfCommand,
  commandByKey,
  nextCommandId,
  insertCommand,
  trailPlaces,
  keyOf,
  valuesOf,
  watchRows,
  markRows,
  stoodBefore,
  forgetTouched,
  digestInRuns,
  goneOfRuns,
  spansWritten,
  changedInRuns,
  hashOf,
  rowDigest,
  chainOf,
  chainBegins,
  beginChain,
  sealAnew,
  rowsKept,
  actTexts,
  entryTexts,
  addToChain,
  chainHead
};
