// src/core/parties/mailIn.ts
function maySend(rule, from) {
  const address = from.trim().toLowerCase();
  const at = address.lastIndexOf("@");
  if (at < 1) return false;
  return rule.some((name) => {
    const allowed = name.trim().toLowerCase();
    return allowed.startsWith("@") ? address.slice(at) === allowed : address === allowed;
  });
}
var isForged = (results) => /\bdmarc\s*=\s*fail\b/i.test(results[0] ?? "");
var WHOLE_LETTER = [
  /^-{2,}\s*(original message|forwarded message|ursprüngliche nachricht|message d'origine|mensaje original|messaggio originale|oorspronkelijk bericht)\s*-{2,}/i,
  /^_{10,}$/
];
var SAYS_WHO = /^(on|am|le|el|il|op)\b.{6,200}\b(wrote|schrieb|a écrit|escribió|scritto|schreef)\b/i;
var isMarked = (line) => line.trim().startsWith(">");
function ownWords(text) {
  const lines = text.replaceAll("\r\n", "\n").split("\n");
  const isBegin = (line, at) => isMarked(line) || WHOLE_LETTER.some((mark) => mark.test(line.trim())) || SAYS_WHO.test(line.trim()) && isMarked(nextOf(lines, at));
  const from = lines.findIndex(isBegin);
  const above = lines.slice(0, Math.max(from, 0)).join("\n").trim();
  const below = lines.slice(from + 1).filter((line) => line.trim() !== "");
  const isBetween = below.some(isMarked) && !below.every(isMarked);
  return above === "" || isBetween ? text.trim() : above;
}
var nextOf = (lines, at) => lines.slice(at + 1).find((line) => line.trim() !== "") ?? "";

// src/core/parties/persons.ts
var LETTER_SHARES = ["to", "copy", "none"];
function reachedBy(persons, customer) {
  const to = persons.filter(({ letters }) => letters === "to");
  const copies = persons.filter(({ letters }) => letters === "copy").map(({ email }) => email);
  const names = to.map(({ name }) => name).filter((name) => name !== "");
  const called = persons.find(({ calls, phone }) => calls && phone !== "") ?? persons.find(({ phone }) => phone !== "");
  const addresses = addressesOf(to, customer);
  return {
    to: [...new Set(addresses)],
    copies: [...new Set(copies)].filter((name) => !addresses.includes(name)),
    greeting: names.length > 0 ? names.join(", ") : customer.name,
    phone: called?.phone ?? customer.phone,
    callee: called?.name ?? ""
  };
}
function addressesOf(to, customer) {
  if (to.length > 0) return to.map(({ email }) => email);
  if (customer.email === null) return [];
  return [customer.email];
}

// src/core/parties/customerNumber.ts
function nextCustomerNumber(latest, taken) {
  const match = /^(.*?)(\d{1,12})$/u.exec(latest ?? "C0");
  const [, prefix = "C", digits = "0"] = match ?? [];
  for (let next = Number(digits) + 1; ; next += 1) {
    const number = `${prefix}${String(next).padStart(digits.length, "0")}`;
    if (!taken(number)) return number;
  }
}

// src/core/parties/index.ts
function groupHead(customer, byId) {
  return topOf(customer.id, (id) => {
    const parent = byId.get(id)?.parentId ?? null;
    return parent !== null && byId.has(parent) ? parent : null;
  });
}
function topOf(id, parentOf) {
  let at = id;
  const seen = /* @__PURE__ */ new Set();
  for (let parent = parentOf(at); parent !== null && !seen.has(at); parent = parentOf(at)) {
    seen.add(at);
    at = parent;
  }
  return at;
}

export {
  LETTER_SHARES,
  reachedBy,
  nextCustomerNumber,
  maySend,
  isForged,
  ownWords,
  groupHead,
  topOf
};
