import type { NextConfig } from "next";

const config: NextConfig = {
  serverExternalPackages: ["better-sqlite3", "piscina", "exceljs", "stdnum"],
  experimental: { optimizePackageImports: ["@chakra-ui/react"] },
  // Types are a step of their own in `npm test`; the build need not look at them a second time.
  typescript: { ignoreBuildErrors: true },
  poweredByHeader: false,
  devIndicators: false,
  // A browser that has not read the head yet asks for this address by itself.
  redirects: () =>
    Promise.resolve([{ source: "/favicon.ico", destination: "/icon.svg", permanent: true }]),
};

export default config;
