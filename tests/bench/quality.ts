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

/** Precision, recall and calibration on every maker's books, and the worst of each; `npm run bench -- makers`. */
export async function makers(): Promise<Measure[]> {
  const found: { name: string; level: string; figures: Figures; count: number }[] = [];
  for (const maker of MAKERS)
    for (const level of maker.levels) {
      const judged = await allOf(maker, level);
      found.push({ name: maker.name, level, figures: figuresOf(judged), count: judged.length });
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
  ];
}

async function allOf(maker: Maker, level: string): Promise<Judged[]> {
  const all: Judged[] = [];
  for (const seed of maker.keptApart) all.push(...(await maker.judged(level, seed)));
  return all;
}

const said = ({ strict, applied, best, home, brier }: Figures): string =>
  `strict ${strict.toFixed(2)}, applied ${applied.toFixed(2)}, best ${best.toFixed(2)}, home ${home.toFixed(2)}, Brier ${brier.toFixed(4)}`;

function figuresOf(judged: readonly Judged[]): Figures {
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
