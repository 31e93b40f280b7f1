import { nextCustomerNumber } from "./customerNumber";

describe("the next number of a customer", () => {
  it.each([
    ["C219", "C220"],
    ["C-0099", "C-0100"],
    ["12", "13"],
    ["ACME", "C1"],
    [null, "C1"],
    ["C999", "C1000"],
  ])("after %s is %s", (latest, next) => {
    expect(nextCustomerNumber(latest, () => false)).toBe(next);
  });
  it("passes over what is taken", () => {
    const taken = new Set(["C220", "C221"]);
    expect(nextCustomerNumber("C219", (number) => taken.has(number))).toBe("C222");
  });
});
