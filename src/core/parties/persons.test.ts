import fc from "fast-check";

import { LETTER_SHARES, reachedBy, topOf, type ContactPerson } from ".";

const customer = {
  name: "Alder Lane Pottery School",
  email: "office@alderlane.example",
  phone: "+1 312 555 0100",
};
const person = (more: Partial<ContactPerson>): ContactPerson => ({
  name: "",
  duty: "",
  email: "",
  phone: "",
  letters: "none",
  calls: false,
  ...more,
});

describe("how a customer is reached", () => {
  it("without persons by its own address and number, and letters begin with its name", () => {
    expect(reachedBy([], customer)).toEqual({
      to: ["office@alderlane.example"],
      copies: [],
      greeting: "Alder Lane Pottery School",
      phone: "+1 312 555 0100",
      callee: "",
    });
    expect(reachedBy([], { ...customer, email: null, phone: null })).toMatchObject({
      to: [],
      phone: null,
    });
  });
  it.each<[string, Partial<ContactPerson>[], object]>([
    [
      "letters go to persons instead of the customer's own address",
      [{ name: "Ms Ito", email: "ito@a.example", letters: "to" }],
      { to: ["ito@a.example"], greeting: "Ms Ito" },
    ],
    [
      "a copy alone leaves the letter where it went",
      [{ name: "Mr Ware", email: "ware@a.example", letters: "copy" }],
      {
        to: ["office@alderlane.example"],
        copies: ["ware@a.example"],
        greeting: "Alder Lane Pottery School",
      },
    ],
    [
      "a person without a name is not greeted by one",
      [{ email: "ito@a.example", letters: "to" }],
      { to: ["ito@a.example"], greeting: "Alder Lane Pottery School" },
    ],
    [
      "who gets no letters is not greeted, and may be called",
      [{ name: "Mr Bell", phone: "+1 312 555 0142", calls: true }],
      { greeting: "Alder Lane Pottery School", phone: "+1 312 555 0142", callee: "Mr Bell" },
    ],
    [
      "who is to be called comes before who only has a number",
      [
        { name: "Ms Ito", phone: "1" },
        { name: "Mr Bell", phone: "2", calls: true },
      ],
      { phone: "2", callee: "Mr Bell" },
    ],
    [
      "any number is better than the customer's own",
      [{ name: "Ms Ito", phone: "1" }],
      { phone: "1", callee: "Ms Ito" },
    ],
    [
      "who is to be called and has no number cannot be",
      [{ name: "Mr Bell", calls: true }],
      { phone: "+1 312 555 0100", callee: "" },
    ],
    [
      "the same address gets one letter, not two",
      [
        { email: "ito@a.example", letters: "to" },
        { email: "ito@a.example", letters: "to" },
        { email: "ito@a.example", letters: "copy" },
      ],
      { to: ["ito@a.example"], copies: [] },
    ],
  ])("%s", (_case, persons, expected) =>
    expect(reachedBy(persons.map(person), customer)).toMatchObject(expected),
  );
  it("nobody who wants none gets one, nobody gets two, and there is somebody to write to wherever there is an address", () => {
    const any = fc.record({
      name: fc.constantFrom("", "Ms Ito", "Mr Bell"),
      duty: fc.constant(""),
      email: fc.constantFrom("a@x.example", "b@x.example", "c@x.example"),
      phone: fc.constantFrom("", "1", "2"),
      letters: fc.constantFrom(...LETTER_SHARES),
      calls: fc.boolean(),
    });
    fc.assert(
      fc.property(fc.array(any, { maxLength: 6 }), (persons) => {
        const { to, copies } = reachedBy(persons, customer);
        expect(to.length).toBeGreaterThan(0);
        expect(new Set([...to, ...copies]).size).toBe(to.length + copies.length);
        for (const address of [...to, ...copies])
          expect(
            address === customer.email ||
              persons.some(({ email, letters }) => email === address && letters !== "none"),
          ).toBe(true);
        for (const { email, letters } of persons) if (letters === "to") expect(to).toContain(email);
      }),
    );
  });
});

describe("the head of a group", () => {
  const parents = new Map([
    [2, 1],
    [3, 2],
    [4, 4],
    [5, 6],
    [6, 5],
  ]);
  const parentOf = (id: number): number | null => parents.get(id) ?? null;
  it.each([
    [1, 1],
    [2, 1],
    [3, 1],
    [9, 9],
    [4, 4],
    [5, 5],
    [6, 6],
  ])("of %i is %i, also where the file has made a loop", (id, head) =>
    expect(topOf(id, parentOf)).toBe(head),
  );
});
