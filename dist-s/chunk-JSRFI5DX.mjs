import {
  CommandContext,
  Refusal
} from "./chunk-7UI2N6TF.mjs";
import {
  fieldInWords,
  firstProblem
} from "./chunk-CST2UU67.mjs";
import {
  addToChain,
  beginChain,
  chainBegins,
  changedInRuns,
  commandByKey,
  forgetTouched,
  hashOf,
  insertCommand,
  keyOf,
  markRows,
  nextCommandId,
  spansWritten,
  stoodBefore,
  trailPlaces,
  watchRows
} from "./chunk-55UEKTAP.mjs";
import {
  inputProblem,
  masked,
  withoutSecrets
} from "./chunk-HBIDXRTT.mjs";
import {
  fail,
  ok
} from "./chunk-V6I26S2F.mjs";

// src/db/undoFile.ts
var BY_THE_JOURNAL = /* @__PURE__ */ new Set(["account_day", "carried"]);
var OF_THE_FILE = /* @__PURE__ */ new Set(["import_file", "mapping"]);
var imaging = /* @__PURE__ */ new WeakSet();
function watchImages(db) {
  if (imaging.has(db)) return;
  const places = watchRows(db);
  db.exec(
    `CREATE TEMP TABLE imaging (wanted INTEGER NOT NULL);
     CREATE TEMP TABLE before_image (place TEXT NOT NULL, row_key TEXT NOT NULL, old TEXT NOT NULL)`
  );
  for (const place of places.filter(({ name }) => !BY_THE_JOURNAL.has(name)))
    for (const event of ["UPDATE", "DELETE"])
      db.exec(
        `CREATE TEMP TRIGGER "image_${place.name}_${event}" BEFORE ${event} ON main."${place.name}"
         WHEN EXISTS (SELECT 1 FROM imaging) AND ${stoodBefore(places, place, "OLD")}
         BEGIN
           INSERT INTO before_image SELECT '${place.name}', ${keyOf(place, "OLD")}, ${objectOf(db, place)}
           WHERE NOT EXISTS (SELECT 1 FROM touched WHERE place = '${place.name}' AND row_key = ${keyOf(place, "OLD")});
         END`
      );
  imaging.add(db);
}
var columnsOf = (db, place) => db.all("SELECT name FROM pragma_table_info(?) ORDER BY cid", place).map(({ name }) => name);
var objectOf = (db, { name }) => `json_object(${columnsOf(db, name).map((column) => `'${column}', OLD."${column}"`).join(", ")})`;
function beginImages(db) {
  db.run("DELETE FROM before_image");
  forgetTouched(db);
  db.run("INSERT INTO imaging VALUES (1)");
}
function keepImages(db, commandId) {
  db.run(
    "INSERT INTO undo_image (command_id, place, row_key, old) SELECT ?, place, row_key, old FROM before_image",
    commandId
  );
  db.run("DELETE FROM before_image");
  db.run("DELETE FROM imaging");
}
function commandOfFile(db, fileId) {
  return db.get(
    "SELECT command_id AS id FROM act WHERE kind = 'import' AND subject_kind = 'import_file' AND subject_id = ? LIMIT 1",
    fileId
  )?.id;
}
function isSealed(db, commandId) {
  return db.get("SELECT 1 FROM command WHERE id = ? AND chain <> ''", commandId) !== void 0;
}
function commandsAfter(db, commandId) {
  return [.../* @__PURE__ */ new Set([...changedAfter(db, commandId), ...namedAfter(db, commandId)])].sort(
    (a, b) => b - a
  );
}
function changedAfter(db, commandId) {
  const names = /* @__PURE__ */ new Set([...BY_THE_JOURNAL, ...OF_THE_FILE]);
  const aside = [...names].map((name) => `'${name}'`).join(", ");
  const alone = db.all(
    `SELECT DISTINCT later.command_id AS id
       FROM trail own
       JOIN trail later ON later.place = own.place AND later.row_key = own.row_key AND later.command_id > own.command_id
       WHERE own.command_id = ? AND own.place NOT IN (${aside})`,
    commandId
  ).map(({ id }) => id);
  return [...alone, ...changedInRuns(db, commandId, names)];
}
var NAMING = [
  ["open_item", "customer_id", "customer"],
  ["receipt", "customer_id", "customer"],
  ["ach_started", "customer_id", "customer"],
  ["change_notice", "customer_id", "customer"],
  ["customer", "parent_id", "customer"],
  ["processor_item", "receipt_id", "receipt"],
  ["processor_item", "payout_id", "payout"],
  ["remittance", "receipt_id", "receipt"]
];
function namedAfter(db, commandId) {
  return NAMING.flatMap(([table, column, place]) => {
    const naming = `SELECT DISTINCT a.command_id AS id
       FROM "${table}" d
       JOIN act a ON a.kind = 'import' AND a.subject_kind = 'import_file' AND a.subject_id = d.file_id
       WHERE a.command_id > ?`;
    return [
      ...db.all(
        `${naming} AND json_array(d."${column}") IN (${WRITTEN})`,
        commandId,
        commandId,
        place
      ),
      ...spansWritten(db, commandId, place).flatMap(
        ({ first, last }) => db.all(
          `${naming} AND d."${column}" BETWEEN ? AND ?`,
          commandId,
          first,
          last
        )
      )
    ];
  }).map(({ id }) => id);
}
var ENDED = [
  {
    table: "application",
    where: "ended_by IS NOT NULL",
    names: [
      ["receipt_id", "receipt"],
      ["open_item_id", "open_item"]
    ]
  },
  {
    table: "payout_tie",
    where: "ended_by IS NOT NULL",
    names: [
      ["payout_id", "payout"],
      ["bank_line_id", "bank_line"]
    ]
  },
  {
    table: "credit_use",
    where: "ended_by IS NOT NULL",
    names: [
      ["credit_item_id", "open_item"],
      ["open_item_id", "open_item"]
    ]
  }
];
function putBackRows(db, commandId) {
  db.exec("PRAGMA defer_foreign_keys = ON");
  const places = trailPlaces(db).filter(
    ({ name }) => !BY_THE_JOURNAL.has(name) && !OF_THE_FILE.has(name)
  );
  for (const place of places) takeAwayEnded(db, place.name, commandId);
  for (const place of places) {
    takeAwayWritten(db, place, commandId);
    putBackChanged(db, place, commandId);
  }
}
var WRITTEN = `SELECT t.row_key FROM trail t
  WHERE t.command_id = ? AND t.place = ?
    AND NOT EXISTS (SELECT 1 FROM undo_image i WHERE i.command_id = t.command_id AND i.place = t.place AND i.row_key = t.row_key)`;
function takeAwayEnded(db, name, commandId) {
  const spans = spansWritten(db, commandId, name);
  for (const { table, where, names } of ENDED)
    for (const [column, place] of names) {
      if (place !== name) continue;
      const ended = `DELETE FROM "${table}" WHERE ${where} AND`;
      db.run(`${ended} json_array("${column}") IN (${WRITTEN})`, commandId, name);
      for (const { first, last } of spans)
        db.run(`${ended} "${column}" BETWEEN ? AND ?`, first, last);
    }
}
function takeAwayWritten(db, place, commandId) {
  const stays = place.name === "customer" || place.name === "account_link" ? `AND NOT EXISTS (SELECT 1 FROM entry e WHERE e.customer_id = t."${place.key[0]}")
         AND NOT EXISTS (SELECT 1 FROM act a WHERE a.customer_id = t."${place.key[0]}")` : "";
  db.run(
    `DELETE FROM "${place.name}" AS t WHERE ${keyOf(place, "t")} IN (${WRITTEN}) ${stays}`,
    commandId,
    place.name
  );
  for (const { first, last } of spansWritten(db, commandId, place.name))
    db.run(
      `DELETE FROM "${place.name}" AS t WHERE t."${place.key[0]}" BETWEEN ? AND ? ${stays}`,
      first,
      last
    );
}
function putBackChanged(db, place, commandId) {
  const images = db.all(
    "SELECT old FROM undo_image WHERE command_id = ? AND place = ?",
    commandId,
    place.name
  );
  if (images.length === 0) return;
  const columns = columnsOf(db, place.name);
  const names = columns.map((column) => `"${column}"`).join(", ");
  const values = columns.map((column) => `json_extract(?1, '$."${column}"')`).join(", ");
  const others = columns.filter((column) => !place.key.includes(column));
  const sets = others.map((column) => `"${column}" = excluded."${column}"`).join(", ");
  const then = sets === "" ? "DO NOTHING" : `DO UPDATE SET ${sets}`;
  for (const { old } of images)
    db.run(
      `INSERT INTO "${place.name}" (${names}) SELECT ${values} WHERE true
       ON CONFLICT (${place.key.map((column) => `"${column}"`).join(", ")}) ${then}`,
      old
    );
}
function markFileUndone(db, fileId, actId) {
  db.run("UPDATE import_file SET undone_by = ? WHERE id = ?", actId, fileId);
}
function namesWhatIsGone(db) {
  return db.all("PRAGMA foreign_key_check").some(({ table, parent }) => !(table === "act" && parent === "command"));
}

// src/server/runtime/command.ts
var before = (command, input) => (db, who) => {
  carryOut(db, command, input, { ...who, key: `${who.key}-first` });
};
function defineCommand(command) {
  return command;
}
function runCommand(db, command, input, who) {
  const parsed = command.schema.safeParse(input);
  if (!parsed.success) return fail("input.invalid", firstProblem(parsed.error, command.name));
  const barred = inputProblem(parsed.data);
  if (barred) return fail(barred.code, { where: fieldInWords(barred.path) || command.name });
  let later = [];
  const work = () => {
    const input2 = masked(parsed.data);
    const known = commandByKey(db, who.key);
    if (known)
      return known.name === command.name && ["", hashOfInput(input2)].includes(known.inputHash) ? ok(JSON.parse(known.result)) : fail("key.reused");
    markRows(db);
    if (!chainBegins(db)) beginChain(db);
    command.first?.(db, input2)?.(db, who);
    const done = carryOut(db, command, input2, who);
    later = done.later;
    return ok(done.value);
  };
  watchRows(db);
  if (command.keepsImages) watchImages(db);
  try {
    if (who.rehearse) return db.rehearse(work);
    const result = db.transaction(work);
    for (const todo of later) todo();
    return result;
  } catch (error) {
    if (error instanceof Refusal) return { ok: false, error: error.failure };
    throw error;
  }
}
var hashOfInput = (input) => hashOf(withoutSecrets(input));
function carryOut(db, command, input, who) {
  if (command.keepsImages) beginImages(db);
  const at = (/* @__PURE__ */ new Date()).toISOString();
  const id = nextCommandId(db);
  const context = new CommandContext(db, who, id, at);
  const result = command.run(context, input);
  if (!result.ok) throw new Refusal(result.error);
  if (who.rehearse === true) return { value: result.value, later: [] };
  if (command.keepsImages) keepImages(db, id);
  const said = JSON.stringify(result.value ?? null);
  const inputHash = hashOfInput(input);
  const record = { id, key: who.key, name: command.name, actor: who.actor, at, inputHash };
  insertCommand(db, { ...record, result: said });
  addToChain(db, { ...record, resultHash: hashOf(said) });
  return { value: result.value, later: context.later };
}

export {
  commandOfFile,
  isSealed,
  commandsAfter,
  putBackRows,
  markFileUndone,
  namesWhatIsGone,
  before,
  defineCommand,
  runCommand
};
