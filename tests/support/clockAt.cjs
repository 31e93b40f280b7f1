// Loaded before a program (--require): its clock begins at CLOCK_AT when the machine's stood at
// CLOCK_FROM (milliseconds), and goes on from there.
const Real = Date;
const ahead = Real.parse(process.env.CLOCK_AT) - Number(process.env.CLOCK_FROM);
const now = () => Real.now() + ahead;
globalThis.Date = new Proxy(Real, {
  construct: (target, given, wanted) =>
    Reflect.construct(target, given.length === 0 ? [now()] : given, wanted),
  get: (target, name) => (name === "now" ? now : Reflect.get(target, name)),
});
