import { linesIn, list, openIn } from "../../../../tests/support/readings";

describe("advice of a payment", () => {
  const of = (type: string, more = ""): string =>
    list(
      `Payment date,Document,Type,Gross,Discount,Net${more === "" ? "" : ",Payment total"}`,
      `2026-11-09,1001,INV,100.00,2.00,98.00${more}`,
      `2026-11-09,CM-5,${type},20.00,0.00,20.00${more}`,
    );
  const asAdvice = (text: string, answers = {}): string[] =>
    linesIn("remittance", text, { answers }).map((line) => line.split(" | ")[1] ?? "");
  it("a credit without a sign lowers what was paid where the payment says so, else it is asked", () => {
    expect(openIn(of("CRN"), { kind: "remittance" })).toEqual(["credits"]);
    expect(asAdvice(of("CRN"), { credits: "off" })).toEqual(["98.00", "(20.00)"]);
    expect(asAdvice(of("CRN"), { credits: "on" })).toEqual(["98.00", "20.00"]);
    expect(openIn(of("CRN", ",78.00"), { kind: "remittance" })).toEqual([]);
    expect(asAdvice(of("CRN", ",78.00"))).toEqual(["98.00", "(20.00)"]);
    expect(openIn(of("INV"), { kind: "remittance" })).toEqual([]);
  });
  it("what was refused, is only to come, or void, is asked about", () => {
    const file = (status: string, check = "5511"): string =>
      list(
        "Check,Paid on,Invoice,Amount,Status",
        "5510,2026-11-09,1001,98.00,paid",
        `${check},2026-11-09,1002,20.00,${status}`,
      );
    const open = (text: string): string[] => openIn(text, { kind: "remittance" });
    expect(["paid", "scheduled", "rejected"].map((status) => open(file(status)))).toEqual([
      [],
      ["column:Status"],
      ["column:Status"],
    ]);
    expect(open(file("paid", "VOID 5511"))).toEqual(["column:Check"]);
  });
});
