import { FIRST_STEPS, type FirstStep, nextFirstStep } from "./start";

const steps = Object.keys(FIRST_STEPS) as FirstStep[];
const done = (...those: FirstStep[]) =>
  Object.fromEntries(steps.map((step) => [step, those.includes(step)])) as Record<
    FirstStep,
    boolean
  >;

describe("the first steps of a book", () => {
  it("are four, each with what it is for", () => {
    expect(steps).toHaveLength(4);
    for (const { what } of Object.values(FIRST_STEPS)) expect(what).toMatch(/^[A-Z].*\.$/);
  });
  it("go on with the first that is not done, whichever were done before", () => {
    expect(nextFirstStep(done())).toBe("business");
    expect(nextFirstStep(done("business"))).toBe("bank");
    expect(nextFirstStep(done("business", "processor", "files"))).toBe("bank");
    expect(nextFirstStep(done("business", "bank", "processor"))).toBe("files");
    expect(nextFirstStep(done(...steps))).toBeNull();
  });
});
