import { taxNumberOf } from "./index";

/**
 * Numbers from memory of published examples: the European Commission's VIES structure table with the check
 * digits of the member states' rules (as in python-stdnum's documentation), IRS Publication 1635 for
 * EIN prefixes, the GST portal's sample GSTIN.
 */
describe("tax numbers", () => {
  it.each([
    ["ATU13585627", "AT"],
    ["BE 0428.759.497", "BE"],
    ["DE 136,695 976".replace(",", ""), "DE"],
    ["DK 13585628", "DK"],
    ["EL 094259216", "GR"],
    ["ES54362315K", "ES"],
    ["FI 20774740", "FI"],
    ["FR 40 303 265 045", "FR"],
    ["HR33392005961", "HR"],
    ["IE 6433435F", "IE"],
    ["IT 00743110157", "IT"],
    ["LU 150 274 42", "LU"],
    ["NL4495445B01", "NL"],
    ["PL 8567346215", "PL"],
    ["PT 501 964 843", "PT"],
    ["SE 123456789701", "SE"],
    ["SI 5022 3054", "SI"],
  ])("%s is a VAT number", (text, country) => {
    const read = taxNumberOf(text, country);
    expect(read).toMatchObject({ ok: true, value: { kind: "VAT" } });
  });
  it("reads an EIN and a GSTIN, written as their country writes them", () => {
    expect(taxNumberOf("911144442", "US")).toEqual({
      ok: true,
      value: { kind: "EIN", text: "91-1144442" },
    });
    expect(taxNumberOf("27AAPFU0939F1ZV", "IN")).toEqual({
      ok: true,
      value: { kind: "GSTIN", text: "27AAPFU0939F1ZV" },
    });
  });
  it.each([
    ["DE136695978", "DE", "a wrong check digit"],
    ["FR41303265045", "FR", "a wrong check digit"],
    ["IT 00743110158", "IT", "a wrong check digit"],
    ["DE12345", "DE", "too short"],
    ["27AAPFU0939F1ZX", "IN", "a wrong check digit"],
    ["07-1144442", "US", "a prefix that no campus has"],
    ["12345678", "US", "too short"],
  ])("refuses %s of %s: %s", (text, country) => {
    expect(taxNumberOf(text, country)).toMatchObject({
      ok: false,
      error: { code: "tax_number.wrong", text },
    });
  });
  it("keeps what it has no rule for", () => {
    expect(taxNumberOf("CHE-107.787.577 IVA", "CH")).toEqual({ ok: true, value: null });
    expect(taxNumberOf("exempt 501(c)(3)", "US")).toEqual({ ok: true, value: null });
  });
  it("notices two swapped digits of a German number, every pair", () => {
    const digits = "136695976";
    for (let at = 0; at < digits.length - 1; at += 1) {
      const [a = "", b = ""] = digits.slice(at, at + 2);
      const swapped = `${digits.slice(0, at)}${b}${a}${digits.slice(at + 2)}`;
      expect(taxNumberOf(`DE${swapped}`, "DE").ok).toBe(a === b);
    }
  });
});
