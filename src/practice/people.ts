import type { Random } from "./random";

/** How a customer pays: by what, how late, what they write, and how steady their orders are. */
export type Habit = {
  pays: "card" | "ach_debit" | "ach_credit";
  lateDays: number;
  memo: "number" | "digits" | "name" | "none";
  together: boolean;
  terms: string;
  orders: number;
  plan: number;
};
export type Person = {
  id: string;
  name: string;
  email: string;
  parent: string | null;
  habit: Habit;
};

const PLACES = [
  "Alder Lane",
  "Saltgrass",
  "Pine Hollow",
  "Quarry Bank",
  "Tidemark",
  "Fernhill",
  "Emberline",
  "Larkspur",
  "Wrenfield",
  "Nine Elms",
  "Cobalt Row",
  "Brindle Creek",
  "Ashgrove",
  "Millrace",
  "Stonecrop",
  "Heron Point",
  "Juniper Flat",
  "Copper Ridge",
  "Thistledown",
  "Windrush",
  "Marlbank",
  "Otter Cove",
  "Greywater",
  "Slipstone",
  "Foxglove",
  "Harrow Street",
  "Bellwether",
  "Sandpiper",
  "Moss Landing Road",
  "Cinder Hill",
  "Laurel Fork",
  "Redbank",
  "Whistle Stop",
  "Clearwater Lane",
  "Dovecote",
  "Elder Grove",
];
const KINDS = [
  "Pottery School",
  "Community Kiln",
  "Ceramics",
  "Studio",
  "Gallery",
  "Arts Trust",
  "Clay Workshop",
  "Ceramics Guild",
  "Pottery Co-op",
  "School of Craft",
];
const OWN_NAMES = [
  "M. Okonjo Studio",
  "Hollis & Byrne",
  "Dunmore & Lacey",
  "T. Halloran",
  "Ruiz Hand Built LLC",
  "Priya Natarajan Ceramics",
  "Aoife Brannigan",
  "Lindqvist & Daughters",
  "Tomasz Wierzba Pottery",
  "Dara Voss",
];
const SCHOOLS = [
  "Lincoln Elementary",
  "Harbor Middle School",
  "Meadow High School",
  "Creekside Elementary",
  "North Campus",
  "Adult Education Center",
];
const ABROAD = [
  "Maple Fork Pottery (Canada)",
  "Keramik Werkstatt Eibe (Germany)",
  "Atelier Terre Basse (France)",
];
/** Monthly kiln plans: few prices, so that equal sums are common between customers. */
export const PLANS = [14_000, 21_000, 42_000];

const DISTRICTS = [
  ["Brightwater Unified", 5],
  ["Tallow County Schools", 4],
] as const;
const DISTRICT_HABIT = {
  pays: "ach_credit",
  memo: "number",
  together: true,
  terms: "2/10 n/30",
  lateDays: -18,
} as const;
/** Businesses that the stories of the demo are about. */
const IN_STORIES = [
  "Alder Lane Pottery School",
  "Saltgrass Community Kiln",
  "Tidemark Gallery",
  "Fernhill Studio",
  "Emberline Studio",
  "Larkspur Ceramics Guild",
  "Quarry Bank Arts Trust",
  "Cobalt Row Ceramics",
  "Pine Hollow Ceramics",
];

/** About 120 customers: two districts with their schools, studios, galleries, schools, private buyers, a few abroad. */
export function makePeople(random: Random): Person[] {
  const people = new People(random);
  for (const [name, count] of DISTRICTS) addDistrict(people, name, count);
  for (const name of OWN_NAMES)
    people.add(
      name,
      { pays: "card", memo: random.chance(0.5) ? "none" : "number" },
      null,
      `${slug(name).slice(0, 12)}${random.whole(1, 99)}@post.example`,
    );
  for (const name of ABROAD) people.add(name, { pays: "card", terms: "n/30" });
  const used = new Set(IN_STORIES);
  for (const name of IN_STORIES) people.add(name, {});
  while (people.all.length < 120) {
    const name = `${random.pick(PLACES)} ${random.pick(KINDS)}`;
    if (used.has(name)) continue;
    used.add(name);
    people.add(name, {});
  }
  return people.all;
}

function addDistrict(people: People, name: string, count: number): void {
  const head = people.add(name, { ...DISTRICT_HABIT, orders: 0.6, plan: 0 });
  for (const school of SCHOOLS.slice(0, count))
    people.add(
      `${name.split(" ")[0]} ${school}`,
      { ...DISTRICT_HABIT, orders: 0.9, plan: 42_000 },
      head.id,
      `office@${slug(name)}.example`,
    );
}

class People {
  readonly all: Person[] = [];

  constructor(private readonly random: Random) {}

  add(name: string, habit: Partial<Habit>, parent: string | null = null, email?: string): Person {
    const person = {
      id: `C${String(this.all.length + 101)}`,
      name,
      parent,
      email: email ?? address(name, this.random),
      habit: { ...anyHabit(this.random), ...habit },
    };
    this.all.push(person);
    return person;
  }
}

function anyHabit(random: Random): Habit {
  const roll = random.next();
  return {
    pays: wayOfPaying(roll),
    lateDays: random.pick([-12, -6, -3, 0, 0, 1, 2, 4, 8, 14, 24]),
    memo: random.pick(["number", "number", "number", "digits", "name", "none"]),
    together: random.chance(0.25),
    terms: random.pick(["n/30", "n/30", "n/30", "n/15", "n/10", "2/10 n/30"]),
    orders: 0.3 + random.next() * 1.1,
    plan: random.chance(0.45) ? random.pick(PLANS) : 0,
  };
}

function wayOfPaying(roll: number): "card" | "ach_debit" | "ach_credit" {
  if (roll < 0.5) return "card";
  if (roll < 0.75) return "ach_debit";
  return "ach_credit";
}

function address(name: string, random: Random): string {
  return `${random.pick(["accounts", "office", "hello", "studio"])}@${slug(name)}.example`;
}

export function slug(name: string): string {
  return name
    .toLowerCase()
    .replace(/\([^()]*\)/, "")
    .replace(/[^a-z0-9]+/g, "")
    .slice(0, 30);
}
