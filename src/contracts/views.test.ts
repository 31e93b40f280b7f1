import { STATION_VIEWS, type StationName, titleOfView, viewsOf } from "./views";

describe("the views of a station", () => {
  it.each([
    ["match", "check", "Match"],
    ["overdue", "", "Overdue"],
    ["overdue", "list", "Overdue"],
    ["overdue", "run", "Overdue: letters of today"],
    ["overdue", "no such", "Overdue"],
    ["books", "trail", "Books: audit trail"],
    ["settings", "", "Set-up"],
  ] as const)("%s, %s, is called %s", (station, view, title) =>
    expect(titleOfView(station, view)).toBe(title),
  );
  it("have titles of their own, each", () => {
    const titles = (Object.keys(STATION_VIEWS) as StationName[]).flatMap((station) =>
      viewsOf(station).map(([view]) => titleOfView(station, view)),
    );
    expect(new Set(titles).size).toBe(titles.length);
  });
});
