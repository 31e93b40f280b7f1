import type { Dice } from "./dice";

/** Invented firms; families of nearly equal names come from few first words and many kinds. */
const FIRST = [
  "Alder",
  "Saltgrass",
  "Pine",
  "Quarry",
  "Tide",
  "Fern",
  "Ember",
  "Lark",
  "Wren",
  "Elm",
  "Cobalt",
  "Brindle",
  "Ash",
  "Mill",
  "Stone",
  "Heron",
  "Juniper",
  "Copper",
  "Thistle",
  "Wind",
  "Marl",
  "Otter",
  "Grey",
  "Slip",
  "Fox",
  "Harrow",
  "Bell",
  "Sand",
  "Moss",
  "Cinder",
  "Laurel",
  "Red",
  "Whistle",
  "Clear",
  "Dove",
  "Elder",
  "Birch",
  "Crane",
  "Drift",
  "Flint",
  "Garnet",
  "Hazel",
  "Iron",
  "Jasper",
  "Kestrel",
  "Linden",
  "Maple",
  "North",
  "Oak",
  "Plum",
];
const SECOND = [
  "Lane",
  "Hollow",
  "Bank",
  "mark",
  "hill",
  "line",
  "spur",
  "field",
  "Row",
  "Creek",
  "grove",
  "race",
  "crop",
  "Point",
  "Flat",
  "Ridge",
  "down",
  "rush",
  "Cove",
  "water",
  "glove",
  "Street",
  "wether",
  "piper",
  "Landing",
  "Fork",
  "Stop",
  "cote",
  "Park",
  "gate",
];
const KIND = [
  "Pottery School",
  "Community Kiln",
  "Ceramics",
  "Studio",
  "Gallery",
  "Arts Trust",
  "Clay Workshop",
  "Supply",
  "Builders",
  "Dental Group",
  "Foods",
  "Logistics",
  "Printing",
  "Hardware",
  "Unified School District",
  "Consulting",
  "Farms",
  "Motors",
  "Textiles",
  "Brewing",
];
const FORM = ["", "", "", " LLC", " Inc", " Co", " Ltd", " Corp", " GmbH"];
const PEOPLE = [
  "Okonjo",
  "Hollis",
  "Byrne",
  "Halloran",
  "Ruiz",
  "Natarajan",
  "Brannigan",
  "Lindqvist",
  "Wierzba",
  "Voss",
  "Adeyemi",
  "Castellano",
  "Dupont",
  "Eriksen",
  "Fontaine",
  "Garcia",
  "Haas",
  "Ivanov",
  "Jensen",
  "Kowalski",
];

export function firmName(dice: Dice): string {
  const second = dice.pick(SECOND);
  const place = `${dice.pick(FIRST)}${/^[A-Z]/.test(second) ? " " : ""}${second}`;
  if (dice.chance(0.12)) return `${dice.pick(PEOPLE)} & ${dice.pick(PEOPLE)}${dice.pick(FORM)}`;
  return `${place} ${dice.pick(KIND)}${dice.pick(FORM)}`;
}

export function slug(name: string): string {
  return name
    .toLowerCase()
    .replace(/[^a-z0-9]/g, "")
    .slice(0, 24);
}

const SHORT: Record<string, string> = {
  School: "Sch",
  Community: "Comm",
  Ceramics: "Ceram",
  Studio: "Stu",
  Workshop: "Wkshp",
  Unified: "Unif",
  District: "Dist",
  Group: "Grp",
  Consulting: "Conslt",
  Logistics: "Log",
  Supply: "Sply",
  Company: "Co",
  Street: "St",
};

/** How a payer's name reaches us: as it is, or with one thing done to it. */
export const NAME_NOISE = {
  exact: (name: string): string => name,
  upper: (name: string): string => name.toUpperCase(),
  cut16: (name: string): string =>
    name
      .toUpperCase()
      .replace(/[^A-Z0-9 &]/g, "")
      .slice(0, 16)
      .trim(),
  short: (name: string): string =>
    name
      .split(" ")
      .map((word) => SHORT[word] ?? word)
      .join(" "),
  misspelled: (name: string, dice: Dice): string => {
    const at = dice.whole(2, Math.max(2, Math.min(name.length - 3, 9)));
    return name.slice(0, at) + (name[at + 1] ?? "") + (name[at] ?? "") + name.slice(at + 2);
  },
  noForm: (name: string): string => name.replace(/ (LLC|Inc|Co|Ltd|Corp|GmbH)$/, ""),
  turned: (name: string): string => {
    const words = name.split(" ");
    return [...words.slice(1), words[0]].join(" ");
  },
  and: (name: string): string => name.replace("&", "and"),
  empty: (): string => "",
} as const;
