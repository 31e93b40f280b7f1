import { code, currencyCode, isoDay, isTimeZone, name, timeZone } from "./values";

describe("the gate for single values", () => {
  it.each(["2026-11-24", "2028-02-29"])("takes the day %s", (text) =>
    expect(isoDay.parse(text)).toBe(text),
  );
  it.each(["2026-02-30", "24.11.2026", "", "2026-13-01"])("refuses the day “%s”", (text) =>
    expect(isoDay.safeParse(text).success).toBe(false),
  );
  // ISO 4217.
  it.each(["USD", "JPY", "KWD"])("takes the currency %s", (text) =>
    expect(currencyCode.parse(text)).toBe(text),
  );
  it("says what a currency is written like", () => {
    const read = currencyCode.safeParse("DOLLAR");
    expect(read.error?.issues[0]?.message).toContain("ISO 4217");
  });
  it("takes short names of accounts, and nothing that would not stand in an address", () => {
    expect(["card", "ach-2", "9"].map((text) => code.safeParse(text).success)).toEqual([
      true,
      true,
      true,
    ]);
    expect(
      ["Card", "-a", "a b", "", "a".repeat(40)].some((text) => code.safeParse(text).success),
    ).toBe(false);
  });
  it("takes a name of up to 200 letters, without the blanks around it", () => {
    expect(name.parse("  Kestrel Row ")).toBe("Kestrel Row");
    expect(name.safeParse("   ").success).toBe(false);
    expect(name.safeParse("a".repeat(201)).success).toBe(false);
  });
  it("knows the zones of the time zone database", () => {
    expect(timeZone.parse("America/Chicago")).toBe("America/Chicago");
    expect(isTimeZone("Middle/Earth")).toBe(false);
  });
});
