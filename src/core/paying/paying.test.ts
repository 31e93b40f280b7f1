import cardValidator from "card-validator";
import fc from "fast-check";

import { day } from "@/core/calendar";
import { minor, sumOf } from "@/core/money";

import type { DECLINES } from "./index";
import {
  accountFace,
  cardFace,
  expiryOf,
  isChecked,
  isRouting,
  nextTry,
  type Payable,
  schemeOf,
  spread,
} from "./index";

const TODAY = "2026-11-24";

describe("a card as it is typed", () => {
  // ISO/IEC 7812-1, annex B; 4111 1111 1111 1111 is the usual test number.
  it.each([
    ["79927398713", true],
    ["79927398710", false],
    ["4111111111111111", true],
    ["4111 1111 1111 1112", false],
    ["", false],
    ["0", false],
  ])("the check digit of %s: %s", (number, holds) => expect(isChecked(number)).toBe(holds));

  it("agrees with a package on the check digit and the scheme of any number", () => {
    const names: Readonly<Record<string, string>> = {
      visa: "Visa",
      mastercard: "Mastercard",
      "american-express": "American Express",
      discover: "Discover",
    };
    fc.assert(
      fc.property(fc.stringMatching(/^[2-6]\d{15}$/), (number) => {
        const { card, isValid } = cardValidator.number(number);
        const known = names[card?.type ?? ""];
        if (known === undefined) return;
        expect(schemeOf(number)?.name).toBe(known);
        if (isValid) expect(isChecked(number)).toBe(true);
      }),
    );
  });

  it.each<[string, string | null]>([
    ["04/29", "2029-04"],
    ["4/29", "2029-04"],
    ["0429", "2029-04"],
    ["04/2029", "2029-04"],
    ["13/29", null],
    ["0/29", null],
    ["soon", null],
  ])("runs out in %s: %s", (text, month) => expect(expiryOf(text)).toBe(month));

  const good = { number: "4111 1111 1111 1111", expiry: "11/26", code: "123" };
  it("is kept by its scheme, its last four and the month it runs out in, to the end of it", () => {
    expect(cardFace(good, TODAY)).toEqual({
      ok: true,
      value: { brand: "Visa", lastFour: "1111", expires: "2026-11" },
    });
  });
  it.each<[object, string, string]>([
    [{ number: "4111" }, "card.length", "number"],
    [{ number: "4111111111111112" }, "card.number", "number"],
    [{ number: "9111111111111111" }, "card.number", "number"],
    [{ expiry: "10/26" }, "card.expired", "expiry"],
    [{ expiry: "26" }, "card.expiry", "expiry"],
    [{ code: "12" }, "card.code", "code"],
    [{ number: "378282246310005", code: "123" }, "card.code", "code"],
  ])("%j is refused: %s at %s", (change, code, field) => {
    expect(cardFace({ ...good, ...change }, TODAY)).toMatchObject({ error: { code, field } });
  });
});

describe("a bank account as it is typed", () => {
  // ABA routing number policy; the first two are the Federal Reserve's own.
  it.each([
    ["011000015", true],
    ["021001208", true],
    ["011000016", false],
    ["000000000", false],
    ["500000005", false],
    ["01100001", false],
  ])("%s is a routing number: %s", (text, holds) => expect(isRouting(text)).toBe(holds));
  const good = { routing: "011000015", account: "000123456", again: "000123456" };
  it("is kept by its bank and its last four", () => {
    expect(accountFace(good)).toEqual({
      ok: true,
      value: { bankName: "Federal Reserve Bank", lastFour: "3456" },
    });
  });
  it.each<[object, string]>([
    [{ routing: "011000016" }, "account.routing"],
    [{ account: "12", again: "12" }, "account.form"],
    [{ account: "123456789012345678" }, "account.form"],
    [{ again: "000123457" }, "account.again"],
  ])("%j is refused: %s", (change, code) => {
    expect(accountFace({ ...good, ...change })).toMatchObject({ error: { code } });
  });
});

describe("what was agreed to and declined is tried again", () => {
  it.each<[keyof typeof DECLINES, number, string | null]>([
    ["51", 1, "2026-11-27"],
    ["51", 2, "2026-11-30"],
    ["51", 3, "2026-12-01"],
    ["51", 4, null],
    ["05", 1, "2026-11-27"],
    ["43", 1, null],
    ["54", 1, null],
    ["14", 1, null],
  ])("by %s after %d tries: %s", (code, tries, on) => {
    // 24 November 2026 is a Tuesday, and 26 November a holiday.
    expect(nextTry(code, tries, day(TODAY))).toBe(on);
  });
});

describe("a sum given to what was chosen", () => {
  const payable = fc.record({
    itemId: fc.nat(50),
    dueOn: fc.constantFrom(day("2026-01-05"), day("2026-02-05"), day("2026-03-05")),
    balance: fc.integer({ min: 1, max: 100_000 }).map(minor),
  });
  it("goes to the oldest first, never over a balance, never over the sum", () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(payable, { selector: ({ itemId }) => itemId }),
        fc.integer({ min: 1, max: 300_000 }),
        (chosen: Payable[], sum) => {
          const parts = spread(minor(sum), chosen);
          const whole = sumOf(chosen, ({ balance }) => balance);
          expect(sumOf(parts, ({ amount }) => amount)).toBe(Math.min(sum, whole));
          const of = new Map(chosen.map((item) => [item.itemId, item]));
          for (const { itemId, amount } of parts)
            expect(amount).toBeLessThanOrEqual(of.get(itemId)?.balance ?? 0);
          const days = parts.map(({ itemId }) => of.get(itemId)?.dueOn ?? "");
          expect(days).toEqual([...days].sort());
          // Only the last may be paid in part.
          for (const { itemId, amount } of parts.slice(0, -1))
            expect(amount).toBe(of.get(itemId)?.balance);
        },
      ),
    );
  });
});
