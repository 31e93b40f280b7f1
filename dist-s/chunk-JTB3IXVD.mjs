import {
  USUAL_LOOK,
  inWords
} from "./chunk-WZI5MHZ3.mjs";

// src/server/settings/lookOf.ts
function lookOf({ looks, bankDetails }, chosen) {
  const look = looks.find(({ name }) => name === chosen) ?? looks[0] ?? USUAL_LOOK;
  return inWords(look, bankDetails);
}

export {
  lookOf
};
