import { type Judged, type Maker, MAKERS } from "./books/makers";
import type { Measure } from "./measure";

type Figures = { strict: number; applied: number; best: number; home: number; brier: number };

/** What was asked of each difficulty: in percent, and the Brier score. */
const MUST: Record<string, Figures> = {
  easier: { strict: 99.95, applied: 99, best: 99.7, home: 97, brier: 0.014 },
  hardest: { strict: 99.5, applied: 85, best: 95, home: 87, brier: 0.05 },
  mixed: { strict: 99.95, applied: 99, best: 99.7, home: 98, brier: 0.014 },
  hard: { strict: 99.9, applied: 97, best: 99, home: 96, brier: 0.028 },
  compound: { strict: 99.5, applied: 80, best: 94, home: 87, brier: 0.05 },
};

/**
 * Precision, recall and calibration on every maker's books that are kept apart, the worst of each,
 * and the classes of receipt that fail; `npm run bench -- makers`.
 */
export async function makers(): Promise<Measure[]> {
  const found: { name: string; level: string; figures: Figures; count: number }[] = [];
  const classes: Measure[] = [];
  for (const maker of MAKERS)
    for (const level of maker.levels) {
      const judged = await allOf(maker, level);
      found.push({ name: maker.name, level, figures: figuresOf(judged), count: judged.length });
      classes.push(...worstClasses(`${maker.name}, ${level}`, judged));
    }
  const worst = (pick: (figures: Figures) => number): string =>
    Math.min(...found.map(({ figures }) => pick(figures))).toFixed(2);
  return [
    ...found.map(({ name, level, figures, count }) => ({
      work: `${name}, ${level} (${count})`,
      took: said(figures),
      must: said(MUST[level] ?? figures),
    })),
    {
      work: "The worst of all",
      took: `strict ${worst(({ strict }) => strict)}, applied ${worst(({ applied }) => applied)}, best ${worst(({ best }) => best)}, home ${worst(({ home }) => home)}, Brier ${Math.max(...found.map(({ figures }) => figures.brier)).toFixed(4)}`,
      must: "–",
    },
    ...classes,
  ];
}

/** Classes with so many receipts, and what they may miss of what a clerk could be sure of, in percent. */
const CLASS = { least: 30, most: 15 };

/** What a payment was for, and what happened to its words: the classes of which too much is missed, or any is wrong. */
function worstClasses(name: string, judged: readonly Judged[]): Measure[] {
  const classes = new Map<string, { all: number; wrong: number; missed: number }>();
  for (const { kind, clear, strictly, proposal } of judged)
    for (const part of new Set(kind.split(/, |\+/))) {
      const counted = classes.get(part) ?? { all: 0, wrong: 0, missed: 0 };
      classes.set(part, counted);
      const sure = proposal.decision === "sure";
      counted.all += 1;
      counted.wrong += sure && !strictly ? 1 : 0;
      counted.missed += clear && !sure ? 1 : 0;
    }
  return [...classes]
    .filter(([, { all }]) => all >= CLASS.least)
    .filter(([, { all, wrong, missed }]) => wrong > 0 || (100 * missed) / all > CLASS.most)
    .sort(([, a], [, b]) => b.missed / b.all - a.missed / a.all)
    .map(([part, { all, wrong, missed }]) => ({
      work: `${name}: ${part} (${all})`,
      took: `${wrong} applied wrongly, ${((100 * missed) / all).toFixed(1)} % clear and not applied`,
      must: "0.5 %, 15 %",
    }));
}

async function allOf(maker: Maker, level: string): Promise<Judged[]> {
  const all: Judged[] = [];
  for (const seed of maker.keptApart) all.push(...(await maker.judged(level, seed)));
  return all;
}

const said = ({ strict, applied, best, home, brier }: Figures): string =>
  `strict ${strict.toFixed(2)}, applied ${applied.toFixed(2)}, best ${best.toFixed(2)}, home ${home.toFixed(2)}, Brier ${brier.toFixed(4)}`;

/** In percent, and the Brier score of what was proposed. */
export function figuresOf(judged: readonly Judged[]): Figures {
  const share = (of: readonly Judged[], is: (one: Judged) => boolean): number =>
    of.length === 0 ? 100 : (100 * of.filter(is).length) / of.length;
  const sure = judged.filter(({ proposal }) => proposal.decision === "sure");
  const clear = judged.filter((one) => one.clear);
  const proposed = judged.filter(({ proposal }) => proposal.decision !== "none");
  return {
    strict: share(sure, (one) => one.strictly),
    applied: share(clear, ({ proposal }) => proposal.decision === "sure"),
    best: share(clear, (one) => one.right),
    home: share(
      judged.filter((one) => one.home),
      (one) => one.right,
    ),
    brier:
      proposed.reduce(
        (sum, { proposal, right }) =>
          sum + ((proposal.readings[0]?.confidence ?? 0) - (right ? 1 : 0)) ** 2,
        0,
      ) / Math.max(1, proposed.length),
  };
}
