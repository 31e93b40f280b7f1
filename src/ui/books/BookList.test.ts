import { waitingInWords } from "./BookList";

describe("what waits in a book", () => {
  it.each([
    [{ arrivals: 0, match: 0, payouts: 0 }, "–"],
    [{ arrivals: 1, match: 0, payouts: 0 }, "1 file"],
    [{ arrivals: 3, match: 1, payouts: 2 }, "3 files, 1 receipt to match, 2 payouts to tie"],
  ])("%j is %s", (waiting, words) => expect(waitingInWords(waiting)).toBe(words));
});
