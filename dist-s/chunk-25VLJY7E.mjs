import {
  formatDay
} from "./chunk-HBIDXRTT.mjs";

// src/server/output/paperDay.ts
var paperDay = (of, language) => language === void 0 || language === "en" ? `${formatDay(of)} ${of.slice(0, 4)}` : new Intl.DateTimeFormat(language, { dateStyle: "long", timeZone: "UTC" }).format(
  new Date(of)
);

// src/db/logos.ts
function logoOf(db, sha256) {
  const row = db.get(
    "SELECT type, base64 FROM logo WHERE sha256 = ?",
    sha256
  );
  return row ? { type: row.type, bytes: Buffer.from(row.base64, "base64") } : null;
}
function insertLogo(db, sha256, { type, bytes }) {
  db.run(
    "INSERT OR IGNORE INTO logo (sha256, type, base64) VALUES (?, ?, ?)",
    sha256,
    type,
    bytes.toString("base64")
  );
}

export {
  paperDay,
  logoOf,
  insertLogo
};
