/** The views of each station: the first is what the station opens with. */
export const STATION_VIEWS = {
  arrivals: {
    name: "Arrivals",
    views: { files: "Files", lines: "Bank lines", tray: "Tray", mail: "Mail" },
  },
  match: { name: "Match", views: { queues: "Match" } },
  payouts: {
    name: "Payouts",
    views: {
      payouts: "Payouts",
      ahead: "Expected",
      back: "Returns and disputes",
      clearing: "Clearing",
      fees: "Fees",
    },
  },
  overdue: {
    name: "Overdue",
    views: {
      list: "Who is late",
      run: "Letters of today",
      questions: "Questions",
      "by-itself": "Automatic letters",
      fees: "Late fees",
      "given-up": "Write-offs",
      ladders: "Ladders",
      words: "Letter texts",
    },
  },
  books: {
    name: "Books",
    views: {
      proofs: "Proofs",
      journal: "Journal",
      trial: "Trial balance",
      currencies: "Other currencies",
      file: "Journal export",
      trail: "Audit trail",
    },
  },
  reports: {
    name: "Reports",
    views: { aging: "Aging", figures: "Figures", year: "Year end" },
  },
  customers: { name: "Customers", views: { list: "Customers" } },
  invoices: { name: "Invoices", views: { list: "Invoices" } },
  schedules: { name: "Schedules", views: { list: "Schedules" } },
  words: { name: "Words", views: { all: "Words" } },
  start: { name: "First steps", views: { path: "First steps" } },
  settings: { name: "Set-up", views: { all: "Set-up" } },
} as const satisfies Record<string, { name: string; views: Record<string, string> }>;

export type StationName = keyof typeof STATION_VIEWS;

/** The names of a station's views, as the address has them. */
export type ViewOf<Station extends StationName> = keyof (typeof STATION_VIEWS)[Station]["views"] &
  string;

/** What any view is called. */
export type ViewName = {
  [Station in StationName]: (typeof STATION_VIEWS)[Station]["views"][ViewOf<Station> &
    keyof (typeof STATION_VIEWS)[Station]["views"]];
}[StationName];

/** The views of a station in the order of their tabs. */
export function viewsOf<Station extends StationName>(
  station: Station,
): readonly (readonly [ViewOf<Station>, ViewName])[] {
  return Object.entries(STATION_VIEWS[station].views) as [ViewOf<Station>, ViewName][];
}

/**
 * What a page is called: its station, and the view where that is not the first.
 * @example titleOfView("overdue", "run") // "Overdue: letters of today"
 */
export function titleOfView(station: StationName, view: string): string {
  const { name, views } = STATION_VIEWS[station];
  const [first] = Object.keys(views);
  const words = (views as Record<string, string>)[view];
  if (words === undefined || view === first) return name;
  return `${name}: ${words.charAt(0).toLowerCase()}${words.slice(1)}`;
}
