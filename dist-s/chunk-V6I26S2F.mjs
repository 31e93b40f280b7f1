// src/core/result/index.ts
function ok(value) {
  return { ok: true, value };
}
function fail(code, facts = {}) {
  return { ok: false, error: { ...facts, code } };
}

export {
  ok,
  fail
};
